import { SLOT_FACTS } from '../anatomy/index.ts'
import { SLOTS, type Placement, type Slot } from '../catalogue/index.ts'

/** What several outfits of a roster share. */
export interface Uniform {
  id: string
  name: string
  version: number
  placements: Placement[]
}

/** Whether two lists of placements are the same outfit, whatever their order. */
export function wornAlike(one: readonly Placement[], other: readonly Placement[]): boolean {
  const key = (list: readonly Placement[]) => list.map((p) => `${p.slot} ${p.order} ${asWorn(p)}`).sort()
  return JSON.stringify(key(one)) === JSON.stringify(key(other))
}

const asWorn = ({ part, turned, altered, made }: Placement) =>
  JSON.stringify([part, turned, altered ?? [], ...(made ? [made] : [])])

const isStack = (slot: Slot) => SLOT_FACTS[slot].stack === true

/** Slots that exclude each other, so that one uniform's trousers do not come under another's skirt. */
const LOWER: readonly Slot[] = ['hips', 'legRight', 'legLeft']

/** Whether an outfit wears in a slot what the uniform has there; of stacks, everything the uniform has and maybe more. */
function wears(placements: readonly Placement[], uniform: readonly Placement[], slot: Slot): boolean {
  const own = placements.filter((p) => p.slot === slot).map(asWorn)
  const asked = uniform.filter((p) => p.slot === slot).map(asWorn)
  if (!isStack(slot)) return own.length === asked.length && asked.every((one) => own.includes(one))
  return asked.every((one) => own.includes(one))
}

/** Slots in which an outfit wears otherwise than its uniform, in the order of the doll. */
export function deviationsOf(placements: readonly Placement[], uniform: readonly Placement[]): Slot[] {
  const asked = new Set(uniform.map(({ slot }) => slot))
  return SLOTS.filter((slot) => asked.has(slot) && !wears(placements, uniform, slot))
}

/**
 * An outfit after its uniform changed: slots in which it wore the uniform as it was wear it as it is now, slots in which
 * it deviated stay. A slot that is new to the uniform is followed where nothing was worn there. Orders in stacks are
 * renumbered, the uniform's pieces nearest the body.
 */
export function follow(
  placements: readonly Placement[],
  before: readonly Placement[],
  after: readonly Placement[],
): Placement[] {
  const had = new Set(before.map(({ slot }) => slot))
  const has = new Set(after.map(({ slot }) => slot))
  const worn = (slot: Slot) => placements.some((p) => p.slot === slot)
  const followed = SLOTS.filter((slot) => {
    if (!had.has(slot) && !has.has(slot)) return false
    return had.has(slot) ? wears(placements, before, slot) : isStack(slot) || !worn(slot)
  })
  const old = before.filter(({ slot }) => followed.includes(slot))
  const kept = placements.filter(
    (p) => !old.some((one) => one.slot === p.slot && asWorn(one) === asWorn(p)) || !followed.includes(p.slot),
  )
  const blocked = (slot: Slot) =>
    (slot === 'lower' && kept.some((p) => LOWER.includes(p.slot))) ||
    (LOWER.includes(slot) && kept.some((p) => p.slot === 'lower'))
  const added = after.filter(({ slot }) => followed.includes(slot) && !blocked(slot))
  return renumbered([...added, ...kept])
}

/** An outfit dressed in a uniform, whatever it wore in its slots before. */
export function dressIn(placements: readonly Placement[], uniform: readonly Placement[]): Placement[] {
  const slots = new Set(uniform.map(({ slot }) => slot))
  if (slots.has('lower')) for (const slot of LOWER) slots.add(slot)
  if (LOWER.some((slot) => slots.has(slot))) slots.add('lower')
  const kept = placements.filter(
    (p) => !slots.has(p.slot) || (isStack(p.slot) && !uniform.some((u) => u.slot === p.slot && u.part === p.part)),
  )
  return renumbered([...uniform, ...kept])
}

/** Stacks counted anew from the body outwards; everything else as it is. */
function renumbered(placements: readonly Placement[]): Placement[] {
  const seen = new Map<Slot, number>()
  return placements.map((placement) => {
    if (!isStack(placement.slot)) return placement
    const order = seen.get(placement.slot) ?? 0
    seen.set(placement.slot, order + 1)
    return { ...placement, order }
  })
}
