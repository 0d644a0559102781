import type { Brief } from '@outfit/core/brief'
import type { Catalogue } from '@outfit/core/catalogue'
import { briefOfNotes, readDescription } from '@outfit/core/description'
import { wishInWords } from './wishInWords.ts'

/** What the notes of a character say, as a brief and in words. */
export function toldOf(
  notes: string,
  years: number | null,
  catalogue: Catalogue,
): { brief: Brief; words: string[]; rest: string[] } {
  const said = readDescription(notes, {
    palette: [...catalogue.colours.values()],
    moulds: [...catalogue.moulds.values()],
  })
  const brief = briefOfNotes(notes, years, said)
  return { brief, words: brief.wishes.map((wish) => wishInWords(wish, catalogue)), rest: said.rest }
}
