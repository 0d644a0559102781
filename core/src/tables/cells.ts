import { familyNamed } from '../colour/index.ts'
import { bandFault, MOST, type ShippingBand } from '../market/index.ts'

/**
 * How one cell of a table is read and written. `read` takes the text of the cell and throws with a message that names
 * what is wrong; `write` gives text that `read` takes back as the same value. A column whose cell is `optional` may be
 * missing from a file and then reads as the empty text.
 */
export interface Cell<T> {
  read(text: string): T
  write(value: T): string
  optional?: true
}

const refuse = (message: string): never => {
  throw new Error(message)
}

/** The same cell in a column that a file may leave out. */
export const optional = <T>(cell: Cell<T>): Cell<T> => ({ ...cell, optional: true })

/** Control characters other than tabs and line ends: no text has them, and pictures and spreadsheets break on them. */
export const CONTROL = /[\u0000-\u0008\u000B\u000C\u000E-\u001F\u007F\uFFFE\uFFFF]/

const plain = (value: string) =>
  CONTROL.test(value) ? refuse('has control characters, which no text has; type it again') : value

const words = <T extends string | null>(read: (text: string) => T): Cell<T> => ({
  read: (value) => read(plain(value)),
  write: (value) => value ?? '',
})

export const text = words((value) => value || refuse('is empty'))

/** A family of colours: by what it is called in any language, or a word of somebody's own. */
export const family = words((value) => familyNamed(value || refuse('is empty')))

export const textOrNull = words<string | null>((value) => value || null)

const number = (read: (text: string) => number): Cell<number> => ({ read, write: String })

const within = (value: string, read: number, least: number, most: number): number =>
  read < least ? refuse(`${value} is below ${least}`) : read > most ? refuse(`${value} is above ${most}`) : read

/** A whole number from `least` up to `most`. */
export const whole = (least: number, most: number): Cell<number> =>
  number((value) => {
    const read = Number(value)
    if (value === '' || !Number.isSafeInteger(read)) return refuse(`"${value}" is not a whole number`)
    return within(value, read, least, most)
  })

export const wholeOrNull = (least: number, most: number): Cell<number | null> => ({
  read: (value) => (value === '' ? null : whole(least, most).read(value)),
  write: (value) => (value === null ? '' : String(value)),
})

/** A taking-apart level (core/catalogue), or nothing where it follows from the slot. */
export const levelOrNull: Cell<number | null> = wholeOrNull(0, 5)

export const decimal = (least: number, most: number): Cell<number> =>
  number((value) => {
    const read = Number(value)
    if (value === '' || !Number.isFinite(read)) return refuse(`"${value}" is not a number`)
    return within(value, read, least, most)
  })

export const oneOf = <T extends string>(...choices: readonly T[]): Cell<T> =>
  words((value) =>
    choices.includes(value as T) ? (value as T) : refuse(`"${value}" is not one of ${choices.join(', ')}`),
  )

/** The same, with what an empty cell stands for. */
export const oneOfOr = <T extends string>(otherwise: T, ...choices: readonly T[]): Cell<T> =>
  words((value) => (value === '' ? otherwise : oneOf(...choices).read(value)))

export const flag: Cell<boolean> = {
  read: (value) => oneOf('yes', 'no').read(value) === 'yes',
  write: (value) => (value ? 'yes' : 'no'),
}

export const hex = words((value) =>
  /^#[0-9a-f]{6}$/i.test(value) ? value.toUpperCase() : refuse(`"${value}" is not a colour as #RRGGBB`),
)

/** Whether a text is a day of the calendar, ISO 8601; 30 February is none, though Date takes it for one in March. */
export const isDate = (value: string): boolean => {
  if (!/^\d{4}-\d{2}-\d{2}$/.test(value)) return false
  const day = new Date(value)
  return day.getUTCDate() === Number(value.slice(8)) && day.getUTCMonth() + 1 === Number(value.slice(5, 7))
}

export const date = words((value) => (isDate(value) ? value : refuse(`"${value}" is not a date as YYYY-MM-DD`)))

const CURRENCIES = new Set(Intl.supportedValuesOf('currency'))

export const currency = words((value) => {
  if (!/^[A-Z]{3}$/.test(value)) return refuse(`"${value}" is not a currency of three capital letters`)
  return CURRENCIES.has(value) ? value : refuse(`"${value}" is no currency anybody pays in`)
})

const entriesOf = (value: string) =>
  value
    .split(';')
    .map((entry) => entry.trim())
    .filter(Boolean)

/** "a;b;c", at least one. */
export const list: Cell<string[]> = {
  read: (value) => {
    const entries = entriesOf(value)
    return entries.length ? entries : refuse('is empty')
  },
  write: (value) => value.join(';'),
}

/** "a;b;c", "a/b" or "a, b", or nothing: colours as people write them. */
export const anyList: Cell<string[]> = {
  read: (value) =>
    value
      .split(/[;/,]/)
      .map((entry) => entry.trim())
      .filter(Boolean),
  write: (value) => value.join(';'),
}

/** "a;b;c" out of some words, or nothing. */
export const someOf = <T extends string>(...choices: readonly T[]): Cell<T[]> => ({
  read: (value) => entriesOf(value).map((entry) => oneOf(...choices).read(entry)),
  write: (value) => value.join(';'),
})

/** "key=value;key=value". */
export const traits: Cell<Record<string, string>> = {
  read: (value) =>
    Object.fromEntries(
      entriesOf(plain(value)).map((pair) => {
        const at = pair.indexOf('=')
        return at > 0
          ? [pair.slice(0, at).trim(), pair.slice(at + 1).trim()]
          : refuse(`"${pair}" is not a trait as key=value`)
      }),
    ),
  write: (value) =>
    Object.entries(value)
      .map((pair) => pair.join('='))
      .join(';'),
}

type LayerCell = { kind: string; [setting: string]: string | number | boolean }

/** Print layers as a JSON list of objects with a `kind`. */
export const layers: Cell<LayerCell[]> = {
  read: (value) => {
    if (value === '') return []
    let parsed: unknown
    try {
      parsed = JSON.parse(value)
    } catch {
      return refuse('is not JSON')
    }
    const good =
      Array.isArray(parsed) &&
      parsed.every((layer) => typeof layer === 'object' && layer !== null && typeof layer.kind === 'string')
    return good ? (parsed as LayerCell[]) : refuse('is not a list of layers with a kind')
  },
  write: (value) => JSON.stringify(value),
}

/** Shipping bands as "1500=290;any=0": up to an amount, its price; rising, "any" last. */
export const bands: Cell<ShippingBand[]> = {
  read: (value) => {
    const read = list.read(value).map((pair) => {
      const [upTo = '', price = ''] = pair.split('=')
      return {
        upTo: upTo === 'any' ? null : whole(0, MOST.band).read(upTo),
        price: whole(0, MOST.money).read(price),
      }
    })
    const fault = bandFault(read)
    if (fault) refuse(fault.message)
    return read
  },
  write: (value) => value.map(({ upTo, price }) => `${upTo ?? 'any'}=${price}`).join(';'),
}
