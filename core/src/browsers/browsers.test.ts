import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { adopted, goesAlong, LONGEST_KEPT, newsOf, sumOf, type BrowserKept } from './index.ts'

const name = fc.constantFrom(
  'outfit.draft.1',
  'outfit.tray',
  'outfit.entry.seller@w',
  'outfit.lately',
  'outfit.browser',
  'other',
)
const kept = fc.dictionary(name, fc.string({ maxLength: 4 })) as fc.Arbitrary<BrowserKept>
const sums = (has: BrowserKept) =>
  Object.fromEntries(Object.entries(has).flatMap(([key, text]) => (goesAlong(key) ? [[key, sumOf(text)]] : [])))
const along = (has: BrowserKept) => Object.fromEntries(Object.entries(has).filter(([key]) => goesAlong(key)))

describe('what a browser keeps', () => {
  test('told change by change, is what a workspace has in the end', () => {
    fc.assert(
      fc.property(fc.array(kept, { minLength: 1, maxLength: 5 }), (states) => {
        let server: Record<string, string> = {}
        let told: Record<string, string> = {}
        for (const has of states) {
          const { set, gone } = newsOf(has, told)
          server = { ...server, ...set }
          for (const key of gone) delete server[key]
          told = sums(server)
        }
        expect(server).toEqual(along(states.at(-1)!))
        expect(newsOf(states.at(-1)!, told)).toEqual({ set: {}, gone: [] })
      }),
    )
  })

  test('in another workspace is what that kept, and what nobody was told of; going back finds the first again', () => {
    fc.assert(
      fc.property(kept, kept, kept, (first, second, typed) => {
        // All of the first was told, then something was typed while the server was away.
        const has = { ...first, ...typed }
        const then = adopted(has, sums(first), along(second))
        for (const [key, text] of Object.entries(typed)) if (first[key] !== text) expect(then[key]).toBe(text)
        for (const [key, text] of Object.entries(along(second))) if (!(key in typed)) expect(then[key]).toBe(text)
        for (const key of Object.keys(along(first)))
          if (!(key in second) && !(key in typed)) expect(then).not.toHaveProperty([key])
        const there = adopted(first, sums(first), along(second))
        expect(along(adopted(there, sums(there), along(first)))).toEqual(along(first))
      }),
    )
  })

  test('stays in its browser alone where it is of that, or far too long', () => {
    expect(['outfit.lately', 'outfit.browser', 'else', `outfit.${'x'.repeat(300)}`].map(goesAlong)).toEqual([
      false,
      false,
      false,
      false,
    ])
    expect(newsOf({ 'outfit.draft.1': 'x'.repeat(LONGEST_KEPT + 1) }, {})).toEqual({ set: {}, gone: [] })
  })
})
