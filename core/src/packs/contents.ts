import { takeFrom } from '../allotment/index.ts'
import { seeded } from '../base/index.ts'
import type { Level, Placement } from '../catalogue/index.ts'
import { isCopy, type Drawer } from '../drawer/index.ts'
import { packOdds } from '../market/index.ts'
import type { BonusItem } from './choices.ts'
import type { Pack, PackPlan } from './collate.ts'

/** A part that packs need or lack, and what for. */
export interface PartForPacks {
  part: string
  qty: number
  /** Outfits, bonus items and the build it is for. */
  forWhat: string[]
}

/** What goes into all packs: what each figure wears, its parts that stand built already, and what bonus items are. */
export interface PackContents {
  worn: ReadonlyMap<string, readonly Placement[]>
  /** Parts of a figure that stands built, by part; it fills one pack. */
  standing: ReadonlyMap<string, Readonly<Record<string, number>>>
  items: readonly BonusItem[]
  nameOf: (figure: string) => string
}

/** A part to be had, and what for. */
type Wanted = Placement & { forWhat: string }

/** All that has to be laid into the packs, one entry a piece; copies made by others among them. */
function wantedFor({ packs }: Pick<PackPlan, 'packs'>, { worn, items, nameOf }: PackContents): Map<string, Wanted[]> {
  const itemOf = new Map(items.map((item) => [item.id, item]))
  const loose = (part: string, forWhat: string): Wanted => ({ slot: 'beside', part, order: 0, turned: false, forWhat })
  const byFigure = new Map<string, Wanted[]>()
  const want = (figure: string, all: readonly Wanted[]) => {
    const own = byFigure.get(figure) ?? []
    own.push(...all)
    byFigure.set(figure, own)
  }
  for (const pack of packs) {
    want(
      pack.figure,
      (worn.get(pack.figure) ?? []).map((placement) => ({ ...placement, forWhat: nameOf(pack.figure) })),
    )
    for (const id of pack.items) {
      const item = itemOf.get(id)
      if (item?.part) want('', [loose(item.part, item.name.trim() || 'a bonus item')])
    }
    for (const { part, qty } of pack.pieces)
      want(
        '',
        Array.from({ length: qty }, () => loose(part, 'the bonus build')),
      )
  }
  return byFigure
}

function counted(wanted: readonly Wanted[]): PartForPacks[] {
  const parts = new Map<string, { qty: number; forWhat: Set<string> }>()
  for (const { part, forWhat } of wanted) {
    const one = parts.get(part) ?? { qty: 0, forWhat: new Set<string>() }
    one.qty++
    one.forWhat.add(forWhat)
    parts.set(part, one)
  }
  return [...parts].map(([part, { qty, forWhat }]) => ({ part, qty, forWhat: [...forWhat] }))
}

/** All parts that filling the packs takes, but for copies made by others. */
export const partsForPacks = (plan: Pick<PackPlan, 'packs'>, contents: PackContents): PartForPacks[] =>
  counted([...wantedFor(plan, contents).values()].flat().filter((one) => !isCopy(one)))

/**
 * What a drawer lacks to fill all packs, donors taken apart no further than `level`. A figure that stands built fills a
 * pack. O(parts), and an exact program where donors have to be chosen.
 */
export function lackingForPacks(
  plan: Pick<PackPlan, 'packs'>,
  contents: PackContents,
  drawer: Drawer,
  level: Level,
): PartForPacks[] {
  const wanted = [...wantedFor(plan, contents)].flatMap(([figure, all]) => {
    const left = { ...contents.standing.get(figure) }
    return all.filter(({ part }) => {
      if ((left[part] ?? 0) === 0) return true
      left[part]!--
      return false
    })
  })
  const { sources } = takeFrom(drawer, wanted, level)
  return counted(wanted.filter((_, i) => sources[i] === null))
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

/** Packs in the order they are opened: as numbered, faction by faction in the order given, or by a chance the seed decides. */
export function openingOrder(
  { packs, seed }: Pick<PackPlan, 'packs' | 'seed'>,
  order: OpeningOrder,
  factionOf: (figure: string) => string,
  factions: readonly string[],
): Pack[] {
  if (order === 'number') return [...packs]
  if (order === 'faction') {
    const place = new Map([...new Set(factions)].map((faction, i) => [faction, i]))
    const at = ({ figure }: Pack) => place.get(factionOf(figure)) ?? place.size
    return [...packs].sort((a, b) => at(a) - at(b) || a.pack - b.pack)
  }
  // Another chance than that which mixed them.
  const random = seeded(seed ^ 0x5eed)
  return [...packs]
    .map((pack) => ({ pack, at: random() }))
    .sort((a, b) => a.at - b.at)
    .map(({ pack }) => pack)
}
