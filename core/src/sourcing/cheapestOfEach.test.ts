import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { offer, problem, seller } from '../test/problem.ts'
import { cheapestOfEach } from './cheapestOfEach.ts'

test('each part comes from whoever names the lowest price, whatever that ships for', () => {
  const naive = cheapestOfEach(
    problem(['A', 'B'], {
      sellers: [seller('near', 100), seller('far', 900)],
      offers: [offer('a1', 'near', 'A', 50), offer('a2', 'far', 'A', 49), offer('b1', 'near', 'B', 30)],
    }),
  )
  expect(naive.baskets.map((b) => [b.seller, b.goods, b.shipping])).toEqual([
    ['near', 30, 100],
    ['far', 49, 900],
  ])
  expect(naive.total).toBe(30 + 100 + 49 + 900)
})

test('owned parts are not bought, steps and stock are kept to', () => {
  const naive = cheapestOfEach(
    problem([], {
      needs: [{ id: 'n', qty: 6, accept: [{ part: 'A', penalty: 0 }] }],
      owned: [{ part: 'A', qty: 1 }],
      sellers: [seller('s', 10)],
      offers: [offer('twos', 's', 'A', 10, { multiple: 2, qty: 3 }), offer('ones', 's', 'A', 11, { qty: 2 })],
    }),
  )
  expect(naive.baskets[0]!.lines).toEqual([
    { offer: 'twos', qty: 2 },
    { offer: 'ones', qty: 2 },
  ])
  expect(naive.unmet).toEqual([{ need: 'n', qty: 1 }])
})

test('a whole figure is bought only for what nobody sells singly', () => {
  const figure = offer('figure', 's', '', 60, {
    yields: [
      { part: 'A', qty: 1 },
      { part: 'B', qty: 1 },
    ],
  })
  const naive = cheapestOfEach(
    problem(['A', 'B'], { sellers: [seller('s', 0)], offers: [figure, offer('a', 's', 'A', 99)] }),
  )
  expect(naive.baskets[0]!.lines).toEqual([
    { offer: 'figure', qty: 1 },
    { offer: 'a', qty: 1 },
  ])
})

describe('what comes along', () => {
  const pair = offer('pair', 's', '', 80, {
    yields: ['hips', 'right', 'left'].map((part) => ({ part, qty: 1 })),
  })
  const units = (more: Partial<Parameters<typeof problem>[1]>) =>
    cheapestOfEach(
      problem(['hips', 'right', 'left'], { sellers: [seller('s', 0)], offers: [pair], ...more }),
    ).baskets.flatMap(({ lines }) => lines)

  test('is there for the parts that follow: a pair of legs is bought once, not for each of its pieces', () => {
    expect(units({})).toEqual([{ offer: 'pair', qty: 1 }])
  })

  test('is enough for as many as it is', () => {
    const needs = ['hips', 'right', 'left'].map((part, i) => ({ id: part, qty: i + 1, accept: [{ part, penalty: 0 }] }))
    expect(units({ needs })).toEqual([{ offer: 'pair', qty: 3 }])
  })

  test('goes before what would be bought singly, and a pack too large serves the next', () => {
    const single = offer('one', 's', 'left', 5)
    const six = offer('six', 's', 'x', 4, { multiple: 6 })
    const needs = ['hips', 'left', 'x', 'x'].map((part, i) => ({ id: `${i}`, qty: 2, accept: [{ part, penalty: 0 }] }))
    expect(units({ needs, offers: [pair, single, six] })).toEqual([
      { offer: 'pair', qty: 2 },
      { offer: 'six', qty: 6 },
    ])
  })
})

describe('minimums', () => {
  const short = (offers: ReturnType<typeof offer>[]) =>
    cheapestOfEach(
      problem(['A'], {
        sellers: [seller('s', 0, { minimum: 100 })],
        offers: [offer('a', 's', 'A', 70, { qty: 1 }), ...offers],
      }),
    )

  test('a parcel under its minimum is filled up as cheaply as can be', () => {
    const naive = short([offer('x', 's', 'X', 16), offer('y', 's', 'Y', 25), offer('z', 's', 'Z', 31)])
    expect(naive.filledUp).toEqual([{ seller: 's', short: 30, spent: 31 }])
    expect(naive.total).toBe(101)
  })

  test('a list too short for its minimum would be refused', () => {
    const naive = short([offer('x', 's', 'X', 10, { qty: 2 })])
    expect(naive.refused).toEqual(['s'])
    expect(naive.filledUp).toEqual([])
  })

  test('the filling never takes more than there is and is the cheapest of all ways', () => {
    const list = fc.array(
      fc.record({
        price: fc.integer({ min: 1, max: 30 }),
        qty: fc.integer({ min: 0, max: 3 }),
        multiple: fc.integer({ min: 1, max: 2 }),
      }),
      { maxLength: 5 },
    )
    fc.assert(
      fc.property(list, (entries) => {
        const offers = entries.map((entry, i) => offer(`x${i}`, 's', `X${i}`, entry.price, entry))
        const naive = short(offers)
        let cheapest = Infinity
        const steps = entries.map(({ qty, multiple }) => Math.floor(qty / multiple))
        const tryAll = (i: number, spent: number): void => {
          if (spent >= 30) cheapest = Math.min(cheapest, spent)
          if (i === entries.length) return
          for (let n = 0; n <= steps[i]!; n++) tryAll(i + 1, spent + n * entries[i]!.multiple * entries[i]!.price)
        }
        tryAll(0, 0)
        if (cheapest === Infinity) return expect(naive.refused).toEqual(['s'])
        expect(naive.filledUp).toEqual([{ seller: 's', short: 30, spent: cheapest }])
        expect(naive.total).toBe(70 + cheapest)
        for (const { offer: id, qty } of naive.baskets[0]!.lines) {
          const of = offers.find((o) => o.id === id)
          if (of) expect(qty <= of.qty && qty % of.multiple === 0).toBe(true)
        }
      }),
    )
  })
})
