import { expect, test } from '@jest/globals'
import { PART_KINDS } from './types.ts'
import { isAssembled, printFits, printKindOf } from './printKinds.ts'

test('an assembly takes the print of its main piece, a right limb that of the left', () => {
  expect(printKindOf('dressed-torso')).toBe('torso')
  expect(printKindOf('leg-pair')).toBe('leg-left')
  expect(printFits('arm-left', 'arm-right')).toBe(true)
  expect(printFits('arm-right', 'arm-left')).toBe(true)
  expect(printFits('torso', 'head')).toBe(false)
  expect(printFits('leg-left', 'arm-left')).toBe(false)
})

test('every kind takes prints of its own kind, and the kind of print is settled at once', () => {
  for (const kind of PART_KINDS) {
    expect(printFits(kind, kind)).toBe(true)
    expect(printKindOf(printKindOf(kind))).toBe(printKindOf(kind))
    expect(isAssembled(printKindOf(kind))).toBe(false)
  }
})
