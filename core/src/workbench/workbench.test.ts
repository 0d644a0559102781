import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { mainColour, type Placement, type Slot } from '../catalogue/index.ts'
import { emptyBrief } from '../brief/index.ts'
import { allot, type Asking, contestedParts, shareOut } from '../allotment/index.ts'
import { type Drawer } from '../drawer/index.ts'
import { worldCatalogue } from '../test/world.ts'
import { alikeParts, apartness } from '../parts/index.ts'
import { armyFaces, type ArmyHead, armyNames, armyOf, armyWears, mostFaces } from '../teams/index.ts'
import { buildable, type Candidate } from './buildable.ts'
import { leftovers } from './leftovers.ts'
import { buildingSteps, firstToMind, levelFor } from './steps.ts'

const catalogue = worldCatalogue()
const parts = [...catalogue.parts.values()]
const ofKind = (kind: string) => parts.filter((part) => catalogue.moulds.get(part.mould)!.kind === kind)
const placed = (slot: Slot, part: string, order = 0): Placement => ({ slot, part, order, turned: false })
const [hat, otherHat] = ofKind('headgear')
const [head] = ofKind('head')
const [cape, shawl] = ofKind('neck')

describe('parts alike', () => {
  test('are 0 apart under another code, and further the less they look the same; never of another kind', () => {
    const twin = { ...hat!, code: 'TWIN' }
    expect(apartness(hat!, twin, catalogue)).toBe(0)
    expect(apartness(hat!, head!, catalogue)).toBeNull()
    expect(alikeParts(hat!, [otherHat!, head!, twin, hat!], catalogue)[0]).toEqual({ part: 'TWIN', apart: 0 })
    for (const { apart, part } of alikeParts(hat!, parts, catalogue)) {
      expect(part).not.toBe(hat!.code)
      expect(apart).toBeLessThan(60)
    }
  })
})

describe('an army', () => {
  const head = fc.record({
    part: fc.constantFrom('A', 'B', 'C', 'D'),
    spare: fc.integer({ min: 0, max: 2 }),
    price: fc.option(fc.integer({ min: 1, max: 9 }), { nil: null }),
  })
  const heads = fc
    .uniqueArray(head, { selector: (one) => one.part })
    .map((list) => list.map((one): ArmyHead => ({ ...one, face: one.part === 'D' ? 'A' : one.part })))

  /** The least an army of so many can cost, by trying all. */
  const cheapest = (members: number, alike: number, list: readonly ArmyHead[]): number | null => {
    let best: number | null = null
    const visit = (at: number, left: number, cost: number, faces: Record<string, number>) => {
      if (left === 0) best = best === null ? cost : Math.min(best, cost)
      const one = list[at]
      if (left === 0 || !one) return
      for (let n = 0; n <= Math.min(left, alike - (faces[one.face] ?? 0)); n++) {
        const bought = Math.max(0, n - one.spare)
        if (bought > 0 && one.price === null) break
        visit(at + 1, left - n, cost + bought * (one.price ?? 0), { ...faces, [one.face]: (faces[one.face] ?? 0) + n })
      }
    }
    visit(0, members, 0, {})
    return best
  }

  test('has the cheapest heads the rule allows, or none', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 4 }), fc.integer({ min: 1, max: 3 }), heads, (members, alike, list) => {
        const chosen = armyFaces(members, alike, list)
        expect(chosen?.reduce((sum, { price }) => sum + price, 0) ?? null).toBe(cheapest(members, alike, list))
        expect(chosen !== null).toBe(members <= mostFaces(alike, list))
        const worn = new Map<string, number>()
        for (const { part } of chosen ?? [])
          worn.set(part === 'D' ? 'A' : part, (worn.get(part === 'D' ? 'A' : part) ?? 0) + 1)
        expect([...worn.values()].every((count) => count <= alike)).toBe(true)
      }),
    )
  })

  test('counts the face that is worn already', () => {
    const list = [{ part: 'A', face: 'A', spare: 5, price: null }]
    expect(armyFaces(1, 1, list, ['A'])).toBeNull()
    expect(armyFaces(1, 2, list, ['A'])).toHaveLength(1)
    expect([mostFaces(1, list, ['A']), mostFaces(3, list, ['A'])]).toEqual([0, 2])
  })
})

describe('what an army needs', () => {
  const wears = [
    placed('head', 'H'),
    placed('handLeft', 'M'),
    placed('handRight', 'M'),
    { ...placed('beside', 'X'), altered: [{ kind: 'by-others' as const, note: '' }] },
  ]
  const heads = ['H', 'G', 'I'].map((code) => ({ ...head!, code, print: `face ${code}` }))
  const ask = (spare: Record<string, number>, alike = 1) =>
    armyOf({ placements: wears, count: 3, alike, heads, spare, priceOf: (part) => (part === 'M' ? null : 30) })

  test('is what the others wear, copies by others aside, owned first', () => {
    expect(ask({ M: 3, G: 1 })).toEqual({
      count: 3,
      alike: 1,
      most: 3,
      faces: [
        { part: 'G', from: 'spare', price: 0 },
        { part: 'I', from: 'buy', price: 30 },
      ],
      needs: [{ part: 'M', need: 4, owned: 3, toBuy: 1, price: null }],
      price: 30,
      unoffered: ['M'],
      complete: 1,
    })
    expect(ask({ M: 4, G: 1, I: 1 }).complete).toBe(2)
  })

  test('is worn with other heads as they are sold, and what was altered is still to be done', () => {
    const altered = [{ kind: 'painted' as const, colour: 'tar', note: '', final: true as const }]
    const first = [
      { ...placed('head', 'H'), turned: true, altered },
      { ...placed('torso', 'T'), altered },
    ]
    expect(armyWears(first, { part: 'G', from: 'buy', price: 1 })).toEqual([
      placed('head', 'G'),
      { ...placed('torso', 'T'), altered: [{ kind: 'painted', colour: 'tar', note: '' }] },
    ])
  })

  test('is named on from what nobody is called yet', () => {
    expect(armyNames('Ada', 2, new Set(['Ada 2']))).toEqual(['Ada 3', 'Ada 4'])
  })
})

describe('building steps', () => {
  const donor = {
    code: 'S1',
    name: 'Drummer',
    pieces: (
      ['head', 'torso', 'armRight', 'armLeft', 'handRight', 'handLeft', 'hips', 'legRight', 'legLeft'] as const
    ).map((slot) => ({ slot, part: `d-${slot}` })),
  }
  const piece = (...slots: Slot[]) => donor.pieces.filter(({ slot }) => slots.includes(slot))
  const context = { catalogue, donors: [donor], owned: {}, prices: {} }

  test('take a donor no further apart than what it gives asks for', () => {
    expect(levelFor(donor.pieces, piece('head'))).toBe(1)
    expect(levelFor(donor.pieces, piece('torso', 'armRight', 'armLeft', 'handRight', 'handLeft'))).toBe(1)
    expect(levelFor(donor.pieces, piece('handRight'))).toBe(2)
    expect(levelFor(donor.pieces, piece('torso', 'armRight', 'armLeft'))).toBe(2)
    expect(levelFor(donor.pieces, piece('armRight'))).toBe(3)
    expect(levelFor(donor.pieces, piece('legLeft'))).toBe(4)
  })

  test('come in the order one builds in: arms before hands, neck from the bottom, headgear after the head', () => {
    const placements = [
      placed('headgear', hat!.code),
      placed('neck', shawl!.code, 1),
      placed('neck', cape!.code, 0),
      placed('handRight', 'h'),
      placed('feet', 'f'),
      placed('torso', 't'),
      placed('armRight', 'a'),
      placed('head', head!.code),
      placed('legLeft', 'l'),
      placed('beside', 'nowhere'),
    ]
    const sources = placements.map(({ part }) => (part === 'nowhere' ? null : { donor: null }))
    const steps = buildingSteps(placements, sources, context)
    expect(steps.map(({ key }) => key)).toEqual(['legs', 'arms', 'hands', 'torso', 'neck', 'head', 'hair', 'feet'])
    expect(steps.find(({ key }) => key === 'neck')!.pieces.map(({ part }) => part)).toEqual([cape!.code, shawl!.code])
    expect(steps.find(({ key }) => key === 'arms')!.cautions).toEqual(['arms'])
  })

  test('pull arms with the caution and what the torso is worth, and leave alone what stays joined', () => {
    const worn = piece('torso', 'armLeft', 'handLeft').map(({ slot, part }) => placed(slot, part))
    const steps = buildingSteps(
      [...worn, placed('armRight', 'other')],
      [...worn.map(() => ({ donor: 'S1' })), { donor: null }],
      {
        ...context,
        prices: { 'd-torso': 900 },
      },
    )
    expect(steps[0]).toMatchObject({
      key: 'donor S1',
      title: 'Take Drummer apart: pull the arms',
      cautions: ['arms'],
      atRisk: 900,
      care: expect.arrayContaining(['dear', 'stress', 'only-one']),
    })
    expect(steps.find(({ key }) => key === 'arms')!.pieces).toEqual([{ part: 'other', slot: 'armRight' }])
    expect(steps.some(({ key }) => key === 'hands')).toBe(false)
    expect(firstToMind(steps).map(({ key }) => key)).toContain('donor S1')
  })

  test('name what is altered for good, with its cautions', () => {
    const painted = { ...placed('head', head!.code), altered: [{ kind: 'painted' as const, colour: 'tar', note: '' }] }
    const [step] = buildingSteps([painted], [{ donor: null }], { ...context, owned: { [head!.code]: 3 } })
    expect(step).toMatchObject({
      title: 'Alter it for good: painted',
      cautions: ['solvents', 'declare'],
      care: ['stress'],
    })
  })
})

describe('who has what', () => {
  const drawer: Drawer = { loose: { [hat!.code]: 1, [otherHat!.code]: 1 }, donors: [] }
  const asking = (...hats: string[]): (Asking & { id: string; name: string; brief: null })[] =>
    hats.map((code, i) => ({
      id: `o${i}`,
      name: `Outfit ${i}`,
      brief: null,
      level: 4,
      placements: [placed('headgear', code)],
    }))
  const shared = (list: ReturnType<typeof asking>): Candidate[] => shareOut(drawer, list).map((one) => ({ ...one }))

  test('tells of what two count on: who has it, why, and the ways out', () => {
    const twin = { ...otherHat!, code: 'TWIN', mould: hat!.mould, colours: hat!.colours, print: hat!.print }
    const more = { ...catalogue, parts: new Map([...catalogue.parts, ['TWIN', twin]]) }
    const list = shared(asking(hat!.code, hat!.code))
    const [contested] = contestedParts(list, { TWIN: 1, [otherHat!.code]: 1 }, () => 250, more)
    expect(contested).toMatchObject({
      part: hat!.code,
      has: [{ id: 'o0', name: 'Outfit 0', why: 'first', qty: 1 }],
      lacks: [{ id: 'o1', name: 'Outfit 1', qty: 1 }],
      equal: ['TWIN'],
      price: 250,
    })
    expect(contestedParts(shared(asking(hat!.code, 'gone')), {}, () => null, catalogue)).toEqual([])
  })

  test('says that something was promised, and leaves alone what only stands', () => {
    const [one, other] = asking(hat!.code, hat!.code)
    const promised = allot(drawer, [one!, { ...other!, promised: { [hat!.code]: 1 } }], {
      priceOf: () => null,
      solve: () => ({ status: 'unknown', values: null, bound: -Infinity }),
    })
    expect(contestedParts(promised.shares, {}, () => null, catalogue)[0]!.has).toMatchObject([
      { id: 'o1', why: 'promised' },
    ])
    const three = [one!, { ...other!, standing: { [hat!.code]: 1 } }, { ...one!, id: 'o2' }]
    expect(contestedParts(shareOut(drawer, three), {}, () => null, catalogue)[0]!.has).toMatchObject([
      { id: 'o0', why: 'first' },
      { id: 'o1', why: 'stands' },
    ])
    // What only stands built is nobody's to hand over.
    expect(contestedParts(shareOut({ loose: {}, donors: [] }, three.slice(0, 2)), {}, () => null, catalogue)).toEqual(
      [],
    )
  })

  test('could be built: complete first, then what others count on, then what lacks a part', () => {
    const list = shared(asking(hat!.code, hat!.code, 'gone', otherHat!.code))
    const found = buildable(list, list, drawer, { [otherHat!.code]: 1 }, catalogue)
    expect(found.map(({ id, nearness, others }) => [id, nearness, others])).toEqual([
      ['o0', 'complete', []],
      ['o3', 'complete', []],
      ['o1', 'before-others', ['Outfit 0']],
      ['o2', 'lacks-one', []],
    ])
  })

  test('what is ordered is on its way, and not lacking', () => {
    const arriving = (...parcels: (string | null)[]) => ({ arriving: parcels })
    const [one, two] = shared(asking('gone', 'gone'))
    const both = {
      ...two!,
      placements: [...two!.placements, placed('neck', 'gone too')],
      sources: [...two!.sources, null],
    }
    const told = (list: Parameters<typeof buildable>[0]) =>
      buildable(list, list, drawer, {}, catalogue).map(({ id, nearness, lacks, coming }) => [
        id,
        nearness,
        lacks.length,
        coming.length,
      ])
    expect(
      told([
        { ...both, ...arriving('p1', null) },
        { ...one!, ...arriving('p1') },
      ]),
    ).toEqual([
      ['o0', 'on-its-way', 0, 1],
      ['o1', 'lacks-one', 1, 1],
    ])
    expect(told([{ ...both, ...arriving('p1', 'p2') }])).toEqual([['o1', 'on-its-way', 0, 2]])
    expect(told([both])).toEqual([['o1', 'lacks-more', 2, 0]])
  })

  test('weighs what is worn instead by what the brief wishes for', () => {
    const brief = {
      ...emptyBrief(),
      wishes: [
        {
          place: 'headgear' as const,
          trait: 'colour',
          target: mainColour(catalogue, hat!)!.hex,
          weight: 'must' as const,
        },
      ],
    }
    const far = ofKind('headgear').find(
      (part) => (apartness(hat!, part, catalogue) ?? 99) > 40 && part.colours[0] !== hat!.colours[0],
    )!
    const list = shareOut({ loose: {}, donors: [] }, asking(hat!.code)).map((one) => ({ ...one, brief }))
    const [found] = buildable(list, list, { loose: {}, donors: [] }, { [far.code]: 1 }, catalogue)
    expect(found!.nearness).toBe('lacks-one')
    expect(found!.likeness!.built).toBeLessThan(found!.likeness!.planned)
  })
})

describe('leftovers', () => {
  test('are what nobody counts on, the dearest first, with whom they would help', () => {
    const lies = (part: string, qty: number) => ({ part, bin: 'B1', condition: 'used' as const, qty })
    const outfits = [{ name: 'Ada', placements: [placed('head', 'B')], sources: [null] }]
    expect(
      leftovers([lies('A', 3), lies('B', 1), lies('C', 2), lies('D', 1)], { A: 1, D: 1 }, outfits, (part) =>
        part === 'C' ? null : part === 'A' ? 10 : 50,
      ),
    ).toEqual([
      { part: 'B', bin: 'B1', condition: 'used', qty: 1, worth: 50, usefulFor: ['Ada'] },
      { part: 'A', bin: 'B1', condition: 'used', qty: 2, worth: 20, usefulFor: [] },
      { part: 'C', bin: 'B1', condition: 'used', qty: 2, worth: null, usefulFor: [] },
    ])
  })

  test('of what was brought in are no more than came, however many lie there', () => {
    const lying = [
      { part: 'A', bin: 'B1', condition: 'used' as const, qty: 5 },
      { part: 'B', bin: 'B1', condition: 'new' as const, qty: 2 },
    ]
    const left = leftovers(lying, { A: 1 }, [], () => 10, { A: 2 })
    expect(left.map(({ part, qty, worth }) => [part, qty, worth])).toEqual([['A', 2, 20]])
  })
})
