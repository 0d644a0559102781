import { expect, test } from '@jest/globals'
import { emptyBrief, type BriefWish } from '../brief/index.ts'
import { STARTER_COLOURS, STARTER_MOULDS } from '../starter/index.ts'
import { briefOfNotes, briefWith } from './briefWith.ts'
import { readDescription } from './readDescription.ts'

const read = (text: string) => readDescription(text, { palette: STARTER_COLOURS, moulds: STARTER_MOULDS })
const short = ({ place, trait, target, weight }: BriefWish) => `${place} ${trait} ${target} ${weight}`

test('a brief takes the place of what it said of the same, and keeps the rest', () => {
  const brief = {
    ...emptyBrief(),
    wishes: [
      { place: 'held', trait: 'item', target: 'oar', weight: 'must' },
      { place: 'head', trait: 'beard', target: 'none', weight: 'nice' },
    ] satisfies BriefWish[],
    abilities: ['rows'],
    notes: 'From the quay',
  }
  const after = briefWith(brief, read('goatee (must), lantern, maybe an oar, tall fisherman, odd zips'))
  expect(after.wishes.map(short)).toEqual(['held item oar nice', 'head beard goatee must', 'held item lantern matters'])
  expect([after.stature, after.years, after.abilities, after.notes]).toEqual([
    'raised',
    null,
    ['rows', 'fishes'],
    'From the quay\nodd zips',
  ])
  // Said once more, it says nothing new.
  expect(briefWith(after, read('lantern, odd zips'))).toEqual(after)
})

test('stretches that are dropped say nothing', () => {
  const said = read('grey beard, lantern')
  const beard = said.taken.findIndex(({ wishes }) => wishes.includes(0))
  expect(briefWith(emptyBrief(), said, new Set([beard])).wishes.map(short)).toEqual(['held item lantern matters'])
})

test('the notes of a list are kept whole, and its age comes before theirs', () => {
  const notes = 'boy, 8 years old, red cap, odd zips'
  expect(briefOfNotes(notes, null, read(notes))).toMatchObject({ notes, years: 8, stature: 'middle' })
  expect(briefOfNotes(notes, 6, read(notes)).years).toBe(6)
  expect(briefOfNotes('odd', 6, read('odd'))).toMatchObject({ notes: 'odd', years: 6, stature: 'short', wishes: [] })
})
