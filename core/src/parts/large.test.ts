import { beforeAll, describe, expect, test } from '@jest/globals'
import { fileURLToPath } from 'node:url'
import { LAYER_KINDS, SILHOUETTES } from '../mannequin/index.ts'
import type { PartKind } from '../catalogue/index.ts'

interface Large {
  colours: { code: string }[]
  moulds: { code: string; kind: PartKind; silhouette: string }[]
  prints: { code: string; kind: PartKind; front: string; back: string }[]
  parts: { code: string; mould: string; colours: string; print: string; year: number }[]
  components: { assembly: string; slot: string; part: string }[]
  figures: { code: string; year: number }[]
  'figure-parts': { figure: string; slot: string; part: string; order: number }[]
  releases: { code: string; year: number }[]
  'release-contents': { release: string; kind: 'part' | 'figure'; code: string; qty: number }[]
}

const SIZE = { parts: 900, figures: 220, releases: 300 }
let make: (options: object) => Large
let world: Large
beforeAll(async () => {
  const file = fileURLToPath(new URL('../../../demo/large.mjs', import.meta.url))
  ;({ largeCatalogue: make } = (await import(file)) as { largeCatalogue: typeof make })
  world = make(SIZE)
})

const codes = (rows: readonly { code: string }[]) => new Set(rows.map(({ code }) => code))

describe('a large catalogue', () => {
  test('has the size asked for, each code once', () => {
    expect([world.parts.length, world.figures.length, world.releases.length]).toEqual(Object.values(SIZE))
    for (const table of ['moulds', 'prints', 'parts', 'figures', 'releases'] as const)
      expect(codes(world[table]).size).toBe(world[table].length)
  })

  test('is the same for a seed and another for another', () => {
    expect(make(SIZE)).toEqual(world)
    expect(make({ ...SIZE, seed: 2 }).parts).not.toEqual(world.parts)
  })

  test('refers only to what it holds', () => {
    const [colours, moulds, prints, parts] = [world.colours, world.moulds, world.prints, world.parts].map(codes)
    for (const part of world.parts) {
      expect(moulds!.has(part.mould)).toBe(true)
      expect(part.print === '' || prints!.has(part.print)).toBe(true)
      for (const colour of part.colours.split(';')) expect(colours!.has(colour)).toBe(true)
    }
    for (const { assembly, part } of world.components) expect(parts!.has(assembly) && parts!.has(part)).toBe(true)
    for (const { part } of world['figure-parts']) expect(parts!.has(part)).toBe(true)
    const things = { part: parts!, figure: codes(world.figures) }
    for (const { kind, code } of world['release-contents']) expect(things[kind].has(code)).toBe(true)
  })

  test('can be drawn', () => {
    for (const { kind, silhouette } of world.moulds)
      if (SILHOUETTES[kind]) expect(SILHOUETTES[kind]).toContain(silhouette)
    for (const { kind, front, back } of world.prints)
      for (const layer of [...(JSON.parse(front) as { kind: string }[]), ...(JSON.parse(back) as { kind: string }[])])
        expect(LAYER_KINDS[kind]).toContain(layer.kind)
  })

  test('knows no figure older than its parts, and no release older than what is in it', () => {
    const year = new Map([...world.parts, ...world.figures, ...world.releases].map((row) => [row.code, row.year]))
    for (const { figure, part } of world['figure-parts']) expect(year.get(part)!).toBeLessThanOrEqual(year.get(figure)!)
    for (const { release, code } of world['release-contents'])
      expect(year.get(code)!).toBeLessThanOrEqual(year.get(release)!)
  })

  test('puts every figure into a release', () => {
    const inside = new Set(world['release-contents'].map(({ code }) => code))
    for (const { code } of world.figures) expect(inside.has(code)).toBe(true)
  })

  test('dresses each slot once and hands in the skin of the head', () => {
    const worn = new Set<string>()
    for (const { figure, slot, order } of world['figure-parts']) {
      expect(worn.has(`${figure} ${slot} ${order}`)).toBe(false)
      worn.add(`${figure} ${slot} ${order}`)
    }
    const colour = new Map(world.parts.map(({ code, colours }) => [code, colours]))
    const at = (figure: string, slot: string) =>
      colour.get(world['figure-parts'].find((row) => row.figure === figure && row.slot === slot)!.part)
    for (const { code } of world.figures.slice(0, 40)) expect(at(code, 'handLeft')).toBe(at(code, 'head'))
  })
})
