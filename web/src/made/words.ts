import { MADE_SLOTS } from '@outfit/core/anatomy'
import { partLabel, type Catalogue, type MadeAs, type Slot } from '@outfit/core/catalogue'
import { countPieces } from '@outfit/core/made'

/** How something made is worn, in words. */
export const WORN_AS: Readonly<Record<MadeAs, string>> = {
  held: 'In a hand',
  beside: 'Beside the figure',
  back: 'On its back',
  shoulders: 'Over its shoulders',
  lower: 'In place of legs',
}

/** The slot something made is shown in. */
export const shownIn = (as: MadeAs): Slot => MADE_SLOTS[as][0]!

/** "2 × Long oar, Peat; 1 × Mug, Tin". */
export function madeOfInWords(pieces: readonly { part: string }[], catalogue: Catalogue): string {
  return countPieces(pieces)
    .map(({ part, qty }) => {
      const known = catalogue.parts.get(part)
      return `${qty} × ${known ? partLabel(catalogue, known) : part}`
    })
    .join('; ')
}
