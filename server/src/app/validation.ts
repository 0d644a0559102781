import { ValidationPipe, type ValidationError } from '@nestjs/common'
import { Problem, type FieldFault } from './problem.ts'

/** Validation errors as a flat list with paths such as `placements[2].slot`. */
function faultsOf(errors: ValidationError[], path = ''): FieldFault[] {
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

/** Checks every body and query against its class; unknown fields are refused. */
export const validation = () =>
  new ValidationPipe({
    whitelist: true,
    forbidNonWhitelisted: true,
    transform: true,
    exceptionFactory: (errors) => {
      const faults = faultsOf(errors)
      return new Problem(
        400,
        `${faults[0]?.field ?? 'The request'}: ${faults[0]?.message ?? 'is not valid'}. Nothing was written.`,
        faults,
      )
    },
  })
