import { ValidateBy } from 'class-validator'
import { isDate } from '@outfit/core/tables'

/** A day of the calendar as YYYY-MM-DD, as tables take it. */
export const IsDay = (): PropertyDecorator =>
  ValidateBy({
    name: 'isDay',
    validator: {
      validate: (value) => typeof value === 'string' && isDate(value),
      defaultMessage: (args) => `${args?.property ?? 'it'} must be a day as YYYY-MM-DD`,
    },
  })
