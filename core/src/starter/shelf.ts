import { SLOT_FACTS, type Dressing } from '../anatomy/index.ts'
import type { Colour, Mould, Placement } from '../catalogue/index.ts'
import { STARTER_MOULDS } from './moulds.ts'
import { PIECES_OF } from './pieces.ts'

/** Shapes that fill a place: pieces by themselves, or pairs whose pieces are known. */
export function starterMouldsFor({ slot, pick }: Pick<Dressing, 'slot' | 'pick'>): Mould[] {
  const { accepts } = SLOT_FACTS[slot]
  return STARTER_MOULDS.filter(({ code, kind }) =>
    pick === 'assembly' ? slot === 'hips' && code in PIECES_OF : accepts.includes(kind) && !(code in PIECES_OF),
  )
}

/** A shape as it is worn at a place, a pair as its pieces; parts bear the codes of their moulds. */
export const wornFromStarter = ({ code }: Mould, slot: Placement['slot']): Placement[] =>
  (PIECES_OF[code] ?? [{ slot, mould: code }]).map((piece) => ({
    slot: piece.slot,
    part: piece.mould,
    order: 0,
    turned: false,
  }))

/**
 * One part of a shape in a colour as a list of one line. It has a head: of a single line nobody could tell which of two words
 * is the part, where colours are called after ropes and lamps.
 */
export const starterLine = (mould: Pick<Mould, 'name'>, colour: Pick<Colour, 'name'>): string =>
  `Part\tColour\tCount\n${mould.name}\t${colour.name}\t1`
