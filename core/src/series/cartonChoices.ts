import type { Inner } from '../net/index.ts'

/** Boxes there are nets of. */
export const CARTON_SHAPES = ['tuck', 'pillow', 'header'] as const
export type CartonShape = (typeof CARTON_SHAPES)[number]

/** Sheets a net is put on, upright, in millimetres. */
export const CARTON_PAPERS = {
  A4: { width: 210, height: 297 },
  A3: { width: 297, height: 420 },
  Letter: { width: 215.9, height: 279.4 },
} as const
export type CartonPaper = keyof typeof CARTON_PAPERS
export const CARTON_PAPER_NAMES = Object.keys(CARTON_PAPERS) as CartonPaper[]

export interface CartonChoices {
  shape: CartonShape
  /** What is inside, in millimetres; null for what the largest figure takes. */
  inner: Inner | null
  /** Millimetres of air on the whole of each dimension. */
  clearance: number
  /** Millimetres the cardboard is thick. */
  board: number
  paper: CartonPaper
  /** Outfits on the front; the first three of the series while it is empty. */
  front: string[]
  /** Colour of its faces, as hex. */
  colour: string
  /** What stands on its side. */
  side: string
  /** How many are printed; null for as many as there are packs, or figures without packs. */
  copies: number | null
}

export const CARTON_CHOICES: CartonChoices = {
  shape: 'tuck',
  inner: null,
  clearance: 2,
  board: 0.4,
  paper: 'A4',
  front: [],
  colour: '#24507C',
  side: '',
  copies: null,
}

/** What may be typed, in millimetres. */
export const CARTON_LIMITS = { least: 10, most: 380, clearance: 40, board: 3, copies: 1000 } as const
