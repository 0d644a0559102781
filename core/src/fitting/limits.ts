/** Thresholds of the fitting rules; the one place they live. Colour differences are CIEDE2000. */
export const FITTING_LIMITS = {
  /** Brows are commonly a little darker than the hair; beyond this the eye calls them another colour. */
  browsAgainstHair: 24,
  /** Room on the neck before headgear no longer sits, in millimetres. */
  neckStack: 1.6,
  /** Main colours besides skin and hair, unless the house rules say otherwise. */
  mainColours: 3,
  /** Share of the visible surface from which a colour is a main one. */
  mainColourShare: 0.08,
  /** Degrees a figure can lean sideways before it falls, below which it tips at a touch. */
  tippingAngle: 9,
} as const
