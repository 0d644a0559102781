import { emptyBrief, statureAt, withWishes, type Brief } from '../brief/index.ts'
import type { Description } from './readDescription.ts'

/**
 * A brief with what a description says, but for the stretches that are dropped (by their place in `taken`). A wish takes the
 * place of one for the same trait; words that were not understood go to the notes, so that none is lost. O(wishes²).
 */
export function briefWith(brief: Brief, said: Description, dropped: ReadonlySet<number> = new Set()): Brief {
  const kept = said.taken.filter((_, i) => !dropped.has(i))
  const taken = new Set(kept.flatMap(({ wishes }) => wishes))
  const wishes = withWishes(
    brief.wishes,
    said.wishes.filter((_, i) => taken.has(i)),
  )
  const unknown = said.rest.join(', ')
  const notes =
    unknown === '' || brief.notes.includes(unknown) ? brief.notes : [brief.notes, unknown].filter(Boolean).join('\n')
  return {
    ...brief,
    wishes,
    stature: said.stature ?? brief.stature,
    years: said.years ?? brief.years,
    abilities: [...new Set([...brief.abilities, ...said.abilities])],
    notes,
  }
}

/** The brief of a character of a list: what is told of it as wishes, and kept as notes whole. */
export function briefOfNotes(notes: string, years: number | null, said: Description): Brief {
  const { notes: _, ...brief } = briefWith(emptyBrief(), said)
  return {
    ...brief,
    notes,
    years: years ?? brief.years,
    stature: years === null ? brief.stature : (said.stature ?? statureAt(years)),
  }
}
