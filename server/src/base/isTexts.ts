import { applyDecorators } from '@nestjs/common'
import { ValidateBy } from 'class-validator'
import { JSONSchema } from 'class-validator-jsonschema'

/** An object of short texts by short names, such as a mapping of columns or the traits of a mould. */
export const IsTexts = ({ most = 500, longest = 300 } = {}): PropertyDecorator =>
  applyDecorators(
    JSONSchema(() => ({
      type: 'object',
      maxProperties: most,
      additionalProperties: { type: 'string', maxLength: longest },
    })),
    ValidateBy({
      name: 'isTexts',
      validator: {
        validate: (value) =>
          typeof value === 'object' &&
          value !== null &&
          !Array.isArray(value) &&
          Object.keys(value).length <= most &&
          Object.entries(value).every(
            ([name, text]) => name.length <= longest && typeof text === 'string' && text.length <= longest,
          ),
        defaultMessage: (args) =>
          `${args?.property ?? 'it'} must be an object of at most ${most} texts of at most ${longest} letters`,
      },
    }),
  )
