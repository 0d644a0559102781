import type { Mould } from '../catalogue/index.ts'

/** Highest hair, in millimetres above the skull, that a hat still sits down on. */
export const FLAT_HAIR = 4

/**
 * How a hat mould sits over hair, by its trait `over`: `tucked` shows the hair below the brim, `free` leaves the crown
 * free, `hides` (a helmet) hides all of it. Null: it cannot be worn over hair.
 */
export type OverHair = 'tucked' | 'free' | 'hides'

export function overHairOf(hat: Mould): OverHair | null {
  const over = hat.traits['over']
  return over === 'tucked' || over === 'free' || over === 'hides' ? over : null
}

/** Whether a hat can be worn over this hair: its mould allows it, and the hair is flat enough unless the crown stays free. */
export function sitsOver(hat: Mould, hair: Mould): boolean {
  const over = overHairOf(hat)
  if (over === null || hair.traits['hair'] !== 'yes' || hair.traits['hat'] === 'yes') return false
  return over === 'free' || hair.height <= FLAT_HAIR
}
