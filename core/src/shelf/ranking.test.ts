import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { rankingOf, sureInWords, type Choice } from './ranking.ts'

const ids = ['a', 'b', 'c', 'd', 'e']
const over = (...list: string[]): Choice[] => list.map((pair) => ({ better: pair[0]!, worse: pair[1]! }))
const order = (choices: readonly Choice[], of = ids) => rankingOf(of, choices).ranked.map(({ id }) => id)

describe('a ranking', () => {
  test('without choices keeps the order there is, as a guess', () => {
    const { ranked, sure } = rankingOf(ids, [])
    expect(ranked.map(({ id }) => id)).toEqual(ids)
    expect(sure).toBeCloseTo(0.5)
    expect(rankingOf([], [])).toEqual({ ranked: [], next: null, sure: 1 })
    expect(rankingOf(['a'], []).next).toBeNull()
  })

  test('follows choices through others that were never asked about', () => {
    expect(order(over('ed', 'dc', 'cb', 'ba'))).toEqual(['e', 'd', 'c', 'b', 'a'])
  })

  test('of two is Bradley and Terry with the prior: the likings solve its equation', () => {
    const { ranked } = rankingOf(['a', 'b'], over('ab', 'ab', 'ba'))
    const [a, b] = [ranked[0]!.liking, ranked[1]!.liking]
    expect(a).toBeCloseTo(-b)
    // 3 choices, 2 for a: 2 − 3 p(a over b) = prior × a.
    expect(2 - 3 / (1 + Math.exp(b - a))).toBeCloseTo(0.35 * a)
  })

  test('is the surer the more choices say the same', () => {
    const sure = (times: number) =>
      rankingOf(
        ['a', 'b'],
        Array.from({ length: times }, () => over('ab')[0]!),
      ).ranked[0]!.ahead!
    expect([sure(1), sure(3), sure(9)].every((p, i, list) => i === 0 || p > list[i - 1]!)).toBe(true)
    expect(sureInWords(0.85)).toBe('likely')
    expect(sureInWords(0.99)).toBe('as good as certain')
    expect(sureInWords(sure(1))).toBe('rather so')
    expect(sureInWords(0.5)).toBe('a guess')
  })

  test('asks next about two nobody can tell apart, not about what is settled', () => {
    const settled = Array.from({ length: 6 }, () => over('ab')).flat()
    const { next } = rankingOf(['a', 'b', 'c'], settled)
    expect(next).toContain('c')
  })

  test('does not mind choices about outfits that are gone, nor their names', () => {
    expect(order(over('xa', 'ba'), ['a', 'b'])).toEqual(['b', 'a'])
    const choice = fc.tuple(fc.nat(4), fc.nat(4)).filter(([a, b]) => a !== b)
    fc.assert(
      fc.property(fc.array(choice, { maxLength: 12 }), (pairs) => {
        const choices = pairs.map(([a, b]) => ({ better: ids[a]!, worse: ids[b]! }))
        const { ranked, sure } = rankingOf(ids, choices)
        expect([...ranked.map(({ id }) => id)].sort()).toEqual(ids)
        expect(ranked.reduce((sum, { liking }) => sum + liking, 0)).toBeCloseTo(0)
        expect(sure).toBeGreaterThanOrEqual(0.5 - 1e-9)
        expect(sure).toBeLessThanOrEqual(1)
      }),
    )
  })

  test('answering what is asked orders eight outfits in some twenty presses', () => {
    const truth = ['h', 'c', 'a', 'g', 'b', 'f', 'd', 'e']
    const choices: Choice[] = []
    for (let press = 0; press < 24; press++) {
      const [a, b] = rankingOf([...truth].sort(), choices).next!
      choices.push(truth.indexOf(a) < truth.indexOf(b) ? { better: a, worse: b } : { better: b, worse: a })
    }
    expect(order(choices, [...truth].sort())).toEqual(truth)
  })
})
