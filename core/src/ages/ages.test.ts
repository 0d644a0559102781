import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { placementFaults } from '../anatomy/index.ts'
import { mouldOf, type Part, type PartKind } from '../catalogue/index.ts'
import { pinsOf } from '../fitting/index.ts'
import { legLengthOf } from '../mannequin/index.ts'
import { partNamed, rosterFile, takeOf, worldCatalogue } from '../test/world.ts'
import { agedTo, FACE_AGES, faceAgeAt } from './aged.ts'
import { againstSamePerson } from './samePerson.ts'

const catalogue = worldCatalogue()
const ofKind = new Map<PartKind, Part[]>()
for (const part of catalogue.parts.values()) {
  const { kind } = mouldOf(catalogue, part)
  ofKind.set(kind, [...(ofKind.get(kind) ?? []), part])
}
const options = { catalogue, ofKind }
const traits = (part: Part) => catalogue.prints.get(part.print ?? '')?.traits ?? {}
const headOf = (placements: readonly { slot: string; part: string }[]) =>
  catalogue.parts.get(placements.find(({ slot }) => slot === 'head')!.part)!

describe('the same person at another age', () => {
  test('keeps the head while a face of that age is drawn so', () => {
    const odile = takeOf('Odile, skipper')
    const at45 = agedTo(odile, 45, options)
    expect([at45.head, at45.changed]).toEqual([null, []])
    expect(at45.placements).toEqual(odile)
    expect([0, 12, 13, 59, 60, 99].map(faceAgeAt)).toEqual(['child', 'child', 'adult', 'adult', 'old', 'old'])
  })

  test('in old age has the elder likeness of the head: the same skin, glasses and beard, and grey brows and hair', () => {
    const glasses = [...catalogue.parts.values()].find(
      (part) => part.print === 'D-FACE-GLASSES-CHESTNUT' && part.colours[0] === 'fawn',
    )!
    const tail = partNamed('High bun', 'Copper')
    const worn = [
      { slot: 'head' as const, part: glasses.code, order: 0, turned: true },
      { slot: 'headgear' as const, part: tail.code, order: 0, turned: false },
    ]
    const { placements, head, changed } = agedTo(worn, 71, options)
    const elder = headOf(placements)
    expect(elder.code).toBe(head)
    expect([elder.colours[0], traits(elder)['age'], traits(elder)['glasses']]).toEqual([
      glasses.colours[0],
      'old',
      'yes',
    ])
    const hair = catalogue.parts.get(placements.find(({ slot }) => slot === 'headgear')!.part)!
    expect([hair.mould, catalogue.colours.get(hair.colours[0]!)!.family]).toEqual([tail.mould, 'grey'])
    expect(changed.length).toBe(2)
    expect(againstSamePerson(glasses, elder, catalogue)).toEqual([])
  })

  test('as a child stands on short legs, and says what there is none of', () => {
    const { placements, stays } = agedTo(takeOf('Odile, skipper'), 6, options)
    const legs = placements.filter(({ slot }) => slot === 'legRight' || slot === 'legLeft')
    const lengths = legs.map(({ part }) => legLengthOf(mouldOf(catalogue, catalogue.parts.get(part)!)))
    expect(new Set(lengths).size).toBe(1)
    expect(lengths[0] === 'short' || stays.some((told) => told.startsWith('No legs of this colour'))).toBe(true)
    // No plum child’s face is made.
    const plum = [...catalogue.parts.values()].find(
      (part) =>
        mouldOf(catalogue, part).kind === 'head' && part.colours[0] === 'plum-skin' && traits(part)['age'] === 'adult',
    )!
    const aged = agedTo([{ slot: 'head', part: plum.code, order: 0, turned: false }], 8, options)
    expect([aged.head, aged.stays]).toEqual([null, ['No child’s face of this skin is made']])
  })

  test('of a pair of legs nobody has told the pieces of has the pair of that age', () => {
    const pair = (code: string, mould: string): Part => ({
      ...{ code, name: code, mould, colours: ['slate'], print: null, year: null, photo: null, components: [] },
    })
    const pairs = new Map(ofKind).set('leg-pair', [pair('FULL', 'M-PAIRF'), pair('SHORT', 'M-PAIRS')])
    const worn = [{ slot: 'hips' as const, part: 'FULL', order: 0, turned: false }]
    const told = (years: number) => agedTo(worn, years, { catalogue, ofKind: pairs })
    expect(told(5).placements.map(({ part }) => part)).toEqual(['SHORT'])
    expect(told(40).placements.map(({ part }) => part)).toEqual(['FULL'])
    expect(told(10).stays).toEqual(['No legs of this colour are made as middle ones'])
  })

  test('whoever it is and whatever the age, can be worn, keeps the skin, and stays so when aged to the same again', () => {
    const everybody = rosterFile().rosters.flatMap(({ characters }) =>
      characters.flatMap(({ outfits }) => outfits.flatMap(({ takes }) => takes.map(({ placements }) => placements))),
    )
    const withHeads = everybody.filter((worn) => worn.some(({ slot }) => slot === 'head'))
    fc.assert(
      fc.property(fc.constantFrom(...withHeads), fc.integer({ min: 0, max: 99 }), (worn, years) => {
        const aged = agedTo(worn, years, options)
        expect(placementFaults(aged.placements, catalogue)).toEqual([])
        expect(aged.placements.length).toBe(worn.length)
        expect(headOf(aged.placements).colours[0]).toBe(headOf(worn).colours[0])
        if (aged.head) expect(FACE_AGES).toContain(traits(headOf(aged.placements))['age'])
        expect(agedTo(aged.placements, years, options).head).toBeNull()
      }),
      { numRuns: 200 },
    )
  })
})

describe('a person no longer reads as the same', () => {
  const company = (head: Part, years: number, heads: { from: number; head: string }[]) => ({
    self: { outfit: 'a', name: 'Now', character: 'Bo', faction: '', stature: 'full' as const, years: 70, heads },
    others: [
      {
        ...{ outfit: 'b', name: 'Then', character: 'Bo', faction: '', stature: 'full' as const, years, heads },
        placements: [{ slot: 'head' as const, part: head.code, order: 0, turned: false }],
      },
    ],
  })
  const pinsFor = (now: Part, then: Part) =>
    pinsOf([{ slot: 'head', part: now.code, order: 0, turned: false }], {
      catalogue,
      free: {},
      company: company(then, 30, [
        { from: 0, head: then.code },
        { from: 60, head: now.code },
      ]),
    } as never)
      .filter(({ rule }) => rule === 'reads-as-same-person')
      .map(({ title, detail }) => [title, detail])

  test('of another skin, without its scar; grey brows are what age brings', () => {
    const scar = partNamed('Scar / scowl', 'Hazel')
    const old = partNamed('Old and kind / dozing', 'Umber')
    expect(pinsFor(old, scar)).toEqual([
      ['No longer reads as Bo', `Beside Then: skin Hazel against Umber; the scar is gone on ${old.name} · Umber`],
    ])
    const calm = partNamed('Calm / laughing', 'Shell')
    const kind = [...catalogue.parts.values()].find(
      (part) => traits(part)['age'] === 'old' && part.colours[0] === calm.colours[0],
    )!
    expect(pinsFor(kind, calm)).toEqual([])
  })
})
