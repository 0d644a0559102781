import { describe, expect, test } from '@jest/globals'
import { seeded } from '../base/index.ts'
import { emptyBrief, earnedBy, judgesOf, likenessOf, PLACES, placeOf, wishesFrom, type Brief } from '../brief/index.ts'
import { mouldOf } from '../catalogue/index.ts'
import { houseRulesOf, wornAlike } from '../roster/index.ts'
import { offer, seller } from '../test/problem.ts'
import { takeOf, worldCandidates, worldCatalogue } from '../test/world.ts'
import {
  castMembers,
  faceShown,
  holding,
  partsAskedFor,
  type CastMember,
  type MemberAsk,
  type MembersAsk,
} from './castMembers.ts'
import { allInAll, buyingAsTheyAre, castPlanOf, comparedCastFirst, likenessNow, worthwhile } from './castReport.ts'
import type { CastPlan } from './contract.ts'
import { planRoster } from './planRoster.ts'
import { choicesWorn, dressedAs, problemOfMembers } from './problemOfMembers.ts'
import { settleRoster } from './settleRoster.ts'
import { comesFrom, gaveUpIn } from './whoGetsWhat.ts'

const catalogue = worldCatalogue()
const candidates = worldCandidates(catalogue)
const lowest = Object.fromEntries([...catalogue.parts.keys()].map((code) => [code, 30 + (Number(code.slice(2)) % 90)]))

const member = (name: string, change: Partial<MemberAsk> = {}): MemberAsk => ({
  outfit: `o-${name}`,
  name,
  brief: { ...emptyBrief(), wishes: wishesFrom(takeOf(name), catalogue) },
  now: takeOf(name),
  worn: takeOf(name),
  elsewhere: [],
  keep: [],
  sharesFace: false,
  avoided: [],
  rules: houseRulesOf('exchange-only'),
  ...change,
})
const ask = (members: MemberAsk[], change: Partial<MembersAsk> = {}): MembersAsk => ({
  members,
  catalogue,
  candidates,
  spare: {},
  lowest,
  pool: 'both',
  worth: 40,
  facesTaken: null,
  most: 12,
  ...change,
})
/** Every part of some members for sale by one seller, so much each. */
const supplyFor = (members: readonly CastMember[]) => {
  const parts = new Set([
    ...members.flatMap(({ slots }) =>
      slots.flatMap((slot) => slot.candidates.flatMap((one) => one.parts.map(({ part }) => part))),
    ),
    ...members.flatMap(({ givenParts }) => givenParts.map(({ part }) => part)),
  ])
  return {
    currency: 'EUR',
    owned: [],
    sellers: [seller('s', 300)],
    offers: [...parts].map((part) => offer(part, 's', part, lowest[part]!, { qty: 20 })),
    resale: [],
  }
}
const LIMITS = { parcels: null, arriveBy: null, budget: null, faces: 'distinct' as const, seconds: 2, gap: 0 }
const problemOf = (members: readonly CastMember[], change: Partial<Parameters<typeof problemOfMembers>[1]> = {}) =>
  problemOfMembers(members, { supply: supplyFor(members), worth: 40, floor: 0, limits: LIMITS, ...change })

describe('members of a cast', () => {
  test('score in any choice what likeness says of what they would wear', () => {
    const asked = ask(['Odile, skipper', 'Teo', 'Bram', 'Wen Sorrel', 'Pim'].map((name) => member(name)))
    const { members } = castMembers(asked)
    expect(members).toHaveLength(5)
    const problem = problemOf(members)
    const random = seeded(7)
    let exact = 0
    for (let n = 0; n < 100; n++) {
      const choices = problem.outfits.map(({ slots }) =>
        Object.fromEntries(
          slots.map((slot) => [slot.id, slot.candidates[Math.floor(random() * slot.candidates.length)]!.id]),
        ),
      )
      const { outfits } = settleRoster(problem, choices, new Map())
      members.forEach((one, i) => {
        const worn = dressedAs(one, choices[i]!)
        const judges = judgesOf(asked.members[i]!.brief, catalogue)
        const off = outfits[i]!.likeness - earnedBy(judges, worn, catalogue)
        // Main colours are counted pair by pair: three garments that only together are too many colours are not seen.
        expect(off).toBeLessThanOrEqual(6000)
        // A wish about things held is the business of one hand; that the other one's shows it too is not counted.
        if (off === 0) exact++
      })
    }
    expect(exact).toBeGreaterThan(300)
  })

  test('are offered what they wear now, and no more than asked', () => {
    const asked = ask([member('Teo')])
    const [teo] = castMembers(asked).members
    const worn = dressedAs(teo!, choicesWorn([teo!])[0]!)
    expect(wornAlike(worn, takeOf('Teo'))).toBe(true)
    for (const { candidates: own, worn: id } of teo!.slots) {
      expect(own.length).toBeLessThanOrEqual(16)
      expect(own.some((one) => one.id === id)).toBe(true)
    }
  })

  test('keep what stays, with its parts to be had unless they stand elsewhere', () => {
    const [kept] = castMembers(ask([member('Bram', { keep: ['torso', 'arms', 'hands', 'neck'] })])).members
    const torso = takeOf('Bram').find(({ slot }) => slot === 'torso')!
    expect(kept!.slots.map(({ place }) => place)).not.toContain('torso')
    expect(kept!.givenParts.map(({ part }) => part)).toContain(torso.part)
    const [copied] = castMembers(
      ask([member('Bram', { keep: ['torso', 'arms', 'hands', 'neck'], elsewhere: [torso.part] })]),
    ).members
    expect(copied!.givenParts.map(({ part }) => part)).not.toContain(torso.part)
    const [all] = castMembers(ask([member('Bram', { keep: PLACES })])).members
    expect(all!.slots).toEqual([])
    expect(all!.givenScore).toBe(likenessOf(takeOf('Bram'), member('Bram').brief, catalogue).milli)
    expect(all!.givenFace).toBe(faceShown(takeOf('Bram'), catalogue))
    expect(castMembers(ask([member('Bram', { keep: PLACES, sharesFace: true })])).members[0]!.givenFace).toBeNull()
    // What stays and is neither owned nor for sale is counted, not asked for.
    const { [torso.part]: _, ...others } = lowest
    const [rare] = castMembers(ask([member('Bram', { keep: PLACES })], { lowest: others })).members
    expect([rare!.givenUnmet, all!.givenUnmet]).toEqual([1, 0])
    expect(rare!.givenParts.map(({ part }) => part)).not.toContain(torso.part)
  })

  test('without wishes, or with a must nothing meets, are left out and told why', () => {
    const must: Brief = { ...emptyBrief(), wishes: [{ place: 'held', trait: 'item', target: 'oar', weight: 'must' }] }
    const oars = [...catalogue.parts.values()].filter((part) => mouldOf(catalogue, part).traits['item'] === 'oar')
    const nobody = ask([
      member('Teo', { brief: emptyBrief() }),
      member('Bram', { brief: must, avoided: oars.map(({ code }) => code) }),
      member('Pim'),
    ])
    const { members, leftOut } = castMembers(nobody)
    expect(members.map(({ name }) => name)).toEqual(['Pim'])
    expect(leftOut.map(({ name }) => name)).toEqual(['Teo', 'Bram'])
    expect(leftOut[0]!.why).toMatch(/no wishes/)
    expect(leftOut[1]!.why).toMatch(/must/)
  })

  test('of a drawer of loose pieces are cast with what there is, and told what there is not', () => {
    // Torsos nothing is known to be joined to, heads and hair; no mitts, no legs.
    const loose: MembersAsk['candidates'] = {
      headgear: candidates.headgear!,
      head: candidates.head!,
      torso: candidates.torso!.filter(({ components }) => components.length === 0),
    }
    const wishes: Brief['wishes'] = [
      { place: 'torso', trait: 'garment', target: 'jacket', weight: 'matters' },
      { place: 'head', trait: 'expression', target: 'smile', weight: 'matters' },
      { place: 'held', trait: 'item', target: 'oar', weight: 'nice' },
    ]
    const brief = { ...emptyBrief(), wishes }
    const bare = ask([member('Teo', { brief, now: [], worn: [] })], { candidates: loose })
    const [teo] = castMembers(bare).members
    expect([...new Set(teo!.slots.map(({ place }) => place))].sort()).toEqual(['head', 'held', 'torso'])
    expect(teo!.without).toEqual(['legs'])
    const torsos = teo!.slots.find(({ place }) => place === 'torso')!.candidates
    expect(torsos.every(({ placements }) => placements.length === 1)).toBe(true)
    // Sleeves that are worn stay with a loose torso.
    const sleeved = castMembers(ask([member('Teo', { brief })], { candidates: loose })).members[0]!
    const own = sleeved.slots
      .find(({ place }) => place === 'torso')!
      .candidates.find(({ id }) => id !== sleeved.slots.find(({ place }) => place === 'torso')!.worn)!
    expect(own.placements.map(({ slot }) => slot)).toEqual(expect.arrayContaining(['torso', 'armRight', 'armLeft']))
    // Somebody is a whole figure also where only a hat was wished for.
    const hat: Brief['wishes'] = [{ place: 'headgear', trait: 'hat', target: 'yes', weight: 'matters' }]
    const [hatted] = castMembers(
      ask([member('Teo', { brief: { ...emptyBrief(), wishes: hat }, now: [], worn: [] })]),
    ).members
    expect([...new Set(hatted!.slots.map(({ place }) => place))]).toEqual(
      expect.arrayContaining(['head', 'torso', 'legs']),
    )
    // A must that nothing meets is no matter of taste.
    const must: Brief = { ...brief, wishes: [{ ...wishes[0]!, target: 'harness', weight: 'must' }] }
    expect(
      castMembers(ask([member('Teo', { brief: must, worn: [] })], { candidates: { torso: [] } })).leftOut,
    ).toHaveLength(1)
    const nothing = castMembers(
      ask([member('Teo', { brief: { ...brief, wishes: wishes.slice(0, 2) }, worn: [] })], { candidates: {} }),
    )
    expect(nothing.leftOut[0]!.why).toMatch(/Nothing it wishes for/)
  })

  test('leave faces to those who are not cast', () => {
    const face = faceShown(takeOf('Teo'), catalogue)!
    const facesIn = (taken: string[] | null) =>
      castMembers(ask([member('Teo')], { facesTaken: taken }))
        .members[0]!.slots.find(({ place }) => place === 'head')!
        .candidates.map((one) => one.face)
    expect(facesIn(null)).toContain(face)
    expect(facesIn([face])).not.toContain(face)
  })
})

describe('a cast of members', () => {
  const asked = ask(['Odile, skipper', 'Teo', 'Bram'].map((name) => member(name)))
  const { members } = castMembers(asked)
  const problem = problemOf(members)
  const nothing = () => ({ status: 'unknown' as const, values: null, bound: -Infinity })
  let time = 0
  const plan = planRoster(problem, { solve: nothing, now: () => (time += 0.001), begin: choicesWorn(members) })

  test('begun with what is worn comes out no worse than that', () => {
    expect(plan.status).not.toBe('impossible')
    const worn = settleRoster(
      problem,
      choicesWorn(members),
      new Map(
        members
          .flatMap((one) => takeOf(one.name))
          .reduce((units, { part }) => {
            units.set(part, (units.get(part) ?? 0) + 1)
            return units
          }, new Map<string, number>()),
      ),
    )
    expect(worn.faults).toEqual([])
    expect(plan.value).toBeLessThanOrEqual(worn.value)
  })

  test('is shown with everybody dressed, and every part from somewhere', () => {
    const shown = castPlanOf({ members, asked, problem, plan, catalogue, sellers: new Map([['s', 'Sam']]) })
    expect(shown.figures.map(({ outfit }) => outfit)).toEqual(members.map(({ outfit }) => outfit))
    for (const { placements, come, likeness, slots, outfit } of shown.figures) {
      expect(come.reduce((sum, { qty }) => sum + qty, 0)).toBe(placements.length)
      const { brief } = asked.members.find((one) => one.outfit === outfit)!
      expect(likeness).toBe(likenessOf(placements, brief, catalogue).milli)
      for (const { place, placements: own } of slots)
        expect(own).toEqual(placements.filter(({ slot }) => placeOf(slot) === place))
    }
    expect(shown.parcels).toHaveLength(1)
    expect([shown.parcels[0]!.name, shown.goods + shown.sending]).toEqual(['Sam', shown.spending])
    const now = likenessNow(asked, members)
    expect(now.map(({ placements }) => placements.length)).toEqual(members.map(({ name }) => takeOf(name).length))
  })

  test('tells what is held as a change from what is worn now, and buys what is worn now to compare', () => {
    const held = takeOf('Teo').filter(({ slot }) => slot === 'torso')
    const worn = holding(takeOf('Bram'), [{ place: 'torso', placements: held }])
    expect(worn.filter(({ slot }) => slot === 'torso')).toEqual(held)
    expect(holding(takeOf('Bram'), [{ place: 'headgear', placements: [] }]).map(({ slot }) => slot)).not.toContain(
      'headgear',
    )
    const holds = ask([member('Bram', { worn, keep: PLACES })])
    const cast = castMembers(holds).members
    const own = problemOf(cast)
    time = 0
    const stays = planRoster(own, { solve: nothing, now: () => (time += 0.001) })
    const [figure] = castPlanOf({
      members: cast,
      asked: holds,
      problem: own,
      plan: stays,
      catalogue,
      sellers: new Map(),
    }).figures
    expect(figure!.changed).toEqual(['torso'])
    expect(likenessNow(holds, cast)[0]!.placements).toEqual(takeOf('Bram'))
    const parts = buyingAsTheyAre(own, holds, cast, 1).needs.map(({ id }) => id)
    expect(parts).toContain(takeOf('Bram').find(({ slot }) => slot === 'torso')!.part)
    expect([...partsAskedFor(holds, cast).keys()]).toEqual(expect.arrayContaining(parts))
    // Likeness of casting one by one is that of what would be worn.
    const first = comparedCastFirst({ spending: 7, outfits: stays.outfits }, holds, cast)
    expect(first).toEqual({ spending: 7, likeness: figure!.likeness, unmet: 0 })
  })

  test('counts what is missed, and shows plans none of the others beats', () => {
    expect(allInAll({ spending: 1600, likeness: 190_000, unmet: 0 }, 2, 40)).toBe(2000)
    const of = (spending: number, likeness: number) => ({ spending, figures: [{ likeness }] }) as CastPlan
    const plans = [of(50, 90), of(30, 80), of(40, 80), of(60, 85), of(30, 70)]
    expect(worthwhile(plans)).toEqual([plans[1], plans[0]])
    expect(worthwhile([])).toEqual([])
  })

  test('tells who has what another would rather wear', () => {
    // Two outfits, one owned hat: whoever has it keeps it from the other, who would rather wear it for nothing.
    const hat = (id: string, part: string, score: number) => ({ id, parts: [{ part, qty: 1 }], score, face: null })
    const two = {
      ...problem,
      owned: [{ part: 'fine', qty: 1 }],
      offers: [offer('p', 's', 'plain', 90, { qty: 5 })],
      outfits: ['a', 'b'].map((id) => ({
        id,
        floor: 0,
        slots: [{ id: 'headgear', candidates: [hat('fine', 'fine', 90_000), hat('plain', 'plain', 80_000)] }],
        pairs: [],
      })),
    }
    time = 0
    const dealt = planRoster(two, { solve: nothing, now: () => (time += 0.001) })
    const choices = dealt.outfits.map(({ choices: own }) => own['headgear'])
    expect([...choices].sort()).toEqual(['fine', 'plain'])
    const [has, lacks] = choices[0] === 'fine' ? ['a', 'b'] : ['b', 'a']
    expect(gaveUpIn(two, dealt).get(lacks)).toEqual([
      { slot: 'headgear', candidate: 'fine', points: 10_000, holders: [has] },
    ])
    expect(gaveUpIn(two, dealt).get(has)).toEqual([])
    expect(comesFrom(two, dealt).get(has)).toEqual([{ part: 'fine', qty: 1, seller: null }])
    expect(comesFrom(two, dealt).get(lacks)).toEqual([{ part: 'plain', qty: 1, seller: 's' }])
  })
})
