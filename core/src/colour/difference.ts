import { differenceCiede2000, parse } from 'culori'
import { memoized } from '../base/index.ts'

const ciede2000 = differenceCiede2000()

/** Where a difference starts to matter, in CIEDE2000 units; the one place these numbers live. */
export const COLOUR_LIMITS = { same: 2, near: 5, different: 10 } as const

/**
 * CIEDE2000 difference of two sRGB colours given as #RRGGBB (CIELAB, D65). Remembered, since a palette has few pairs and
 * every candidate asks again. Throws when one is no colour.
 * Source: Sharma, Wu and Dalal, Color Research and Application 30 (2005), as implemented by culori.
 */
export const colourDifference = memoized(differenceOf, (a, b) => `${a} ${b}`)

function differenceOf(a: string, b: string): number {
  const [first, second] = [parse(a), parse(b)]
  if (!first || !second) throw new Error(`"${first ? b : a}" is not a colour; write it as #RRGGBB.`)
  return ciede2000(first, second)
}

/** The difference in words: the same, near, somewhat different or plainly different. */
export function differenceInWords(deltaE: number): string {
  if (deltaE <= COLOUR_LIMITS.same) return 'the same'
  if (deltaE <= COLOUR_LIMITS.near) return 'near'
  if (deltaE <= COLOUR_LIMITS.different) return 'somewhat different'
  return 'plainly different'
}
