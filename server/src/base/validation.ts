import { ValidationPipe, type ArgumentMetadata, type Type, type ValidationError } from '@nestjs/common'
import { plainToInstance } from 'class-transformer'
import { validateSync } from 'class-validator'
import { breathing } from './breathe.ts'
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

/** Entries of a list checked at a time, and faults after which no more are looked for. */
const SLICE = 50
const ENOUGH = 50

/**
 * Checks every body and query against its class. A long list is gone through in slices first, with breaths between, until
 * enough is found wrong with it: thousands of faulty entries take seconds to tell.
 */
class StrictPipe extends ValidationPipe {
  constructor() {
    super({ ...STRICT, transform: true, exceptionFactory: (errors) => invalid(faultsOf(errors)) })
  }

  override async transform(value: unknown, metadata: ArgumentMetadata): Promise<unknown> {
    const { metatype, type } = metadata
    if (type === 'body' && metatype && metatype !== Object && typeof value === 'object' && value !== null)
      await refuseLongFaults(metatype, value as Record<string, unknown>)
    return super.transform(value, metadata) as Promise<unknown>
  }
}

async function refuseLongFaults(shape: Type, value: Record<string, unknown>): Promise<void> {
  const breath = breathing()
  for (const [field, list] of Object.entries(value)) {
    if (!Array.isArray(list) || list.length <= SLICE) continue
    const faults: FieldFault[] = []
    for (let from = 0; from < list.length; from += SLICE) {
      const { faults: own } = checked(shape, { ...value, [field]: list.slice(from, from + SLICE) }, '')
      const at = (path: string) => path.replace(/\d+/, (n) => String(Number(n) + from))
      for (const { field: path, message } of own)
        if (path.startsWith(`${field}[`)) faults.push({ field: at(path), message })
      if (faults.length >= ENOUGH) throw invalid(faults)
      await breath()
    }
  }
}

/** Checks bodies and queries against their classes; what these do not know is refused. */
export const validation = () => new StrictPipe()

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
