import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { emptyBrief, judgesOf, likenessBy, type Brief } from '../brief/index.ts'
import { mouldOf, type Part } from '../catalogue/index.ts'
import { takeOf, worldCatalogue } from '../test/world.ts'
import { NoCasting } from '../casting/index.ts'
import { teamCasting, type TeamAsk } from './teamCasting.ts'

const catalogue = worldCatalogue()
const ofKind = (kind: string) =>
  [...catalogue.parts.values()].filter((part) => part.components.length === 0 && mouldOf(catalogue, part).kind === kind)
const heads = ofKind('head')
const headgear = ofKind('headgear')
const crew = ['Wen Sorrel', 'Ilka Dunn', 'Bako Thorne', 'Mirre Vos', 'Hale Brook']
const effort = { seconds: 30, now: () => 0 }

const ask = (more: Partial<TeamAsk> = {}, briefs: Record<string, Partial<Brief>> = {}): TeamAsk => ({
  members: crew.map((name) => ({
    outfit: name,
    name,
    brief: { ...emptyBrief(), ...briefs[name] },
    worn: takeOf(name),
    avoided: new Set<string>(),
  })),
  catalogue,
  heads,
  headgear,
  spare: {},
  lowest: Object.fromEntries([...heads, ...headgear].map(({ code }, i) => [code, 40 + (i % 7) * 10])),
  pool: 'market',
  facesAlike: 1,
  sidesApart: true,
  hairAlike: null,
  skinsAlike: null,
  others: [],
  priceWeight: 4,
  ...more,
})
const times = (list: readonly string[]) => Math.max(...list.map((one) => list.filter((other) => other === one).length))
const faceOf = ({ head, turned }: { head: Part; turned: boolean }) => `${head.print} ${turned}`

describe('a team casting', () => {
  test('gives everybody a face of their own, proven best, on the body they have', () => {
    const { members, complete, worth, bound } = teamCasting(ask(), effort)
    expect(complete).toBe(true)
    expect(worth).toBe(bound)
    expect(times(members.map(faceOf))).toBe(1)
    for (const [i, { outfit, placements, head, headgear: hair }] of members.entries()) {
      expect(outfit).toBe(crew[i])
      const below = (list: readonly { slot: string }[]) =>
        list.filter(({ slot }) => slot !== 'head' && slot !== 'headgear')
      expect(below(placements)).toEqual(below(takeOf(crew[i]!)))
      expect(placements.filter(({ slot }) => slot === 'head').map(({ part }) => part)).toEqual([head.code])
      expect(placements.filter(({ slot }) => slot === 'headgear').map(({ part }) => part)).toEqual([hair.code])
    }
  })

  test('lets both sides of a head be one face where that is asked, and faces be alike', () => {
    const few = heads.filter(({ print }) => print === 'D-FACE-LASHES-TAR' || print === 'D-FACE-GRIN-TAR')
    expect(() => teamCasting(ask({ heads: few }), effort)).toThrow(/faces for 4/)
    expect(() => teamCasting(ask({ heads: few, sidesApart: false }), effort)).toThrow(/faces for 2/)
    const { members } = teamCasting(ask({ heads: few, facesAlike: 3, sidesApart: false }), effort)
    expect(times(members.map(({ head }) => head.print!))).toBeLessThanOrEqual(3)
  })

  test('varies hair and skin as wished', () => {
    const { members } = teamCasting(ask({ hairAlike: 1, skinsAlike: 2 }), effort)
    expect(times(members.map(({ headgear: hair }) => `${hair.mould} ${hair.colours[0]}`))).toBe(1)
    expect(times(members.map(({ head }) => head.colours[0]!))).toBeLessThanOrEqual(2)
  })

  test('keeps musts, and says which cannot be met', () => {
    const tied: Partial<Brief> = { wishes: [{ place: 'headgear', trait: 'tied', target: 'yes', weight: 'must' }] }
    const { members } = teamCasting(ask({}, { 'Ilka Dunn': tied, 'Mirre Vos': tied }), effort)
    for (const name of ['Ilka Dunn', 'Mirre Vos']) {
      const { headgear: hair } = members.find(({ outfit }) => outfit === name)!
      expect(mouldOf(catalogue, hair).traits['tied']).toBe('yes')
    }
    const loose = headgear.filter((part) => mouldOf(catalogue, part).traits['tied'] !== 'yes')
    expect(() => teamCasting(ask({ headgear: loose }, { 'Ilka Dunn': tied }), effort)).toThrow(NoCasting)
    expect(() => teamCasting(ask({ headgear: loose }, { 'Ilka Dunn': tied }), effort)).toThrow(
      /No headgear for Ilka Dunn/,
    )
  })

  test('uses spares no more often than they are there, and names who got what another gave up', () => {
    const spareHead = heads.find(({ print, colours }) => print === 'D-FACE-CALM-COPPER' && colours[0] === 'shell')!
    const { members, price } = teamCasting(ask({ pool: 'both', spare: { [spareHead.code]: 1 }, facesAlike: 5 }), effort)
    expect(members.filter(({ head, owned }) => head === spareHead && owned.head)).toHaveLength(1)
    expect(price).toBe(members.reduce((sum, member) => sum + member.price, 0))
    const wishes: Brief['wishes'] = [{ place: 'head', trait: 'beard', target: 'goatee', weight: 'must' }]
    const two = { 'Bako Thorne': { wishes }, 'Hale Brook': { wishes } }
    const gaveUp = teamCasting(ask({ priceWeight: 0 }, two), effort).members.flatMap((member) => member.gaveUp ?? [])
    for (const { milli, words } of gaveUp) {
      expect(milli).toBeGreaterThan(0)
      expect(words).not.toBe('')
    }
  })

  test('counts faces others in the roster have already', () => {
    const alone = (more: Partial<TeamAsk>) =>
      teamCasting(ask({ ...more, members: ask().members.slice(0, 1), priceWeight: 0 }), effort).members[0]!
    const first = alone({})
    const then = alone({ others: [first.placements] })
    expect(faceOf(then)).not.toBe(faceOf(first))
  })

  test('keeps what is worn among equals', () => {
    const free = Object.fromEntries([...heads, ...headgear].map(({ code }) => [code, 1]))
    const { members } = teamCasting(ask({ pool: 'owned', spare: free }), effort)
    expect(
      members.filter(({ outfit, head }) => takeOf(outfit).some(({ part }) => part === head.code)).length,
    ).toBeGreaterThan(2)
  })
})

describe('what a team casting finds', () => {
  /** Every way two members can be given two of some heads and hats, judged as the bench judges them. */
  const bestByLooking = (question: TeamAsk): number => {
    const [one, other] = question.members
    const weight = Math.round(question.priceWeight * 10)
    const sides = (head: Part) =>
      (catalogue.prints.get(head.print ?? '')?.back.length ?? 0) > 0 ? [false, true] : [false]
    const looks = question.heads.flatMap((head) =>
      sides(head).flatMap((turned) => question.headgear.map((hat) => ({ head, turned, hat }))),
    )
    type Look = (typeof looks)[number]
    const worth = ({ worn, brief }: TeamAsk['members'][number], { head, turned, hat }: Look) => {
      const body = worn.filter(({ slot }) => slot !== 'head' && slot !== 'headgear')
      const on = (slot: 'head' | 'headgear', part: string, round = false) => ({ slot, part, order: 0, turned: round })
      const placements = [...body, on('head', head.code, turned), on('headgear', hat.code)]
      const price = question.lowest[head.code]! + question.lowest[hat.code]!
      return likenessBy(judgesOf(brief, catalogue), placements, catalogue).milli - weight * price
    }
    let best = -Infinity
    for (const a of looks)
      for (const b of looks) if (faceOf(a) !== faceOf(b)) best = Math.max(best, worth(one!, a) + worth(other!, b))
    return best
  }

  test('is the best there is by the likeness of whole outfits, hats’ colours and all', () => {
    const wishes: Brief['wishes'] = [
      { place: 'headgear', trait: 'colour', target: '#E26A24', weight: 'matters' },
      { place: 'head', trait: 'expression', target: 'smile', weight: 'nice' },
      { place: 'torso', trait: 'colour', target: '#24527F', weight: 'must' },
    ]
    const some = (parts: readonly Part[]) => fc.uniqueArray(fc.constantFrom(...parts), { minLength: 2, maxLength: 4 })
    const isHat = (part: Part) => mouldOf(catalogue, part).traits['hat'] === 'yes'
    // Hats show a main colour, hair does not; one who wears many colours already should rather have hair.
    const anyHeadgear = fc
      .tuple(some(headgear.filter(isHat)), some(headgear.filter((part) => !isHat(part))))
      .map((lists) => lists.flat())
    fc.assert(
      fc.property(some(heads), anyHeadgear, fc.constantFrom(0, 4, 12), (few, hats, priceWeight) => {
        const { members, ...more } = ask({ heads: few, headgear: hats, priceWeight })
        const question: TeamAsk = {
          ...more,
          members: [members[0]!, { ...members[3]!, worn: takeOf('Sif, lanterns') }].map((one) => ({
            ...one,
            // Nobody wears any of it now, so that keeping it tips no scale.
            worn: one.worn.filter(({ slot }) => slot !== 'head' && slot !== 'headgear'),
            brief: { ...emptyBrief(), wishes },
          })),
        }
        const weight = Math.round(priceWeight * 10)
        const { members: cast, price } = teamCasting(question, effort)
        const found = cast.reduce((sum, { after }) => sum + after, 0) - weight * price
        expect(found).toBe(bestByLooking(question))
      }),
      { numRuns: 20 },
    )
  })

  test('says when time ran out rather than that there is nothing', () => {
    let ticks = 0
    expect(() => teamCasting(ask(), { seconds: -1, now: () => ticks++ })).toThrow(/No casting was found in -1 seconds/)
  })
})

describe('any team casting', () => {
  const some = (parts: readonly Part[]) => fc.uniqueArray(fc.constantFrom(...parts), { minLength: 4, maxLength: 14 })
  const anyAsk = fc
    .record({
      heads: some(heads),
      headgear: some(headgear),
      owned: fc.array(fc.nat(2), { minLength: 28, maxLength: 28 }),
      pool: fc.constantFrom('owned', 'market', 'both'),
      facesAlike: fc.option(fc.integer({ min: 1, max: 3 })),
      sidesApart: fc.boolean(),
      hairAlike: fc.option(fc.integer({ min: 1, max: 3 })),
      skinsAlike: fc.option(fc.integer({ min: 1, max: 3 })),
      size: fc.integer({ min: 1, max: 5 }),
      priceWeight: fc.integer({ min: 0, max: 20 }),
    })
    .map(({ owned, size, ...more }): TeamAsk => {
      const spare = Object.fromEntries([...more.heads, ...more.headgear].map(({ code }, i) => [code, owned[i]!]))
      return { ...ask(more as Partial<TeamAsk>), members: ask().members.slice(0, size), spare }
    })

  test('keeps to every limit, prices what it buys, and is never beaten by its own bound', () => {
    fc.assert(
      fc.property(anyAsk, (question) => {
        let result: ReturnType<typeof teamCasting>
        try {
          result = teamCasting(question, effort)
        } catch (error) {
          expect(error).toBeInstanceOf(NoCasting)
          expect((error as Error).message).toMatch(/faces for|No (head|headgear) for|No casting keeps/)
          return
        }
        const { members, worth, bound, complete, price } = result
        expect(complete).toBe(true)
        expect(worth).toBeLessThanOrEqual(bound)
        const face = question.sidesApart ? faceOf : ({ head }: { head: Part }) => String(head.print)
        expect(times(members.map(face))).toBeLessThanOrEqual(question.facesAlike ?? Infinity)
        if (question.hairAlike !== null)
          expect(times(members.map(({ headgear: hair }) => `${hair.mould} ${hair.colours[0]}`))).toBeLessThanOrEqual(
            question.hairAlike,
          )
        const skins = members.flatMap(({ head }) =>
          catalogue.colours.get(head.colours[0]!)?.family === 'skin' ? [head.colours[0]!] : [],
        )
        if (question.skinsAlike !== null && skins.length > 0)
          expect(times(skins)).toBeLessThanOrEqual(question.skinsAlike)
        const used = members.flatMap(({ head, headgear: hair, owned }) => [
          { part: head, owned: owned.head },
          { part: hair, owned: owned.headgear },
        ])
        for (const { part } of used)
          expect(used.filter((one) => one.part === part && one.owned).length).toBeLessThanOrEqual(
            question.spare[part.code] ?? 0,
          )
        if (question.pool === 'owned') expect(used.every(({ owned }) => owned)).toBe(true)
        if (question.pool === 'market') expect(used.some(({ owned }) => owned)).toBe(false)
        expect(price).toBe(used.reduce((sum, { part, owned }) => sum + (owned ? 0 : question.lowest[part.code]!), 0))
      }),
      { numRuns: 60 },
    )
  })
})
