import { applyDecorators } from '@nestjs/common'
import { ValidateBy } from 'class-validator'
import { JSONSchema } from 'class-validator-jsonschema'
import { isDate } from '@outfit/core/tables'

/** A day of the calendar as YYYY-MM-DD, as tables take it. */
export const IsDay = (): PropertyDecorator =>
  applyDecorators(
    JSONSchema(() => ({ type: 'string', format: 'date' })),
    ValidateBy({
      name: 'isDay',
      validator: {
        validate: (value) => typeof value === 'string' && isDate(value),
        defaultMessage: (args) => `${args?.property ?? 'it'} must be a day as YYYY-MM-DD`,
      },
    }),
  )
