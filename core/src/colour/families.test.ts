import { expect, test } from '@jest/globals'
import { STARTER_COLOURS } from '../starter/index.ts'
import { FAMILIES, familyNamed } from './index.ts'

test('families are known by what they are called in any language, ours as they are', () => {
  for (const family of FAMILIES) expect(familyNamed(family)).toBe(family)
  for (const { family } of STARTER_COLOURS) expect(familyNamed(family)).toBe(family)
  for (const word of ['Haut', 'Hautfarben', 'flesh', 'peau', 'piel', 'pelle', 'huid', 'pele', 'Dark Skin'])
    expect([word, familyNamed(word)]).toEqual([word, 'skin'])
  expect(['Rot', 'gray', 'VERT', 'niebieski'].map(familyNamed)).toEqual(['red', 'grey', 'green', 'blue'])
})

test('a family of somebody’s own stays as it is written', () => {
  for (const own of ['Sunset mix', 'gold', 'rainbow', '']) expect(familyNamed(own)).toBe(own)
})
