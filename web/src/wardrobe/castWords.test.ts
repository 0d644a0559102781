import { describe, expect, test } from '@jest/globals'
import { formatMoney } from '@outfit/core/market'
import type { CastFigure, CastOptions, CastPlan, CastReport } from '@outfit/core/wardrobe'
import { findingOf, meanPoints, obstacleOf, provenInWords } from './castWords.ts'

const money = (minor: number) => formatMoney(minor, 'EUR')
const names = new Map([
  ['a', 'Ada'],
  ['b', 'Bo'],
])
const options: CastOptions = {
  worth: 40,
  budget: 2000,
  floor: 90,
  parcels: 1,
  arriveBy: 3,
  facesDiffer: true,
  donors: true,
  market: true,
}

describe('what cannot all be kept', () => {
  test.each<[Parameters<typeof obstacleOf>[0], string, Partial<CastOptions> | null]>([
    [{ limit: 'budget', would: 2510 }, 'All of that cannot be had for €20.00; €25.10 would do.', { budget: 2510 }],
    [{ limit: 'parcels', would: 3 }, 'All of that does not come in one parcel; 3 would do.', { parcels: 3 }],
    [
      { limit: 'arriveBy', outfit: 'b', would: 5 },
      'Not everything for Bo can be here in 3 days; 5 days would do.',
      { arriveBy: 5 },
    ],
    [{ limit: 'arriveBy', outfit: 'b' }, 'Not everything for Bo can be here in 3 days.', null],
    [
      { limit: 'faces', outfit: 'a' },
      'Ada finds no face of its own among those that can be had.',
      { facesDiffer: false },
    ],
    [
      { outfit: 'a', would: 84_600 },
      'Ada cannot come to a likeness of 90 with what can be had; the most is 84.',
      { floor: 84 },
    ],
    [
      { why: 'outfit b: nothing for slot torso is owned or for sale' },
      'Bo: nothing for slot torso is owned or for sale.',
      null,
    ],
  ])('%j is said with what would do', (plan, words, change) => {
    const { words: said, mend } = obstacleOf(plan, options, names, money)
    expect(said).toBe(words)
    expect(mend?.change ?? null).toEqual(change)
  })
})

describe('what a cast comes to', () => {
  const figure = (likeness: number) => ({ likeness }) as CastFigure
  const plan = {
    worth: 40,
    status: 'time-limit',
    value: 2000,
    bound: 1500,
    spending: 1600,
    figures: [figure(95_000), figure(95_000)],
  } as CastPlan
  const report = {
    plans: [plan],
    now: [{ likeness: 92_000 }, { likeness: 94_000 }],
    asTheyAre: { spending: 2000, likeness: 186_000, unmet: 0 },
    castFirst: { spending: 1500, likeness: 190_000, unmet: 0 },
  } as CastReport

  test('gives mean likeness as it is written', () => {
    expect(meanPoints(190_000, 2)).toBe('95.0')
  })

  test('is told against the other ways, those that leave nothing unbought', () => {
    expect(findingOf(report, money)).toBe(
      '€4.00 less than as they are, 2.0 points more like their briefs on average; €1.00 more than cast one by one and bought afterwards.',
    )
    expect(findingOf({ ...report, asTheyAre: { ...report.asTheyAre!, unmet: 2 }, castFirst: null }, money)).toBe('')
    expect(findingOf({ ...report, plans: [] }, money)).toBe('')
    const same = { spending: 1600, likeness: 190_000, unmet: 0 }
    expect(findingOf({ ...report, asTheyAre: null, castFirst: same }, money)).toBe(
      'The same money as cast one by one and bought afterwards.',
    )
  })

  test('says how much could still be saved', () => {
    expect(provenInWords(plan, money)).toBe('At most €5.00 could still be saved all in all; more is not proven.')
    expect(provenInWords({ ...plan, status: 'optimal' }, money)).toMatch(/^Proven/)
  })
})
