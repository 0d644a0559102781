import { describe, expect, test } from '@jest/globals'
import type { ToldParcel } from '@outfit/core/parcels'
import { heldUpInWords, inOrder, standInWords, summaryOf } from './parcelWords.ts'

const parcel = (change: Partial<ToldParcel>) =>
  ({
    id: 'p',
    state: 'on-the-way',
    late: 0,
    home: 1000,
    orderedOn: '2026-11-01',
    expectedOn: '2026-11-09',
    outfits: [],
    ...change,
  }) as ToldParcel

test('where it stands', () => {
  expect(standInWords(parcel({}))).toBe('on the way, due 9 Nov 2026')
  expect(standInWords(parcel({ state: 'ordered' }))).toBe('ordered 1 Nov 2026, due 9 Nov 2026')
  expect(standInWords(parcel({ late: 1 }))).toBe('1 day late, due 9 Nov 2026')
  expect(standInWords(parcel({ state: 'arrived', arrivedOn: '2026-11-08' }))).toBe('here since 8 Nov 2026')
  expect(standInWords(parcel({ state: 'cancelled', cancelledOn: '2026-11-02' }))).toBe('given up 2 Nov 2026')
})

test('whom it holds up', () => {
  const wait = (name: string, parts: number) => ({ id: name, name, parts })
  expect(heldUpInWords({ outfits: [] })).toBe('')
  expect(heldUpInWords({ outfits: [wait('Wen', 2)] })).toBe('Wen (2 parts) waits for it.')
  expect(heldUpInWords({ outfits: [wait('Wen', 2), wait('Ilka', 1)] })).toBe(
    'Wen (2 parts) and Ilka (1 part) wait for it.',
  )
})

describe('many of them', () => {
  const all = [
    parcel({ id: 'a', expectedOn: '2026-12-01' }),
    parcel({ id: 'b', late: 3 }),
    parcel({ id: 'c', state: 'arrived' }),
    parcel({ id: 'd', expectedOn: '2026-11-28', state: 'ordered' }),
  ]
  test('late ones come first, then by the day they are due', () => {
    expect(inOrder(all).map(({ title, parcels }) => [title, parcels.map(({ id }) => id).join()])).toEqual([
      ['Late', 'b'],
      ['To come', 'd,a'],
      ['Here', 'c'],
    ])
  })
  test('are summed up', () => {
    expect(summaryOf(all)).toBe('3 to come, 1 of them late · €30.00 on its way')
    expect(summaryOf([])).toBe('nothing is on its way')
  })
})
