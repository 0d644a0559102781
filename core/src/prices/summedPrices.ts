import type { Drawables, Slot } from '../catalogue/index.ts'
import {
  type CostShare,
  costShares,
  PRICE_CONDITIONS,
  type PriceCondition,
  type PriceHistory,
  type StandingOffer,
  sumHistories,
  type SummedHistory,
} from './priceHistory.ts'
import type { Whole } from './waysToGet.ts'

export const THING_KINDS = ['part', 'figure', 'release'] as const
export type ThingKind = (typeof THING_KINDS)[number]

/** What has a price of its own, or one made of others; for each a price can be waited for. */
export const TARGET_KINDS = [...THING_KINDS, 'outfit', 'roster'] as const
export type TargetKind = (typeof TARGET_KINDS)[number]

/** What some parts cost at lowest single prices, as far as somebody sells them. */
export interface Singly {
  sum: number
  /** Units in all, and the parts that nobody sells singly. */
  parts: number
  unoffered: string[]
}

/** What parts cost singly, one for each time they are listed. O(parts). */
export function singlyOf(parts: readonly string[], lowest: ReadonlyMap<string, number>): Singly {
  return {
    sum: parts.reduce((sum, part) => sum + (lowest.get(part) ?? 0), 0),
    parts: parts.length,
    unoffered: [...new Set(parts)].filter((part) => !lowest.has(part)).sort(),
  }
}

/** How the price of a thing went and stands; money in minor units of the home currency. */
export interface ThingPrices extends Omit<PriceHistory, 'offers'> {
  thing: { kind: ThingKind; code: string; name: string }
  offers: (StandingOffer & { sellerName: string })[]
  /** Lowest price anybody asks; null where nobody sells it. */
  lowest: number | null
  /** What was paid for one of it, on the day it was ordered. */
  paid: { date: string; home: number; qty: number; seller: string; condition: 'new' | 'used'; parcel: string }[]
  /** Of a figure or release: what its parts cost singly, and what brings all of them. */
  against: { singly: Singly; wholes: Whole[] } | null
}

interface Shares<Key> {
  shares: CostShare<Key>[]
  dear: CostShare<Key> | null
}

/** What the parts of an outfit, or of several, cost together over time and now, and what makes it. */
export interface SummedPrices {
  series: (Omit<SummedHistory, 'never'> & { condition: PriceCondition; never: string[] })[]
  singly: Singly
  bySlot: Shares<Slot>
  byOutfit: Shares<string>
  byPart: CostShare<string>[]
  /** A slot each part is worn in. */
  slots: Record<string, Slot>
}

/** The price page of an outfit or a roster. */
export interface OutfitPrices extends SummedPrices, Drawables {
  name: string
  /** Whether all it wears is counted, or what of that is still to be bought. */
  all: boolean
  worn: number
  wholes: Whole[]
}

/** Adds the prices of parts up: `wanted` has each as often as it is, with where it is worn and by whom. */
export function summedPrices(
  wanted: readonly { slot: Slot; part: string; outfit: string }[],
  histories: ReadonlyMap<string, PriceHistory>,
  lowest: ReadonlyMap<string, number>,
): SummedPrices {
  const qty = new Map<string, number>()
  for (const { part } of wanted) qty.set(part, (qty.get(part) ?? 0) + 1)
  const parts = [...qty.keys()].sort()
  const pointsOf = (part: string, condition: PriceCondition) =>
    histories.get(part)?.series.find((one) => one.condition === condition)?.points ?? []
  const sharesBy = <Key>(key: (one: (typeof wanted)[number]) => Key) =>
    costShares(wanted.map((one) => ({ key: key(one), cost: lowest.get(one.part) ?? 0 })))
  return {
    series: PRICE_CONDITIONS.map((condition) => {
      const { never, ...summed } = sumHistories(
        parts.map((part) => ({ qty: qty.get(part)!, points: pointsOf(part, condition) })),
      )
      return { condition, ...summed, never: never.map((i) => parts[i]!) }
    }),
    singly: singlyOf(
      wanted.map(({ part }) => part),
      lowest,
    ),
    bySlot: sharesBy(({ slot }) => slot),
    byOutfit: sharesBy(({ outfit }) => outfit),
    byPart: sharesBy(({ part }) => part).shares,
    slots: Object.fromEntries(wanted.map(({ part, slot }) => [part, slot])),
  }
}

/** A price something is waited for. */
export interface Target {
  id: string
  kind: TargetKind
  code: string
  name: string
  price: number
  setOn: string
  metOn: string | null
  metPrice: number | null
  /** Whether the news of it was read. */
  seen: boolean
  /** What it costs now; null where it, or a part of it, is not for sale, or nothing of it is to be bought. */
  now: number | null
}

/** A target as it stands at a price: met from `today` on, or open again when prices rose. */
export function targetAt<T extends Omit<Target, 'now' | 'name'>>(target: T, now: number | null, today: string): T {
  const isMet = now !== null && now <= target.price
  if (isMet === (target.metOn !== null)) return target
  return { ...target, metOn: isMet ? today : null, metPrice: isMet ? now : null, seen: false }
}
