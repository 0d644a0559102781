import { describe, expect, test } from '@jest/globals'
import type { Answered } from '@outfit/core/feed'
import { answerInWords, heardInWords, outcomeInWords, sheetInWords } from './askWords.ts'

const answered = (more: Partial<Answered>): Answered => ({
  seller: 's',
  date: '2026-11-25',
  ms: 40,
  name: 'Somebody',
  state: 'whole',
  reason: null,
  lines: 260,
  fresh: 0,
  dearer: 0,
  cheaper: 0,
  gone: 0,
  requests: 3,
  rejected: 0,
  rejects: [],
  ...more,
})

describe('what came of asking', () => {
  test.each([
    [{}, '260 lines, nothing changed.'],
    [{ lines: 1, dearer: 1 }, '1 line, 1 dearer.'],
    [{ fresh: 2, dearer: 3, gone: 1 }, '260 lines, 2 new, 3 dearer, 1 gone.'],
    [
      { state: 'partial', rejected: 4, reason: 'some lines could not be read' },
      '260 lines, nothing changed. 4 lines could not be read; those stand as they were.',
    ],
    [
      { state: 'partial', reason: 'the connection broke off', cheaper: 1 },
      '260 lines, 1 cheaper. the rest did not come: the connection broke off; those stand as they were.',
    ],
    [
      { state: 'silent', reason: 'it did not answer in time', lines: 0 },
      'No list came after 3 requests: it did not answer in time. The last one stands.',
    ],
    [{ state: 'blocked' }, 'Not asked: you never buy there.'],
  ] as const)('%j', (more, words) => {
    expect(answerInWords(answered(more as Partial<Answered>))).toBe(words)
  })

  test('in all', () => {
    const states = ['whole', 'whole', 'partial', 'silent', 'blocked', 'strange'] as const
    expect(outcomeInWords(states.map((state) => answered({ state })))).toBe(
      '2 of 4 lists came whole, 1 came in part, 1 did not come.',
    )
    expect(outcomeInWords([answered({})])).toBe('1 of 1 lists came whole.')
    expect(outcomeInWords([answered({ state: 'strange' })])).toBe('No seller of yours was asked.')
  })
})

test('when a seller was heard, and whether that is too long ago', () => {
  expect(heardInWords(null, '2026-11-25')).toEqual({ words: 'never', stale: false })
  expect(heardInWords('2026-11-25', '2026-11-25').words).toBe('today')
  expect(heardInWords('2026-11-24', '2026-11-25').words).toBe('yesterday')
  expect(heardInWords('2026-11-04', '2026-11-25')).toEqual({ words: '21 days ago', stale: false })
  expect(heardInWords('2026-11-03', '2026-11-25')).toEqual({ words: '3 Nov 2026', stale: true })
})

test('what a sheet was', () => {
  expect(sheetInWords({ date: '2026-11-25', source: 'market', whole: true, lines: 260 })).toBe(
    '260 lines from the market, the whole list',
  )
  expect(sheetInWords({ date: '2026-11-25', source: 'hand', whole: false, lines: 1 })).toBe(
    '1 line by hand, part of it',
  )
})
