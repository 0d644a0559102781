import { expect, test } from '@jest/globals'
import type { PinSummary, ShelfOutfit } from '@outfit/core/shelf'
import { shelfOutfit } from '../test/shelf.ts'
import { tableRows, type TableRow } from './tableRows.ts'

const pin = (severity: PinSummary['severity']): PinSummary => ({ severity, title: '', detail: '' })
const row = (number: number, name: string, about: Partial<ShelfOutfit> = {}): TableRow => ({
  number,
  outfit: shelfOutfit(name, about),
})
const rows = [
  row(1, 'Cy', { faction: 'Cooks', toBuy: 3, pins: [pin('hint'), pin('hint')] }),
  row(2, 'Ada', { faction: 'Makers', toBuy: 3, pins: [pin('problem')] }),
  row(3, 'Bo', { faction: 'Cooks', toBuy: 1, pins: [pin('notice')] }),
]
const names = (question: Partial<Parameters<typeof tableRows>[1]>) =>
  tableRows(rows, { words: '', order: 'number', down: false, ...question }).map(({ outfit }) => outfit.name)

test('rows stand in the order asked for, ties by their number', () => {
  expect(names({})).toEqual(['Cy', 'Ada', 'Bo'])
  expect(names({ order: 'name' })).toEqual(['Ada', 'Bo', 'Cy'])
  expect(names({ order: 'toBuy', down: true })).toEqual(['Cy', 'Ada', 'Bo'])
  expect(names({ order: 'faction' })).toEqual(['Cy', 'Bo', 'Ada'])
})

test('one problem weighs more than any number of hints', () => {
  expect(names({ order: 'pins', down: true })).toEqual(['Ada', 'Bo', 'Cy'])
})

test('words are looked for in name, faction and character, all of them', () => {
  expect(names({ words: 'cook' })).toEqual(['Cy', 'Bo'])
  expect(names({ words: 'cook bo' })).toEqual(['Bo'])
  expect(names({ words: 'nobody' })).toEqual([])
})
