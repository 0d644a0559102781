import { formatHex, interpolate, parse, wcagContrast, wcagLuminance } from 'culori'

/** Mix `amount` (0 to 1) of `other` into a colour, in OKLab so that the hue holds. All are #RRGGBB. */
export function mix(hex: string, other: string, amount: number): string {
  return formatHex(interpolate([hex, other], 'oklab')(amount)) ?? hex
}

/** Contrast that text of any size needs (WCAG 2.2, 1.4.3). */
const READABLE = 4.5

/**
 * Ink or paper, whichever reads better on the given ground; on middle tones, where neither reads well enough, black or
 * white, of which one always does.
 */
export function readableOn(ground: string, ink = '#2A2730', paper = '#FFFBF2'): string {
  if (!parse(ground)) return paper
  const better = (one: string, two: string) => (wcagContrast(ground, one) >= wcagContrast(ground, two) ? one : two)
  const usual = better(ink, paper)
  return wcagContrast(ground, usual) >= READABLE ? usual : better('#000000', '#FFFFFF')
}

/** So dark that a darker line on it would not show (WCAG relative luminance under 0.05). */
export function isDeep(hex: string): boolean {
  const colour = parse(hex)
  return colour !== undefined && wcagLuminance(colour) < 0.05
}
