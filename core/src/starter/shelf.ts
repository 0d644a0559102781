import { SLOT_FACTS, type Dressing } from '../anatomy/index.ts'
import { isAssembled, type Colour, type Mould, type Placement } from '../catalogue/index.ts'
import { atFullSize } from '../base/index.ts'
import { STARTER_MOULDS } from './moulds.ts'
import { piecesListed } from './pieces.ts'

/** The moulds that ship with Outfit, as tall and thick as they are where full-size figures are as tall as here. */
export function starterMoulds(): readonly Mould[] {
  const scaled = (mm: number) => Math.round(atFullSize(mm) * 100) / 100
  return STARTER_MOULDS.map((mould) => {
    const footing = Number(mould.traits['footing'])
    const traits = footing > 0 ? { ...mould.traits, footing: String(scaled(footing)) } : mould.traits
    return { ...mould, height: scaled(mould.height), neckThickness: scaled(mould.neckThickness), traits }
  })
}

/** Shapes that fill a place: pieces by themselves, or pairs whose pieces are known. */
export function starterMouldsFor({ slot, pick }: Pick<Dressing, 'slot' | 'pick'>): Mould[] {
  const { accepts } = SLOT_FACTS[slot]
  return starterMoulds().filter(({ kind }) => accepts.includes(kind) && isAssembled(kind) === (pick === 'assembly'))
}

/** A shape as it is worn at a place, an assembly as its pieces; parts bear the codes of their moulds. */
export function wornFromStarter(mould: Mould, slot: Placement['slot']): Placement[] {
  const pieces = piecesListed(mould, STARTER_MOULDS)
  return (pieces.length > 0 ? pieces : [{ slot, mould }]).map((piece) => ({
    slot: piece.slot,
    part: piece.mould.code,
    order: 0,
    turned: false,
  }))
}

/**
 * One part of a shape in a colour as a list of one line. It has a head: of a single line nobody could tell which of two words
 * is the part, where colours are called after ropes and lamps.
 */
export const starterLine = (mould: Pick<Mould, 'name'>, colour: Pick<Colour, 'name'>): string =>
  `Part\tColour\tCount\n${mould.name}\t${colour.name}\t1`
