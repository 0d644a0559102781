import { SLOT_FACTS, takeOff, wear } from '../anatomy/index.ts'
import { abilityNamed, judgesOf, likenessBy, showsAbility, type Brief } from '../brief/index.ts'
import { groupBy } from '../base/index.ts'
import {
  mouldOf,
  partLabel,
  type Catalogue,
  type Part,
  type PartKind,
  type Placement,
  type Slot,
} from '../catalogue/index.ts'

/** An outfit as cuts look at it. */
export interface CutOutfit {
  id: string
  name: string
  brief: Brief
  placements: readonly Placement[]
  /** Which placements are to be bought. */
  toBuy: readonly boolean[]
}

/** Something that could be done without, or done cheaper. Money in the home currency, minor units. */
export interface Cut {
  outfit: string
  slots: Slot[]
  /** "without the lantern", "Felt hat in Peat instead of …". */
  words: string
  saves: number
  /** Milli-points of likeness it costs; below 0 where the outfit becomes more like its brief. */
  loses: number
  placements: Placement[]
}

export interface Cuts {
  /** The cuts to make, cheapest loss of likeness first, until the budget is met or nothing is left to cut. */
  made: Cut[]
  /** What they save in all. */
  saved: number
  /** Whether that is enough. */
  enough: boolean
  /** Outfits whose brief wishes for nothing, so that nobody can say what a cut would lose; they are left alone. */
  unbriefed: string[]
}

/** Slots that may stay empty. */
const OPTIONAL: readonly Slot[] = ['face', 'neck', 'waist', 'feet', 'heldRight', 'heldLeft', 'beside']

/** Garments are exchanged whole, so that no sleeve is left of another torso and no leg of other trousers. */
const GARMENTS: readonly { at: Slot; kind: PartKind; slots: readonly Slot[] }[] = [
  { at: 'torso', kind: 'dressed-torso', slots: ['torso', 'armRight', 'armLeft', 'handRight', 'handLeft'] },
  { at: 'hips', kind: 'leg-pair', slots: ['hips', 'legRight', 'legLeft'] },
]
const IN_GARMENTS = new Set(GARMENTS.flatMap(({ slots }) => slots))

/** At most so many cheaper parts are tried for each piece. */
const MOST_TRIED = 12

type Prices = Readonly<Record<string, number | null | undefined>>

/**
 * What could be cut to save so much: for every part that is to be bought, leaving it off where its slot may stay empty, or
 * the cheapest parts of the same shape, or owned ones of the same kind; garments whole. One cut to a slot of an outfit;
 * those that lose least likeness for the money come first. No must is missed and no ability hidden by a cut. `spare` are
 * owned parts nobody needs.
 */
export function cutsFor(
  outfits: readonly CutOutfit[],
  save: number,
  catalogue: Catalogue,
  lowest: Prices,
  spare: Readonly<Record<string, number>>,
): Cuts {
  const briefed = outfits.filter(({ brief }) => brief.wishes.some(({ weight }) => weight !== 'none'))
  const byKind = groupBy([...catalogue.parts.values()], (part) => mouldOf(catalogue, part).kind)
  const cuts = briefed.flatMap((outfit) => cutsOf(outfit, { catalogue, byKind, lowest, spare }))
  const rate = ({ loses, saves }: Cut) => loses / saves
  cuts.sort((a, b) => rate(a) - rate(b) || b.saves - a.saves || (a.words < b.words ? -1 : 1))
  const made: Cut[] = []
  const left = { ...spare }
  let saved = 0
  for (const cut of cuts) {
    if (saved >= save) break
    if (made.some((other) => other.outfit === cut.outfit && other.slots.some((slot) => cut.slots.includes(slot))))
      continue
    const needs = cut.placements.filter(({ slot, part }) => cut.slots.includes(slot) && spare[part])
    if (needs.some(({ part }) => (left[part] ?? 0) <= 0)) continue
    for (const { part } of needs) left[part]!--
    made.push(cut)
    saved += cut.saves
  }
  const names = outfits
    .filter((outfit) => !briefed.includes(outfit) && outfit.toBuy.includes(true))
    .map(({ name }) => name)
  return { made, saved, enough: saved >= save, unbriefed: names }
}

/** What there is to exchange parts for. */
interface Shop {
  catalogue: Catalogue
  byKind: ReadonlyMap<PartKind, readonly Part[]>
  lowest: Prices
  spare: Readonly<Record<string, number>>
}

function cutsOf({ id, brief, placements, toBuy }: CutOutfit, shop: Shop): Cut[] {
  const { catalogue, lowest } = shop
  const judges = judgesOf(brief, catalogue)
  const now = likenessBy(judges, placements, catalogue)
  const abilities = brief.abilities.flatMap((key) => abilityNamed(key) ?? [])
  const shows = (list: readonly Placement[]) =>
    abilities.filter((ability) => list.some((placement) => showsAbility(ability, placement, catalogue))).length
  const shown = shows(placements)
  const cuts: Cut[] = []
  const propose = (slots: readonly Slot[], words: string, saves: number, changed: Placement[]) => {
    if (saves <= 0 || shows(changed) < shown) return
    const then = likenessBy(judges, changed, catalogue)
    if (then.missed.length > now.missed.length) return
    cuts.push({ outfit: id, slots: [...slots], words, saves, loses: now.milli - then.milli, placements: changed })
  }
  const label = (code: string) => {
    const part = catalogue.parts.get(code)
    return part ? partLabel(catalogue, part) : code
  }
  for (const [i, placement] of placements.entries()) {
    const price = lowest[placement.part]
    const part = catalogue.parts.get(placement.part)
    if (!toBuy[i] || !price || !part) continue
    if (OPTIONAL.includes(placement.slot))
      propose(
        [placement.slot],
        `without ${label(part.code)}`,
        price,
        takeOff(placements, placement.slot, placement.order),
      )
    if (SLOT_FACTS[placement.slot].stack || IN_GARMENTS.has(placement.slot)) continue
    for (const { other, cost } of cheaperThan(part, price, shop))
      propose(
        [placement.slot],
        `${label(other.code)} instead of ${label(part.code)}`,
        price - cost,
        wear(placements, placement.slot, other, catalogue),
      )
  }
  for (const { at, kind, slots } of GARMENTS) {
    const main = placements.find(({ slot }) => slot === at)
    const bought = placements.filter(({ slot }, i) => slots.includes(slot) && toBuy[i])
    const price = bought.reduce((sum, { part }) => sum + (lowest[part] ?? 0), 0)
    if (!main || price === 0) continue
    for (const { other, cost } of wholeGarments(kind, placements, price, shop))
      propose(
        slots,
        `${label(other.code)} instead of ${label(main.part)}`,
        price - cost,
        wear(placements, at, other, catalogue),
      )
  }
  return cuts
}

interface Cheaper {
  other: Part
  cost: number
}

const cheapest = (list: Cheaper[]): Cheaper[] =>
  list.sort((a, b) => a.cost - b.cost || (a.other.code < b.other.code ? -1 : 1)).slice(0, MOST_TRIED)

/** Parts that could stand in for one and cost less: owned ones of its kind, and those of its mould. */
function cheaperThan(part: Part, price: number, { catalogue, byKind, lowest, spare }: Shop): Cheaper[] {
  const { kind } = mouldOf(catalogue, part)
  return cheapest(
    (byKind.get(kind) ?? []).flatMap((other) => {
      if (other.code === part.code || other.components.length > 0) return []
      const owned = (spare[other.code] ?? 0) > 0
      const cost = owned ? 0 : (lowest[other.code] ?? Infinity)
      if (cost >= price) return []
      return other.mould === part.mould || owned ? [{ other, cost }] : []
    }),
  )
}

/** Whole torsos or pairs of legs that cost less than what is to be bought of one; legs as long as they are. */
function wholeGarments(
  kind: PartKind,
  placements: readonly Placement[],
  price: number,
  { catalogue, byKind, lowest }: Shop,
): Cheaper[] {
  const lengthOf = (code: string | undefined) => {
    const part = catalogue.parts.get(code ?? '')
    return part && mouldOf(catalogue, part).traits['length']
  }
  const length = lengthOf(placements.find(({ slot }) => slot === 'legRight')?.part)
  return cheapest(
    (byKind.get(kind) ?? []).flatMap((other) => {
      if (other.components.length === 0) return []
      if (kind === 'leg-pair' && lengthOf(other.components.find(({ slot }) => slot === 'legRight')?.part) !== length)
        return []
      const cost = lowest[other.code] ?? Infinity
      const same = other.components.every(({ slot, part }) =>
        placements.some((p) => p.slot === slot && p.part === part),
      )
      return cost < price && !same ? [{ other, cost }] : []
    }),
  )
}
