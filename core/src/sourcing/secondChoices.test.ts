import { expect, test } from '@jest/globals'
import { catalogueOf, type Part } from '../catalogue/index.ts'
import { secondChoices } from './secondChoices.ts'

const colour = (code: string, hex: string) => ({ code, name: code, hex, family: 'blue', finish: 'solid' as const })
const mould = (code: string) =>
  ({
    code,
    name: code,
    kind: 'headgear',
    silhouette: 'crop',
    neckThickness: 0,
    height: 1,
    mass: 1,
    traits: {},
    connections: [],
    covers: [],
  }) as never
const part = (code: string, of: string, colours: string[]) =>
  ({
    code,
    name: code,
    mould: of,
    kind: 'headgear',
    colours,
    print: null,
    year: null,
    photo: null,
    components: [],
  }) as unknown as Part

const wanted = part('W', 'M-1', ['quay'])
const others = [
  part('plain', 'M-1', ['moss']),
  part('near', 'M-1', ['canal']),
  part('same', 'M-1', ['quay']),
  part('nearer', 'M-1', ['dusk']),
  part('shape', 'M-2', ['quay']),
]
const catalogue = catalogueOf({
  colours: [
    colour('quay', '#1F4E79'),
    colour('dusk', '#225180'),
    colour('canal', '#2A5C8C'),
    colour('moss', '#5B7F3A'),
  ],
  moulds: [mould('M-1'), mould('M-2')],
  prints: [],
  parts: [wanted, ...others],
})

test('parts of the same shape that hardly look different, the most alike first, each worth less by how it looks', () => {
  const found = secondChoices([wanted], others, catalogue).get('W')!
  expect(found.map((one) => one.part)).toEqual(['same', 'nearer', 'near'])
  expect(found[0]!.penalty).toBe(0)
  expect(found[1]!.penalty).toBeGreaterThan(0)
  expect(found[2]!.penalty).toBeGreaterThan(found[1]!.penalty)
})

test('never the part itself, and nothing where nothing is like it', () => {
  expect(secondChoices([wanted], [wanted, others[0]!], catalogue).get('W')).toEqual([])
})
