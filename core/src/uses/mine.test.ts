import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { wear } from '../anatomy/index.ts'
import { emptyBrief, likenessOf, type Brief, type BriefWish } from '../brief/index.ts'
import { anyOutfit, takeOf, worldCatalogue } from '../test/world.ts'
import { inStock, Mine, partsIn, stockOf, useOf, type Miner } from './index.ts'

const catalogue = worldCatalogue()
const wish = (place: BriefWish['place'], trait: string, target: string): BriefWish =>
  ({ place, trait, target, weight: 'matters' }) as BriefWish
const brief = (...wishes: BriefWish[]): Brief => ({ ...emptyBrief(), wishes })
const miner = (id: string, placements: Miner['placements'], own: Brief, more: Partial<Miner> = {}): Miner => ({
  ...{ id, placements, brief: own, level: 4, excluded: new Set() },
  ...more,
})
const parts = [...catalogue.parts.values()]
const hats = parts.filter(({ mould }) => catalogue.moulds.get(mould)!.kind === 'headgear')
const cap = hats.find(({ mould }) => mould === 'M-DECK')!
const capWished = brief(wish('headgear', 'shape', cap.mould))
const skipper = takeOf('Odile, skipper')
/** Whoever of some takes is not worn a deck cap already. */
const bare = wear(
  skipper,
  'headgear',
  hats.find(({ mould }) => mould !== 'M-DECK')!,
  catalogue,
)

describe('boxes dealt out', () => {
  test('go to as many as there are parts for, and one more box to the next', () => {
    const mine = new Mine(
      [cap],
      new Map([[cap.code, 2]]),
      ['a', 'b', 'c'].map((id) => miner(id, [...bare], capWished)),
      catalogue,
    )
    const { deals, goesOn } = mine.deals(6)
    expect([goesOn, mine.deals(1).goesOn, mine.deals(2).goesOn]).toEqual([false, true, false])
    expect(deals.map(({ boxes, dressed, left }) => [boxes, dressed.length, left.get(cap.code)])).toEqual([
      [1, 2, 0],
      [2, 3, 1],
    ])
    const gain = useOf(cap, { placements: bare, brief: capWished, level: 4 }, catalogue)!
    expect(deals[1]!.gain).toBe(3 * (gain.after - gain.before))
    expect(deals[0]!.dressed[0]).toMatchObject({ id: 'a', pieces: [cap.code], before: gain.before, after: gain.after })
  })

  test('pass by who may not wear it, and do nothing for nobody', () => {
    const excluded = new Set([cap.code])
    const mine = new Mine(
      [cap],
      new Map([[cap.code, 5]]),
      [miner('a', bare, capWished, { excluded }), miner('b', bare, brief())],
      catalogue,
    )
    expect(mine.deals(6)).toEqual({ deals: [], goesOn: false })
    expect(mine.usesOf(0)).toEqual([])
  })

  test('never put one of a pair on by itself, where the other side differs then', () => {
    const leg = parts.find(({ mould }) => catalogue.moulds.get(mould)!.kind === 'leg-right')!
    const legs = brief(wish('legs', 'colour', catalogue.colours.get(leg.colours[0]!)!.hex))
    const others = parts.filter(({ mould }) => catalogue.moulds.get(mould)!.kind === 'leg-pair')
    const wearing = others.map((pair) => wear(skipper, 'hips', pair, catalogue))
    const gains = wearing.map((placements) => useOf(leg, { placements, brief: legs, level: 4 }, catalogue) !== null)
    expect(gains).toContain(true)
    const mine = new Mine(
      [leg],
      new Map([[leg.code, 1]]),
      wearing.map((placements, i) => miner(`${i}`, placements, legs)),
      catalogue,
    )
    const shows = ({ slot }: { slot: string }) => slot === 'legRight' || slot === 'legLeft'
    for (const { use } of mine.usesOf(0)) {
      const colours = use.placements.filter(shows).map(({ part }) => catalogue.parts.get(part)!.colours.join())
      expect(new Set(colours).size).toBe(1)
    }
    expect(mine.usesOf(0).length).toBeLessThan(gains.filter(Boolean).length)
  })

  test('whatever is in the box, nothing is dealt twice, all is accounted for, and every likeness is what it is', () => {
    const wishes = fc.array(
      fc.constantFrom(
        wish('headgear', 'colour', '#C92B33'),
        wish('torso', 'colour', '#2D5FA3'),
        wish('legs', 'colour', '#232126'),
        wish('hands', 'colour', '#EBB98E'),
        wish('neck', 'colour', '#F5CB2E'),
      ),
      { minLength: 1, maxLength: 4 },
    )
    fc.assert(
      fc.property(
        fc.array(fc.tuple(anyOutfit(), wishes), { minLength: 1, maxLength: 4 }),
        fc.array(fc.tuple(fc.constantFrom(...parts), fc.integer({ min: 1, max: 3 })), { minLength: 1, maxLength: 8 }),
        (outfits, box) => {
          const miners = outfits.map(([placements, own], i) => miner(`${i}`, placements, brief(...own)))
          const stock = new Map<string, number>()
          for (const [part, qty] of box)
            for (const piece of part.components.length > 0 ? part.components.map((one) => one.part) : [part.code])
              stock.set(piece, (stock.get(piece) ?? 0) + qty)
          const mine = new Mine([...new Set(box.map(([part]) => part))], stock, miners, catalogue)
          for (const own of miners)
            for (const use of mine.usesFor(own))
              expect(use === null || use.takes.every(({ part }) => stock.has(part))).toBe(true)
          const deal = mine.deal(1)
          const dealt = new Map<string, number>()
          for (const { pieces } of deal.dressed)
            for (const piece of pieces) dealt.set(piece, (dealt.get(piece) ?? 0) + 1)
          for (const [piece, qty] of stock) expect((dealt.get(piece) ?? 0) + deal.left.get(piece)!).toBe(qty)
          expect([...dealt.keys()].every((piece) => stock.has(piece))).toBe(true)
          expect([...deal.left.values()].every((qty) => qty >= 0)).toBe(true)
          for (const { id, placements, before, after, pieces } of deal.dressed) {
            const own = miners[Number(id)]!
            expect([before, after]).toEqual(
              [own.placements, placements].map((worn) => likenessOf(worn, own.brief, catalogue).milli),
            )
            expect(after).toBeGreaterThan(before)
            expect(pieces.every((piece) => placements.some(({ part }) => part === piece))).toBe(true)
          }
          expect(deal.gain).toBe(deal.dressed.reduce((sum, { before, after }) => sum + after - before, 0))
        },
      ),
      { numRuns: 60 },
    )
  })
})

test('a crowd is who would give up the same part for it, or has nothing there', () => {
  // What a cap takes the place of, rather than going over it.
  const [one, other] = hats.filter((hat) => {
    const use = useOf(
      cap,
      { placements: wear(skipper, 'headgear', hat, catalogue), brief: capWished, level: 4 },
      catalogue,
    )
    return use?.frees.some(({ part }) => part === hat.code)
  })
  const without = skipper.filter(({ slot }) => slot !== 'headgear')
  const miners = [
    ...['a', 'b', 'c'].map((id) => miner(id, wear(skipper, 'headgear', one!, catalogue), capWished)),
    miner('d', wear(skipper, 'headgear', other!, catalogue), capWished),
    miner('e', without, capWished),
  ]
  const crowds = new Mine([cap], new Map([[cap.code, 1]]), miners, catalogue).crowds(1)
  expect(
    new Set(crowds.map(({ part, frees, members }) => [part, ...frees, '', ...members.map(({ id }) => id)].join(' '))),
  ).toEqual(new Set([`${cap.code} ${one!.code}  a b c`, `${cap.code} ${other!.code}  d`, `${cap.code}  e`]))
  expect(crowds[0]!.members).toHaveLength(3)
  expect(new Mine([cap], new Map([[cap.code, 1]]), miners, catalogue).crowds(4)).toEqual([])
})

test('a box has the wholes a figure of it has in their places, as often as their rarest piece', () => {
  const pair = parts.find(({ mould }) => catalogue.moulds.get(mould)!.kind === 'leg-pair')!
  const figure = pair.components.map(({ slot, part }) => ({ slot, part }))
  const [hips, ...legs] = figure
  const loose = [{ slot: 'beside', part: cap.code }]
  const known = [pair, cap, ...pair.components.map(({ part }) => catalogue.parts.get(part)!)]
  const codes = (units: Parameters<typeof partsIn>[0]) => partsIn(units, known).map(({ code }) => code)
  expect(codes([figure, loose])).toEqual(known.map(({ code }) => code))
  // What lies in pieces is no pair.
  expect(codes([[hips!], legs])).not.toContain(pair.code)
  const stock = stockOf([figure, figure, [hips!], loose])
  expect([inStock(pair, stock), inStock(cap, stock), stock.get(hips!.part)]).toEqual([2, 1, 3])
})
