/** Reads the text of one cell; throws with a message that names what is wrong. */
export type Cell<T> = (text: string) => T

const refuse = (message: string): never => {
  throw new Error(message)
}

export const text: Cell<string> = (value) => value || refuse('is empty')

export const textOrNull: Cell<string | null> = (value) => value || null

/** A whole number from `least` up to what JavaScript keeps exactly. */
export const whole =
  (least: number): Cell<number> =>
  (value) => {
    const number = Number(value)
    if (value === '' || !Number.isSafeInteger(number)) return refuse(`"${value}" is not a whole number`)
    return number < least ? refuse(`${value} is below ${least}`) : number
  }

export const wholeOrNull =
  (least: number): Cell<number | null> =>
  (value) =>
    value === '' ? null : whole(least)(value)

export const decimal =
  (least: number): Cell<number> =>
  (value) => {
    const number = Number(value)
    if (value === '' || !Number.isFinite(number)) return refuse(`"${value}" is not a number`)
    return number < least ? refuse(`${value} is below ${least}`) : number
  }

export const oneOf =
  <T extends string>(...words: readonly T[]): Cell<T> =>
  (value) =>
    words.includes(value as T) ? (value as T) : refuse(`"${value}" is not one of ${words.join(', ')}`)

export const flag: Cell<boolean> = (value) => oneOf('yes', 'no')(value) === 'yes'

export const hex: Cell<string> = (value) =>
  /^#[0-9a-f]{6}$/i.test(value) ? value.toUpperCase() : refuse(`"${value}" is not a colour as #RRGGBB`)

export const date: Cell<string> = (value) =>
  /^\d{4}-\d{2}-\d{2}$/.test(value) && !Number.isNaN(Date.parse(value))
    ? value
    : refuse(`"${value}" is not a date as YYYY-MM-DD`)

export const currency: Cell<string> = (value) =>
  /^[A-Z]{3}$/.test(value) ? value : refuse(`"${value}" is not a currency of three capital letters`)

/** "a;b;c", at least one. */
export const list: Cell<string[]> = (value) => {
  const entries = value
    .split(';')
    .map((entry) => entry.trim())
    .filter(Boolean)
  return entries.length ? entries : refuse('is empty')
}

/** "key=value;key=value". */
export const traits: Cell<Record<string, string>> = (value) =>
  Object.fromEntries(
    value
      .split(';')
      .filter(Boolean)
      .map((pair) => {
        const at = pair.indexOf('=')
        return at > 0
          ? [pair.slice(0, at).trim(), pair.slice(at + 1).trim()]
          : refuse(`"${pair}" is not a trait as key=value`)
      }),
  )

/** Print layers as a JSON list of objects with a `kind`. */
export const layers: Cell<{ kind: string }[]> = (value) => {
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
  return good ? (parsed as { kind: string }[]) : refuse('is not a list of layers with a kind')
}

/** Shipping bands as "1500=290;any=0": up to an amount, its price; rising, "any" last. */
export const bands: Cell<{ upTo: number | null; price: number }[]> = (value) => {
  const read = list(value).map((pair) => {
    const [upTo = '', price = ''] = pair.split('=')
    return { upTo: upTo === 'any' ? null : whole(0)(upTo), price: whole(0)(price) }
  })
  read.forEach(({ upTo }, i) => {
    const before = read[i - 1]
    if (before && (before.upTo === null || (upTo !== null && upTo <= before.upTo))) refuse('has bands that do not rise')
  })
  return read
}
