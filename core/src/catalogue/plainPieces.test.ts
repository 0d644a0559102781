import { expect, test } from '@jest/globals'
import { SLOT_FACTS } from '../anatomy/index.ts'
import { worldCatalogue } from '../test/world.ts'
import { plainPieces } from './plainPieces.ts'
import { isAssembled } from './printKinds.ts'

test('every assembly of the demo world comes apart into pieces that fit their slots, and nothing else does', () => {
  const moulds = [...worldCatalogue().moulds.values()]
  for (const mould of moulds) {
    const pieces = plainPieces(mould, moulds)
    expect(pieces.length > 0).toBe(isAssembled(mould.kind))
    for (const { slot, mould: piece } of pieces) expect(SLOT_FACTS[slot].accepts).toContain(piece.kind)
    expect(new Set(pieces.map(({ slot }) => slot)).size).toBe(pieces.length)
  }
})

test('legs are taken in the length of the pair', () => {
  const moulds = [...worldCatalogue().moulds.values()]
  for (const pair of moulds.filter(({ kind }) => kind === 'leg-pair')) {
    const lengths = plainPieces(pair, moulds).flatMap(({ mould }) => mould.traits['length'] ?? [])
    expect(lengths).toEqual([pair.traits['length'], pair.traits['length']])
  }
})

test('a dressed torso has plain arms and mitts, whatever other hands there are', () => {
  const moulds = [...worldCatalogue().moulds.values()]
  const dressed = moulds.find(({ kind }) => kind === 'dressed-torso')!
  for (const order of [moulds, [...moulds].reverse()])
    expect(plainPieces(dressed, order).map(({ mould }) => mould.silhouette)).toEqual([
      'torso',
      'arm',
      'arm',
      'hand',
      'hand',
    ])
})

test('a piece nobody made is left out', () => {
  const moulds = [...worldCatalogue().moulds.values()].filter(({ kind }) => kind !== 'hand')
  const dressed = moulds.find(({ kind }) => kind === 'dressed-torso')!
  expect(plainPieces(dressed, moulds).map(({ slot }) => slot)).toEqual(['torso', 'armRight', 'armLeft'])
})
