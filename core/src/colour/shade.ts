import { formatHex, interpolate, parse, wcagLuminance } from 'culori'

/** Mix `amount` (0 to 1) of `other` into a colour, in OKLab so that the hue holds. All are #RRGGBB. */
export function mix(hex: string, other: string, amount: number): string {
  return formatHex(interpolate([hex, other], 'oklab')(amount)) ?? hex
}

/** Ink or paper, whichever reads better on the given ground (by WCAG relative luminance). */
export function readableOn(ground: string, ink = '#2A2730', paper = '#FFFBF2'): string {
  const colour = parse(ground)
  return colour && wcagLuminance(colour) > 0.28 ? ink : paper
}

/** So dark that a darker line on it would not show (WCAG relative luminance under 0.05). */
export function isDeep(hex: string): boolean {
  const colour = parse(hex)
  return colour !== undefined && wcagLuminance(colour) < 0.05
}
