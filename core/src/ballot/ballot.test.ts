import { describe, expect, test } from '@jest/globals'
import * as fc from 'fast-check'
import { seeded } from '../base/index.ts'
import { answerText, favouriteOf, readAnswers, takeAnswers, tallyOf, type Ballot, type BallotAnswer } from './index.ts'

const ballot = (way: Ballot['way'], count = 4): Ballot => ({
  id: 'B1',
  roster: 'R',
  outfit: null,
  title: 'Which?',
  question: '',
  way,
  madeAt: '2026-12-01T00:00:00.000Z',
  candidates: Array.from({ length: count }, (_, i) => ({ id: `c${i}`, name: `Candidate ${i}`, placements: [] })),
})
/** Of two the better one first. */
const chose = (...pairs: [number, number][]) => pairs.map(([better, worse]) => ({ better, worse }))
const answer = (more: Partial<BallotAnswer>): BallotAnswer => ({
  ...{ voter: 'aaaaaaaa', name: 'Ada', at: '2026-12-01T10:00:00.000Z', pairs: [], stars: [] },
  ...more,
})

const anyAnswer: fc.Arbitrary<BallotAnswer> = fc.record({
  voter: fc.stringMatching(/^[0-9a-f]{20}$/),
  name: fc.constantFrom('', 'Ada', 'Jörg Übermaß', 'ひろこ', 'a, "b"; c'),
  at: fc
    .date({ min: new Date('2020-01-01'), max: new Date('2030-01-01'), noInvalidDate: true })
    .map((date) => date.toISOString()),
  pairs: fc.array(
    fc
      .record(
        { better: fc.integer({ min: 0, max: 3 }), worse: fc.integer({ min: 0, max: 3 }) },
        { noNullPrototype: true },
      )
      .filter(({ better, worse }) => better !== worse),
    { minLength: 1, maxLength: 12 },
  ),
  stars: fc.constant([]),
})

describe('answers', () => {
  test('come back as they were sent, whatever stands around them and however lines are broken', () => {
    fc.assert(
      fc.property(fc.array(anyAnswer, { minLength: 1, maxLength: 4 }), fc.boolean(), (sent, broken) => {
        const words = sent.map((one) => answerText('B1', one))
        const mail =
          broken && words.length === 1
            ? words[0]!.replace(/(.{40})/g, '$1\n  ')
            : `Hi,\n${words.join('\n> ')}\nsent from my phone`
        expect(readAnswers(mail, ballot('pairs'))).toEqual({
          answers: sent.map((one) => ({ ...one, name: one.name.trim() })),
          refused: [],
        })
      }),
    )
  })

  test('are refused where they are none, damaged, of another ballot, or about nobody', () => {
    const good = answerText('B1', answer({ pairs: chose([0, 1]) }))
    const at = Math.floor(good.length / 2)
    const cases: [string, string][] = [
      ['Nice figures!', 'There is no answer in this text. An answer begins with “outfit-ballot-1”.'],
      [
        good.slice(0, at) + (good[at] === 'A' ? 'B' : 'A') + good.slice(at + 1),
        'The answer is damaged: part of it was lost on the way. Ask for it again.',
      ],
      [answerText('B2', answer({ pairs: chose([0, 1]) })), 'The answer of Ada is to another ballot.'],
      [
        answerText('B1', answer({ pairs: chose([0, 9]) })),
        'The answer of Ada names somebody who does not stand on the ballot.',
      ],
      [
        answerText('B1', answer({ pairs: chose([1, 1]) })),
        'The answer of Ada names somebody who does not stand on the ballot.',
      ],
      [answerText('B1', answer({})), 'The answer of Ada chooses nothing.'],
    ]
    for (const [text, words] of cases)
      expect(readAnswers(text, ballot('pairs'))).toEqual({ answers: [], refused: [words] })
    expect(readAnswers(answerText('B1', answer({ stars: [6, 0, 0, 0] })), ballot('stars')).refused).toEqual([
      'The answer of Ada gives other than one to five stars.',
    ])
    expect(readAnswers(answerText('B1', answer({ stars: [1, 0] })), ballot('stars')).refused).toEqual([
      'The answer of Ada does not fit the ballot.',
    ])
    const both = readAnswers(`${good} and ${answerText('B2', answer({ pairs: chose([0, 1]) }))}`, ballot('pairs'))
    expect([both.answers.length, both.refused]).toEqual([1, ['Answer 2 of Ada is to another ballot.']])
  })

  test('count once each, of one file the newest, in whatever order they come', () => {
    const first = answer({ pairs: chose([0, 1]) })
    const second = answer({ pairs: chose([1, 0]), at: '2026-12-02T10:00:00.000Z' })
    expect(takeAnswers([first], [first])).toMatchObject({ again: [first], taken: [], instead: [] })
    expect(takeAnswers([first], [second])).toMatchObject({ instead: [second], again: [] })
    expect(takeAnswers([second], [first])).toMatchObject({ older: [first] })
    fc.assert(
      fc.property(fc.array(anyAnswer, { maxLength: 6 }), fc.integer(), (answers, seed) => {
        const some = answers.map((one, i) => ({ ...one, voter: `voter00${i % 3}` }))
        const kept = (come: BallotAnswer[]) => {
          const now = new Map<string, BallotAnswer>()
          for (const one of come) {
            const { taken, instead } = takeAnswers([...now.values()], [one])
            for (const came of [...taken, ...instead]) now.set(came.voter, came)
          }
          return JSON.stringify([...now].map(([voter, { pairs }]) => [voter, pairs]).sort())
        }
        const random = seeded(seed)
        const mixed = some
          .map((one) => ({ one, at: random() }))
          .sort((a, b) => a.at - b.at)
          .map(({ one }) => one)
        // Two that say the same at other times are one; what is kept says the same.
        fc.pre(new Set(some.map(({ at }) => at)).size === some.length)
        expect(kept(mixed)).toBe(kept(some))
      }),
    )
  })
})

test('somebody is for whom won most of the choices or got most stars, or for nobody', () => {
  expect(favouriteOf(answer({ pairs: chose([2, 0], [2, 1], [0, 1]) }), 4)).toBe(2)
  expect(favouriteOf(answer({ pairs: chose([2, 0], [0, 1]) }), 4)).toBeNull()
  expect(favouriteOf(answer({ stars: [0, 5, 4, 0] }), 4)).toBe(1)
})

describe('the tally', () => {
  test('of pairs is the ranking of all choices, with how sure it is', () => {
    const answers = Array.from({ length: 12 }, (_, i) =>
      answer({
        voter: `voter${i}aaa`,
        pairs: chose([2, 0], [2, 1], [0, 1], [2, 3], [0, 3]),
      }),
    )
    const { ranked, sure } = tallyOf(ballot('pairs'), answers)
    expect(ranked.map(({ id }) => id).slice(0, 2)).toEqual(['c2', 'c0'])
    expect(ranked[0]).toMatchObject({ won: 1, voices: 36 })
    expect(ranked[0]!.ahead).toBeGreaterThan(0.95)
    expect(sure).toBeGreaterThan(0.5)
    expect(tallyOf(ballot('pairs'), answers.slice(0, 1)).ranked[0]!.ahead).toBeLessThan(ranked[0]!.ahead!)
  })

  test('of stars is sure of what many say, unsure of what one says, and does not let one voice beat ten', () => {
    const many = Array.from({ length: 15 }, (_, i) =>
      answer({ voter: `voter${i}aaa`, stars: [4 + (i % 2), 2, 3 - (i % 2), 0] }),
    )
    const { ranked } = tallyOf(ballot('stars'), many)
    expect(ranked.map(({ id }) => id)).toEqual(['c0', 'c3', 'c2', 'c1'])
    expect(ranked[0]!.stars).toBeCloseTo(4.47, 2)
    expect(ranked[2]!.ahead).toBeGreaterThan(0.9)
    const alone = [...many, answer({ voter: 'alone0000', stars: [0, 0, 0, 5] })]
    expect(tallyOf(ballot('stars'), alone).ranked[0]!.id).toBe('c0')
    const one = tallyOf(ballot('stars'), [answer({ stars: [4, 3, 0, 0] })])
    expect(one.ranked[0]!.ahead).toBeLessThan(0.8)
    expect(tallyOf(ballot('stars'), []).ranked.map(({ ahead }) => ahead)).toEqual([
      ...Array(3).fill(expect.closeTo(0.5, 6)),
      null,
    ])
  })

  test('finds the order voters have in mind, the surer the more there are', () => {
    const random = seeded(11)
    const liking = [1.6, 0.8, 0, -0.8]
    const voters = Array.from({ length: 60 }, (_, v) =>
      answer({
        voter: `voter${v}aaaa`,
        pairs: [
          [0, 1],
          [1, 2],
          [2, 3],
          [0, 2],
          [1, 3],
        ].flatMap(([a, b]) => chose(random() < 1 / (1 + Math.exp(liking[b!]! - liking[a!]!)) ? [a!, b!] : [b!, a!])),
      }),
    )
    const { ranked, sure } = tallyOf(ballot('pairs'), voters)
    expect(ranked.map(({ id }) => id)).toEqual(['c0', 'c1', 'c2', 'c3'])
    expect(sure).toBeGreaterThan(tallyOf(ballot('pairs'), voters.slice(0, 3)).sure)
  })
})
