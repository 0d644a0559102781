import type { Brief } from '../brief/index.ts'
import { readFileSync } from 'node:fs'
import fc from 'fast-check'
import { sitsOver, slotsFor, SLOT_FACTS } from '../anatomy/index.ts'
import {
  catalogueOf,
  mouldOf,
  SLOTS,
  TAKING_APART,
  type Catalogue,
  type Level,
  type Part,
  type Placement,
  type Slot,
} from '../catalogue/index.ts'
import { groupBy } from '../base/index.ts'
import { readTable, type TableName, type TableRow } from '../tables/index.ts'

const FOLDER = new URL('../../../demo/world/', import.meta.url)

/** The text of a file of the sample world. */
const worldFile = (name: string) => readFileSync(new URL(name, FOLDER), 'utf8')

/** A table of the sample world; the tests stop here when it does not read clean. */
export function worldTable<T extends TableName>(table: T): TableRow<T>[] {
  const { rows, rejects } = readTable(table, worldFile(`${table}.csv`))
  if (rejects.length > 0) throw new Error(`${table}.csv: ${JSON.stringify(rejects[0])}`)
  return rows.map(({ row }) => row)
}

/** What each released figure of the sample world wears, by code. */
export function worldFigures(): Map<string, Placement[]> {
  const figures = new Map<string, Placement[]>()
  for (const { figure, slot, part, order } of worldTable('figure-parts'))
    figures.set(figure, [...(figures.get(figure) ?? []), { slot, part, order: order ?? 0, turned: false }])
  return figures
}

/** What a released figure wears, by its name. */
export function figureNamed(name: string): Placement[] {
  const found = worldTable('figures').find((figure) => figure.name === name)
  if (!found) throw new Error(`The sample world has no figure ${name}.`)
  return worldFigures().get(found.code)!
}

interface RosterFile {
  rosters: {
    name: string
    characters: {
      name: string
      outfits: {
        name: string
        faction: string
        stature: string
        brief?: Brief
        takes: { label: string; chosen: boolean; placements: Placement[] }[]
      }[]
    }[]
  }[]
}

export const rosterFile = (): RosterFile => JSON.parse(worldFile('rosters.json')) as RosterFile

let known: Catalogue | undefined

/** The catalogue of the sample world. */
export function worldCatalogue(): Catalogue {
  if (known) return known
  const components = worldTable('components')
  const inside = groupBy(components, ({ assembly }) => assembly)
  const parts = worldTable('parts').map((row): Part => ({
    ...row,
    photo: null,
    components: (inside.get(row.code) ?? []).map(({ slot, part, level }) => ({
      slot,
      part,
      level: (level ?? TAKING_APART[slot] ?? 1) as Level,
    })),
  }))
  known = catalogueOf({
    colours: worldTable('colours'),
    moulds: worldTable('moulds'),
    prints: worldTable('prints'),
    parts,
  })
  return known
}

/** The first part whose name and main colour are these; a typing error stops the test. */
export function partNamed(name: string, colour: string, mould?: string): Part {
  const catalogue = worldCatalogue()
  for (const part of catalogue.parts.values())
    if (part.name === name && catalogue.colours.get(part.colours[0]!)?.name === colour)
      if (!mould || part.mould === mould) return part
  throw new Error(`The sample world has no ${name} in ${colour}.`)
}

/** The placements of a take of the sample rosters. */
export function takeOf(outfit: string, label = 'A'): Placement[] {
  const found = rosterFile()
    .rosters.flatMap((roster) => roster.characters.flatMap((character) => character.outfits))
    .find(({ name }) => name.startsWith(outfit))
    ?.takes.find((take) => take.label === label)
  if (!found) throw new Error(`The sample rosters have no take ${label} of ${outfit}.`)
  return found.placements
}

/** Any legal outfit of the sample world: each slot empty or filled with a part that fits there, stacks up to three high. */
export function anyOutfit(): fc.Arbitrary<Placement[]> {
  const catalogue = worldCatalogue()
  const bySlot = new Map<Slot, string[]>(SLOTS.map((slot) => [slot, []]))
  for (const part of catalogue.parts.values())
    if (part.components.length === 0)
      for (const slot of slotsFor(mouldOf(catalogue, part).kind)) bySlot.get(slot)!.push(part.code)
  /** Nothing, one piece, or a hat over hair where the moulds allow it. */
  const onHead = (codes: readonly string[]): fc.Arbitrary<Placement[]> => {
    const mouldFor = (code: string) => mouldOf(catalogue, catalogue.parts.get(code)!)
    const placed = (part: string, order: number): Placement => ({ slot: 'headgear', part, order, turned: false })
    const single = fc.constantFrom(...codes).map((code): Placement[] => [placed(code, 0)])
    const pairs = codes.flatMap((hair) =>
      codes.flatMap((hat) => (sitsOver(mouldFor(hat), mouldFor(hair)) ? [[hair, hat]] : [])),
    )
    const layered = fc.constantFrom(...pairs).map((pair) => pair.map(placed))
    return fc.oneof(fc.constant<Placement[]>([]), single, layered)
  }
  const filled = (slot: Slot): fc.Arbitrary<Placement[]> => {
    const codes = bySlot.get(slot)!
    if (codes.length === 0) return fc.constant([])
    const most = SLOT_FACTS[slot].stack ? 3 : 1
    if (SLOT_FACTS[slot].layered) return onHead(codes)
    return fc
      .array(fc.tuple(fc.constantFrom(...codes), fc.boolean()), { maxLength: most })
      .map((worn) => worn.map(([part, turned], order) => ({ slot, part, order, turned })))
  }
  return fc
    .tuple(fc.boolean(), ...SLOTS.map(filled))
    .map(([skirted, ...slots]) =>
      slots.flat().filter(({ slot }) => (skirted ? !['hips', 'legRight', 'legLeft'].includes(slot) : slot !== 'lower')),
    )
}

/** What may be tried in each slot: every part of the sample world that goes there, assemblies among them. */
export function worldCandidates(catalogue: Catalogue): Partial<Record<Slot, Part[]>> {
  return Object.fromEntries(
    SLOTS.map((slot) => [
      slot,
      [...catalogue.parts.values()].filter((part) => {
        const { kind } = mouldOf(catalogue, part)
        return (
          slotsFor(kind).includes(slot) ||
          (slot === 'torso' && kind === 'dressed-torso') ||
          (slot === 'hips' && kind === 'leg-pair')
        )
      }),
    ]),
  )
}

/** The same catalogue where nobody has written down what assemblies are made of. */
export const withoutComponents = (catalogue: Catalogue): Catalogue => ({
  ...catalogue,
  parts: new Map([...catalogue.parts].map(([code, part]) => [code, { ...part, components: [] }])),
})
