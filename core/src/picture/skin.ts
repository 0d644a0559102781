import type { Lab } from '../colour/index.ts'

/** Hues (in degrees) and chroma in CIELAB within which skin is, natural or of the classic tone. */
const SKIN = { from: 28, to: 98, least: 8, most: 75 }

/** Whether a colour may be of skin; wood and straw may be as well. */
export function mayBeSkin([l, a, b]: Lab): boolean {
  const hue = (Math.atan2(b, a) * 180) / Math.PI
  const chroma = Math.hypot(a, b)
  return l > 15 && hue >= SKIN.from && hue <= SKIN.to && chroma >= SKIN.least && chroma <= SKIN.most
}
