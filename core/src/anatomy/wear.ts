import { mouldOf, type Catalogue, type Part, type Placement, type Slot } from '../catalogue/index.ts'
import { SLOT_FACTS } from './slots.ts'

/** Legs come as hips with two legs or as one lower piece; putting one on takes the other off. */
const EXCLUDES: Partial<Record<Slot, readonly Slot[]>> = {
  lower: ['hips', 'legRight', 'legLeft'],
  hips: ['lower'],
  legRight: ['lower'],
  legLeft: ['lower'],
}

const without = (placements: readonly Placement[], slots: readonly Slot[]) =>
  placements.filter((placement) => !slots.includes(placement.slot))

const put = (placements: readonly Placement[], slot: Slot, part: string): Placement[] => {
  const others = without(placements, EXCLUDES[slot] ?? [])
  if (SLOT_FACTS[slot].stack) {
    const order = Math.max(-1, ...others.filter((p) => p.slot === slot).map((p) => p.order)) + 1
    return [...others, { slot, part, order, turned: false }]
  }
  return [...without(others, [slot]), { slot, part, order: 0, turned: false }]
}

/**
 * Put a part on: an atomic part replaces what is in the slot (or joins the stack on the neck and beside the figure),
 * an assembly fills every slot it has components for. Returns a new list; the old one stays as it was.
 * Throws when the part cannot go there, naming both.
 */
export function wear(placements: readonly Placement[], slot: Slot, part: Part, catalogue: Catalogue): Placement[] {
  const { kind } = mouldOf(catalogue, part)
  if (!SLOT_FACTS[slot].accepts.includes(kind))
    throw new Error(`${part.name} (${kind}) cannot be worn as ${SLOT_FACTS[slot].label.toLowerCase()}.`)
  if (part.components.length === 0) return put(placements, slot, part.code)
  return part.components.reduce((list, component) => put(list, component.slot, component.part), [...placements])
}

/** Take off whatever is in a slot, or one piece of a stack when `order` is given. */
export function takeOff(placements: readonly Placement[], slot: Slot, order?: number): Placement[] {
  return placements.filter((p) => p.slot !== slot || (order !== undefined && p.order !== order))
}

/** Turn the part in a slot round. */
export function turn(placements: readonly Placement[], slot: Slot): Placement[] {
  return placements.map((p) => (p.slot === slot ? { ...p, turned: !p.turned } : p))
}

/** Move a piece of a stack one place in (-1, nearer the body) or out (+1); at the end it stays where it is. */
export function shift(placements: readonly Placement[], slot: Slot, order: number, by: -1 | 1): Placement[] {
  const stack = placements.filter((p) => p.slot === slot).sort((a, b) => a.order - b.order)
  const from = stack.findIndex((p) => p.order === order)
  const to = from + by
  if (from < 0 || to < 0 || to >= stack.length) return [...placements]
  const moved = [...stack]
  moved.splice(to, 0, ...moved.splice(from, 1))
  return [...without(placements, [slot]), ...moved.map((p, index) => ({ ...p, order: index }))]
}

export interface PlacementFault {
  index: number
  field: 'part' | 'slot'
  message: string
}

/**
 * What is wrong with a list of placements, as messages with the index of each: unknown parts, parts in slots that
 * do not take them, assemblies (which must be worn as their components) and slots filled twice. Empty when all is well.
 */
export function placementFaults(placements: readonly Placement[], catalogue: Catalogue): PlacementFault[] {
  const taken = new Set<string>()
  return placements.flatMap(({ slot, part: code, order }, index): PlacementFault[] => {
    const part = catalogue.parts.get(code)
    if (!part) return [{ index, field: 'part', message: `there is no part ${code}` }]
    const { kind } = mouldOf(catalogue, part)
    if (part.components.length > 0)
      return [{ index, field: 'part', message: `${code} is an assembly; wear its components` }]
    if (!SLOT_FACTS[slot].accepts.includes(kind))
      return [{ index, field: 'slot', message: `${code} is of kind ${kind} and does not fit ${slot}` }]
    const place = SLOT_FACTS[slot].stack ? `${slot} ${order}` : slot
    if (taken.has(place)) return [{ index, field: 'slot', message: `${place} is filled twice` }]
    taken.add(place)
    return []
  })
}
