/** @jest-environment jsdom */
import { afterEach, beforeEach, describe, expect, jest, test } from '@jest/globals'
import { findDraft, sameJson, Saver, type Kept, type SaveState } from './saver.ts'

const WAITS = { pause: 100, retry: 1000 }
beforeEach(() => {
  localStorage.clear()
  jest.useFakeTimers()
})
afterEach(() => void jest.useRealTimers())
const pass = (ms: number) => jest.advanceTimersByTimeAsync(ms)

/** A word that is kept on a server which takes its time. */
function aWord({ slow = 0, takes = (_word: string): number => 200 } = {}) {
  const server = { version: 1, word: 'first', sent: [] as string[], answers: true }
  const kept: Kept<string> = {
    key: 'word',
    send: async (word, version) => {
      server.sent.push(`${word} over ${version}`)
      await new Promise((resolve) => setTimeout(resolve, slow))
      if (!server.answers) return { status: 'FETCH_ERROR', detail: '' }
      if (takes(word) !== 200) return { status: takes(word), detail: `${word} is none` }
      if (version !== server.version) return { status: 409, detail: 'changed' }
      server.word = word
      return { version: ++server.version }
    },
    load: () => Promise.resolve(server.answers ? { version: server.version, value: server.word } : null),
    isSame: Object.is,
  }
  const told: [SaveState, string][] = []
  const open = () => new Saver(kept, server.version, server.word, WAITS, (...now) => told.push(now))
  return { server, told, open }
}

describe('what is saved by itself', () => {
  test('is written one after the other, however slow the server: what is typed meanwhile is no conflict', async () => {
    const { server, told, open } = aWord({ slow: 700 })
    const saver = open()
    saver.keep('a')
    await pass(150)
    for (const word of ['ab', 'abc']) {
      saver.keep(word)
      await pass(200)
    }
    await pass(3000)
    expect(server.sent).toEqual(['a over 1', 'abc over 2'])
    expect([server.word, told.at(-1), findDraft('word')]).toEqual(['abc', ['saved', ''], null])
    expect(told.map(([save]) => save)).not.toContain('conflict')
  })

  test('is told why it is refused, stays as a draft, and goes on with the next change', async () => {
    const { server, told, open } = aWord({ takes: (word) => (word === 'bad' ? 422 : 200) })
    const saver = open()
    saver.keep('bad')
    await pass(5000)
    expect([told.at(-1), server.sent.length, findDraft('word')?.value]).toEqual([['refused', 'bad is none'], 1, 'bad'])
    saver.keep('good')
    await pass(200)
    expect([told.at(-1), server.word]).toEqual([['saved', ''], 'good'])
  })

  test('is sent with what was typed while the server refused what came before', async () => {
    const { server, told, open } = aWord({ slow: 700, takes: (word) => (word === 'bad' ? 422 : 200) })
    const saver = open()
    saver.keep('bad')
    await pass(150)
    saver.keep('good')
    await pass(3000)
    expect([server.word, told.at(-1), findDraft('word')]).toEqual(['good', ['saved', ''], null])
  })

  test('reaches the server where the browser has no room for a draft', async () => {
    const { server, told, open } = aWord()
    const full = jest.spyOn(Storage.prototype, 'setItem').mockImplementation(() => {
      throw new DOMException('full', 'QuotaExceededError')
    })
    open().keep('kept')
    await pass(500)
    full.mockRestore()
    expect([server.word, told.at(-1)]).toEqual(['kept', ['saved', '']])
  })

  test('is written at once when it is left, and waits as a draft where nobody answers', async () => {
    const { server, open } = aWord()
    const saver = open()
    saver.keep('left')
    saver.leave()
    await pass(0)
    expect([server.word, findDraft('word')]).toEqual(['left', null])
    server.answers = false
    saver.keep('kept')
    saver.leave()
    await pass(10_000)
    expect([server.sent.length, findDraft('word')]).toEqual([2, { version: 2, value: 'kept', ours: ['left', 'kept'] }])
  })

  test('is not sent while it is open whose is to stay, and is settled either way', async () => {
    for (const mine of [true, false]) {
      const { server, told, open } = aWord()
      const saver = open()
      Object.assign(server, { version: 2, word: 'theirs' })
      saver.keep('mine')
      await pass(200)
      expect(told.at(-1)).toEqual(['conflict', 'changed'])
      saver.keep('mine too')
      await pass(5000)
      expect(server.sent).toEqual(['mine over 1'])
      server.answers = false
      expect(await saver.settle(mine)).toBeNull()
      expect(findDraft('word')?.value).toBe('mine too')
      server.answers = true
      expect(await saver.settle(mine)).toBe(mine ? 'mine too' : 'theirs')
      await pass(200)
      expect([server.word, saver.save, findDraft('word')]).toEqual([mine ? 'mine too' : 'theirs', 'saved', null])
    }
  })

  test('leaves its draft alone once it has ended', async () => {
    const { server, open } = aWord({ slow: 500 })
    const saver = open()
    saver.keep('a')
    await pass(150)
    saver.end()
    const next = open()
    next.keep('b')
    await pass(5000)
    expect([server.word, findDraft('word')]).toEqual(['b', null])
  })
})

test('a draft an earlier version left is brought back', () => {
  for (const [field, value] of [
    ['placements', [{ slot: 'head', part: 'P-1', order: 0, turned: false }]],
    ['brief', { wishes: [] }],
  ] as const) {
    localStorage.setItem('word', JSON.stringify({ version: 4, [field]: value }))
    expect(findDraft('word')).toEqual({ version: 4, value, ours: [] })
  }
})

test('a draft that is none is taken for none', () => {
  for (const text of ['', 'null', '{', '{"version":1}', '[]']) {
    localStorage.setItem('word', text)
    expect(findDraft('word')).toBeNull()
  }
})

test('things are the same whatever the order of their fields, and not whatever the order of their lists', () => {
  expect(sameJson({ a: 1, b: [{ c: null, d: 2 }] }, { b: [{ d: 2, c: null }], a: 1 })).toBe(true)
  expect(sameJson({ a: [1, 2] }, { a: [2, 1] })).toBe(false)
})
