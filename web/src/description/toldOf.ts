import type { Brief } from '@outfit/core/brief'
import type { Catalogue } from '@outfit/core/catalogue'
import { briefOfNotes, readDescription } from '@outfit/core/description'
import { paletteOf } from '@outfit/core/starter'
import { wishInWords } from './wishInWords.ts'

/** What is told of somebody, as it is understood. */
export interface Told {
  brief: Brief
  /** The wishes in words. */
  words: string[]
  /** What was not understood. */
  rest: string[]
}

/** By catalogue, age and notes: a list is read again with every letter that is typed, and most of its lines are as before. */
const known = new WeakMap<Catalogue, Map<string, Told>>()

/** What the notes of a character say, as a brief and in words. */
export function toldOf(notes: string, years: number | null, catalogue: Catalogue): Told {
  let own = known.get(catalogue)
  if (!own) known.set(catalogue, (own = new Map()))
  const key = `${years} ${notes}`
  let told = own.get(key)
  if (!told) {
    const said = readDescription(notes, { palette: paletteOf(catalogue), moulds: [...catalogue.moulds.values()] })
    const brief = briefOfNotes(notes, years, said)
    told = { brief, words: brief.wishes.map((wish) => wishInWords(wish, catalogue)), rest: said.rest }
    own.set(key, told)
  }
  return told
}
