import { houseRulesOf } from '../roster/index.ts'
import { describe, expect, test } from '@jest/globals'
import { emptyBrief, likenessOf, MET, wishesFrom, type Brief, type BriefWish } from '../brief/index.ts'
import type { Part, Placement } from '../catalogue/index.ts'
import { partNamed, takeOf, withoutComponents, worldCandidates, worldCatalogue } from '../test/world.ts'
import { budgetCurve, cheapestKeeping, dearParts } from './budget.ts'
import { castBest } from './castBest.ts'
import { castingOf } from './castingProblem.ts'
import { castOutfits } from './cast.ts'
import { type CastingAsk, NoCasting } from './ask.ts'

const catalogue = worldCatalogue()
const patient = { count: 10, seconds: 1e9, now: () => 0 }
const candidates = worldCandidates(catalogue)
/** A price for every part, from its code. */
const priceOf = (part: Part) => 40 + (Number(part.code.slice(2)) % 37) * 15 * (part.components.length > 0 ? 3 : 1)
const lowest = Object.fromEntries([...catalogue.parts.values()].map((part) => [part.code, priceOf(part)]))

const briefLike = (outfit: string, change: Partial<Brief> = {}): Brief => ({
  ...emptyBrief(),
  wishes: wishesFrom(takeOf(outfit), catalogue),
  ...change,
})
const ask = (brief: Brief, change: Partial<CastingAsk> = {}): CastingAsk => ({
  brief,
  catalogue,
  worn: [],
  candidates,
  free: {},
  lowest,
  pool: 'both',
  avoided: new Set(),
  rules: houseRulesOf('exchange-only'),
  keep: [],
  limit: null,
  priceWeight: 0,
  ...change,
})
const cast = (of: CastingAsk) => castOutfits(of, patient)
const wears = (outfit: { placements: { part: string }[] }, part: Part) =>
  outfit.placements.some((p) => p.part === part.code)

describe('casting a brief', () => {
  test.each(['Odile, skipper', 'Teo', 'Bram', 'Wen Sorrel', 'Pim'])(
    'made like %s finds an outfit at least as alike, the best first',
    (name) => {
      const brief = briefLike(name)
      const { outfits, complete } = cast(ask(brief))
      expect(complete).toBe(true)
      expect(outfits).toHaveLength(10)
      // A worker hands them on.
      expect(structuredClone(outfits)).toEqual(JSON.parse(JSON.stringify(outfits)))
      const points = outfits.map(({ likeness }) => likeness.milli)
      expect(points[0]!).toBeGreaterThanOrEqual(likenessOf(takeOf(name), brief, catalogue).milli)
      expect(points).toEqual([...points].sort((a, b) => b - a))
      expect(outfits[0]!.apart).toEqual([])
      for (const { apart } of outfits.slice(1)) expect(apart.length).toBeGreaterThan(0)
    },
  )

  test.each([
    ['known', catalogue],
    ['unknown', withoutComponents(catalogue)],
  ])(
    'of few parts, the pieces of wholes being %s, is the best of every outfit there is, by the outfits themselves',
    (_, catalogue) => {
      const own = (part: Part) => catalogue.parts.get(part.code)!
      const some = (names: [string, string][]) => names.map(([name, colour]) => own(partNamed(name, colour)))
      const few: CastingAsk['candidates'] = {
        headgear: some([
          ['High bun', 'Copper'],
          ['Swept pony tail', 'Tar'],
          ['Side braid', 'Peat'],
          ['Blunt bob', 'Copper'],
        ]),
        head: candidates.head!.slice(0, 5),
        torso: candidates
          .torso!.filter((part) => part.components.length > 0)
          .slice(0, 5)
          .map(own),
        handRight: some([
          ['Mitt', 'Fawn'],
          ['Mitt', 'Umber'],
          ['Mitt', 'Shell'],
        ]),
        hips: candidates
          .hips!.filter((part) => part.components.length > 0)
          .slice(0, 4)
          .map(own),
      }
      const wishes: BriefWish[] = [
        { place: 'headgear', trait: 'tied', target: 'yes', weight: 'must' },
        { place: 'headgear', trait: 'colour', target: '#A64E2A', weight: 'matters' },
        { place: 'head', trait: 'expression', target: 'smile', weight: 'matters' },
        { place: 'torso', trait: 'garment', target: 'jacket', weight: 'nice' },
      ]
      const brief = { ...emptyBrief(), wishes }
      const question = ask(brief, {
        candidates: few,
        catalogue,
        priceWeight: 2,
        limit: 4000,
        free: { [partNamed('Mitt', 'Fawn').code]: 1 },
      })
      const { problem, dress } = castingOf(question)
      let choices: number[][] = [[]]
      for (const { candidates: own } of problem.slots)
        choices = choices.flatMap((choice) => own.map((_, index) => [...choice, index]))
      /** What an outfit costs, from the placements alone: singly, or a torso or pair of legs as the assembly it came from. */
      const worths = choices.flatMap((choice) => {
        const placements = dress(choice)
        const { milli, missed, terms, deductions } = likenessOf(placements, brief, catalogue)
        const price = choice.reduce((sum, index, i) => sum + problem.slots[i]!.candidates[index]!.price, 0)
        if (missed.length > 0 || price > 4000) return []
        // A likeness is never below nothing; what is counted here may be.
        const raw = terms.reduce((sum, t) => sum + t.milli, 0) - deductions.reduce((sum, d) => sum + d.milli, 0)
        expect(milli).toBe(Math.max(0, raw))
        return [raw - 20 * price]
      })
      worths.sort((a, b) => b - a)
      expect(worths.length).toBeGreaterThan(100)
      expect(castBest(problem, patient).casts.map(({ worth }) => worth)).toEqual(worths.slice(0, 10))
    },
  )

  test('keeps every must, the limit, what is to be avoided and the places left as worn', () => {
    const brief = briefLike('Odile, skipper')
    const musts = { ...brief, wishes: brief.wishes.map((wish) => ({ ...wish, weight: 'must' as const })) }
    for (const { likeness } of cast(ask(musts)).outfits) {
      expect(likeness.missed).toEqual([])
      for (const term of likeness.terms) if (term.wish.weight === 'must') expect(term.score).toBeGreaterThanOrEqual(MET)
    }
    const free = cast(ask(brief)).outfits[0]!
    const limit = Math.floor(free.price * 0.7)
    const tight = cast(ask(brief, { limit })).outfits
    for (const { price } of tight) expect(price).toBeLessThanOrEqual(limit)
    expect(tight[0]!.likeness.milli).toBeLessThanOrEqual(free.likeness.milli)
    const hair = catalogue.parts.get(free.placements.find(({ slot }) => slot === 'headgear')!.part)!
    for (const outfit of cast(ask(brief, { avoided: new Set([hair.code]) })).outfits)
      expect(wears(outfit, hair)).toBe(false)
    const worn = takeOf('Bram')
    const left = cast(ask(brief, { worn, keep: ['headgear'] })).outfits[0]!
    expect(left.placements.find(({ slot }) => slot === 'headgear')).toEqual(
      worn.find(({ slot }) => slot === 'headgear'),
    )
  })

  test('sleeves come with their torso: left as worn with it, wished for through it', () => {
    const worn = takeOf('Odile, skipper')
    const brief = (target: string): Brief => ({
      ...emptyBrief(),
      wishes: [
        { place: 'arms', trait: 'colour', target, weight: 'must' },
        { place: 'headgear', trait: 'tied', target: 'yes', weight: 'matters' },
      ],
    })
    const arms = (placements: readonly Placement[]) => placements.filter(({ slot }) => slot.startsWith('arm'))
    const kept = cast(ask(brief('#00FF00'), { worn, keep: ['torso'] })).outfits[0]!
    expect(arms(kept.placements)).toEqual(arms(worn))
    expect(() => cast(ask(brief('#00FF00'), { worn }))).toThrow('Nothing for torso')
    const quayBlue = cast(ask(brief('#24527F'), { worn })).outfits[0]!
    expect(quayBlue.likeness.missed).toEqual([])
    expect(arms(quayBlue.placements)).toHaveLength(2)
  })

  test('owned parts cost nothing and count once: two hands take two mitts', () => {
    const brief = briefLike('Wen Sorrel')
    const worn = cast(ask(brief)).outfits[0]!.placements
    const one = Object.fromEntries(worn.map(({ part }) => [part, 1]))
    const two = Object.fromEntries(worn.map(({ part }) => [part, 2]))
    expect(cast(ask(brief, { free: two })).outfits[0]!.price).toBe(0)
    const mitt = worn.find(({ slot }) => slot === 'handLeft')!.part
    expect(cast(ask(brief, { free: { ...two, [mitt]: 1 } })).outfits[0]!.price).toBe(lowest[mitt])
    expect(cast(ask(brief, { free: two, pool: 'owned' })).outfits.every(({ price }) => price === 0)).toBe(true)
    expect(() => cast(ask(brief, { free: one, pool: 'owned' }))).toThrow(NoCasting)
    expect(cast(ask(brief, { free: two, pool: 'market' })).outfits[0]!.price).toBeGreaterThan(0)
  })

  test('house rules: released assemblies keep their mitts; parts by others need an open bench', () => {
    const brief = briefLike('Odile, skipper')
    const released = cast(ask(brief, { rules: houseRulesOf('as-released') })).outfits[0]!
    const torso = released.placements.find(({ slot }) => slot === 'torso')!.part
    const hand = released.placements.find(({ slot }) => slot === 'handLeft')!.part
    const sold = [...catalogue.parts.values()].filter((part) => part.components.some((c) => c.part === torso))
    expect(sold.some((part) => part.components.some((c) => c.slot === 'handLeft' && c.part === hand))).toBe(true)
    const moulds = new Map(catalogue.moulds)
    const oar = { ...moulds.get('M-OAR')!, traits: { item: 'oar', maker: 'other' } }
    const foreign = { ...catalogue, moulds: moulds.set('M-OAR', oar) }
    const oars = (rules: string, byOthers = false) =>
      castOutfits(
        ask({ ...brief, avoid: { ...brief.avoid, byOthers } }, { catalogue: foreign, rules: houseRulesOf(rules) }),
        patient,
      ).outfits.some(({ placements }) => placements.some(({ part }) => catalogue.parts.get(part)!.mould === 'M-OAR'))
    expect([oars('exchange-only'), oars('open-bench'), oars('open-bench', true)]).toEqual([false, true, false])
  })

  test('what cannot be is said with its reason', () => {
    const plum = { place: 'headgear', trait: 'colour', target: '#00FF00', weight: 'must' } as const
    const of =
      (wishes: BriefWish[], change: Partial<CastingAsk> = {}) =>
      () =>
        cast(ask({ ...emptyBrief(), wishes }, change))
    expect(of([plum])).toThrow('Nothing for headgear in the drawer and the market meets the must: colour #00FF00.')
    expect(of([], { brief: { ...emptyBrief(), statureWeight: 'none' } })).toThrow('The brief wishes for nothing yet.')
    expect(of([{ ...plum, weight: 'matters' }], { limit: 10 })).toThrow(
      /^Nothing that meets every must can be had for €0\.10; the cheapest comes to €\d+\.\d\d\.$/,
    )
  })
})

describe('for less money', () => {
  const brief = briefLike('Bram')
  const question = ask(brief)

  test('the curve falls in likeness with the money, and each point keeps its limit', () => {
    const { points, complete } = budgetCurve(question, { seconds: 1e9, now: () => 0 })
    expect(complete).toBe(true)
    expect(points.length).toBeGreaterThan(4)
    for (const [i, point] of points.entries()) {
      if (i === 0) continue
      expect(point.price).toBeLessThan(points[i - 1]!.price)
      expect(point.likeness.milli).toBeLessThanOrEqual(points[i - 1]!.likeness.milli)
      if (i % 4 !== 1) continue
      const [best] = castOutfits({ ...question, limit: point.price }, { ...patient, count: 1 }).outfits
      expect(best!.likeness.milli).toBe(point.likeness.milli)
    }
  })

  test('the cheapest that keeps a likeness does, and a cent less would not do', () => {
    const whole = castOutfits(question, patient).outfits[0]!
    const floor = Math.round(whole.likeness.milli * 0.9)
    const found = cheapestKeeping(question, floor, { seconds: 1e9, now: () => 0 })!
    expect(found.likeness.milli).toBeGreaterThanOrEqual(floor)
    expect(found.price).toBeLessThan(whole.price)
    const [less] = castOutfits({ ...question, limit: found.price - 1 }, { ...patient, count: 1 }).outfits
    expect(less!.likeness.milli).toBeLessThan(floor)
    expect(cheapestKeeping(question, 100_001, { seconds: 1e9, now: () => 0 })).toBeNull()
  })

  test('the dear part is named with its share', () => {
    const worn = takeOf('Bram')
    const dear = dearParts({ worn, free: {}, lowest })
    expect(dear.reduce((sum, { share }) => sum + share, 0)).toBeCloseTo(1, 10)
    expect(dear[0]!.price).toBe(Math.max(...dear.map(({ price }) => price)))
    const free = Object.fromEntries(worn.map(({ part }) => [part, 9]))
    expect(dearParts({ worn, free, lowest })).toEqual([])
  })
})
