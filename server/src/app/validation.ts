import { ValidationPipe, type Type, type ValidationError } from '@nestjs/common'
import { plainToInstance } from 'class-transformer'
import { validateSync } from 'class-validator'
import { Problem, type FieldFault } from './problem.ts'

/** Unknown fields are refused, everywhere. */
const STRICT = { whitelist: true, forbidNonWhitelisted: true } as const

/** Validation errors as a flat list with paths such as `placements[2].slot`. */
function faultsOf(errors: readonly ValidationError[], path = ''): FieldFault[] {
  return errors.flatMap((error) => {
    const field = /^\d+$/.test(error.property)
      ? `${path}[${error.property}]`
      : path
        ? `${path}.${error.property}`
        : error.property
    const own = Object.values(error.constraints ?? {}).map((message) => ({ field, message }))
    return [...own, ...faultsOf(error.children ?? [], field)]
  })
}

/** The problem of faults by field; the first is told in the sentence. */
export const invalid = (faults: readonly FieldFault[]): Problem =>
  new Problem(
    400,
    `${faults[0]?.field ?? 'The request'}: ${faults[0]?.message ?? 'is not valid'}. Nothing was written.`,
    [...faults],
  )

/** Checks every body and query against its class. */
export const validation = () =>
  new ValidationPipe({
    ...STRICT,
    transform: true,
    exceptionFactory: (errors) => invalid(faultsOf(errors)),
  })

/** A plain value as an instance of its class, with its faults under `path`. */
export function checked<T extends object>(
  shape: Type<T>,
  value: unknown,
  path: string,
): { instance: T; faults: FieldFault[] } {
  if (typeof value !== 'object' || value === null || Array.isArray(value))
    return { instance: new shape(), faults: [{ field: path || 'file', message: 'must be an object' }] }
  const instance = plainToInstance(shape, value)
  return { instance, faults: faultsOf(validateSync(instance, STRICT), path) }
}
