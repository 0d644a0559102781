/** Entries kept before a memory starts over; a full tray of figures has some two thousand different paths. */
const MOST = 20_000

/**
 * A pure function of text that remembers what it worked out. Figures drawn one after the other share nearly all their
 * paths, so the tray draws several times faster with it. `keyOf` must tell different arguments apart.
 */
export function memoized<A extends readonly unknown[], R>(
  work: (...args: A) => R,
  keyOf: (...args: A) => string,
): (...args: A) => R {
  const known = new Map<string, R>()
  return (...args) => {
    const key = keyOf(...args)
    const found = known.get(key)
    if (found !== undefined) return found
    const result = work(...args)
    if (known.size >= MOST) known.clear()
    known.set(key, result)
    return result
  }
}

const NUMBERS = new WeakMap<object, number>()
const BY_TEXT = new Map<string, number>()
let numbers = 0

/**
 * A number that objects of the same content share, in one run of the program: a short key for what is worked out of them. An object must
 * not change once it was asked about.
 */
export function contentNumber(object: object): number {
  let number = NUMBERS.get(object)
  if (number === undefined) {
    const text = JSON.stringify(object)
    number = BY_TEXT.get(text) ?? numbers++
    // What is forgotten gets another number when it comes again.
    if (BY_TEXT.size >= MOST) BY_TEXT.clear()
    BY_TEXT.set(text, number)
    NUMBERS.set(object, number)
  }
  return number
}
