import { expect, test } from '@jest/globals'
import type { BriefWish } from './brief.ts'
import { withWishes } from './mergeWishes.ts'

const wish = (trait: string, target: string, weight: BriefWish['weight'] = 'matters'): BriefWish => ({
  place: 'held',
  trait,
  target,
  weight,
})

test('wishes take the place of those about the same; things stand beside other things', () => {
  const own = [wish('item', 'oar'), wish('colour', '#112233', 'must')]
  expect(withWishes(own, [wish('colour', '#445566'), wish('item', 'lantern'), wish('item', 'oar', 'must')])).toEqual([
    wish('item', 'oar', 'must'),
    wish('colour', '#445566'),
    wish('item', 'lantern'),
  ])
  expect(own).toHaveLength(2)
  expect(withWishes(own, [])).toEqual(own)
})
