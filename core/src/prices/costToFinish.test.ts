import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import type { Part } from '../catalogue/index.ts'
import { costToFinish, wholesAmong, type SoldWhole, type ToFinish } from './index.ts'

const lowest =
  (prices: Readonly<Record<string, number | null>>) =>
  (part: string): number | null | undefined =>
    prices[part]
const pair = (price: number): SoldWhole => ({ price, brings: ['left', 'right', 'hips'] })

describe('what is left to buy', () => {
  test('is sold in a pair where nobody sells the pieces', () => {
    const prices = lowest({ hat: 40, left: null, right: null, hips: null })
    expect(costToFinish(['hat', 'left', 'right', 'hips'], prices, [pair(90), pair(70)])).toEqual({
      money: 110,
      unsold: 0,
    })
    expect(costToFinish(['hat', 'left'], prices, [])).toEqual({ money: 40, unsold: 1 })
  })

  test('is bought singly where that is less, and twice where two are wanted', () => {
    const prices = lowest({ left: 10, right: 10, hips: 10 })
    expect(costToFinish(['left', 'right', 'hips'], prices, [pair(35)])).toEqual({ money: 30, unsold: 0 })
    expect(costToFinish(['left', 'right', 'left', 'right'], prices, [pair(15)])).toEqual({ money: 30, unsold: 0 })
    expect(costToFinish([], prices, [pair(15)])).toEqual({ money: 0, unsold: 0 })
  })

  test('can be had of what comes apart as far as the house rules go, and is for sale', () => {
    const part = (code: string, ...components: [part: string, level: 0 | 1 | 2 | 3 | 4 | 5][]) =>
      ({ code, components: components.map(([one, level]) => ({ slot: 'torso', part: one, level })) }) as unknown as Part
    const parts = [part('legs', ['left', 4], ['right', 4]), part('torso', ['body', 3], ['hand', 2]), part('hat')]
    const prices = lowest({ legs: 70, torso: 90, hat: 10 })
    expect(wholesAmong(parts, prices, 4)).toEqual([
      { price: 70, brings: ['left', 'right'] },
      { price: 90, brings: ['body', 'hand'] },
    ])
    expect(wholesAmong(parts, prices, 2)).toEqual([{ price: 90, brings: ['hand'] }])
    expect(wholesAmong(parts, lowest({ hat: 10 }), 5)).toEqual([])
    // What stays joined is bought as it is where all of it is wanted.
    expect(wholesAmong(parts, prices, 2, ['left', 'right'])).toEqual([
      { price: 70, brings: ['left', 'right'] },
      { price: 90, brings: ['hand'] },
    ])
    expect(wholesAmong(parts, prices, 2, ['left', 'hand'])).toEqual([{ price: 90, brings: ['hand'] }])
    const twice = [part('mitts', ['mitt', 2], ['mitt', 2])]
    expect(wholesAmong(twice, lowest({ mitts: 5 }), 0, ['mitt'])).toEqual([])
    expect(wholesAmong(twice, lowest({ mitts: 5 }), 0, ['mitt', 'mitt'])).toHaveLength(1)
  })

  test('is the least of all ways to buy it', () => {
    const codes = ['a', 'b', 'c', 'd']
    const price = fc.integer({ min: 1, max: 60 })
    fc.assert(
      fc.property(
        fc.array(fc.constantFrom(...codes), { maxLength: 6 }),
        fc.record(Object.fromEntries(codes.map((code) => [code, fc.option(price)]))),
        fc.array(fc.record({ price, brings: fc.array(fc.constantFrom(...codes), { minLength: 1, maxLength: 3 }) }), {
          maxLength: 4,
        }),
        (parts, prices, wholes) => {
          // Every number of each whole, up to one for each part.
          let best: ToFinish | null = null
          const tried = (w: number, rest: readonly string[], spent: number): void => {
            if (w === wholes.length) {
              const money = spent + rest.reduce((sum, part) => sum + (prices[part] ?? 0), 0)
              const unsold = rest.filter((part) => prices[part] === null).length
              if (!best || unsold < best.unsold || (unsold === best.unsold && money < best.money))
                best = { money, unsold }
              return
            }
            let left = [...rest]
            for (let n = 0; n <= parts.length; n++) {
              tried(w + 1, left, spent + n * wholes[w]!.price)
              left = wholes[w]!.brings.reduce((list, part) => {
                const i = list.indexOf(part)
                return i < 0 ? list : list.toSpliced(i, 1)
              }, left)
            }
          }
          tried(0, parts, 0)
          expect(costToFinish(parts, lowest(prices), wholes)).toEqual(best)
        },
      ),
      { numRuns: 150 },
    )
  })
})
