import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { takeFrom } from '../allotment/index.ts'
import { piecesWorn, slotsFilled, type Placement } from '../catalogue/index.ts'
import { emptyBrief, likenessOf, type Brief, type BriefWish } from '../brief/index.ts'
import { partNamed, takeOf, worldCatalogue } from '../test/world.ts'
import { blocksIn } from './blocks.ts'
import { inPieces } from './inPieces.ts'
import { placementFaults, shift, takeOff, wear } from './wear.ts'
import { followMade, keepMade, piecesOfMade, wearMade, type Wearable } from './wearMade.ts'

const catalogue = worldCatalogue()
const code = (name: string, colour: string) => partNamed(name, colour).code
const ROD = code('Round rod', 'Oak')
const JEWEL = code('Cut jewel', 'Clear Honey')
const HORN = code('Curved horn', 'Brass')
const at = (part: string, more = {}) => ({ part, x: 0, y: 0, turn: 0, mirrored: false, front: false, ...more })
const staff: Wearable = {
  id: 'staff',
  name: 'Staff',
  as: 'held',
  what: 'staff',
  bands: [{ name: 'String', colour: 'tar', x: 0, y: 0, toX: 4, toY: 9 }],
  pieces: [at(ROD), at(JEWEL, { y: -110, front: true }), at(HORN, { y: -90 }), at(HORN, { y: -90, mirrored: true })],
}
const pack: Wearable = { ...staff, id: 'pack', name: 'Pack', as: 'back', pieces: [at(ROD), at(JEWEL)] }
const boat: Wearable = { ...staff, id: 'boat', name: 'Boat', as: 'lower', height: 60, pieces: [at(ROD, { turn: 90 })] }

describe('something made of several parts', () => {
  test('takes the place of what the hand holds, piece by piece, and can be worn', () => {
    const before = takeOf('Odile, skipper')
    const after = wearMade(before, 'heldRight', staff)
    const held = after.filter(({ slot }) => slot === 'heldRight')
    expect(held.map(({ part, order }) => [part, order])).toEqual([
      [ROD, 0],
      [JEWEL, 1],
      [HORN, 2],
      [HORN, 3],
    ])
    expect(held.map(({ made }) => [made!.piece, made!.what, made!.bands?.length])).toEqual([
      [0, 'staff', 1],
      [1, undefined, undefined],
      [2, undefined, undefined],
      [3, undefined, undefined],
    ])
    expect(placementFaults(after, catalogue)).toEqual([])
    expect(() => wearMade(before, 'head', staff)).toThrow('Staff is worn as held and not as head.')
  })

  test('comes off as a whole, and is replaced by a part as a whole', () => {
    const bare = takeOff(takeOf('Odile, skipper'), 'heldRight')
    const held = wearMade(bare, 'heldRight', staff)
    expect(takeOff(held, 'heldRight', 2)).toEqual(bare)
    const oar = partNamed('Long oar', 'Coral')
    const swapped = wear(held, 'heldRight', oar, catalogue).filter(({ slot }) => slot === 'heldRight')
    expect(swapped.map(({ part, made }) => [part, made])).toEqual([[oar.code, undefined]])
  })

  test('lies in a stack as one thing', () => {
    const scarf = partNamed('Long scarf', 'Bottle')
    const stacked = wear(wearMade(wearMade([], 'neck', pack), 'neck', pack), 'neck', scarf, catalogue)
    const names = (list: readonly Placement[]) => blocksIn(list, 'neck').map(([first]) => first!.made?.name ?? 'scarf')
    expect(names(stacked)).toEqual(['Pack', 'Pack', 'scarf'])
    expect(placementFaults(stacked, catalogue)).toEqual([])
    // One of the orders within the second pack moves all of it.
    const moved = shift(stacked, 'neck', 3, 1)
    expect(names(moved)).toEqual(['Pack', 'scarf', 'Pack'])
    expect(moved.map(({ order }) => order).sort()).toEqual([0, 1, 2, 3, 4])
    expect(names(takeOff(moved, 'neck', 1))).toEqual(['scarf', 'Pack'])
  })

  test('as a body of one’s own takes the legs off, and is taken off by legs', () => {
    const sitting = wearMade(takeOf('Odile, skipper'), 'lower', boat)
    expect(sitting.filter(({ slot }) => ['hips', 'legRight', 'legLeft'].includes(slot))).toEqual([])
    expect([...slotsFilled(sitting, catalogue)]).toContain('lower')
    const leg = [...catalogue.parts.values()].find((p) => p.mould === 'M-LEGRF')!
    expect(wear(sitting, 'legRight', leg, catalogue).filter(({ made }) => made)).toEqual([])
  })

  test('is no garment: its pieces are seen by nobody who asks what is worn in a place', () => {
    const hair = partNamed('High bun', 'Copper')
    const odd = { ...pack, pieces: [at(hair.code)] }
    expect(piecesWorn(wearMade([], 'neck', odd), catalogue)).toEqual([])
    // One that comes to be known as an assembly keeps its place.
    const worn = wearMade([], 'neck', odd)
    expect(
      inPieces(
        worn,
        () => [{ slot: 'torso', part: 'P' }],
        (slot, part) => ({ ...worn[0]!, slot, part }),
      ),
    ).toEqual(worn)
  })

  test('is refused in a slot it is not worn in, beside another thing there, and with a string of no colour', () => {
    const held = piecesOfMade(staff, 'heldRight', 0)
    const faults = (list: readonly Placement[]) => placementFaults(list, catalogue).map(({ message }) => message)
    expect(faults(held.map((p) => ({ ...p, slot: 'face' as const })))).toContain(
      'Staff is worn as held and does not fit face',
    )
    const oar = { slot: 'heldRight' as const, part: code('Long oar', 'Coral'), order: 9, turned: false }
    expect(faults([...held, oar])).toContain('heldRight is filled twice')
    const bands = [{ ...staff.bands![0]!, colour: 'no such' }]
    expect(faults(piecesOfMade({ ...staff, bands }, 'heldRight', 0))).toContain('there is no colour no such')
  })

  test('follows its item, but for copies kept as they are; what was done to a piece stays with it', () => {
    const altered = [{ kind: 'trimmed' as const, share: 20, note: 'too long' }]
    const worn = wearMade(wearMade([], 'heldRight', staff), 'heldLeft', staff).map((placement) =>
      placement.part === ROD && placement.slot === 'heldRight' ? { ...placement, altered } : placement,
    )
    const kept = keepMade(worn, 'heldLeft', 0, true)
    const next = { ...staff, name: 'Short staff', pieces: [at(JEWEL), at(ROD, { y: 5 })] }
    const after = followMade(kept, next)
    const shape = (slot: string) =>
      after
        .filter((p) => p.slot === slot)
        .map(({ part, order, made, altered: done }) => [part, order, made!.name, done])
    expect(shape('heldRight')).toEqual([
      [JEWEL, 0, 'Short staff', undefined],
      [ROD, 1, 'Short staff', altered],
    ])
    expect(shape('heldLeft').map(([part]) => part)).toEqual([ROD, JEWEL, HORN, HORN])
    expect(followMade(keepMade(kept, 'heldLeft', 0, false), next).filter(({ made }) => made!.name === 'Staff')).toEqual(
      [],
    )
    expect(followMade(worn, { ...next, id: 'another' })).toBe(worn)
  })

  test('follows any change anywhere, and can still be worn', () => {
    const slots = { held: 'heldRight', beside: 'beside', back: 'neck', shoulders: 'neck', lower: 'lower' } as const
    const anyPieces = fc.array(
      fc.constantFrom(ROD, JEWEL, HORN).map((part) => at(part)),
      { minLength: 1, maxLength: 6 },
    )
    fc.assert(
      fc.property(
        fc.constantFrom('held', 'beside', 'back', 'shoulders', 'lower'),
        anyPieces,
        anyPieces,
        fc.nat(2),
        (as, before, after, more) => {
          const item = { ...staff, as, pieces: before }
          const others = as === 'back' || as === 'shoulders' ? more : 0
          let worn: readonly Placement[] = wearMade(takeOf('Odile, skipper'), slots[as], item)
          for (let i = 0; i < others; i++) worn = wearMade(worn, 'neck', { ...pack, as, id: `other ${i}` })
          const followed = followMade(worn, { ...item, pieces: after })
          expect(placementFaults(followed, catalogue)).toEqual([])
          const own = followed.filter(({ made }) => made?.item === item.id).map(({ part }) => part)
          expect(own).toEqual(after.map(({ part }) => part))
          expect(followed.length - worn.length).toBe(after.length - before.length)
        },
      ),
      { numRuns: 100 },
    )
  })

  test('counts as its pieces: two horns are owned or they are not', () => {
    const worn = wearMade([], 'heldRight', staff)
    const drawer = { loose: { [HORN]: 1, [JEWEL]: 3 }, donors: [], elsewhere: {} }
    const { sources } = takeFrom(drawer as never, worn, 4)
    expect(worn.filter((_, i) => sources[i] === null).map(({ part }) => part)).toEqual([ROD, HORN])
  })

  test('is what it is called where a brief wishes for it', () => {
    const wish = (trait: string, target: string): Brief => ({
      ...emptyBrief(),
      wishes: [{ place: 'held', trait, target, weight: 'must' } as BriefWish],
    })
    const worn = wearMade([], 'heldLeft', staff)
    const score = (brief: Brief, list: readonly Placement[]) => likenessOf(list, brief, catalogue).terms[0]!.score
    expect(score(wish('item', 'staff'), worn)).toBe(1)
    expect(score(wish('item', 'jewel'), worn)).toBe(0)
    expect(score(wish('item', 'staff'), wearMade([], 'heldLeft', { ...staff, what: 'bow' }))).toBe(0)
  })
})
