import type { Colour, Mould, Slot } from '../catalogue/index.ts'
import { COLOUR_LIMITS, colourDifference } from '../colour/index.ts'

/** What parts have to agree about; pins, likeness and castings ask here, so that they never contradict each other. */

/** Thresholds of agreement. Colour differences are CIEDE2000. */
export const AGREEMENT_LIMITS = {
  /** Brows are commonly a little darker than the hair; beyond this the eye calls them another colour. */
  browsAgainstHair: 24,
  /** Main colours besides skin and hair, unless the house rules say otherwise. */
  mainColours: 3,
  /** Colours of one family nearer than this, and not the same, look like a failed match. */
  nearlyOneColour: 14,
} as const

/** Whether a bare hand is plainly not the skin of a head. Heads and hands that are no skin say nothing of each other. */
export const skinDiffers = (head: Colour, hand: Colour): boolean =>
  head.family === 'skin' && hand.family === 'skin' && colourDifference(head.hex, hand.hex) > COLOUR_LIMITS.near

/** Whether brows are plainly another colour than the hair over them. */
export const browsDiffer = (brows: Colour, hair: Colour): boolean =>
  colourDifference(brows.hex, hair.hex) > AGREEMENT_LIMITS.browsAgainstHair

/** Whether what a torso's print runs on with, such as a coat, is not on the legs. */
export const printStops = (torso: string | null, legs: string | null): boolean => torso !== null && torso !== legs

/** Whether what is worn there can show a main colour at all: clothes, hats, and pieces large enough to cover something. */
export function showsMainColour(slot: Slot, { traits, covers }: Mould): boolean {
  if (slot === 'headgear') return traits['hat'] === 'yes'
  if (slot === 'neck' || slot === 'waist') return covers.some((cover) => ['chest', 'back', 'legs'].includes(cover))
  return ['torso', 'armRight', 'armLeft', 'hips', 'legRight', 'legLeft', 'lower'].includes(slot)
}

/** Whether two garments are nearly, but not quite, in one colour, which reads as a failed match. */
export function nearlyOneColour(one: Colour, two: Colour): boolean {
  const difference = colourDifference(one.hex, two.hex)
  return one.family === two.family && difference > COLOUR_LIMITS.same && difference <= AGREEMENT_LIMITS.nearlyOneColour
}
