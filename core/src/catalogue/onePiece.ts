import { mouldOf } from './catalogueOf.ts'
import { partWorn } from './partWorn.ts'
import { ASSEMBLY_SLOTS, plainPieces } from './plainPieces.ts'
import type { Catalogue, Mould, Part, Placement, Slot } from './types.ts'

/** Whether a part is put on as a whole: it is made of others, or of a kind that is, whose pieces nobody has written down. */
export const isWhole = (part: Part, catalogue: Catalogue): boolean =>
  part.components.length > 0 || ASSEMBLY_SLOTS[mouldOf(catalogue, part).kind] !== undefined

/** The part an assembly is known by, which carries its print: a torso of its sleeves, a leg of the hips; else the part itself. */
export const mainPiece = ({ code, components }: Pick<Part, 'code' | 'components'>): string =>
  (components.find(({ slot }) => slot === 'torso' || slot === 'legLeft') ?? components[0])?.part ?? code

/**
 * The places a part fills besides the one it is put into, where it is of a kind that is an assembly and nobody has written
 * down its pieces: a pair of legs fills both legs, a torso with arms fills sleeves and hands. Empty for all other parts.
 */
export function alsoFills(part: Part, catalogue: Catalogue): readonly Slot[] {
  if (part.components.length > 0) return []
  return (ASSEMBLY_SLOTS[mouldOf(catalogue, part).kind] ?? []).slice(1)
}

/** Every place that is filled by what is worn. */
export function slotsFilled(placements: readonly Placement[], catalogue: Catalogue): Set<Slot> {
  const filled = new Set<Slot>()
  for (const { slot, part: code, made } of placements) {
    filled.add(slot)
    if (made) continue
    const part = catalogue.parts.get(code)
    if (part) for (const other of alsoFills(part, catalogue)) filled.add(other)
  }
  return filled
}

/** A piece of what is worn, as it looks where it is. */
export interface PieceWorn {
  slot: Slot
  placement: Placement
  part: Part
}

/**
 * What is seen in each place of the figure: the worn parts, and the other pieces of wholes nobody has written the pieces of
 * (legs like their pair, sleeves in a torso's second colour, hands in its third), except where something else is worn.
 * Parts the catalogue does not have are left out, and so are pieces of what is made of several: a horn on a bow is no hair.
 * O(placements).
 */
export function piecesWorn(placements: readonly Placement[], catalogue: Catalogue): PieceWorn[] {
  const worn = placements.flatMap((placement): PieceWorn[] => {
    const part = placement.made ? undefined : partWorn(placement, catalogue)
    return part ? [{ slot: placement.slot, placement, part }] : []
  })
  const wholes = worn.filter(({ part }) => alsoFills(part, catalogue).length > 0)
  if (wholes.length === 0) return worn
  const filled = new Set(placements.map(({ slot }) => slot))
  for (const { placement, part } of wholes)
    for (const piece of restOf(part, catalogue))
      if (!filled.has(piece.slot)) worn.push({ ...piece, placement: { ...placement, slot: piece.slot } })
  return worn
}

const RESTS = new WeakMap<Catalogue['moulds'], WeakMap<Part, { slot: Slot; part: Part }[]>>()
const NONE: { slot: Slot; part: Part }[] = []

/** The other pieces of a whole as parts of the plain moulds it is put together from; made once for a part. */
function restOf(part: Part, catalogue: Catalogue): { slot: Slot; part: Part }[] {
  const also = alsoFills(part, catalogue)
  if (also.length === 0) return NONE
  const known = RESTS.get(catalogue.moulds) ?? new WeakMap<Part, { slot: Slot; part: Part }[]>()
  RESTS.set(catalogue.moulds, known)
  const made =
    known.get(part) ??
    plainPieces(mouldOf(catalogue, part), [...catalogue.moulds.values()]).flatMap(({ slot, mould }) =>
      also.includes(slot) ? pieceOf(part, slot, mould) : [],
    )
  known.set(part, made)
  return made
}

function pieceOf(whole: Part, slot: Slot, mould: Mould): { slot: Slot; part: Part }[] {
  if (mould.kind === 'leg-left' || mould.kind === 'leg-right') return [{ slot, part: { ...whole, mould: mould.code } }]
  const [main, sleeves = main, hands] = whole.colours
  // Nobody has said what hands a torso of one colour has.
  const colour = mould.kind === 'hand' ? hands : sleeves
  return colour === undefined ? [] : [{ slot, part: { ...whole, mould: mould.code, colours: [colour], print: null } }]
}
