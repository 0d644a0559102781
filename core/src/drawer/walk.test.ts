import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { reversed, type Moved } from './acts.ts'
import { onHandByBin } from './onHand.ts'
import { differencesOf, setRight, type Counted } from './stocktake.ts'
import { gather, walkingOrder } from './walk.ts'

const bin = (code: string, more: object = {}) => ({ code, name: code, figure: null, ...more })
const lies = (part: string, at: string, qty = 1) => ({ part, bin: at, qty })

describe('the way along the parts box', () => {
  test('goes row by row, into trays as they come, and to what has no place last', () => {
    const bins = [
      bin('B10'),
      bin('B9'),
      bin('right', { x: 5, y: 0 }),
      bin('below', { x: 0, y: 4 }),
      bin('left', { x: 0, y: 0 }),
      bin('tray', { parent: 'left', x: 0, y: 0 }),
      bin('orphan', { parent: 'gone', x: 9, y: 0 }),
    ]
    expect(walkingOrder(bins).map(({ code }) => code)).toEqual([
      'left',
      'tray',
      'right',
      'orphan',
      'below',
      'B9',
      'B10',
    ])
  })

  test('opens few bins: one that has it all rather than three that have a third each', () => {
    const bins = [bin('a', { x: 0, y: 0 }), bin('b', { x: 1, y: 0 }), bin('c', { x: 2, y: 0 })]
    const lying = [lies('A', 'a'), lies('B', 'b'), lies('A', 'c'), lies('B', 'c'), lies('C', 'c')]
    expect(gather({ A: 1, B: 1, C: 1 }, lying, bins)).toEqual({
      stops: [
        {
          bin: 'c',
          parts: [
            { part: 'A', qty: 1 },
            { part: 'B', qty: 1 },
            { part: 'C', qty: 1 },
          ],
        },
      ],
      short: {},
    })
    // What lies in one bin only is fetched there, and what else it has is taken along.
    expect(gather({ A: 2, B: 1, D: 1 }, lying, bins)).toEqual({
      stops: [
        { bin: 'a', parts: [{ part: 'A', qty: 1 }] },
        {
          bin: 'c',
          parts: [
            { part: 'A', qty: 1 },
            { part: 'B', qty: 1 },
          ],
        },
      ],
      short: { D: 1 },
    })
  })

  test('takes what is needed as far as it is there, never more than lies in a bin', () => {
    const part = fc.constantFrom('A', 'B', 'C')
    const place = fc.constantFrom('a', 'b', 'c')
    fc.assert(
      fc.property(
        fc.dictionary(part, fc.integer({ min: 1, max: 4 })),
        fc.uniqueArray(fc.record({ part, bin: place, qty: fc.integer({ min: 1, max: 3 }) }), {
          selector: (one) => `${one.part} ${one.bin}`,
        }),
        (needs, lying) => {
          const { stops, short } = gather(
            needs,
            lying,
            ['a', 'b', 'c'].map((code) => bin(code)),
          )
          const taken = stops.flatMap((stop) => stop.parts.map((one) => ({ ...one, bin: stop.bin })))
          for (const one of taken)
            expect(one.qty).toBeLessThanOrEqual(lying.find((l) => l.part === one.part && l.bin === one.bin)?.qty ?? 0)
          for (const [code, qty] of Object.entries(needs)) {
            const there = lying.filter((l) => l.part === code).reduce((sum, l) => sum + l.qty, 0)
            const got = taken.filter((one) => one.part === code).reduce((sum, one) => sum + one.qty, 0)
            expect([got, short[code] ?? 0]).toEqual([Math.min(qty, there), Math.max(0, qty - there)])
          }
        },
      ),
    )
  })
})

describe('a stocktake', () => {
  const counted = fc.array(
    fc.record({
      part: fc.constantFrom('A', 'B'),
      condition: fc.constantFrom<'new' | 'used'>('new', 'used'),
      qty: fc.integer({ min: 0, max: 3 }),
    }),
    { maxLength: 6 },
  )
  test('makes the bin hold what was counted, whatever should have lain in it', () => {
    const asMoves = (list: readonly Counted[]): Moved[] =>
      list.filter(({ qty }) => qty > 0).map((one) => ({ ...one, from: null, to: 'b' }))
    const held = (moves: readonly Moved[]) =>
      (['new', 'used'] as const).map((condition) =>
        [...onHandByBin(moves.filter((move) => move.condition === condition))]
          .map(([part, bins]) => `${part} ${bins.get('b') ?? 0}`)
          .filter((text) => !text.endsWith(' 0'))
          .sort(),
      )
    fc.assert(
      fc.property(counted, counted, (was, is) => {
        const moves = setRight('b', differencesOf(was, is))
        expect(held([...asMoves(was), ...moves])).toEqual(held(asMoves(is)))
        // Taken back, it holds again what should have been there.
        expect(held([...asMoves(was), ...moves, ...reversed(moves)])).toEqual(held(asMoves(was)))
      }),
    )
  })

  test('tells each difference with what was expected', () => {
    expect(
      differencesOf(
        [
          { part: 'A', condition: 'used', qty: 3 },
          { part: 'B', condition: 'used', qty: 1 },
        ],
        [
          { part: 'A', condition: 'used', qty: 1 },
          { part: 'B', condition: 'used', qty: 1 },
          { part: 'A', condition: 'new', qty: 2 },
        ],
      ),
    ).toEqual([
      { part: 'A', condition: 'new', expected: 0, counted: 2, by: 2 },
      { part: 'A', condition: 'used', expected: 3, counted: 1, by: -2 },
    ])
  })
})
