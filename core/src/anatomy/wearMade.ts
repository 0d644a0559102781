import type { Fixed, MadeOf, Placement, Slot } from '../catalogue/index.ts'
import { blocksIn, inOrder } from './blocks.ts'
import { EXCLUDES, without } from './wear.ts'
import { MADE_SLOTS, SLOT_FACTS } from './slots.ts'

/** Something made of several parts, as it is put on. */
export interface Wearable extends Pick<MadeOf, 'name' | 'as' | 'what' | 'height' | 'bands'> {
  id: string
  pieces: readonly (Fixed & { part: string })[]
}

/** Its pieces as placements of a slot, from an order on. */
export function piecesOfMade(item: Wearable, slot: Slot, from: number, kept = false): Placement[] {
  const { id, name, as, what, height, bands } = item
  return item.pieces.map(({ part, ...fixed }, piece) => ({
    slot,
    part,
    order: from + piece,
    turned: false,
    made: {
      item: id,
      name,
      as,
      piece,
      ...fixed,
      ...(kept ? { kept: true as const } : {}),
      ...(piece === 0 && what ? { what } : {}),
      ...(piece === 0 && as === 'lower' && height ? { height } : {}),
      ...(piece === 0 && bands?.length ? { bands: [...bands] } : {}),
    },
  }))
}

/** Put something made on: in place of what is in the slot, or on top of the stack there. The old list stays as it was. */
export function wearMade(placements: readonly Placement[], slot: Slot, item: Wearable): Placement[] {
  if (!MADE_SLOTS[item.as].includes(slot))
    throw new Error(`${item.name} is worn as ${item.as} and not as ${SLOT_FACTS[slot].label.toLowerCase()}.`)
  const others = without(placements, EXCLUDES[slot] ?? [])
  if (!SLOT_FACTS[slot].stack) return [...without(others, [slot]), ...piecesOfMade(item, slot, 0)]
  const next = Math.max(-1, ...others.filter((p) => p.slot === slot).map((p) => p.order)) + 1
  return [...others, ...piecesOfMade(item, slot, next)]
}

/**
 * What is worn after a made item was changed: every copy that is not kept as it is becomes the item as it is now, in its
 * place. What was done to a piece for good stays with a piece of the same part. The same list where nobody wears it.
 */
export function followMade(placements: readonly Placement[], item: Wearable): readonly Placement[] {
  const follows = ({ made }: Placement) => made?.item === item.id && !made.kept
  if (!placements.some(follows)) return placements
  const slots = [...new Set(placements.filter(follows).map(({ slot }) => slot))]
  return slots.reduce<Placement[]>(
    (list, slot) => {
      const worn = blocksIn(list, slot).map((block) => (follows(block[0]!) ? renewed(block, item) : block))
      return [...without(list, [slot]), ...inOrder(worn)]
    },
    [...placements],
  )
}

function renewed(block: readonly Placement[], item: Wearable): Placement[] {
  const altered = block.filter((piece) => piece.altered)
  return piecesOfMade(item, block[0]!.slot, 0).map((piece) => {
    const at = altered.findIndex(({ part }) => part === piece.part)
    return at < 0 ? piece : { ...piece, altered: altered.splice(at, 1)[0]!.altered! }
  })
}

/** The copy worn in a slot that begins at an order, kept as it is from now on, or following its item again. */
export function keepMade(placements: readonly Placement[], slot: Slot, order: number, kept: boolean): Placement[] {
  const copy = blocksIn(placements, slot).find(([first]) => first!.order === order) ?? []
  return placements.map((placement) => {
    if (!placement.made || !copy.includes(placement)) return placement
    const { kept: _, ...made } = placement.made
    return { ...placement, made: kept ? { ...made, kept: true as const } : made }
  })
}
