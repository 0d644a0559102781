import { colourDifference, differenceInWords } from './difference.ts'

export interface NearColour<C> {
  colour: C
  /** CIEDE2000. */
  deltaE: number
  words: string
}

/** Colours by their difference from a wanted one, the nearest first; equals keep the order of the list. O(n log n). */
export function nearestColours<C extends { hex: string }>(wanted: string, colours: readonly C[]): NearColour<C>[] {
  return colours
    .map((colour) => {
      const deltaE = colourDifference(wanted, colour.hex)
      return { colour, deltaE, words: differenceInWords(deltaE) }
    })
    .sort((a, b) => a.deltaE - b.deltaE)
}
