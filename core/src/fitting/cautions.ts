import type { AlterationKind } from '../catalogue/index.ts'

/** The usual cautions, shown where an act is planned. They are no instructions of the maker. */
export const CAUTIONS = {
  arms: 'Pull the arm straight out, warm the part in the hand first, and never pry a torso.',
  cutting: 'Wear eye protection, cut away from the hand, and clamp small parts.',
  solvents:
    'Ventilate, wear gloves, test on a cheap part, and keep solvents from heat and skin. Follow the safety sheet of the product.',
  small: 'Keep small parts and magnets from children under three and from pets.',
  declare: 'Altered parts and parts by others must be declared when they are sold.',
  rights: 'Prints made for others: respect rights and local law.',
} as const
export type Caution = keyof typeof CAUTIONS

/** What to mind with each alteration. */
export const CAUTIONS_OF: Readonly<Record<AlterationKind, readonly Caution[]>> = {
  'print-removed': ['solvents', 'declare'],
  trimmed: ['cutting', 'small', 'declare'],
  cut: ['cutting', 'small', 'declare'],
  painted: ['solvents', 'declare'],
  sticker: ['rights', 'declare'],
  'by-others': ['small', 'declare', 'rights'],
}
