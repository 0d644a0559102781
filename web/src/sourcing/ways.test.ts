import { describe, expect, test } from '@jest/globals'
import type { NaivePlan, SourcingPlan, SourcingReport } from '@outfit/core/sourcing'
import { daysOf, furtherInWords, proofOf, relaxedInWords, remarkOf } from './ways.ts'

const money = (amount: number) => `€${amount}`
const plan = (change: Partial<SourcingPlan>) =>
  ({ status: 'optimal', total: 100, bound: 100, gap: 0, unmet: [], ...change }) as SourcingPlan
const naive = (change: Partial<NaivePlan>) => ({ unmet: [], refused: [], filledUp: [], ...change }) as NaivePlan

describe('what a card says', () => {
  test('what is missing first', () => {
    expect(remarkOf(plan({ unmet: [{ need: 'n', qty: 2, why: '' }] }), 'one', money)).toBe('lacks 2 parts')
    expect(remarkOf(naive({ unmet: [{ need: 'n', qty: 1 }], refused: ['s'] }), 'each', money)).toBe('lacks 1 part')
  })
  test('else how far it is proven, or how it would go', () => {
    expect(remarkOf(plan({}), 'best', money)).toBe('proven best')
    expect(remarkOf(plan({}), 'fewest', money)).toBe('proven')
    expect(remarkOf(plan({ status: 'time-limit', bound: 97, gap: 0.03 }), 'best', money)).toBe('at most €3 less')
    expect(remarkOf(naive({ refused: ['s'] }), 'each', money)).toBe('would be refused')
    expect(remarkOf(naive({}), 'each', money)).toBe('true cost')
  })
})

test('the last parcel says when all is here', () => {
  const problem = {
    sellers: [
      { id: 'a', arrivesInDays: 3 },
      { id: 'b', arrivesInDays: 9 },
    ],
  } as SourcingReport['problem']
  const basket = (seller: string) => ({ seller, lines: [], goods: 0, shipping: 0, handling: 0 })
  expect(daysOf([basket('a'), basket('b')], problem)).toBe(9)
  expect(daysOf([], problem)).toBe(0)
})

test('the proof, in a sentence', () => {
  expect(proofOf(plan({}), money)).toBe('proven: no plan is cheaper than €100')
  expect(proofOf(plan({ status: 'within-gap', bound: 98, gap: 0.02 }), money)).toBe('at most €2 could still be saved')
  expect(proofOf(plan({ status: 'impossible' }), money)).toContain('no plan keeps the limits')
})

test('what would do instead of a limit that is too tight', () => {
  const budget = { limit: 'budget', from: 1000, to: 1250 } as const
  const parcels = { limit: 'parcels', from: 1, to: 2 } as const
  expect(relaxedInWords({ alone: [budget, parcels], together: [] }, money)).toBe(
    'It would do with €1250 instead of €1000, or with 2 parcels instead of 1.',
  )
  expect(relaxedInWords({ alone: [], together: [budget, parcels] }, money)).toContain(
    'and 2 parcels instead of 1 together',
  )
  expect(relaxedInWords({ alone: [], together: [] }, money)).toContain('No relaxation')
})

test('what looking further brought; a plan that is no better changes nothing', () => {
  const lacking = (qty: number) => plan({ unmet: [{ need: 'n', qty, why: '' }], total: 40 })
  const open = { status: 'time-limit', bound: 80 } as const
  expect(furtherInWords(plan(open), plan({ ...open, total: 97 }), money)).toBe('Looking further saved €3.')
  expect(furtherInWords(lacking(1), plan({}), money)).toBe('Looking further found parts that were missing.')
  // The same need, with fewer of its parts missing.
  expect(furtherInWords(lacking(3), lacking(2), money)).toBe('Looking further found parts that were missing.')
  expect(furtherInWords(plan(open), plan({ ...open, bound: 90 }), money)).toContain('nothing better, and more of it')
  expect(furtherInWords(plan(open), plan({ ...open, total: 103 }), money)).toBe('Looking further found nothing better.')
  expect(furtherInWords(plan(open), lacking(1), money)).toBe('Looking further found nothing better.')
})
