import { alsoFills, mouldOf, type Catalogue, type Part, type Placement, type Slot } from '../catalogue/index.ts'
import { blocksIn, inOrder } from './blocks.ts'
import { sitsOver } from './overHair.ts'
import { MADE_SLOTS, SLOT_FACTS } from './slots.ts'

/** Legs come as hips with two legs or as one lower piece; putting one on takes the other off. */
export const EXCLUDES: Partial<Record<Slot, readonly Slot[]>> = {
  lower: ['hips', 'legRight', 'legLeft'],
  hips: ['lower'],
  legRight: ['lower'],
  legLeft: ['lower'],
}

export const without = (placements: readonly Placement[], slots: readonly Slot[]) =>
  placements.filter((placement) => !slots.includes(placement.slot))

const mouldFor = (code: string, catalogue: Catalogue) => {
  const part = catalogue.parts.get(code)
  return part && mouldOf(catalogue, part)
}

/** What stays on the head when a part is put there: flat hair under a hat that allows it, or such a hat over hair. */
function layeredWith(worn: readonly Placement[], slot: Slot, part: string, catalogue: Catalogue): Placement[] {
  const over = (outer: string, inner: string) => {
    const [hat, hair] = [mouldFor(outer, catalogue), mouldFor(inner, catalogue)]
    return hat !== undefined && hair !== undefined && sitsOver(hat, hair)
  }
  const hair = worn.find((p) => over(part, p.part))
  const hat = worn.find((p) => over(p.part, part))
  const placed = (code: string, order: number): Placement => ({ slot, part: code, order, turned: false })
  if (hair) return [{ ...hair, order: 0 }, placed(part, 1)]
  if (hat) return [placed(part, 0), { ...hat, order: 1 }]
  return [placed(part, 0)]
}

const put = (placements: readonly Placement[], slot: Slot, part: string, catalogue: Catalogue): Placement[] => {
  const others = without(placements, EXCLUDES[slot] ?? [])
  if (SLOT_FACTS[slot].layered) {
    const worn = others.filter((p) => p.slot === slot)
    return [...without(others, [slot]), ...layeredWith(worn, slot, part, catalogue)]
  }
  if (SLOT_FACTS[slot].stack) {
    const order = Math.max(-1, ...others.filter((p) => p.slot === slot).map((p) => p.order)) + 1
    return [...others, { slot, part, order, turned: false }]
  }
  return [...without(others, [slot]), { slot, part, order: 0, turned: false }]
}

/**
 * Put a part on: an atomic part replaces what is in the slot (or joins the stack on the neck and beside the figure; a hat
 * stays over hair where its mould allows it), an assembly fills every slot it has components for, and one whose pieces nobody
 * has written down takes off what is in the other places it fills. Returns a new list; the old one stays as it was.
 * Throws when the part cannot go there, naming both.
 */
export function wear(placements: readonly Placement[], slot: Slot, part: Part, catalogue: Catalogue): Placement[] {
  const { kind } = mouldOf(catalogue, part)
  if (!SLOT_FACTS[slot].accepts.includes(kind))
    throw new Error(`${part.name} (${kind}) cannot be worn as ${SLOT_FACTS[slot].label.toLowerCase()}.`)
  if (part.components.length === 0)
    return put(without(placements, alsoFills(part, catalogue)), slot, part.code, catalogue)
  return part.components.reduce(
    (list, component) => put(list, component.slot, component.part, catalogue),
    [...placements],
  )
}

/** Take off whatever is in a slot, or one piece of a stack when `order` is given; what is made of several goes as a whole. */
export function takeOff(placements: readonly Placement[], slot: Slot, order?: number): Placement[] {
  if (order === undefined) return without(placements, [slot])
  const taken = blocksIn(placements, slot).find((block) => block.some((p) => p.order === order)) ?? []
  return placements.filter((p) => !taken.includes(p))
}

/** Turn the part in a slot round. */
export function turn(placements: readonly Placement[], slot: Slot): Placement[] {
  return placements.map((p) => (p.slot === slot ? { ...p, turned: !p.turned } : p))
}

/** Move a piece of a stack one place in (-1, nearer the body) or out (+1); at the end it stays where it is. */
export function shift(placements: readonly Placement[], slot: Slot, order: number, by: -1 | 1): Placement[] {
  const stack = blocksIn(placements, slot)
  const from = stack.findIndex((block) => block.some((p) => p.order === order))
  const to = from + by
  if (from < 0 || to < 0 || to >= stack.length) return [...placements]
  const moved = [...stack]
  moved.splice(to, 0, ...moved.splice(from, 1))
  return [...without(placements, [slot]), ...inOrder(moved)]
}

export interface PlacementFault {
  index: number
  /** Path below the placement: `part`, `slot`, `altered[0].colour`. */
  field: string
  message: string
}

/**
 * What is wrong with a list of placements, as messages with the index of each: unknown parts, parts in slots that
 * do not take them, assemblies (which must be worn as their components), slots filled twice, and alterations with a
 * colour or print there is not. Empty when all is well.
 */
export function placementFaults(placements: readonly Placement[], catalogue: Catalogue): PlacementFault[] {
  const taken = new Set<string>()
  return placements.flatMap(({ slot, part: code, order, altered = [], made }, index): PlacementFault[] => {
    const part = catalogue.parts.get(code)
    if (!part) return [{ index, field: 'part', message: `there is no part ${code}` }]
    const { kind } = mouldOf(catalogue, part)
    if (part.components.length > 0 && !made)
      return [{ index, field: 'part', message: `${code} is an assembly; wear its components` }]
    if (made ? !MADE_SLOTS[made.as].includes(slot) : !SLOT_FACTS[slot].accepts.includes(kind))
      return [
        {
          index,
          field: 'slot',
          message: made
            ? `${made.name} is worn as ${made.as} and does not fit ${slot}`
            : `${code} is of kind ${kind} and does not fit ${slot}`,
        },
      ]
    const unknown = made?.bands?.find(({ colour }) => !catalogue.colours.has(colour))
    if (unknown) return [{ index, field: 'made.bands', message: `there is no colour ${unknown.colour}` }]
    const { stack, layered } = SLOT_FACTS[slot]
    // A slot for one thing holds all pieces of one that is made of several.
    const place = stack || layered || (made && made.piece === order) ? `${slot} ${order}` : slot
    if (!stack && made && placements.some((p) => p.slot === slot && p.made?.item !== made.item))
      return [{ index, field: 'slot', message: `${slot} is filled twice` }]
    if (taken.has(place)) return [{ index, field: 'slot', message: `${place} is filled twice` }]
    taken.add(place)
    if (layered && !sitsOnThoseBelow(placements, index, catalogue))
      return [{ index, field: 'part', message: `${code} does not sit over what is worn under it` }]
    return altered.flatMap(({ colour, print }, at): PlacementFault[] => [
      ...(colour !== undefined && !catalogue.colours.has(colour)
        ? [{ index, field: `altered[${at}].colour`, message: `there is no colour ${colour}` }]
        : []),
      ...(print !== undefined && !catalogue.prints.has(print)
        ? [{ index, field: `altered[${at}].print`, message: `there is no print ${print}` }]
        : []),
    ])
  })
}

function sitsOnThoseBelow(placements: readonly Placement[], index: number, catalogue: Catalogue): boolean {
  const { slot, order, part } = placements[index]!
  const below = placements.filter((p) => p.slot === slot && p.order < order)
  const [own, inner] = [mouldFor(part, catalogue), mouldFor(below[0]?.part ?? '', catalogue)]
  return below.length === 0 || (below.length === 1 && own !== undefined && inner !== undefined && sitsOver(own, inner))
}
