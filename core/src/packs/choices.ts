/** How often each figure of a series is packed. */
export const SPREADS = ['equal', 'weighted', 'chase'] as const
export type Spread = (typeof SPREADS)[number]

/** A small thing put into some packs beside the figure. */
export interface BonusItem {
  id: string
  name: string
  /** The part it is; null for something of another kind. */
  part: string | null
  count: number
  /** The outfit it comes with; null for any. */
  tiedTo: string | null
}

/** A small model whose pieces are spread over the packs. */
export interface BonusBuild {
  name: string
  pieces: { part: string; name: string; qty: number }[]
  /** Each figure always brings the same pieces, so that a whole series builds it; or so many builds are dealt over all packs. */
  spread: 'figures' | 'packs'
  builds: number
  steps: { text: string; photo: string | null }[]
}

export interface PackChoices {
  packs: number
  spread: Spread
  /** How often a figure comes against others, where they are weighted; one where nothing is said. */
  weights: { outfit: string; weight: number }[]
  /** Figures that are in so many packs and no more; all others share the rest. */
  chase: { outfit: string; count: number }[]
  items: BonusItem[]
  /** No pack holds more than one bonus item. */
  atMostOne: boolean
  /** Of so many packs in a row at least one holds a bonus item; null for no such promise. */
  every: number | null
  /** The same seed and choices give the same packs. */
  seed: number
}

export const PACK_CHOICES: PackChoices = {
  packs: 12,
  spread: 'equal',
  weights: [],
  chase: [],
  items: [],
  atMostOne: true,
  every: null,
  seed: 1,
}

export const PACK_LIMITS = {
  packs: 5000,
  items: 20,
  count: 5000,
  weight: 1000,
  pieces: 40,
  steps: 24,
  builds: 1000,
} as const
