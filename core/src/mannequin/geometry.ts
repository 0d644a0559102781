import { atFullSize, USUAL_FULL_SIZE } from '../base/index.ts'
import type { Mould } from '../catalogue/index.ts'

/**
 * Measures of our doll in figure units. A bareheaded full-size figure is 264 units high, with a usual head of hair 276;
 * the latter is the maker's full-size figure, 58 mm tall unless the settings say otherwise.
 */
export const MEASURES = {
  plinth: { width: 132, height: 18 },
  leg: { width: 42, full: 84, middle: 64, short: 46, shoe: 20 },
  hips: { width: 92, height: 20 },
  torso: { height: 92, shoulder: 68, hem: 96 },
  arm: { width: 26, length: 62, angle: 9 },
  hand: 12,
  neck: { width: 24, height: 10 },
  head: { width: 66, height: 58 },
} as const

/** Millimetres in one figure unit, with full-size figures as tall as they are here. */
export const mmPerUnit = (): number => atFullSize(USUAL_FULL_SIZE / 276)

export type LegLength = 'full' | 'middle' | 'short'

/** Leg length a mould gives, from its trait `length`; full when it says nothing. */
export function legLengthOf(mould: Mould | undefined): LegLength {
  const length = mould?.traits['length']
  return length === 'middle' || length === 'short' ? length : 'full'
}

/** How long the bare doll's own legs are, by how tall it is to stand; a plate is put under nobody who wears none. */
export const bareLegs = (stature: string | undefined): LegLength =>
  stature === 'short' || stature === 'middle' ? stature : 'full'

/** The window every front or back drawing stays inside, in figure units: x, y, width, height. */
export const FIGURE_WINDOW = { x: -132, y: -346, width: 264, height: 364 } as const
