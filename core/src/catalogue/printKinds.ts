import type { PartKind } from './types.ts'

/** Kinds that are sold put together, and the piece of each that carries its print. */
export const MAIN_PIECE: Partial<Record<PartKind, PartKind>> = { 'dressed-torso': 'torso', 'leg-pair': 'leg-left' }

/** Whether a kind is an assembly, which has no drawing of its own. */
export const isAssembled = (kind: PartKind) => MAIN_PIECE[kind] !== undefined

/** Right limbs take the prints of left ones, mirrored. */
const OTHER_SIDE: Partial<Record<PartKind, PartKind>> = { 'leg-right': 'leg-left', 'arm-right': 'arm-left' }

/** The kind of print a kind of part takes. */
export function printKindOf(kind: PartKind): PartKind {
  const piece = MAIN_PIECE[kind] ?? kind
  return OTHER_SIDE[piece] ?? piece
}

/** Whether a print of one kind can be on a part of another. */
export const printFits = (print: PartKind, part: PartKind) => printKindOf(print) === printKindOf(part)
