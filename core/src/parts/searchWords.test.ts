import { expect, test } from '@jest/globals'
import { mouldOf, PART_KINDS, SHELF_KEYS, shelfOf } from '../catalogue/index.ts'
import { partNamed, worldCatalogue } from '../test/world.ts'
import { searchWords, traitWords, wordsAsked } from './searchWords.ts'

const catalogue = worldCatalogue()

test('every kind of part stands on a shelf', () => {
  for (const kind of PART_KINDS) expect(SHELF_KEYS).toContain(shelfOf(kind))
})

test('traits read as a person says them', () => {
  expect(traitWords({ tied: 'yes', parting: 'side', hairLength: 'short' })).toEqual([
    'tied',
    'side parting',
    'short hair length',
  ])
})

test('what a customiser would type finds the part', () => {
  const part = partNamed('Side parting', 'Chestnut')
  const words = searchWords(part, mouldOf(catalogue, part), undefined, [catalogue.colours.get('chestnut')!])
  for (const asked of wordsAsked('hair, short, side parting, dark, brown'))
    expect([asked, wordsAsked(words).some((word) => word.startsWith(asked))]).toEqual([asked, true])
})

test('words asked are cut at everything else and lose their doubles', () => {
  expect(wordsAsked('  Hair, hair; "P-00012*" ')).toEqual(['hair', 'p', '00012'])
  expect(wordsAsked('…')).toEqual([])
})
