/** A line of a quote sheet without its seller and day. */
export interface SheetLine {
  kind: 'part' | 'figure' | 'release'
  code: string
  condition: 'new' | 'used'
  /** Of a unit, in minor units of `currency`. */
  price: number
  currency: string
  stock: number
  multiple: number
}

/** Days between two steps of the slow tides of prices: of the whole market for a thing, and of one seller's own. */
const MARKET_TIDE = 75
const OWN_TIDE = 30
/** How far each takes a price at the most, as a logarithm. */
const MARKET_REACH = 0.22
const OWN_REACH = 0.1
/** A seller looks over the price of a line once in so many days. */
const REPRICED = 24
/** A line is gone, or there, for so many days at a time; and its stock counted anew. */
const GONE_SPELL = 28
const GONE = 0.1
const STOCK_SPELL = 9

/**
 * The list of a made-up seller on a day: `base` is its list on the day 0; `day` counts from there and may be negative.
 * Prices follow slow tides, of the thing in the whole market and of the seller's own, and are put on the label only now and
 * then; stock changes, and lines are gone for a spell. The same seed, seller and day give the same list, whatever was asked
 * before; day 0 gives `base`. O(lines × days between two labels).
 */
export function sheetOfDay<L extends SheetLine>(base: readonly L[], seller: string, day: number, seed: number): L[] {
  return base.flatMap((line) => {
    const thing = hashOf(`${line.kind} ${line.code}`, seed)
    const own = hashOf(`${seller} ${line.kind} ${line.code} ${line.condition} ${line.multiple}`, seed)
    const spell = Math.floor(day / GONE_SPELL)
    if (spell !== 0 && chance(own ^ 0x51, spell) < GONE) return []
    const level = (on: number) => MARKET_REACH * tide(thing, on, MARKET_TIDE) + OWN_REACH * tide(own, on, OWN_TIDE)
    const change = level(labelled(own, day)) - level(labelled(own, 0))
    const price = change === 0 ? line.price : Math.max(1, Math.round(line.price * Math.exp(change)))
    const counted = Math.floor(day / STOCK_SPELL)
    const steps = Math.floor(line.stock / line.multiple)
    const stock =
      counted === 0
        ? line.stock
        : line.multiple * Math.max(1, Math.round(steps * (0.4 + 1.2 * chance(own ^ 0x33, counted))))
    return [{ ...line, price, stock }]
  })
}

/** The last day up to `day` on which the price was put on the label. */
function labelled(key: number, day: number): number {
  let on = day
  while (chance(key ^ 0x77, on) >= 1 / REPRICED) on -= 1
  return on
}

/** Smooth noise from −1 to 1: seeded values at steps of `length` days, eased between them. */
function tide(key: number, day: number, length: number): number {
  const step = Math.floor(day / length)
  const t = day / length - step
  const eased = t * t * (3 - 2 * t)
  const [before, after] = [2 * chance(key, step) - 1, 2 * chance(key, step + 1) - 1]
  return before + (after - before) * eased
}

/** FNV-1a over UTF-16 units. */
function hashOf(text: string, seed: number): number {
  let hash = (0x811c9dc5 ^ seed) >>> 0
  for (let i = 0; i < text.length; i++) hash = Math.imul(hash ^ text.charCodeAt(i), 0x01000193) >>> 0
  return hash
}

/** A number from 0 up to 1 that `key` and `n` alone decide. */
export function chance(key: number, n: number): number {
  let t = (key ^ Math.imul(n | 0, 0x9e3779b1)) >>> 0
  t = Math.imul(t ^ (t >>> 16), 0x85ebca6b)
  t = Math.imul(t ^ (t >>> 13), 0xc2b2ae35)
  return ((t ^ (t >>> 16)) >>> 0) / 4294967296
}
