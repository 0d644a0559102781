import { expect, test } from '@jest/globals'
import { deviceOf } from './deviceOf.ts'
import { inWords, takenBackInWords, toldOf, type TableChange } from './inWords.ts'

const change = (table: string, more: Partial<TableChange> = {}): TableChange => ({
  ...{ table, made: 0, changed: 0, gone: 0, names: [], first: {} },
  ...more,
})

test.each([
  [
    'Dressed Odile, skipper',
    [
      change('outfit', { changed: 1, names: ['Odile, skipper'] }),
      change('placement', { made: 1, gone: 1, names: ['Odile, skipper'] }),
    ],
  ],
  [
    'Dressed Odile, Bram and 7 more',
    [change('placement', { made: 30, names: ['Odile', 'Bram', ...Array.from({ length: 7 }, (_, i) => `N${i}`)] })],
  ],
  [
    'New take of Bram',
    [change('take', { made: 1, names: ['Bram'] }), change('placement', { made: 9, names: ['Bram'] })],
  ],
  [
    'Made 34 parts: Deck cap, Lantern and 32 more',
    [change('part', { made: 34, names: ['Deck cap', 'Lantern', ...Array.from({ length: 32 }, (_, i) => `P${i}`)] })],
  ],
  [
    'Changed part Deck cap',
    [change('part', { changed: 1, names: ['Deck cap'] }), change('component', { made: 2, names: ['Deck cap'] })],
  ],
  ['Removed seller Tin Whistle Parts', [change('seller', { gone: 1, names: ['Tin Whistle Parts'] })]],
  [
    'Moved into Box 2',
    [change('movement', { made: 3 }), change('act', { made: 1, first: { kind: 'moved', text: 'into Box 2' } })],
  ],
  [
    'Checked in the parcel from Lock 9 Loft',
    [
      change('parcel', { changed: 1, names: ['Lock 9 Loft'], first: { arrivedOn: '2026-12-01' } }),
      change('act', { made: 1 }),
    ],
  ],
  [
    'Gave up the order to Lock 9 Loft',
    [change('parcel', { changed: 1, names: ['Lock 9 Loft'], first: { cancelledOn: '2026-12-01' } })],
  ],
  [
    'Brought in bestand.csv',
    [change('part', { made: 90 }), change('intake', { made: 1, names: ['bestand.csv'] }), change('act', { made: 1 })],
  ],
  ['Took back the list bestand.csv', [change('intake', { changed: 1, names: ['bestand.csv'] })]],
  [
    'Made 12 characters: Ada, Bo and 10 more',
    [
      change('person', { made: 12, names: ['Ada', 'Bo', ...Array.from({ length: 10 }, (_, i) => `C${i}`)] }),
      change('outfit', { made: 12 }),
    ],
  ],
  ['Set light or dark', [change('setting', { changed: 1, names: ['look'] })]],
  ['Something was changed', [change('what nobody told of', { made: 1 })]],
])('what was done is said as: %s', (words, changes) => expect(inWords(changes)).toBe(words))

test('a phone is told from a computer, and both from a program', () => {
  expect(deviceOf('Mozilla/5.0 (X11; Linux x86_64) Gecko/20100101 Some/1.0')).toBe('a computer')
  expect(deviceOf('Mozilla/5.0 (Linux; K) Some/1.0 Mobile Other/5')).toBe('a phone')
  expect(deviceOf('node')).toBe('a program')
  expect(deviceOf('')).toBe('a program')
})

test('what is taken back, done again and taken back once more is told in one step each', () => {
  const back = takenBackInWords('Dressed Odile')
  const again = takenBackInWords(back)
  expect([back, again, takenBackInWords(again)]).toEqual([
    'Took back: Dressed Odile',
    'Did again: Dressed Odile',
    'Took back: Dressed Odile',
  ])
  expect([back, again, 'Dressed Odile'].map(toldOf)).toEqual(
    [true, false, false].map((isBack) => ({ what: 'Dressed Odile', isBack })),
  )
})
