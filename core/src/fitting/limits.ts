/** Thresholds of the fitting rules; the one place they live. Colour differences are CIEDE2000. */
export const FITTING_LIMITS = {
  /** Brows are commonly a little darker than the hair; beyond this the eye calls them another colour. */
  browsAgainstHair: 22,
  /** Room on the neck before headgear no longer sits, in millimetres. */
  neckStack: 1.6,
} as const
