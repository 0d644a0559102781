import { converter } from 'culori'
import { mix } from './shade.ts'

const lab = converter('lab65')

/** CIELAB lightness (0 to 100, D65) below which a colour is called dark, and above which it is called light. */
export const TONE_LIMITS = { dark: 40, light: 75 } as const

export type Tone = 'dark' | 'middle' | 'light'

/** CIELAB lightness (0 to 100, D65) of a colour given as #RRGGBB. Throws when it is no colour. */
export function lightnessOf(hex: string): number {
  const lightness = lab(hex)?.l
  if (lightness === undefined) throw new Error(`"${hex}" is not a colour; write it as #RRGGBB.`)
  return lightness
}

/** What a colour given as #RRGGBB is called by its lightness. */
export function toneOf(hex: string): Tone {
  const lightness = lightnessOf(hex)
  if (lightness < TONE_LIMITS.dark) return 'dark'
  return lightness > TONE_LIMITS.light ? 'light' : 'middle'
}

/** How far "light" goes towards white, and "dark" towards black. */
const TONED = 0.45

/** A colour as "light" or "dark" before its name makes it. */
export const toned = (hex: string, tone: 'light' | 'dark'): string =>
  mix(hex, tone === 'light' ? '#FFFFFF' : '#101014', TONED)
