import { expect, test } from '@jest/globals'
import { releasesOf } from './releasesOf.ts'

const provenance = {
  components: [
    { assembly: 'DRESSED', slot: 'torso', part: 'T' },
    { assembly: 'DRESSED', slot: 'handRight', part: 'H' },
    { assembly: 'LOOSE', slot: 'torso', part: 'U' },
  ],
  figureParts: [
    { figure: 'F1', slot: 'torso', part: 'T' },
    { figure: 'F1', slot: 'handRight', part: 'H' },
    { figure: 'F2', slot: 'torso', part: 'T' },
    { figure: 'F2', slot: 'handLeft', part: 'H' },
    { figure: 'F3', slot: 'head', part: 'N' },
  ],
  contents: [
    { release: 'Q1', kind: 'figure', code: 'F1' },
    { release: 'Q2', kind: 'figure', code: 'F1' },
    { release: 'Q2', kind: 'figure', code: 'F2' },
    { release: 'Q3', kind: 'figure', code: 'F2' },
    { release: 'Q3', kind: 'part', code: 'LOOSE' },
  ],
} as const

const found = releasesOf(provenance)
const of = (part: string) => [...(found.get(part) ?? [])].sort()

test('a part comes in every release that has a figure with it', () => {
  expect(of('T')).toEqual(['Q1', 'Q2', 'Q3'])
  expect(of('H')).toEqual(['Q1', 'Q2', 'Q3'])
})

test('an assembly comes only with figures that wear all of it, each part in its slot', () => {
  expect(of('DRESSED')).toEqual(['Q1', 'Q2'])
})

test('a loose assembly brings its components', () => {
  expect(of('LOOSE')).toEqual(['Q3'])
  expect(of('U')).toEqual(['Q3'])
})

test('a figure in no release brings nothing', () => {
  expect(found.has('N')).toBe(false)
})
