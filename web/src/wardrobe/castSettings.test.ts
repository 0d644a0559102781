import { expect, test } from '@jest/globals'
import type { Placement, Slot } from '@outfit/core/catalogue'
import { shelfOutfit, shelfRoster } from '../test/shelf.ts'
import { whoOf, wornPlaces } from './castSettings.ts'

const placement = (slot: Slot, part = 'p'): Placement => ({ slot, part, order: 0, turned: false })
const ada = shelfOutfit('ada', { uniform: 'u', placements: [placement('torso'), placement('head'), placement('hips')] })
const roster = shelfRoster([ada, shelfOutfit('bo')], {
  uniforms: [{ id: 'u', name: 'Kit', version: 1, placements: [placement('torso'), placement('hips')] }],
})

test('who takes part keeps what is ticked and, if so wished, the uniform; what is held comes before both', () => {
  const all = new Set(['ada', 'bo'])
  expect(whoOf(roster, new Set(['bo']), {}, {}, true)).toEqual([{ outfit: 'bo', keep: [] }])
  expect(whoOf(roster, all, { ada: ['head'] }, {}, false)[0]).toEqual({ outfit: 'ada', keep: ['head'] })
  expect(whoOf(roster, all, { ada: ['head', 'torso'] }, {}, true)[0]).toEqual({
    outfit: 'ada',
    keep: ['head', 'torso', 'legs'],
  })
  const held = [{ place: 'torso' as const, placements: [placement('torso', 'other')] }]
  expect(whoOf(roster, all, { ada: ['torso'] }, { ada: held }, true)[0]).toEqual({
    outfit: 'ada',
    keep: ['legs'],
    held,
  })
})

test('places something is worn in stand from crown to sole', () => {
  expect(wornPlaces(ada)).toEqual(['head', 'torso', 'legs'])
})
