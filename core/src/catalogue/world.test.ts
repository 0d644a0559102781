import { describe, expect, test } from '@jest/globals'
import { spawnSync } from 'node:child_process'
import { fileURLToPath } from 'node:url'
import { placementFaults } from '../anatomy/index.ts'
import { TABLES, type TableName } from '../tables/index.ts'
import { pinsOf } from '../fitting/index.ts'
import { rosterFile, worldCatalogue, worldTable } from '../test/world.ts'
import { catalogueOf, mainColour, mouldOf, partLabel } from './catalogueOf.ts'
import { groupBy } from '../base/index.ts'

const catalogue = worldCatalogue()
const root = fileURLToPath(new URL('../../../', import.meta.url))

describe('the sample world', () => {
  test('is what its author script writes', () => {
    const { status, stderr } = spawnSync(process.execPath, ['demo/author/write.mjs', '--check'], {
      cwd: root,
      encoding: 'utf8',
    })
    expect([status, stderr]).toEqual([0, ''])
  })

  test('has the size it promises', () => {
    const size = (table: TableName) => worldTable(table).length
    expect(size('colours')).toBeGreaterThanOrEqual(48)
    expect(size('moulds')).toBeGreaterThanOrEqual(110)
    expect(size('prints')).toBeGreaterThanOrEqual(150)
    expect(size('parts')).toBeGreaterThanOrEqual(500)
    expect(size('figures')).toBeGreaterThanOrEqual(70)
    expect(size('releases')).toBeGreaterThanOrEqual(16)
    const kinds = worldTable('prints').map(({ kind }) => kind)
    const of = (kind: string) => kinds.filter((one) => one === kind).length
    expect(of('head')).toBeGreaterThanOrEqual(50)
    expect(of('torso')).toBeGreaterThanOrEqual(50)
    expect(of('leg-left') + of('hips')).toBeGreaterThanOrEqual(30)
    const [cases] = new Set(worldTable('case-contents').map(({ release }) => release))
    expect(worldTable('case-contents').filter(({ release }) => release === cases)).toHaveLength(12)
    const years = new Set(worldTable('releases').map(({ year }) => year))
    expect(Math.max(...years) - Math.min(...years)).toBeGreaterThanOrEqual(12)
    expect(size('offers')).toBeGreaterThanOrEqual(2400)
    const sellers = worldTable('sellers')
    expect(sellers.length).toBe(9)
    expect(new Set(sellers.map(({ currency }) => currency)).size).toBe(3)
  })

  test('every table reads without a reject', () => {
    for (const table of Object.keys(TABLES) as TableName[]) expect(worldTable(table).length).toBeGreaterThan(0)
  })

  test('every take is a legal outfit, and Ferry people are three characters, one in two ages', () => {
    const [ferry] = rosterFile().rosters.filter(({ name }) => name === 'Ferry people')
    expect(ferry!.characters.map(({ outfits }) => outfits.length).sort()).toEqual([1, 1, 2])
    for (const { characters } of rosterFile().rosters)
      for (const { outfits } of characters)
        for (const { takes } of outfits) {
          expect(takes.filter(({ chosen }) => chosen)).toHaveLength(1)
          for (const { placements } of takes) expect(placementFaults(placements, catalogue)).toEqual([])
        }
  })

  test('every figure is a legal outfit, and comes in a release', () => {
    const worn = groupBy(worldTable('figure-parts'), ({ figure }) => figure)
    const inside = new Set([
      ...worldTable('release-contents').map(({ code }) => code),
      ...worldTable('case-contents').map(({ figure }) => figure),
    ])
    for (const { code, name } of worldTable('figures')) {
      const placements = worn.get(code)!.map((row) => ({ ...row, turned: false }))
      expect([name, placementFaults(placements, catalogue)]).toEqual([name, []])
      expect([name, inside.has(code)]).toEqual([name, true])
    }
  })

  test('no part is younger than a figure or release that carries it', () => {
    const figures = new Map(worldTable('figures').map(({ code, year }) => [code, year]))
    const releases = new Map(worldTable('releases').map(({ code, year }) => [code, year]))
    const yearOf = (part: string) => catalogue.parts.get(part)!.year!
    for (const { figure, part } of worldTable('figure-parts'))
      expect(yearOf(part)).toBeLessThanOrEqual(figures.get(figure)!)
    for (const { release, kind, code } of worldTable('release-contents'))
      expect(kind === 'part' ? yearOf(code) : figures.get(code)!).toBeLessThanOrEqual(releases.get(release)!)
  })

  test('some of its outfits have pins and some have none', () => {
    const counts = rosterFile().rosters.flatMap((r) =>
      r.characters.flatMap((c) =>
        c.outfits.map((o) => pinsOf(o.takes.find((t) => t.chosen)!.placements, { catalogue, free: {} }).length),
      ),
    )
    expect(counts.some((n) => n > 0)).toBe(true)
    expect(counts.some((n) => n === 0)).toBe(true)
  })
})

describe('the catalogue', () => {
  test('labels a part by name and main colour', () => {
    const part = [...catalogue.parts.values()].find((p) => p.name === 'Deck cap')!
    expect(partLabel(catalogue, part)).toBe(`Deck cap · ${mainColour(catalogue, part)!.name}`)
    expect(partLabel(catalogue, { ...part, colours: ['unheard-of'] })).toBe('Deck cap')
  })

  test('a part whose mould is not loaded is a fault of the caller', () => {
    const [part] = catalogue.parts.values()
    expect(() => mouldOf(catalogueOf({ colours: [], moulds: [], prints: [], parts: [part!] }), part!)).toThrow(
      `Part ${part!.code} uses mould`,
    )
  })
})
