import { packOdds } from '../market/index.ts'
import type { BonusItem } from './choices.ts'
import type { PackPlan } from './collate.ts'

/** A part that filling all packs takes, and what for. */
export interface PartForPacks {
  part: string
  qty: number
  /** Outfits, bonus items and the build it is for. */
  forWhat: string[]
}

/** All parts that filling the packs takes. `worn` are the parts of each figure; `nameOf` says what outfits and items are called. */
export function partsForPacks(
  { packs }: Pick<PackPlan, 'packs'>,
  worn: ReadonlyMap<string, readonly string[]>,
  items: readonly BonusItem[],
  nameOf: (figure: string) => string,
): PartForPacks[] {
  const needed = new Map<string, { qty: number; forWhat: Set<string> }>()
  const want = (part: string, qty: number, what: string) => {
    const one = needed.get(part) ?? { qty: 0, forWhat: new Set<string>() }
    one.qty += qty
    one.forWhat.add(what)
    needed.set(part, one)
  }
  const partOf = new Map(items.map((item) => [item.id, item]))
  for (const pack of packs) {
    for (const part of worn.get(pack.figure) ?? []) want(part, 1, nameOf(pack.figure))
    for (const id of pack.items) {
      const item = partOf.get(id)
      if (item?.part) want(item.part, 1, item.name)
    }
    for (const { part, qty } of pack.pieces) want(part, qty, 'the bonus build')
  }
  return [...needed].map(([part, { qty, forWhat }]) => ({ part, qty, forWhat: [...forWhat] }))
}

/** What whoever opens so many packs may hope for. */
export interface OpeningOdds {
  packs: number
  /** Chance that every figure is there. */
  all: number
  /** Different figures on average. */
  different: number
  /** Chance of at least one of the rarest figures. */
  rarest: number
  /** Chance of at least one bonus item. */
  bonus: number
}

/** Opened packs the odds are told of: few first, then ever larger steps, all of them last. */
export function stepsOf(packs: number): number[] {
  const steps = [1, 2, 3, 4, 6, 8, 12, 16, 24, 36, 48, 72, 96, 144, 200, 300, 500, 1000, 2000].filter(
    (step) => step < packs,
  )
  return [...steps, packs]
}

/**
 * Odds of whoever opens k packs of all, drawn without putting back: everybody by `packOdds`, the rest by the hypergeometric
 * distribution. O(packs² × figures) for everybody.
 */
export function openingOdds({ packs }: Pick<PackPlan, 'packs'>): OpeningOdds[] {
  const counts = new Map<string, number>()
  for (const { figure } of packs) counts.set(figure, (counts.get(figure) ?? 0) + 1)
  const n = packs.length
  const rarest = Math.min(...counts.values())
  const rare = [...counts.values()].filter((count) => count === rarest).length * rarest
  const withBonus = packs.filter(({ items }) => items.length > 0).length
  const inCase = [...counts].map(([figure, qty]) => ({ figure, qty }))
  const { chance } = packOdds(inCase, new Map(inCase.map(({ figure }) => [figure, 1])))
  /** Chance that none of `held` of n is among k drawn. */
  const none = (held: number, k: number) => {
    let p = 1
    for (let i = 0; i < k; i++) p *= Math.max(0, n - held - i) / (n - i)
    return p
  }
  return stepsOf(n).map((k) => ({
    packs: k,
    all: chance[Math.min(k, chance.length - 1)]!,
    different: [...counts.values()].reduce((sum, count) => sum + 1 - none(count, k), 0),
    rarest: 1 - none(rare, k),
    bonus: withBonus === 0 ? 0 : 1 - none(withBonus, k),
  }))
}

/** In which order packs are opened. */
export const OPENING_ORDERS = ['number', 'faction', 'chance'] as const
export type OpeningOrder = (typeof OPENING_ORDERS)[number]
