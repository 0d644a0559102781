/** How a leaflet is folded. */
export const FOLDS = ['zigzag', 'roll', 'quarters'] as const
export type Fold = (typeof FOLDS)[number]

export const STRIP_PANELS = [4, 6, 8] as const
export type StripPanels = (typeof STRIP_PANELS)[number]

export interface LeafletChoices {
  fold: Fold
  /** Panels of a strip. */
  panels: StripPanels
  /** One panel of a strip, in millimetres. */
  width: number
  height: number
  /** The paper that is folded to quarters. */
  paper: 'A4' | 'Letter'
  /** Bleed, crop and fold marks round it; without, the page is as large as the leaflet. */
  marks: boolean
  items: boolean
  lines: boolean
  ticks: boolean
}

export const LEAFLET_CHOICES: LeafletChoices = {
  fold: 'zigzag',
  panels: 6,
  width: 60,
  height: 90,
  paper: 'A4',
  marks: true,
  items: true,
  lines: true,
  ticks: true,
}

/** What a panel may measure, in millimetres. */
export const PANEL_LIMITS = { width: [30, 150], height: [40, 297] } as const
