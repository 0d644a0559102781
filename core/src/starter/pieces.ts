import { plainPieces, type Mould, type Slot } from '../catalogue/index.ts'

/**
 * The pieces an assembly of a list comes apart into, slot by slot: legs and the hips between them, a torso and its arms.
 * Hands are of a colour of their own, which a list of torsos does not tell; they are owned when they are told of. Empty for
 * a mould that is one piece. O(moulds).
 */
export const piecesListed = (mould: Mould, moulds: readonly Mould[]): { slot: Slot; mould: Mould }[] =>
  plainPieces(mould, moulds).filter((piece) => piece.mould.kind !== 'hand')
