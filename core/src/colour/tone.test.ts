import { expect, test } from '@jest/globals'
import { worldTable } from '../test/world.ts'
import { toneOf } from './tone.ts'

test('black is dark, white is light, and every palette colour has a tone', () => {
  expect([toneOf('#000000'), toneOf('#FFFFFF'), toneOf('#777777')]).toEqual(['dark', 'light', 'middle'])
  const tones = new Map(worldTable('colours').map(({ name, hex }) => [name, toneOf(hex)]))
  expect([tones.get('Tar'), tones.get('Chalk'), tones.get('Coral')]).toEqual(['dark', 'light', 'middle'])
})

test('what is no colour is told', () => {
  expect(() => toneOf('plaid')).toThrow('"plaid" is not a colour')
})
