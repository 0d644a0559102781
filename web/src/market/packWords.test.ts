import { describe, expect, test } from '@jest/globals'
import { againstOpened } from '@outfit/core/market'
import { oddsInWords, verdictInWords } from './packWords.ts'

const odds = { chance: [0, 0.5, 1], expected: 1.5, half: 1, ninety: 2 }

test('how many packs it takes', () => {
  expect(oddsInWords(odds)).toBe('1.5 packs on average; 1 pack in half of all tries, 2 packs in nine of ten.')
  expect(oddsInWords({ chance: [1], expected: 0, half: 0, ninety: 0 })).toBe('Choose the figures you want.')
})

describe('packs against opened figures', () => {
  const wanted = new Map([
    ['a', 2],
    ['b', 1],
  ])
  const prices: Record<string, number> = { a: 300, b: 500 }
  const against = (pack: number | null, known = prices) =>
    againstOpened(odds, pack, wanted, (figure) => known[figure] ?? null)

  test('each way adds up', () => {
    expect(against(400)).toEqual({ blind: 600, opened: 1100, unsold: 0 })
    expect(verdictInWords(against(400))).toBe('Packs are €5.00 cheaper: €11.00 opened, €6.00 in packs on average.')
    expect(verdictInWords(against(1000))).toBe(
      'Opened they are €4.00 cheaper: €11.00 opened, €15.00 in packs on average.',
    )
    expect(verdictInWords({ blind: 700, opened: 700, unsold: 0 })).toContain('Both ways')
  })

  test('what nobody sells is said', () => {
    expect(against(400, { b: 500 })).toEqual({ blind: 600, opened: null, unsold: 2 })
    expect(verdictInWords(against(400, { b: 500 }))).toContain('2 of the figures are not sold opened')
    expect(verdictInWords(against(null))).toBe('Opened they cost €11.00; nobody sells the packs.')
    expect(verdictInWords(against(null, {}))).toContain('Nobody sells the packs')
  })
})
