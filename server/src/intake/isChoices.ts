import { registerDecorator } from 'class-validator'
import { JSONSchema } from 'class-validator-jsonschema'
import { FIELDS, OWN_KINDS } from '@outfit/core/intake'
import { CONDITIONS } from '@outfit/core/tables'

const MOST = 5000

/** A property decorator that tests a whole object by `fault`, a sentence or null; `entry` is the schema of each of its values. */
function objectWith(
  name: string,
  entry: Record<string, unknown>,
  fault: (value: Record<string, unknown>) => string | null,
) {
  return () => (target: object, propertyName: string) => {
    const faultOf = (value: unknown) =>
      typeof value !== 'object' || value === null || Array.isArray(value)
        ? 'must be an object'
        : Object.keys(value).length > MOST
          ? `must have at most ${MOST} entries`
          : fault(value as Record<string, unknown>)
    JSONSchema(() => ({ type: 'object', maxProperties: MOST, additionalProperties: entry }))(target, propertyName)
    registerDecorator({
      name,
      target: target.constructor,
      propertyName,
      validator: {
        validate: (value: unknown) => faultOf(value) === null,
        defaultMessage: (args) => `${propertyName} ${faultOf(args?.value)}`,
      },
    })
  }
}

/** Fields of columns by their index; null for a remark. */
export const IsColumns = objectWith('isColumns', { enum: [...FIELDS, null] }, (columns) => {
  for (const [index, field] of Object.entries(columns)) {
    if (!/^\d{1,3}$/.test(index)) return `"${index.slice(0, 20)}" is no index of a column`
    if (field !== null && !(FIELDS as readonly unknown[]).includes(field))
      return `${index} must be one of ${FIELDS.join(', ')} or null`
  }
  return null
})

/** What units of currencies are worth. */
export const IsRates = objectWith('isRates', { type: 'number', maximum: 1_000_000 }, (rates) => {
  for (const [currency, rate] of Object.entries(rates)) {
    if (!/^[A-Z]{3}$/.test(currency)) return `"${currency.slice(0, 20)}" is no currency of three capital letters`
    if (typeof rate !== 'number' || !(rate > 0 && rate <= 1_000_000)) return `${currency} must be a number above 0`
  }
  return null
})

const isText = (value: unknown) => typeof value === 'string' && value.length > 0 && value.length <= 200

const ANSWER = {
  type: 'object',
  maxProperties: 1,
  properties: { take: { type: 'string' }, make: { type: 'string' }, leave: { enum: [true] } },
}

/** Answers by what was asked. */
export const IsAnswers = objectWith('isAnswers', ANSWER, (answers) => {
  for (const [key, answer] of Object.entries(answers)) {
    const said = key.slice(0, 60)
    if (typeof answer !== 'object' || answer === null) return `"${said}" must be an object`
    const [[name, value] = [], ...more] = Object.entries(answer)
    if (more.length > 0) return `"${said}" must say one thing`
    if (name === 'leave' ? value !== true : (name !== 'take' && name !== 'make') || !isText(value))
      return `"${said}" must be {take: code}, {make: words} or {leave: true}`
    if (key.startsWith('colour ') && name === 'make' && !/^#[0-9a-f]{6}$/i.test(value as string))
      return `"${said}" must be made as #RRGGBB`
    if (key.startsWith('condition ') && name !== 'leave' && ![...CONDITIONS, 'remark'].includes(value as string))
      return `"${said}" must be taken as ${CONDITIONS.join(' or ')}, or made a remark`
    if (key.startsWith('part ') && name === 'make' && !(OWN_KINDS as readonly unknown[]).includes(value))
      return `"${said}" must be made as one of ${OWN_KINDS.join(', ')}`
  }
  return null
})
