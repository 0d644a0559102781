import { expect, test } from '@jest/globals'
import fc from 'fast-check'
import {
  catalogueOf,
  PART_KINDS,
  type Layer,
  type Mould,
  type Part,
  type PartKind,
  type Slot,
} from '../catalogue/index.ts'
import { drawDressed, drawFigure } from './drawFigure.ts'
import { LAYER_KINDS } from './layerKinds.ts'
import { layerFaults, layerSettings } from './layerSettings.ts'
import { SILHOUETTES } from './silhouettes.ts'
import { toSvg } from './toSvg.ts'

/** Words every object inherits, and words nobody foresaw. */
const NASTY = ['constructor', '__proto__', 'toString', 'hasOwnProperty', 'valueOf', '', ' ', '0', '<svg>', '\u0000']
const SLOT_OF: Partial<Record<PartKind, Slot>> = {
  headgear: 'headgear',
  head: 'head',
  face: 'face',
  neck: 'neck',
  torso: 'torso',
  'dressed-torso': 'torso',
  'arm-left': 'armLeft',
  'arm-right': 'armRight',
  hand: 'handLeft',
  wrist: 'wristLeft',
  waist: 'waist',
  hips: 'hips',
  'leg-left': 'legLeft',
  'leg-right': 'legRight',
  'leg-pair': 'legRight',
  lower: 'lower',
  feet: 'feet',
  held: 'heldLeft',
  beside: 'beside',
}
const word = fc.oneof(fc.constantFrom(...NASTY), fc.string({ maxLength: 12 }))
const kinds = PART_KINDS.filter((kind) => SLOT_OF[kind])

/** A mould and a print of one kind as JSON may state them, with settings the layers know and others. */
const entry = fc.constantFrom(...kinds).chain((kind) => {
  const layer = fc.oneof(fc.constantFrom(...(LAYER_KINDS[kind] ?? ['mark'])), word).chain((name) => {
    const settings = layerSettings(kind, name)
    const values = Object.values(settings?.words ?? {}).flat()
    const setting = fc.oneof(
      fc.constantFrom('colour', 'shape', 'digit', 'side', ...NASTY, ...Object.keys(settings?.words ?? {})),
      word,
    )
    const value = fc.oneof(fc.constantFrom('tar', 'oat', ...NASTY, ...values), word, fc.integer(), fc.boolean())
    return fc.array(fc.tuple(setting, value), { maxLength: 4 }).map((pairs): Layer => {
      return { ...Object.fromEntries(pairs), kind: name } as Layer
    })
  })
  return fc.record({
    kind: fc.constant(kind),
    silhouette: SILHOUETTES[kind] ? fc.constantFrom(...SILHOUETTES[kind]) : word,
    traits: fc.dictionary(word, word, { maxKeys: 3 }),
    front: fc.array(layer, { maxLength: 4 }),
    back: fc.array(layer, { maxLength: 2 }),
    name: word,
  })
})
const COLOURS = ['tar', 'oat', 'constructor'].map((code) => ({
  code,
  name: code,
  hex: '#303030',
  family: 'black',
  finish: 'solid' as const,
}))
const isColour = (code: string) => COLOURS.some((colour) => colour.code === code)

test('whatever mould and print may be saved can be drawn, from both sides', () => {
  fc.assert(
    fc.property(fc.array(entry, { minLength: 1, maxLength: 5 }), (entries) => {
      const good = entries.map(({ front, back, ...rest }) => {
        const taken = (layers: Layer[]) =>
          layers.filter((layer) => layerFaults(rest.kind, layer, isColour).length === 0)
        return { ...rest, front: taken(front), back: taken(back) }
      })
      const moulds = good.map(({ kind, silhouette, traits }, i) => ({
        code: `M${i}`,
        name: `M${i}`,
        kind,
        silhouette,
        neckThickness: 0,
        height: 0,
        mass: 1,
        connections: [],
        covers: [],
        traits,
      })) as unknown as Mould[]
      const prints = good.map(({ kind, front, back, traits, name }, i) => ({
        code: `D${i}`,
        name,
        kind,
        front,
        back,
        traits,
      }))
      const parts = good.map(({ name }, i) => ({
        code: `P${i}`,
        name,
        mould: `M${i}`,
        kind: good[i]!.kind,
        colours: ['constructor', '__proto__'],
        print: `D${i}`,
        year: null,
        components: [],
      })) as unknown as Part[]
      const catalogue = catalogueOf({ colours: COLOURS, moulds, prints, parts })
      const placements = good.map(({ kind }, i) => ({ slot: SLOT_OF[kind]!, part: `P${i}`, order: i, turned: false }))
      for (const view of ['front', 'back'] as const) {
        const drawing = drawDressed(placements, catalogue, { view })
        expect(toSvg(drawing, { title: 'x' })).not.toMatch(/NaN|undefined|function|\[native/)
      }
    }),
    { numRuns: 300 },
  )
})

test('words outside their choices and colours nobody has are refused by setting', () => {
  const faults = (layer: Layer, kind: PartKind = 'torso') =>
    layerFaults(kind, layer, isColour).map(({ setting, reason }) => `${setting}: ${reason}`)
  expect(faults({ kind: 'number', digit: 'constructor', colour: 'tar' })).toEqual([
    'digit: digit of layer "number" must be one of 1, 2, 3, 4, 5, 6, 7, 8; it is "constructor"',
  ])
  expect(faults({ kind: 'mark', shape: '__proto__' }, 'headgear')[0]).toMatch(
    /^shape: shape of layer "mark" must be one of/,
  )
  expect(faults({ kind: 'stripes', colour: 'puce' })).toEqual([
    'colour: colour of layer "stripes": there is no colour "puce"',
  ])
  expect(faults({ kind: 'constructor' })).toEqual(['kind: layer "constructor" is not known for torso'])
  expect(faults({ kind: 'number', digit: 3, colour: 'tar', note: 'ours' } as Layer)).toEqual([])
})

test('a figure that cannot be drawn is the plain doll with a mark, not a fault of its shelf', () => {
  const placements = [{ slot: 'torso' as const, part: 'P', order: 0, turned: false }]
  const broken = catalogueOf({ colours: [], moulds: [], prints: [], parts: [{ code: 'P', mould: 'gone' } as Part] })
  expect(() => drawDressed(placements, broken)).toThrow('gone')
  const drawing = drawFigure(placements, broken)
  expect(drawing.undrawable).toContain('gone')
  const doll = drawFigure([], broken)
  expect(drawing.shapes.slice(0, doll.shapes.length)).toEqual(doll.shapes)
  expect(drawing.shapes.length).toBeGreaterThan(doll.shapes.length)
})
