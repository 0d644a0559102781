import { expect, test } from '@jest/globals'
import { STARTER_MOULDS } from '../starter/index.ts'
import { worldTable } from '../test/world.ts'
import { traitsOfKind } from './index.ts'

test('every mould that ships has only traits its kind has', () => {
  const moulds = [...STARTER_MOULDS, ...worldTable('moulds')]
  expect(moulds.length).toBeGreaterThan(100)
  expect(
    moulds.flatMap(({ code, kind, traits }) => traitsOfKind(traits, kind).astray.map((key) => [code, key])),
  ).toEqual([])
})

test('what a kind has not goes astray; keys nobody knows stay', () => {
  const traits = { hair: 'yes', hairLength: 'short', maker: 'other', mine: 'x' }
  expect(traitsOfKind(traits, 'held')).toEqual({ fit: { maker: 'other', mine: 'x' }, astray: ['hair', 'hairLength'] })
  expect(traitsOfKind(traits, 'headgear')).toEqual({ fit: traits, astray: [] })
  expect(traitsOfKind({}, 'head')).toEqual({ fit: {}, astray: [] })
})
