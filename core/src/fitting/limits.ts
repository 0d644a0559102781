import { AGREEMENT_LIMITS } from '../brief/index.ts'

/** Thresholds of the fitting rules, with those of what parts agree about. Colour differences are CIEDE2000. */
export const FITTING_LIMITS = {
  ...AGREEMENT_LIMITS,
  /** Room on the neck before headgear no longer sits, in millimetres at the usual full size. */
  neckStack: 1.6,
  /** Share of the visible surface from which a colour is a main one. */
  mainColourShare: 0.15,
  /** Shades of cloth nearer than this count as one main colour. */
  oneColour: 10,
  /** Degrees a figure can lean sideways before it falls, below which it tips at a touch. */
  tippingAngle: 9,
  /** Price from which a torso is dear enough that pulling its arms is worth a warning; home currency, minor units. */
  dearTorso: 400,
  /** What a plainer torso under cover must save to be worth a word; home currency, minor units. */
  worthSaving: 50,
  /** Difference in standing height, in millimetres at the usual full size, from which the eye sees that one figure is taller. */
  heightSeen: 1.5,
  /** Years apart from which one child is expected to stand taller than another. */
  yearsTaller: 3,
} as const
