import { describe, expect, test } from '@jest/globals'
import type { SourcingPlan, SourcingReport } from '@outfit/core/sourcing'
import { boughtFor, planNotes, withoutSeller } from './planNotes.ts'

const report = (change: { plan?: object; naive?: object }) =>
  ({
    problem: {
      currency: 'EUR',
      needs: [
        {
          id: 'n',
          qty: 2,
          accept: [
            { part: 'P1', penalty: 0 },
            { part: 'P3', penalty: 40 },
          ],
        },
      ],
      sellers: [
        { id: 's', name: 'Tin Whistle Parts' },
        { id: 't', name: 'Lock 9 Loft' },
      ],
    },
    plan: { baskets: [], fills: [], surplus: [], unmet: [], ...change.plan },
    naive: { baskets: [], unmet: [], filledUp: [], refused: [], ...change.naive },
    things: { f: { kind: 'figure', code: 'F', condition: 'new', name: 'Figure: Storm warden' } },
  }) as unknown as SourcingReport
const nameOf = (code: string) => ({ P1: 'Mitt · Fawn', P2: 'Oar · Oak' })[code] ?? code
const notes = (change: Parameters<typeof report>[0], shown: 'plan' | 'naive' = 'plan') => {
  const told = report(change)
  return Object.fromEntries(planNotes(told, told[shown], nameOf).map(({ title, lines }) => [title, lines]))
}

describe('worth knowing about a plan', () => {
  test('nothing, when nothing is', () => {
    expect(notes({})).toEqual({})
  })

  test('whose prices may be old, and how much of a large market was looked at', () => {
    const told = {
      ...report({
        plan: {
          baskets: [
            { seller: 's', lines: [] },
            { seller: 't', lines: [] },
          ],
        },
      }),
      heard: { s: '2026-10-01', t: '2026-11-20' },
      looked: { at: 900, of: 42_002 },
    }
    expect(planNotes(told, told.plan, nameOf, '2026-11-25T10:00:00Z').slice(0, 2)).toEqual([
      {
        title: 'Prices that may be old',
        lines: ['Tin Whistle Parts was last heard 55 days ago; ask again before you order.'],
      },
      {
        title: 'A large market',
        lines: [
          'Of 42,002 offers that bring something of it, the 900 cheapest for each part were looked at; “proven” is said of those.',
        ],
      },
    ])
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

  test('second choices, with what they count for', () => {
    const fills = [
      { need: 'n', part: 'P3', qty: 2, from: 'f' },
      { need: 'n', part: 'P3', qty: 1, from: 'owned' },
    ]
    expect(notes({ plan: { fills } })['Second choices']).toEqual(['2 × P3 for Mitt · Fawn, counted as €0.80 dearer.'])
  })
})

describe('without a seller', () => {
  const plan = (total: number, sellers: string[], unmet = 0) =>
    ({ total, baskets: sellers.map((seller) => ({ seller })), unmet: unmet ? [{ qty: unmet }] : [] }) as SourcingPlan
  const told = (other: SourcingPlan) => withoutSeller(report({}).problem, 's', plan(1000, ['s']), other)

  test('what it costs more, and who sells instead', () => {
    expect(told(plan(1250, ['t']))).toBe(
      'Without Tin Whistle Parts: €2.50 dearer; Lock 9 Loft would sell instead; 1 parcel.',
    )
  })

  test('what could not be had at all, an equal plan, and a better one that time did not find', () => {
    expect(told(plan(0, [], 2))).toContain('2 parts could not be had; the others would sell what it sells; 0 parcels')
    expect(told(plan(1000, ['t']))).toContain('no dearer')
    expect(told(plan(900, ['t']))).toContain('€1.00 cheaper: the plan was not the best yet')
  })
})

describe('for whom a line is bought', () => {
  const outfits = ['Ines', 'Otto', 'Lune'].map((name) => ({ id: name, name }))
  const wantedBy = { P1: outfits.map(({ name }) => ({ name, qty: 1 })) }
  const fills = [{ need: 'n', part: 'P3', qty: 1, from: 'f' }]
  const told = (change: object, offer = 'f') =>
    boughtFor({ ...report({}), outfits, wantedBy, ...change } as SourcingReport, fills, offer)

  test('the outfits that lack what it fills, also with a second choice', () => {
    expect(told({})).toBe('for Ines; Otto and 1 more')
    expect(told({ wantedBy: { P1: [{ name: 'Otto', qty: 2 }] } })).toBe('for Otto')
  })

  test('nothing where there is one outfit, or it fills no need', () => {
    expect(told({ outfits: outfits.slice(0, 1) })).toBe('')
    expect(told({}, 'other')).toBe('')
  })
})
