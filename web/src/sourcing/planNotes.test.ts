import { describe, expect, test } from '@jest/globals'
import type { SourcingReport } from '@outfit/core/sourcing'
import { planNotes } from './planNotes.ts'

const report = (change: { plan?: object; naive?: object }) =>
  ({
    problem: {
      currency: 'EUR',
      needs: [{ id: 'n', qty: 2, accept: [{ part: 'P1', penalty: 0 }] }],
      sellers: [{ id: 's', name: 'Tin Whistle Parts' }],
    },
    plan: { baskets: [], fills: [], surplus: [], unmet: [], ...change.plan },
    naive: { baskets: [], unmet: [], filledUp: [], refused: [], ...change.naive },
    things: { f: { kind: 'figure', code: 'F', condition: 'new', name: 'Figure: Storm warden' } },
  }) as unknown as SourcingReport
const nameOf = (code: string) => ({ P1: 'Mitt · Fawn', P2: 'Oar · Oak' })[code] ?? code
const notes = (change: Parameters<typeof report>[0], shown: 'best' | 'naive' = 'best') =>
  Object.fromEntries(planNotes(report(change), shown, nameOf).map(({ title, lines }) => [title, lines]))

describe('worth knowing about a plan', () => {
  test('nothing, when nothing is', () => {
    expect(notes({})).toEqual({})
  })

  test('what is for sale nowhere, by name and with the reason', () => {
    expect(notes({ plan: { unmet: [{ need: 'n', qty: 2, why: 'not enough on offer' }] } })).toEqual({
      'Not to be had': ['2 × Mitt · Fawn: not enough on offer.'],
    })
  })

  test('what is taken apart, with what it gives, and what is left over', () => {
    const plan = {
      baskets: [{ seller: 's', lines: [{ offer: 'f', qty: 1 }], goods: 1, shipping: 0, handling: 0 }],
      fills: [{ need: 'n', part: 'P1', qty: 2, from: 'f' }],
      surplus: [{ part: 'P2', qty: 3, credit: 0 }],
    }
    expect(notes({ plan })).toEqual({
      'Taken apart': ['Figure: Storm warden gives 2 needed parts.'],
      'Left over': ['3 × Oar · Oak.'],
    })
  })

  test('a long list of leftovers is cut and counted', () => {
    const surplus = Array.from({ length: 9 }, (_, i) => ({ part: `Q${i}`, qty: 1, credit: 0 }))
    expect(notes({ plan: { surplus } })['Left over']).toEqual(['Q0, Q1, Q2, Q3, Q4, Q5 and 3 more.'])
  })

  test('of the naive plan: parcels that were filled up or would be refused', () => {
    const naive = { filledUp: [{ seller: 's', short: 416, spent: 420 }], refused: ['s'] }
    expect(notes({ naive }, 'naive')).toEqual({
      Minimums: [
        'Tin Whistle Parts lacked €4.16 to its minimum; €4.20 of goods nobody asked for fill it up.',
        'Tin Whistle Parts would refuse the order: its whole list does not reach its minimum.',
      ],
    })
  })
})
