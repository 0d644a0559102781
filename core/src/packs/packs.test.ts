import { describe, expect, test } from '@jest/globals'
import * as fc from 'fast-check'
import { seeded } from '../base/index.ts'
import type { Placement } from '../catalogue/index.ts'
import {
  checkBonus,
  collate,
  countsOf,
  lackingForPacks,
  openingOdds,
  openingOrder,
  PACK_CHOICES,
  partsForPacks,
  piecesByFigure,
  stepsOf,
  type BonusBuild,
  type PackChoices,
} from './index.ts'

const NAMES = ['Ines', 'Otto', 'Lune', 'Sif', 'Abe', 'Roon', 'Milo', 'Wim', 'Amara', 'Pia', 'Storm', 'Lamp']
const figuresOf = (count: number) => NAMES.slice(0, count).map((name) => ({ id: name.toLowerCase(), name }))
const item = (id: string, count: number, tiedTo: string | null = null) => ({
  id,
  name: id,
  part: `P-${id}`,
  count,
  tiedTo,
})
const of = (more: Partial<PackChoices>): PackChoices => ({ ...PACK_CHOICES, ...more })

const choices = (packs: fc.Arbitrary<number>, most: number, figures: number): fc.Arbitrary<PackChoices> =>
  fc.record({
    packs,
    spread: fc.constantFrom('equal', 'weighted', 'chase'),
    weights: fc.array(
      fc.record({
        outfit: fc.constantFrom(...figuresOf(figures).map(({ id }) => id)),
        weight: fc.integer({ min: 0, max: 9 }),
      }),
      { maxLength: figures },
    ),
    chase: fc.uniqueArray(
      fc.record({
        outfit: fc.constantFrom(...figuresOf(figures).map(({ id }) => id)),
        count: fc.integer({ min: 0, max: 3 }),
      }),
      { maxLength: 2, selector: ({ outfit }) => outfit },
    ),
    items: fc
      .array(
        fc.tuple(
          fc.integer({ min: 0, max: most }),
          fc.option(fc.constantFrom(...figuresOf(figures).map(({ id }) => id))),
        ),
        { maxLength: 3 },
      )
      .map((items) => items.map(([count, tiedTo], i) => item(`item${i}`, count, tiedTo))),
    atMostOne: fc.boolean(),
    every: fc.option(fc.integer({ min: 1, max: 6 })),
    seed: fc.integer(),
  })

/** Whether any packs keep what was asked, by trying all orders of figures and all places of items. */
function possible(asked: PackChoices, counts: ReadonlyMap<string, number>): boolean {
  const units = asked.items.flatMap(({ count, tiedTo }) => Array.from({ length: count }, () => tiedTo))
  const left = new Map(counts)
  const order: string[] = []
  const held: number[] = Array.from({ length: asked.packs }, () => 0)
  const promise = () =>
    asked.every === null ||
    held.every((_, i) => i + asked.every! > asked.packs || held.slice(i, i + asked.every!).some((count) => count > 0))
  const lay = (unit: number): boolean => {
    if (unit === units.length) return promise()
    return held.some((_, i) => {
      if (asked.atMostOne && held[i]! > 0) return false
      if (units[unit] !== null && order[i] !== units[unit]) return false
      held[i]!++
      const done = lay(unit + 1)
      held[i]!--
      return done
    })
  }
  const place = (): boolean => {
    if (order.length === asked.packs) return lay(0)
    return [...left].some(([figure, count]) => {
      if (count === 0) return false
      left.set(figure, count - 1)
      order.push(figure)
      const done = place()
      order.pop()
      left.set(figure, count)
      return done
    })
  }
  return place()
}

describe('collate', () => {
  test('finds packs if and only if there are any, on small cases tried through', () => {
    fc.assert(
      fc.property(choices(fc.integer({ min: 1, max: 5 }), 2, 3), (asked) => {
        const figures = figuresOf(3)
        const { counts, conflicts } = countsOf(asked, figures)
        fc.pre(conflicts.length === 0)
        const { plan, conflicts: found } = collate(asked, figures)
        // Who gets one more where all are alike is left to chance: try each way the rest can fall.
        const real = plan
          ? new Map(figures.map(({ id }) => [id, plan.packs.filter(({ figure }) => figure === id).length]))
          : counts
        if (plan) expect(possible(asked, real)).toBe(true)
        else {
          expect(found[0]!.between).toHaveLength(2)
          const chosen = collate({ ...asked, items: [], every: null }, figures).plan!
          expect(
            possible(
              asked,
              new Map(figures.map(({ id }) => [id, chosen.packs.filter(({ figure }) => figure === id).length])),
            ),
          ).toBe(false)
        }
      }),
      { numRuns: 300 },
    )
  })

  test('keeps every promise, whatever the seed', () => {
    fc.assert(
      fc.property(choices(fc.integer({ min: 1, max: 120 }), 40, 12), (asked) => {
        const figures = figuresOf(12)
        const { plan, conflicts } = collate(asked, figures)
        if (!plan) return expect(conflicts.length).toBeGreaterThan(0)
        expect(plan.packs.map(({ pack }) => pack)).toEqual(Array.from({ length: asked.packs }, (_, i) => i + 1))
        for (const { id, count, tiedTo } of asked.items) {
          const holding = plan.packs.filter(({ items }) => items.includes(id))
          expect(plan.packs.flatMap(({ items }) => items).filter((one) => one === id)).toHaveLength(count)
          if (tiedTo) expect(new Set(holding.map(({ figure }) => figure)).size).toBeLessThanOrEqual(1)
          if (tiedTo && count > 0) expect(holding[0]!.figure).toBe(tiedTo)
        }
        if (asked.atMostOne) for (const { items } of plan.packs) expect(items.length).toBeLessThanOrEqual(1)
        if (asked.every !== null && asked.every <= asked.packs)
          for (let i = 0; i + asked.every <= asked.packs; i++)
            expect(plan.packs.slice(i, i + asked.every).some(({ items }) => items.length > 0)).toBe(true)
        if (asked.spread === 'chase')
          for (const { outfit, count } of asked.chase)
            expect(plan.packs.filter(({ figure }) => figure === outfit)).toHaveLength(count)
        expect(new Set(plan.packs.map(({ code }) => code)).size).toBe(asked.packs)
        for (const { code } of plan.packs) {
          expect(code).toBeGreaterThan(0)
          expect(code).toBeLessThan(2 ** plan.bits - 1)
        }
        expect(collate(asked, figures).plan).toEqual(plan)
      }),
      { numRuns: 150 },
    )
  })

  test('deals equal shares that differ by one at most, weighted ones by the largest remainder', () => {
    const { counts } = countsOf(of({ packs: 30 }), figuresOf(12))
    expect([...counts.values()].sort()).toEqual([2, 2, 2, 2, 2, 2, 3, 3, 3, 3, 3, 3])
    const weighted = countsOf(
      of({
        packs: 10,
        spread: 'weighted',
        weights: [
          { outfit: 'ines', weight: 6 },
          { outfit: 'otto', weight: 6 },
          { outfit: 'lune', weight: 2 },
        ],
      }),
      figuresOf(3),
    )
    // Quotas 4.29, 4.29 and 1.43.
    expect([...weighted.counts.values()]).toEqual([4, 4, 2])
    expect(collate(of({ packs: 30 }), figuresOf(12)).notices).toEqual([
      '30 packs are no multiple of 12 figures: 6 of them come once more than the others.',
    ])
    expect(collate(of({ packs: 3 }), figuresOf(4)).notices[0]).toMatch(/is in no pack\.$/)
  })

  test.each([
    [of({ packs: 0 }), 'There are no packs to put anything in. Say how many there are.'],
    [
      of({
        packs: 4,
        spread: 'chase',
        chase: [
          { outfit: 'ines', count: 3 },
          { outfit: 'otto', count: 2 },
        ],
      }),
      'Chase figures are to be in 5 packs, and there are 4. Make them rarer, or pack more.',
    ],
    [
      of({ items: [item('bead', 5, 'ines')] }),
      '5 × bead are to come with Ines, at most one a pack, and Ines comes 3 times.',
    ],
    [
      of({ items: [item('bead', 9), item('ring', 4)] }),
      '13 bonus items are to be spread, at most one a pack, and there are 12 packs.',
    ],
    [
      of({ items: [item('bead', 2)], every: 3 }),
      'Of every 3 packs in a row one is to hold a bonus item; of 12 packs 4 must hold one, and 2 can.',
    ],
    [
      of({ spread: 'weighted', weights: figuresOf(4).map(({ id }) => ({ outfit: id, weight: 0 })) }),
      'Every figure has the weight 0, so none may be packed. Give one of them a weight.',
    ],
  ])('says which two things fight', (asked, words) => {
    const { plan, conflicts } = collate(asked, figuresOf(4))
    expect(plan).toBeNull()
    expect(conflicts.map((one) => one.words)).toEqual([words])
    expect(conflicts[0]!.between.every(Boolean)).toBe(true)
  })

  test('does not put bonus items where anybody can count them out', () => {
    const first = Array.from({ length: 200 }, (_, seed) =>
      collate(of({ packs: 12, items: [item('bead', 4)], every: 4, seed }), figuresOf(12)).plan!.packs.findIndex(
        ({ items }) => items.length > 0,
      ),
    )
    expect(new Set(first)).toEqual(new Set([0, 1, 2, 3]))
  })
})

describe('a bonus build', () => {
  const build: BonusBuild = {
    name: 'Stall',
    pieces: [
      { part: 'rod', name: 'Rod', qty: 4 },
      { part: 'roof', name: 'Roof', qty: 1 },
      { part: 'plate', name: 'Plate', qty: 3 },
    ],
    spread: 'figures',
    builds: 1,
    steps: [],
  }

  test('comes together from one of each figure, and all packs hold exactly its pieces', () => {
    const figures = figuresOf(5)
    const byFigure = piecesByFigure(build, figures)
    const all = [...byFigure.values()].flat().reduce((sum, { qty }) => sum + qty, 0)
    expect(all).toBe(8)
    const { plan } = collate(of({ packs: 15 }), figures, build)
    expect(checkBonus(plan!, build)).toEqual({ builds: 3, over: [], lacking: expect.anything() as never, exact: true })
    for (const pack of plan!.packs) expect(pack.pieces).toEqual(byFigure.get(pack.figure))
  })

  test('is told to have pieces over where figures come unequally', () => {
    const figures = figuresOf(2)
    const { plan } = collate(of({ packs: 5 }), figures, build)
    const check = checkBonus(plan!, build)
    expect(check).toMatchObject({ builds: 2, exact: false })
    const held = plan!.packs.flatMap(({ pieces }) => pieces).reduce((sum, { qty }) => sum + qty, 0)
    expect(check.over.reduce((sum, { qty }) => sum + qty, 0)).toBe(held - 2 * 8)
    expect(check.lacking.reduce((sum, { qty }) => sum + qty, 0)).toBe(3 * 8 - held)
  })

  test('is dealt over all packs alike, whatever figures they hold', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 60 }), fc.integer({ min: 1, max: 9 }), (packs, builds) => {
        const spread = { ...build, spread: 'packs' as const, builds }
        const { plan } = collate(of({ packs }), figuresOf(4), spread)
        expect(checkBonus(plan!, spread)).toMatchObject({ builds, over: [], exact: true })
        const sizes = plan!.packs.map(({ pieces }) => pieces.reduce((sum, { qty }) => sum + qty, 0))
        expect(Math.max(...sizes) - Math.min(...sizes)).toBeLessThanOrEqual(1)
      }),
    )
  })
})

describe('what fills the packs', () => {
  const figures = figuresOf(2)
  const items = [item('bead', 3), { ...item('note', 1), part: null }]
  const { plan } = collate(of({ packs: 4, items, atMostOne: false }), figures)
  const wears = (part: string, slot: Placement['slot']): Placement => ({ slot, part, order: 0, turned: false })
  const contents = {
    worn: new Map([
      ['ines', [wears('head', 'head'), wears('mitt', 'handLeft'), wears('mitt', 'handRight')]],
      [
        'otto',
        [wears('head', 'head'), { ...wears('cap', 'headgear'), altered: [{ kind: 'by-others' as const, note: '' }] }],
      ],
    ]),
    standing: new Map([['ines', { head: 1, mitt: 1 }]]),
    items,
    nameOf: (id: string) => id,
  }

  test('is counted part by part; copies by others are not bought', () => {
    const parts = partsForPacks(plan!, contents)
    expect(Object.fromEntries(parts.map(({ part, qty }) => [part, qty]))).toEqual({ head: 4, mitt: 4, 'P-bead': 3 })
    expect([...parts.find(({ part }) => part === 'head')!.forWhat].sort()).toEqual(['ines', 'otto'])
  })

  test('is held against the drawer; who stands built fills a pack', () => {
    const lacking = lackingForPacks(plan!, contents, { loose: { head: 1, 'P-bead': 3 }, donors: [] }, 4)
    expect(Object.fromEntries(lacking.map(({ part, qty }) => [part, qty]))).toEqual({ head: 2, mitt: 3 })
  })
})

test('packs are opened by number, by faction or by chance, each of them once', () => {
  const { plan } = collate(of({ packs: 8, seed: 3 }), figuresOf(4))
  const faction = (id: string) => (id === 'ines' || id === 'sif' ? 'Cooks' : 'Makers')
  const order = (how: 'number' | 'faction' | 'chance') => openingOrder(plan!, how, faction, ['Makers', 'Cooks'])
  expect(order('number').map(({ pack }) => pack)).toEqual([1, 2, 3, 4, 5, 6, 7, 8])
  expect(order('faction').map(({ figure }) => faction(figure))).toEqual([
    ...Array(4).fill('Makers'),
    ...Array(4).fill('Cooks'),
  ])
  expect(
    order('chance')
      .map(({ pack }) => pack)
      .sort(),
  ).toEqual([1, 2, 3, 4, 5, 6, 7, 8])
  expect(order('chance')).toEqual(order('chance'))
  expect(order('chance')).not.toEqual(order('number'))
})

describe('odds of opening', () => {
  test('agree with packs that are drawn', () => {
    const { plan } = collate(
      of({ packs: 14, spread: 'chase', chase: [{ outfit: 'ines', count: 1 }], items: [item('bead', 3)] }),
      figuresOf(4),
    )
    const odds = openingOdds(plan!)
    const random = seeded(7)
    const TRIES = 20_000
    for (const k of [2, 6, 12]) {
      const told = odds.find(({ packs }) => packs === k)!
      let [all, different, rarest, bonus] = [0, 0, 0, 0]
      for (let t = 0; t < TRIES; t++) {
        const left = [...plan!.packs]
        const drawn = Array.from({ length: k }, () => left.splice(Math.floor(random() * left.length), 1)[0]!)
        const kinds = new Set(drawn.map(({ figure }) => figure))
        different += kinds.size
        if (kinds.size === 4) all++
        if (kinds.has('ines')) rarest++
        if (drawn.some(({ items }) => items.length > 0)) bonus++
      }
      // Four standard errors of a share of so many tries.
      const near = (share: number) => 4 * Math.sqrt(Math.max(share * (1 - share), 1 / TRIES) / TRIES)
      expect(Math.abs(all / TRIES - told.all)).toBeLessThan(near(told.all))
      expect(Math.abs(rarest / TRIES - told.rarest)).toBeLessThan(near(told.rarest))
      expect(Math.abs(bonus / TRIES - told.bonus)).toBeLessThan(near(told.bonus))
      expect(Math.abs(different / TRIES - told.different)).toBeLessThan(0.05)
    }
  })

  test('are told of few packs first and of all of them last', () => {
    expect(stepsOf(12)).toEqual([1, 2, 3, 4, 6, 8, 12])
    const { plan } = collate(of({ packs: 12 }), figuresOf(12))
    expect(openingOdds(plan!).at(-1)).toMatchObject({ packs: 12, all: 1, different: 12, rarest: 1, bonus: 0 })
  })
})
