import { describe, expect, test } from '@jest/globals'
import type { Placement } from '../catalogue/index.ts'
import { headsAgree, statedHead, withHead } from '../roster/index.ts'
import { isClothed, STATE_WORDS, stateOf, STATES, type StateFacts } from './states.ts'

const slots = (...list: Placement['slot'][]) => list.map((slot) => ({ slot }))
const dressed = slots('head', 'torso', 'hips')
const facts = (more: Partial<StateFacts>): StateFacts => ({
  briefed: true,
  placements: dressed,
  problems: 0,
  missing: 0,
  arriving: 0,
  built: false,
  shown: false,
  ...more,
})

describe('how far an outfit is', () => {
  test.each<[string, Partial<StateFacts>]>([
    ['idea', { briefed: false, placements: [] }],
    ['brief', { placements: [] }],
    ['fitting', { placements: slots('head', 'torso') }],
    ['fitting', { problems: 1 }],
    ['sourcing', { missing: 3, arriving: 1 }],
    ['on-the-way', { missing: 3, arriving: 3 }],
    ['ready', {}],
    ['built', { built: true }],
    ['shown', { built: true, shown: true }],
    // A picture taken of what is taken apart again shows nothing that stands.
    ['ready', { shown: true }],
  ])('is %s by its facts', (state, more) => {
    expect(stateOf(facts(more))).toBe(state)
  })

  test('is said in words for every state', () => {
    for (const state of STATES) expect(STATE_WORDS[state].label).not.toBe('')
    expect(isClothed(slots('head', 'torso', 'lower'))).toBe(true)
    expect(isClothed([])).toBe(false)
  })
})

describe('one person', () => {
  const series = [
    { from: 10, head: 'young' },
    { from: 30, head: 'grown' },
  ]

  test('has the head stated for an age', () => {
    expect([9, 10, 29, 30, 80, null].map((years) => statedHead(series, years))).toEqual([
      null,
      'young',
      'young',
      'grown',
      'grown',
      null,
    ])
  })

  test('may have two heads only where the series says so', () => {
    const at = (head: string, years: number | null) => ({ head, years })
    expect(headsAgree([], at('a', 1), at('a', 90))).toBe(true)
    expect(headsAgree([], at('a', 1), at('b', 90))).toBe(false)
    expect(headsAgree(series, at('young', 12), at('grown', 34))).toBe(true)
    expect(headsAgree(series, at('grown', 12), at('young', 34))).toBe(false)
    expect(headsAgree(series, at('young', null), at('grown', 34))).toBe(false)
  })

  test('gets a head in place of the one worn', () => {
    const worn: Placement[] = [
      { slot: 'torso', part: 't', order: 0, turned: false },
      { slot: 'head', part: 'a', order: 0, turned: true },
    ]
    expect(withHead(worn, 'a')).toEqual(worn)
    expect(withHead(worn, 'b')[1]).toEqual({ slot: 'head', part: 'b', order: 0, turned: false })
    expect(withHead(worn.slice(0, 1), 'b')).toHaveLength(2)
  })
})
