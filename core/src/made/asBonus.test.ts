import { expect, test } from '@jest/globals'
import { asBonus } from './asBonus.ts'

test('something made hands out its pieces, counted, and tells how it is put together', () => {
  const at = (part: string) => ({ part, x: 0, y: 0, turn: 0, mirrored: false, front: false })
  const bands = [{ name: 'Tar string', colour: 'tar', x: 0, y: 0, toX: 1, toY: 1 }]
  expect(asBonus({ name: 'Bow', pieces: [at('H'), at('R'), at('H')], bands }, (part) => `the ${part}`)).toEqual({
    name: 'Bow',
    pieces: [
      { part: 'H', name: 'the H', qty: 2 },
      { part: 'R', name: 'the R', qty: 1 },
    ],
    steps: ['Begin with the H.', 'Put on the R.', 'Put on the H.', 'Tie it with tar string.'].map((text) => ({
      text,
      photo: null,
    })),
  })
})
