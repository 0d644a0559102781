import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { lightnessOf } from '../colour/index.ts'
import { worldTable } from '../test/world.ts'
import { coloursInText } from './coloursInText.ts'

const palette = worldTable('colours')
const named = (text: string) => coloursInText(text, palette).map(({ code }) => code)
const familyOf = (code: string) => palette.find((colour) => colour.code === code)!.family

describe('names of the palette', () => {
  test('are found by name and by code, in the order they stand', () => {
    expect(named('Jacket, Quay Blue with Brass buttons')).toEqual(['quay-blue', 'brass'])
    expect(named('quay-blue jacket')).toEqual(['quay-blue'])
  })

  test('the longest wins over what it contains', () => {
    expect(named('Plum Skin')).toEqual(['plum-skin'])
    expect(named('Clear Honey lantern')).toEqual(['clear-honey'])
  })

  test('are whole words only', () => {
    expect(named('Oatmeal, tarred, unripened')).toEqual([])
  })

  test('every colour is found by its name anywhere in a text', () => {
    fc.assert(
      fc.property(fc.constantFrom(...palette), fc.constantFrom('', 'hat in ', 'a very '), (colour, before) => {
        expect(coloursInText(`${before}${colour.name} thing`, palette)).toEqual([
          { code: colour.code, words: colour.name.toLowerCase(), exact: true },
        ])
      }),
    )
  })
})

describe('plain words', () => {
  test('stand for a colour of their family', () => {
    for (const word of ['red', 'blue', 'green', 'yellow', 'orange', 'brown', 'pink', 'purple', 'grey']) {
      const [found] = coloursInText(`${word} torso`, palette)
      expect([word, found && familyOf(found.code), found?.exact]).toEqual([word, word, false])
    }
  })

  test('dark and light take the darker and the lighter of the family', () => {
    const light = (text: string) => lightnessOf(palette.find(({ code }) => code === named(text)[0])!.hex)
    expect(light('dark blue')).toBeLessThan(light('blue'))
    expect(light('blue')).toBeLessThan(light('light blue'))
    expect(light('pale green')).toBeGreaterThan(light('dark green'))
  })

  test('a finish is kept where the family has it', () => {
    const finishOf = (text: string) => palette.find(({ code }) => code === named(text)[0])!.finish
    expect(finishOf('clear blue')).toBe('clear')
    expect(finishOf('gold')).toBe('metal')
    expect(finishOf('silver')).toBe('metal')
    expect(finishOf('blue')).toBe('solid')
  })

  test('several in one text are told apart', () => {
    expect(named('black and white stripes')).toEqual(['tar', expect.any(String)])
    expect(familyOf(named('black and white stripes')[1]!)).toBe('white')
  })
})

test('a text without colours, and a palette without any, give none', () => {
  expect(named('plain sleeve')).toEqual([])
  expect(coloursInText('Quay Blue, red', [])).toEqual([])
})

test('any text at all is read without a fault', () => {
  fc.assert(fc.property(fc.string({ unit: 'binary' }), (text) => void coloursInText(text, palette)))
})
