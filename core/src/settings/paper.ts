/** Papers a printer may hold, in millimetres. */
export const PAPERS = {
  A4: { label: 'A4', width: 210, height: 297 },
  Letter: { label: 'Letter', width: 215.9, height: 279.4 },
} as const
export type Paper = keyof typeof PAPERS

/** A sheet of labels: where its first label begins, how many there are, how large, and how far apart; millimetres. */
export interface LabelSheet {
  label: string
  paper: Paper
  left: number
  top: number
  columns: number
  rows: number
  width: number
  height: number
  /** From where one begins to where the next does. */
  across: number
  down: number
  /** Drawn with lines to cut along, on paper without labels. */
  cut: boolean
}

const sheet = (label: string, paper: Paper, at: Omit<LabelSheet, 'label' | 'paper'>): LabelSheet => ({
  label,
  paper,
  ...at,
})
const close = (columns: number, rows: number, width: number, height: number) => ({
  ...{ columns, rows, width, height, across: width, down: height },
})

/** Sheets of labels as they are commonly sold, by size, and plain paper to cut. */
export const LABEL_SHEETS = {
  'plain-a4': sheet('plain A4, to be cut: 24 of 60 × 34 mm', 'A4', {
    left: 15,
    top: 12,
    ...close(3, 8, 60, 34),
    cut: true,
  }),
  'plain-letter': sheet('plain Letter, to be cut: 21 of 60 × 34 mm', 'Letter', {
    ...{ left: 17.9, top: 20.7, cut: true },
    ...close(3, 7, 60, 34),
  }),
  'a4-24': sheet('A4, 24 of 70 × 37 mm', 'A4', { left: 0, top: 0.5, ...close(3, 8, 70, 37), cut: false }),
  'a4-21': sheet('A4, 21 of 63.5 × 38.1 mm', 'A4', {
    ...{ left: 7.25, top: 15.15, columns: 3, rows: 7, width: 63.5, height: 38.1, across: 66, down: 38.1, cut: false },
  }),
  'letter-30': sheet('Letter, 30 of 66.7 × 25.4 mm', 'Letter', {
    ...{ left: 4.8, top: 12.7, columns: 3, rows: 10, width: 66.7, height: 25.4, across: 69.85, down: 25.4, cut: false },
  }),
} as const satisfies Record<string, LabelSheet>
export type LabelSheetName = keyof typeof LABEL_SHEETS
export const LABEL_SHEET_NAMES = Object.keys(LABEL_SHEETS) as LabelSheetName[]
export const PAPER_NAMES = Object.keys(PAPERS) as Paper[]
