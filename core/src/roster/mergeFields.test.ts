import { expect, test } from '@jest/globals'
import fc from 'fast-check'
import { mergeFields } from './mergeFields.ts'

interface Facts {
  faction: string
  years: number | null
}
const now = { id: 'o', name: 'Otto', faction: 'Cooks', years: 52 as number | null }

test('a change replaces what it saw, merges with what others changed, and collides where both changed the same', () => {
  expect(mergeFields<Facts>(now, { faction: 'Makers' }, { faction: 'Cooks' })).toEqual({
    kept: { faction: 'Makers' },
    collided: [],
  })
  // Somebody else gave an age meanwhile; the faction is still changed.
  expect(mergeFields<Facts>(now, { faction: 'Makers', years: 40 }, { faction: 'Cooks', years: null })).toEqual({
    kept: { faction: 'Makers' },
    collided: [{ id: 'o', name: 'Otto', field: 'years', now: 52 }],
  })
  // The same change made twice is no collision.
  expect(mergeFields<Facts>(now, { years: 52 }, { years: 7 })).toEqual({ kept: {}, collided: [] })
  expect(mergeFields<Facts>(now, { years: null }, {})).toEqual({ kept: { years: null }, collided: [] })
})

test('taking a change back is the change the other way round', () => {
  const value = fc.constantFrom('Cooks', 'Makers', 'Wardens')
  fc.assert(
    fc.property(value, value, (before, after) => {
      const thing = { ...now, faction: before }
      const { kept } = mergeFields<Facts>(thing, { faction: after }, { faction: before })
      const changed = { ...thing, ...kept }
      const back = mergeFields<Facts>(changed, { faction: before }, { faction: after })
      expect({ ...changed, ...back.kept }).toEqual(thing)
      expect(back.collided).toEqual([])
    }),
  )
})
