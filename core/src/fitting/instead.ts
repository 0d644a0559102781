import { dress, DRESSINGS, otherSideOf, SLOT_FACTS, slotsFor } from '../anatomy/index.ts'
import {
  isWhole,
  mainPiece,
  PART_KINDS,
  mainColour,
  mouldOf,
  type Catalogue,
  type Part,
  type PartKind,
  type Placement,
  type Slot,
} from '../catalogue/index.ts'
import { colourDifference } from '../colour/index.ts'
import { assembliesWith } from './assemblies.ts'
import { unitsOf } from '../drawer/index.ts'
import { homeMoney } from '../market/index.ts'
import { rulesOf, type FittingContext, type Remedy, type WornPart } from './pin.ts'

/** Slots each kind of part can sit in within an assembly. */
const SLOTS_BY_KIND = new Map(PART_KINDS.map((kind) => [kind, slotsFor(kind)]))

/** Parts by what remedies look for; made once a catalogue. */
interface Stock {
  byMould: Map<string, Part[]>
  byKind: Map<PartKind, Part[]>
}
const STOCKS = new WeakMap<Catalogue, Stock>()

function stockOf(catalogue: Catalogue): Stock {
  const known = STOCKS.get(catalogue)
  if (known) return known
  const stock: Stock = { byMould: new Map(), byKind: new Map() }
  const add = <K>(map: Map<K, Part[]>, key: K, part: Part) => {
    const list = map.get(key)
    if (list) list.push(part)
    else map.set(key, [part])
  }
  for (const part of catalogue.parts.values()) {
    add(stock.byMould, part.mould, part)
    add(stock.byKind, mouldOf(catalogue, part).kind, part)
  }
  STOCKS.set(catalogue, stock)
  return stock
}

/** Every part of a mould. */
export const ofMould = (mould: string, { catalogue }: FittingContext): readonly Part[] =>
  stockOf(catalogue).byMould.get(mould) ?? []

/** Every part of a kind. */
export const ofKind = (kind: PartKind, { catalogue }: FittingContext): readonly Part[] =>
  stockOf(catalogue).byKind.get(kind) ?? []

/** Every part a slot takes. */
export const ofSlot = (slot: Slot, context: FittingContext): readonly Part[] =>
  SLOT_FACTS[slot].accepts.flatMap((kind) => ofKind(kind, context))

/** How many of a part are owned and free; an assembly counts as often as its components allow. */
export const freeOf = (part: Part, { free }: FittingContext): number => unitsOf(part, (code) => free[code] ?? 0)

/** Whether a remedy may offer a part at all: made by somebody, and allowed by the house rules and the brief. */
function allowed(part: Part, context: FittingContext): boolean {
  const { catalogue, unmade, excluded, brief } = context
  if (unmade?.has(part.code) || excluded?.has(part.code)) return false
  const byOthers = rulesOf(context).byOthers && !brief?.avoid.byOthers
  return byOthers || mouldOf(catalogue, part).traits['maker'] !== 'other'
}

/** Where a part would come from: "2 in Heads, dark", "from €0.40"; empty where nobody offers it. */
export function sourceOf(part: Part, context: FittingContext): string {
  const owned = ownedIn(part, context)
  if (owned) return owned
  const price = context.lowest?.[part.code]
  if (price !== null && price !== undefined) return `from ${homeMoney(price)}`
  const [whole] = wholesWith(part, context)
  return whole === undefined ? '' : `from ${homeMoney(whole)} with what it is joined to`
}

/** Where the drawer has a part: the bin most of it lies in, or else the figure that would give it up. */
function ownedIn(part: Part, context: FittingContext): string | null {
  const { drawer, places = {} } = context
  const free = freeOf(part, context)
  if (free === 0) return null
  const main = mainPiece(part)
  if (!drawer) return places[main] ? `${free} in ${places[main]}` : `${free} owned`
  const loose = unitsOf(part, (code) => drawer.loose[code] ?? 0)
  if (loose > 0) return places[main] ? `${loose} in ${places[main]}` : `${loose} owned`
  const donor = drawer.donors.find(({ pieces }) => pieces.some((piece) => piece.part === main))
  return donor ? `1 on ${donor.name}` : `${free} owned`
}

/** Lowest prices of the assemblies a part is sold in, the cheapest first. */
function wholesWith(part: Part, { catalogue, lowest = {} }: FittingContext): number[] {
  const slots = SLOTS_BY_KIND.get(mouldOf(catalogue, part).kind) ?? []
  return slots
    .flatMap((slot) => assembliesWith(part.code, slot, catalogue))
    .flatMap(({ code }) => lowest[code] ?? [])
    .sort((a, b) => a - b)
}

/**
 * Parts that would do, best first: those `amiss` finds least wrong with, then owned before bought before neither, then
 * the cheapest. Parts `amiss` gives null for do not do.
 */
export function bestOf(
  parts: readonly Part[],
  context: FittingContext,
  amiss: (part: Part) => number | null = () => 0,
): Part[] {
  const price = (part: Part) => (freeOf(part, context) > 0 ? -1 : (context.lowest?.[part.code] ?? Infinity))
  return parts
    .flatMap((part) => {
      const wrong = allowed(part, context) ? amiss(part) : null
      return wrong === null ? [] : [{ part, wrong, costs: price(part) }]
    })
    .sort((a, b) => a.wrong - b.wrong || a.costs - b.costs || (a.part.code < b.part.code ? -1 : 1))
    .map(({ part }) => part)
}

/** "Wear Copper: 2 in Hair, tied". */
export function withSource(words: string, part: Part, context: FittingContext): string {
  const source = sourceOf(part, context)
  return source ? `${words}: ${source}` : words
}

/** "Low bun in Copper". */
export function inItsColour(part: Part, { catalogue }: FittingContext): string {
  const colour = mainColour(catalogue, part)
  return colour ? `${part.name.replace(/, (left|right) leg$/, '')} in ${colour.name}` : part.name
}

/** Put a part on in place of what a slot wears, as a pick in the tray does; `both` for the other side too. */
function wearInstead(
  placements: readonly Placement[],
  slot: Slot,
  part: Part,
  { catalogue }: FittingContext,
  both = false,
): Placement[] {
  const assembly = isWhole(part, catalogue)
  for (const dressings of Object.values(DRESSINGS))
    for (const dressing of dressings)
      if (
        dressing.slot === slot &&
        (assembly ? dressing.pick === 'assembly' : dressing.pick === (both ? 'both-sides' : 'atomic'))
      )
        return dress(placements, dressing, part, catalogue)
  return dress(placements, { key: slot, label: '', slot, slots: [slot], pick: 'atomic' }, part, catalogue)
}

/** A remedy that puts a part on: "Wear Low bun in Copper: from €1.20". */
export function wearing(
  placements: readonly Placement[],
  slot: Slot,
  part: Part,
  context: FittingContext,
  { words = `Wear ${inItsColour(part, context)}`, both = false } = {},
): Remedy {
  return { label: withSource(words, part, context), placements: wearInstead(placements, slot, part, context, both) }
}

/** A remedy that puts a part of the same mould in the place of one that is worn: it fits wherever that did. */
export function inPlace(
  placements: readonly Placement[],
  worn: Placement,
  part: Part,
  context: FittingContext,
  words = `Wear ${inItsColour(part, context)}`,
): Remedy {
  const { altered: _altered, ...place } = worn
  return {
    label: withSource(words, part, context),
    placements: placements.map((p) => (p === worn ? { ...place, part: part.code } : p)),
  }
}

/** How far two parts are from one colour (CIEDE2000); far where one has none. */
export function colourGap(a: Part, b: Part, { catalogue }: FittingContext): number {
  const [one, two] = [mainColour(catalogue, a), mainColour(catalogue, b)]
  return one && two ? colourDifference(one.hex, two.hex) : 100
}

/**
 * The part of the other side that goes with one: that it is sold with, or the same part where it fits both. None where that may
 * not be offered.
 */
export function twinOf({ placement, part: { code } }: WornPart, slot: Slot, context: FittingContext): Part | null {
  const { catalogue } = context
  const offered = (part: Part | null) => (part && allowed(part, context) ? part : null)
  for (const { components } of assembliesWith(code, placement.slot, catalogue)) {
    const other = catalogue.parts.get(components.find((component) => component.slot === slot)?.part ?? '')
    if (other) return offered(other)
  }
  return offered(otherSideOf(catalogue.parts.get(code)!, slot, catalogue))
}
