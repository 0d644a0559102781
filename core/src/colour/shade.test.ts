import { expect, test } from '@jest/globals'
import fc from 'fast-check'
import { wcagContrast } from 'culori'
import { isDeep, mix, readableOn } from './shade.ts'

test('mixing runs from one colour to the other', () => {
  expect(mix('#2F5D8A', '#FFFFFF', 0).toLowerCase()).toBe('#2f5d8a')
  expect(mix('#2F5D8A', '#FFFFFF', 1).toLowerCase()).toBe('#ffffff')
  expect(mix('#000000', '#FFFFFF', 0.5)).toMatch(/^#([0-9a-f]{2})\1\1$/)
})

test('text is dark on light ground and light on dark ground', () => {
  expect(readableOn('#FFFFFF')).toBe('#2A2730')
  expect(readableOn('#101010')).toBe('#FFFBF2')
})

test('text reads on any ground', () => {
  fc.assert(
    fc.property(fc.integer({ min: 0, max: 0xffffff }), (number) => {
      const ground = `#${number.toString(16).padStart(6, '0')}`
      expect(wcagContrast(ground, readableOn(ground))).toBeGreaterThanOrEqual(4.5)
    }),
  )
})

test('deep colours are those on which a darker line is lost', () => {
  expect(isDeep('#1B1A1F')).toBe(true)
  expect(isDeep('#E0A33B')).toBe(false)
  expect(isDeep('nothing')).toBe(false)
})
