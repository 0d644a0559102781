import { expect, test } from '@jest/globals'
import { catalogueOf } from '@outfit/core/catalogue'
import { alteredInWords } from './alteredInWords.ts'

const catalogue = catalogueOf({
  colours: [{ code: 'wine', name: 'Wine', hex: '#7A2233', finish: 'solid', family: 'red' }],
  moulds: [],
  parts: [],
  prints: [{ code: 'D-1', name: 'Heron badge', kind: 'torso', front: [], back: [], traits: {} }],
})

test('what is done to a part is told with the figures in it', () => {
  expect(
    alteredInWords(
      [
        { kind: 'print-removed', note: '' },
        { kind: 'painted', colour: 'wine', note: '' },
        { kind: 'trimmed', share: 20, note: '' },
        { kind: 'sticker', print: 'D-1', note: '' },
        { kind: 'by-others', note: '' },
      ],
      catalogue,
    ),
  ).toBe('print removed, painted Wine, 20 % trimmed, with a sticker: Heron badge, a copy by others')
})

test('what the catalogue does not know is told by its code', () => {
  expect(alteredInWords([{ kind: 'painted', colour: 'plum', note: '' }], catalogue)).toBe('painted plum')
})
