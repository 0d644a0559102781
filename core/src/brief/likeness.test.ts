import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { SLOTS, type Placement } from '../catalogue/index.ts'
import { anyOutfit, partNamed, takeOf, worldCatalogue, worldTable } from '../test/world.ts'
import { colourScore, scaleScore, valueScore } from './similar.ts'
import { deductionsBetween, deductionsOf, factsOf } from './facts.ts'
import { type Brief, type BriefWish, emptyBrief, statureAt } from './brief.ts'
import { inPoints, judgesByPlace, likenessOf, likenessOfPart } from './likeness.ts'
import { judgesOf, WHOLE } from './judge.ts'
import { rankCandidates } from './rank.ts'
import { traitNamed } from './traits.ts'
import { wishesFrom } from './fromPlacements.ts'

const catalogue = worldCatalogue()
const wish = (place: BriefWish['place'], trait: string, target: string, weight: BriefWish['weight'] = 'matters') => ({
  place,
  trait,
  target,
  weight,
})
const briefOf = (...wishes: BriefWish[]): Brief => ({ ...emptyBrief(), statureWeight: 'none', wishes })
const hex = (name: string) => [...catalogue.colours.values()].find((colour) => colour.name === name)!.hex
const words = (outfit: Placement[], ...wishes: BriefWish[]) =>
  likenessOf(outfit, briefOf(...wishes), catalogue).terms.map((term) => term.words)

describe('scores', () => {
  test('a colour is as good as wished while nobody sees a difference, and never better further off', () => {
    for (const [deltaE, score] of [
      [0, 1],
      [2, 1],
      [5, 0.85],
      [10, 0.5],
      [20, 0.15],
      [40, 0],
      [90, 0],
    ] as const)
      expect(colourScore(deltaE)).toBeCloseTo(score, 10)
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 100, noNaN: true }),
        fc.double({ min: 0, max: 20, noNaN: true }),
        (d, more) => expect(colourScore(d + more)).toBeLessThanOrEqual(colourScore(d) + 1e-12),
      ),
    )
  })

  test('scales lose by the step, values by how alike they read, either way round', () => {
    expect([0, 1, -1, 2, 3].map(scaleScore)).toEqual([1, 0.5, 0.5, 0.15, 0])
    expect(valueScore('expression', 'smile', 'grin')).toBe(valueScore('expression', 'grin', 'smile'))
    expect(valueScore('garment', 'jacket', 'overalls')).toBe(0)
  })

  test('a trait there is not is named', () => {
    expect(() => traitNamed('aura')).toThrow('There is no trait "aura"')
  })
})

describe('an outfit', () => {
  const odile = takeOf('Odile, skipper', 'B')

  test('says of each wish what it shows, with the figures in it', () => {
    expect(
      words(
        odile,
        wish('headgear', 'colour', hex('Copper')),
        wish('headgear', 'colour', '#A9502F'),
        wish('headgear', 'tied', 'yes'),
        wish('headgear', 'hairLength', 'short'),
        wish('headgear', 'parting', 'side'),
        wish('head', 'glasses', 'no'),
        wish('head', 'glasses', 'yes'),
        wish('held', 'item', 'oar'),
        wish('face', 'shape', 'M-GOGG'),
      ),
    ).toEqual([
      'colour the same as Copper, ΔE 0.0',
      expect.stringMatching(/^colour (the same as|near) Copper, ΔE \d\.\d$/),
      'hair tied back',
      'hair length long, not short',
      'parting missing: side',
      'no glasses',
      'glasses missing',
      'item right: oar',
      'not the mould Spray goggles',
    ])
  })

  test('has a hundred points when it shows everything, and loses by weight', () => {
    const right = wish('held', 'item', 'oar', 'must')
    const wrong = wish('headgear', 'hairLength', 'none', 'nice')
    const suit = odile.map((p) => (p.slot.startsWith('hand') ? { ...p, part: partNamed('Mitt', 'Fawn').code } : p))
    const of = (...wishes: BriefWish[]) => likenessOf(suit, briefOf(...wishes), catalogue)
    const deducted = of(right).deductions.reduce((sum, { milli }) => sum + milli, 0)
    expect(of(right).milli).toBe(WHOLE - deducted)
    expect(of(right, wrong).milli).toBe(Math.round((WHOLE * 8) / 9) - deducted)
    expect(of(right, { ...wrong, weight: 'none' }).milli).toBe(WHOLE - deducted)
    expect(of(right).missed).toEqual([])
    expect(of({ ...wrong, weight: 'must' }).missed.map((term) => term.wish.trait)).toEqual(['hairLength'])
  })

  test('is judged by the best of what it holds and by both of its hands', () => {
    const two = [
      ...odile,
      { slot: 'heldRight', part: partNamed('Mug', 'Tin').code, order: 0, turned: false } as Placement,
    ]
    expect(words(two, wish('held', 'item', 'mug'), wish('held', 'item', 'oar'))).toEqual([
      'item right: mug',
      'item right: oar',
    ])
    const gloves = odile.map((p) => (p.slot === 'handLeft' ? { ...p, part: partNamed('Mitt', 'Tar').code } : p))
    const [term] = likenessOf(gloves, briefOf(wish('hands', 'glove', 'yes')), catalogue).terms
    expect(term!.score).toBe(0.5)
  })

  test('can be handed to another thread, words and all', () => {
    const likeness = likenessOf(odile, briefOf(wish('headgear', 'tied', 'yes'), wish('held', 'item', 'oar')), catalogue)
    const copy = structuredClone(likeness)
    expect(copy).toEqual(JSON.parse(JSON.stringify(likeness)))
    expect(copy.terms.map((term) => term.words)).toEqual(['hair tied back', 'item right: oar'])
  })

  test('stands as tall as the brief says', () => {
    const stature = (outfit: string, brief: Partial<Brief>) =>
      likenessOf(takeOf(outfit), { ...emptyBrief(), ...brief }, catalogue).terms.map((term) => term.words)
    expect(stature('Odile at twelve', { stature: 'middle' })).toEqual(['legs right: middle'])
    expect(stature('Odile at twelve', { stature: 'full' })).toEqual(['legs middle, not full'])
    expect(stature('Bram', { stature: 'raised' })).toEqual(['legs right: full', 'raised on a plate missing'])
    expect([0, 7, 8, 14, 15, 70].map(statureAt)).toEqual(['short', 'short', 'middle', 'middle', 'full', 'full'])
    expect(() => statureAt(-1)).toThrow('-1 is no age')
  })

  test('loses for what its parts disagree about', () => {
    const rules = (outfit: Placement[]) => deductionsOf(factsOf(outfit, catalogue), catalogue).map(({ rule }) => rule)
    expect(rules(odile).filter((rule) => rule === 'skin')).toHaveLength(2)
    expect(rules(takeOf('Wen Sorrel'))).not.toContain('skin')
  })

  test('what two heaps of its parts hold against each other is what the whole does, main colours apart', () => {
    fc.assert(
      fc.property(
        anyOutfit(),
        fc.array(fc.boolean(), { minLength: SLOTS.length, maxLength: SLOTS.length }),
        (outfit, left) => {
          // Headgear stays together: a helmet decides what is seen of the hair.
          const isLeft = ({ slot }: Placement) => left[SLOTS.indexOf(slot)]!
          const [a, b] = [outfit.filter(isLeft), outfit.filter((p) => !isLeft(p))].map((part) =>
            factsOf(part, catalogue),
          )
          const lost = (list: { rule: string; milli: number }[]) =>
            list.filter(({ rule }) => rule !== 'mains').reduce((sum, { milli }) => sum + milli, 0)
          expect(lost(deductionsOf(factsOf(outfit, catalogue), catalogue))).toBe(
            lost(deductionsOf(a!, catalogue)) +
              lost(deductionsOf(b!, catalogue)) +
              lost(deductionsBetween(a!, b!, catalogue)),
          )
        },
      ),
    )
  })
})

describe('like this, but …', () => {
  const figures = new Map<string, Placement[]>()
  for (const { figure, slot, part, order } of worldTable('figure-parts'))
    figures.set(figure, [...(figures.get(figure) ?? []), { slot, part, order: order ?? 0, turned: false }])

  test.each([...figures])('figure %s answers every wish made of it', (_code, worn) => {
    const wishes = wishesFrom(worn, catalogue)
    const { terms } = likenessOf(worn, briefOf(...wishes), catalogue)
    expect(terms.filter(({ score }) => score < 1).map((term) => term.words)).toEqual([])
    expect(wishes.length).toBeGreaterThan(3)
  })
})

describe('candidates', () => {
  const judges = judgesByPlace(
    judgesOf(briefOf(wish('headgear', 'colour', hex('Copper'), 'must'), wish('headgear', 'tied', 'yes')), catalogue),
  )
  const entries = [...catalogue.parts.values()]
    .filter((part) => catalogue.moulds.get(part.mould)!.kind === 'headgear')
    .map((part, i) => ({
      part,
      free: i % 5 === 0 ? 1 : 0,
      lowest: i % 7 === 0 ? null : 100 + (i % 9) * 50,
      share: likenessOfPart(part, 'headgear', judges, catalogue).share,
    }))

  test('come by likeness, or by price, or by a mix of both', () => {
    const likest = rankCandidates(entries)
    expect(likest.map(({ share }) => share!)).toEqual(likest.map(({ share }) => share!).sort((a, b) => b - a))
    expect(likest[0]!.part.colours[0]).toBe('copper')
    const cheapest = rankCandidates(entries, 1)
    expect(cheapest[0]!.free).toBe(1)
    expect(cheapest.at(-1)!.lowest ?? 1e9).toBeGreaterThan(400)
    const rank = (mix: number, code: string) => rankCandidates(entries, mix).findIndex(({ part }) => part.code === code)
    const dear = likest.find(({ free, lowest, share }) => free === 0 && lowest === null && share! > 0)!
    expect(rank(0.5, dear.part.code)).toBeGreaterThan(rank(0, dear.part.code))
  })

  test('of a slot nothing is wished for have no likeness', () => {
    const { share, terms } = likenessOfPart(partNamed('Mug', 'Tin'), 'held', judges, catalogue)
    expect([share, terms]).toEqual([null, []])
  })

  test('an assembly is judged by all it puts on', () => {
    const jacket = partNamed('Quay jacket', 'Quay Blue', 'M-DRESS')
    const both = judgesByPlace(
      judgesOf(briefOf(wish('torso', 'garment', 'jacket'), wish('hands', 'glove', 'yes')), catalogue),
    )
    const { share, terms } = likenessOfPart(jacket, 'torso', both, catalogue)
    expect(terms.map((term) => term.words)).toEqual(['garment right: jacket', 'gloves missing'])
    expect(inPoints(share! * WHOLE)).toBe(50)
  })
})
