import { expect, test } from '@jest/globals'
import type { Placement, Slot } from '../catalogue/index.ts'
import { worldCatalogue, withoutComponents } from '../test/world.ts'
import { inPieces } from './inPieces.ts'
import { placementFaults, wear } from './wear.ts'

const catalogue = worldCatalogue()
const unknown = withoutComponents(catalogue)
const plain = (slot: Slot, part: string): Placement => ({ slot, part, order: 0, turned: false })
const componentsOf = (code: string) => catalogue.parts.get(code)?.components ?? []
const wholes = [...catalogue.parts.values()].filter((part) => part.components.length > 0)
const slotOf = (kind: string): Slot => (kind === 'leg-pair' ? 'hips' : 'torso')

test('what was worn as one piece is worn as its pieces once they are known, as if it were put on then', () => {
  for (const part of wholes) {
    const slot = slotOf(catalogue.moulds.get(part.mould)!.kind)
    const before = wear([], slot, unknown.parts.get(part.code)!, unknown)
    const after = inPieces(before, componentsOf, plain)
    expect(placementFaults(after, catalogue)).toEqual([])
    expect(after).toEqual(wear([], slot, part, catalogue))
    // Once more changes nothing.
    expect(inPieces(after, componentsOf, plain)).toBe(after)
  }
})

test('another hand stays, and what was done to the whole stays with its main piece', () => {
  const torso = wholes.find(({ mould }) => catalogue.moulds.get(mould)!.kind === 'dressed-torso')!
  const hand = [...catalogue.parts.values()].find(({ mould }) => catalogue.moulds.get(mould)!.kind === 'hand')!
  const worn = [
    plain('handLeft', hand.code),
    { ...plain('torso', torso.code), turned: true, altered: [{ kind: 'print-removed' as const }] },
  ]
  const after = inPieces(worn, componentsOf, plain)
  expect(after.filter(({ slot }) => slot === 'handLeft')).toEqual([worn[0]])
  expect(after.find(({ slot }) => slot === 'torso')).toMatchObject({
    turned: true,
    altered: [{ kind: 'print-removed' }],
  })
  expect(after.filter(({ turned }) => turned)).toHaveLength(1)
})
