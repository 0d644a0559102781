import { Injectable } from '@nestjs/common'
import type { Database } from 'better-sqlite3'
import { DataSource, In } from 'typeorm'
import type { Piece } from '@outfit/core/anatomy'
import { breathing } from '../base/breathe.ts'
import { Changes } from '../base/changes.ts'
import { groupBy } from '@outfit/core/base'
import {
  catalogueOf,
  type Catalogue,
  type Colour,
  type Mould,
  type Part,
  type PartKind,
  type Placement,
  type Print,
  type Traits,
} from '@outfit/core/catalogue'
import {
  ColourEntity,
  ComponentEntity,
  FigurePartEntity,
  MouldEntity,
  PartEntity,
  PrintEntity,
  ReleaseContentEntity,
} from '../schema/catalogue.ts'
import { SettingEntity } from '../schema/settings.ts'

/** Codes in one list of a statement; SQLite takes up to 32,766 variables. */
const LIST = 10_000
/** Pairs looked at between two signs of life. */
const AT_ONCE = 1_000

/** A part that comes in pieces. */
export type Assembly = Pick<Part, 'code' | 'components'>

/** The catalogue as drawings and rules need it. */
@Injectable()
export class CatalogueService {
  /** Atomic parts that no figure, release or offer has and nobody owns: drawn or wished for, never made. None of a mould the catalogue is not complete for. */
  readonly unmade: () => Promise<string[]>
  /**
   * Every part by its kind and in the order of codes, bare of its components, with the colours, moulds and traits of prints
   * they are matched by; kept until the catalogue changes.
   */
  readonly matchable: () => Promise<{ catalogue: Catalogue; ofKind: ReadonlyMap<PartKind, Part[]> }>

  /** What brought some parts, as they were last asked for. */
  private readonly brought: () => Promise<{ key: string | null; brings: Promise<Map<string, string[]>> }>
  /** Assemblies by the parts in them, as they were asked for. */
  private readonly assemblies: () => Promise<Map<string, Assembly[]>>

  constructor(
    private readonly database: DataSource,
    changes: Changes,
  ) {
    this.brought = changes.keeping(['catalogue'], () =>
      Promise.resolve({ key: null as string | null, brings: Promise.resolve(new Map<string, string[]>()) }),
    )
    this.assemblies = changes.keeping(['catalogue'], () => Promise.resolve(new Map<string, Assembly[]>()))
    this.unmade = changes.keeping(['catalogue', 'drawer', 'market'], () => this.neverMade())
    this.matchable = changes.keeping(['catalogue'], () => this.toMatch())
  }

  private async toMatch(): Promise<{ catalogue: Catalogue; ofKind: Map<PartKind, Part[]> }> {
    type Row = Omit<Part, 'colours' | 'photo' | 'components'> & { kind: PartKind; colours: string }
    // Rows as the database gives them: there can be a hundred thousand, and few of them are shown.
    const [colours, moulds, rows, prints] = await Promise.all([
      this.database.getRepository(ColourEntity).find(),
      this.database.getRepository(MouldEntity).find(),
      this.database.query('SELECT code, name, mould, kind, colours, print, year FROM part ORDER BY code') as Promise<
        Row[]
      >,
      this.database.query('SELECT code, name, kind, traits FROM print') as Promise<
        (Omit<Print, 'traits' | 'front' | 'back'> & { traits: string })[]
      >,
    ])
    const parts = rows.map(({ kind, ...row }) => ({
      kind,
      part: { ...row, colours: JSON.parse(row.colours) as string[], photo: null, components: [] },
    }))
    const read = prints.map((print) => ({
      ...print,
      traits: JSON.parse(print.traits) as Traits,
      front: [],
      back: [],
    }))
    const ofKind = new Map<PartKind, Part[]>()
    for (const [kind, list] of groupBy(parts, (one) => one.kind))
      ofKind.set(
        kind,
        list.map(({ part }) => part),
      )
    return { catalogue: catalogueOf({ colours, moulds, prints: read, parts: [] }), ofKind }
  }

  private async neverMade(): Promise<string[]> {
    const settings = await this.database
      .getRepository(SettingEntity)
      .findBy({ name: In(['wholeCatalogue', 'wholeMoulds']) })
    const kept = Object.fromEntries(settings.map(({ name, value }) => [name, value as unknown]))
    const moulds = kept['wholeCatalogue'] === true ? null : ((kept['wholeMoulds'] as string[] | undefined) ?? [])
    if (moulds?.length === 0) return []
    const rows = (await this.database.query(
      `SELECT p.code FROM part p
       WHERE p.kind NOT IN ('dressed-torso', 'leg-pair')
         ${moulds ? 'AND p.mould IN (SELECT value FROM json_each(?))' : ''}
         AND NOT EXISTS (SELECT 1 FROM figure_part WHERE part = p.code)
         AND NOT EXISTS (SELECT 1 FROM release_content WHERE kind = 'part' AND code = p.code)
         AND NOT EXISTS (SELECT 1 FROM offer WHERE kind = 'part' AND code = p.code)
         AND NOT EXISTS (SELECT 1 FROM movement WHERE part = p.code)
         AND NOT EXISTS (
           SELECT 1 FROM component c WHERE c.part = p.code AND (
             EXISTS (SELECT 1 FROM release_content WHERE kind = 'part' AND code = c.assembly)
             OR EXISTS (SELECT 1 FROM offer WHERE kind = 'part' AND code = c.assembly)))
       ORDER BY p.code`,
      moulds ? [JSON.stringify(moulds)] : [],
    )) as { code: string }[]
    return rows.map(({ code }) => code)
  }

  /** Colours and moulds: what every drawing needs. Prints are many and come with the parts that wear them. */
  async basics(): Promise<{ colours: Colour[]; moulds: Mould[]; unmade: string[] }> {
    const [colours, moulds, unmade] = await Promise.all([
      this.database.getRepository(ColourEntity).find({ order: { code: 'ASC' } }),
      this.database.getRepository(MouldEntity).find({ order: { code: 'ASC' } }),
      this.unmade(),
    ])
    return { colours, moulds, unmade }
  }

  /** The prints some parts wear, and others by code. */
  async printsOn(parts: readonly Part[], others: readonly string[] = []): Promise<Print[]> {
    const codes = [...new Set([...parts.flatMap(({ print }) => print ?? []), ...others])]
    const prints: Print[] = []
    for (let from = 0; from < codes.length; from += LIST)
      prints.push(
        ...(await this.database.getRepository(PrintEntity).findBy({ code: In(codes.slice(from, from + LIST)) })),
      )
    return prints
  }

  /** What figures wear, with the parts and prints to draw them and some loose parts. */
  async dressed(figures: readonly string[], loose: readonly string[] = []) {
    const rows = await this.database
      .getRepository(FigurePartEntity)
      .find({ where: { figure: In([...figures]) }, order: { figure: 'ASC', slot: 'ASC', order: 'ASC' } })
    const parts = await this.parts([...rows.map(({ part }) => part), ...loose])
    const worn = groupBy(
      rows.map(({ figure, ...placement }) => ({ figure, ...placement, turned: false })),
      ({ figure }) => figure,
    )
    return { worn, parts, prints: await this.printsOn(parts) }
  }

  /** Parts by code with their components, and the components' own parts too, so that any of them can be drawn. */
  async parts(codes: readonly string[]): Promise<Part[]> {
    const first = await this.withComponents(
      await this.database.getRepository(PartEntity).findBy({ code: In([...new Set(codes)]) }),
    )
    const have = new Set(first.map(({ code }) => code))
    const inside = [...new Set(first.flatMap((part) => part.components.map((c) => c.part)))].filter(
      (code) => !have.has(code),
    )
    if (inside.length === 0) return first
    return [
      ...first,
      ...(await this.withComponents(await this.database.getRepository(PartEntity).findBy({ code: In(inside) }))),
    ]
  }

  /**
   * Codes of the parts the rules compare some placements with: torsos of the same colour, since one under cover may be
   * plainer, and of what is altered those that come as it is to look.
   */
  async lookalikes(placements: readonly Placement[]): Promise<string[]> {
    const compared = placements.filter(({ slot, altered }) => slot === 'torso' || altered?.length)
    const parts = await this.database.getRepository(PartEntity).findBy({ code: In(compared.map(({ part }) => part)) })
    const looks = new Set<string>()
    for (const { part: code, altered = [] } of compared) {
      const part = parts.find((one) => one.code === code)
      for (const colour of [part?.colours[0], ...altered.map((done) => done.colour)])
        if (part && colour) looks.add(JSON.stringify([part.mould, colour]))
    }
    const found: string[] = []
    for (const look of looks) {
      const [mould, colour] = JSON.parse(look) as [string, string]
      const rows = (await this.database.query(
        "SELECT code FROM part WHERE mould = ? AND json_extract(colours, '$[0]') = ? ORDER BY code",
        [mould, colour],
      )) as { code: string }[]
      found.push(...rows.map((row) => row.code))
    }
    return found
  }

  /** Codes of the assemblies that have any of some parts in them. */
  async assembliesWith(parts: readonly string[]): Promise<string[]> {
    return (await this.assembliesOf(parts)).map(({ code }) => code)
  }

  /** The assemblies that have any of some parts in them, with all that is in them. */
  async assembliesOf(parts: readonly string[]): Promise<Assembly[]> {
    const known = await this.assemblies()
    const unknown = [...new Set(parts)].filter((part) => !known.has(part))
    if (unknown.length > 0) {
      const rows = (await this.database.query(
        `SELECT c.assembly, c.slot, c.part, c.level
         FROM (SELECT DISTINCT c.assembly FROM json_each(?) p JOIN component c ON c.part = p.value) s
         JOIN component c ON c.assembly = s.assembly`,
        [JSON.stringify(unknown)],
      )) as ComponentEntity[]
      for (const part of unknown) known.set(part, [])
      const wanted = new Set(unknown)
      for (const [code, own] of groupBy(rows, ({ assembly }) => assembly)) {
        const made = { code, components: own.map(({ slot, part, level }) => ({ slot, part, level })) }
        for (const part of new Set(own.map((one) => one.part))) if (wanted.has(part)) known.get(part)!.push(made)
      }
    }
    const found = new Map(parts.flatMap((part) => known.get(part)!).map((one) => [one.code, one]))
    return [...found.values()]
  }

  /** What brings any of some atomic parts: parts alone, assemblies, figures and releases, by "kind code", each with those it brings. */
  async bringing(parts: readonly string[]): Promise<ReadonlyMap<string, readonly string[]>> {
    const last = await this.brought()
    const key = JSON.stringify([...new Set(parts)].sort())
    // The same is asked time and again while a plan is looked at from all sides; only the last, since it can be large.
    if (last.key !== key) Object.assign(last, { key, brings: this.bringingOf(parts) })
    const { brings } = last
    brings.catch(() => last.brings === brings && (last.key = null))
    return brings
  }

  private async bringingOf(parts: readonly string[]): Promise<Map<string, string[]>> {
    const { databaseConnection: db } = this.database.driver as unknown as { databaseConnection: Database }
    const breath = breathing()
    /** Pairs of what is listed and what it is in. */
    const within = async (from: string, codes: ReadonlyMap<string, unknown>) => {
      const rows = db
        .prepare(`SELECT j.value, ${from}`)
        .raw()
        .all(JSON.stringify([...codes.keys()])) as [string, string][]
      await breath()
      return rows
    }
    type Brings = Map<string, string[]>
    /** What is in a thing brings what it brings. */
    const add = async (brings: Brings, pairs: readonly [string, string][], inside: Brings): Promise<Brings> => {
      for (const [i, [code, whole]] of pairs.entries()) {
        if (i % AT_ONCE === 0) await breath()
        let own = brings.get(whole)
        if (!own) brings.set(whole, (own = []))
        for (const part of inside.get(code)!) if (!own.includes(part)) own.push(part)
      }
      return brings
    }
    const atoms: Brings = new Map(parts.map((part) => [part, [part]]))
    // Lists first: few things are in most of what is asked for, and the planner knows nothing of lists.
    const inAssemblies = await within(
      'c.assembly FROM json_each(?) j CROSS JOIN component c ON c.part = j.value',
      atoms,
    )
    const sold = await add(new Map(atoms), inAssemblies, atoms)
    const onFigures = await within('w.figure FROM json_each(?) j CROSS JOIN figure_part w ON w.part = j.value', sold)
    const figures = await add(new Map(), onFigures, sold)
    const boxed = (kind: string) =>
      `c."release" FROM json_each(?) j CROSS JOIN release_content c ON c.kind = '${kind}' AND c.code = j.value`
    const releases = await add(new Map(), await within(boxed('part'), sold), sold)
    await add(releases, await within(boxed('figure'), figures), figures)
    const named = Object.entries({ part: sold, figure: figures, release: releases })
    return new Map(
      named.flatMap(([kind, brings]) => [...brings].map(([code, own]) => [`${kind} ${code}`, own] as const)),
    )
  }

  /** One page of parts of some kinds, by code; `after` is the last code of the page before. */
  async page(kinds: readonly PartKind[], after: string, limit: number): Promise<Part[]> {
    const rows = await this.database
      .getRepository(PartEntity)
      .createQueryBuilder('part')
      .where('part.kind IN (:...kinds) AND part.code > :after', { kinds, after })
      .orderBy('part.code')
      .limit(limit)
      .getMany()
    return this.withComponents(rows)
  }

  /** Every part of the mould of a part, in any colour and print, by code; null when there is no such part. */
  async sameMould(code: string): Promise<Part[] | null> {
    const parts = this.database.getRepository(PartEntity)
    const part = await parts.findOneBy({ code })
    return part && this.withComponents(await parts.find({ where: { mould: part.mould }, order: { code: 'ASC' } }))
  }

  private async withComponents(rows: PartEntity[]): Promise<Part[]> {
    // Kinds of part can be many thousands, more than one statement takes.
    const components: ComponentEntity[] = []
    for (let from = 0; from < rows.length; from += LIST)
      components.push(
        ...(await this.database
          .getRepository(ComponentEntity)
          .findBy({ assembly: In(rows.slice(from, from + LIST).map(({ code }) => code)) })),
      )
    const inside = groupBy(components, ({ assembly }) => assembly)
    return rows.map(({ kind: _kind, ...row }) => ({
      ...row,
      components: (inside.get(row.code) ?? []).map(({ slot, part, level }) => ({ slot, part, level })),
    }))
  }

  /** The same by "kind code", without saying what kind of thing it is. */
  async plainNamesOf(
    things: readonly { kind: 'part' | 'figure' | 'release'; code: string }[],
  ): Promise<Map<string, string>> {
    const names = await this.namesOf(things)
    return new Map(
      things.flatMap(({ kind, code }) => {
        const name = names.get(code)
        return name === undefined ? [] : [[`${kind} ${code}`, name.replace(/^(Figure|Release): /, '')] as const]
      }),
    )
  }

  /** Name of a part, figure or release with the colour of a part: "Side braid, Copper"; of the others with their kind. */
  async namesOf(
    things: readonly { kind: 'part' | 'figure' | 'release'; code: string }[],
  ): Promise<Map<string, string>> {
    // The offers of a plan name each thing many times, and more things than entities could be made of in passing.
    const named = <R>(kind: string, columns: string) =>
      this.rowsOf<R>(
        `SELECT ${columns} FROM "${kind}" WHERE code IN LISTED`,
        things.filter((thing) => thing.kind === kind).map(({ code }) => code),
      )
    interface Row {
      code: string
      name: string
    }
    const [parts, figures, releases, colours] = await Promise.all([
      named<Row & { colour: string | null }>('part', `code, name, colours ->> 0 AS colour`),
      named<Row>('figure', 'code, name'),
      named<Row>('release', 'code, name'),
      this.database.getRepository(ColourEntity).find(),
    ])
    const colourNames = new Map(colours.map(({ code, name }) => [code, name]))
    return new Map([
      ...parts.map((p): [string, string] => [
        p.code,
        [p.name, colourNames.get(p.colour ?? '')].filter(Boolean).join(', '),
      ]),
      ...figures.map((f): [string, string] => [f.code, `Figure: ${f.name}`]),
      ...releases.map((r): [string, string] => [r.code, `Release: ${r.name}`]),
    ])
  }

  /**
   * Atomic parts one unit of a thing yields when taken apart as far as hands, arms and single legs, its mass in grams, and
   * the units it comes in: figures, assemblies and loose parts piece by piece, for whoever takes things apart less far.
   */
  async yields(things: readonly { kind: 'part' | 'figure' | 'release'; code: string }[]) {
    const breath = breathing()
    const ofKind = (kind: string) => things.filter((thing) => thing.kind === kind).map(({ code }) => code)
    const contents = await this.rowsOf<Pick<ReleaseContentEntity, 'release' | 'kind' | 'code' | 'qty'>>(
      'SELECT "release", kind, code, qty FROM release_content WHERE "release" IN LISTED ORDER BY "release", kind, code',
      ofKind('release'),
    )
    const inside = (kind: string) => [...ofKind(kind), ...contents.filter((c) => c.kind === kind).map((c) => c.code)]
    const [components, figureParts] = await Promise.all([
      this.rowsOf<ComponentEntity>(
        'SELECT assembly, slot, part, level FROM component WHERE assembly IN LISTED ORDER BY assembly, slot',
        inside('part'),
      ),
      this.rowsOf<Pick<FigurePartEntity, 'figure' | 'slot' | 'part'>>(
        'SELECT figure, slot, part FROM figure_part WHERE figure IN LISTED ORDER BY figure, slot, "order"',
        inside('figure'),
      ),
    ])
    const atomic = [...inside('part'), ...components.map((c) => c.part), ...figureParts.map((p) => p.part)]
    const masses = await this.rowsOf<{ code: string; mass: number }>(
      'SELECT p.code, m.mass FROM part p JOIN mould m ON m.code = p.mould WHERE p.code IN LISTED',
      atomic,
    )
    await breath()
    const inAssembly = groupBy(components, (c) => c.assembly)
    const onFigure = groupBy(figureParts, (p) => p.figure)
    const inRelease = groupBy(contents, (c) => c.release)
    const massOf = new Map(masses.map(({ code, mass }) => [code, mass]))
    const unitsIn = (kind: string, code: string): Piece[][] => {
      if (kind === 'figure') return [(onFigure.get(code) ?? []).map(({ slot, part }) => ({ slot, part }))]
      if (kind === 'release')
        return (inRelease.get(code) ?? []).flatMap((c) =>
          Array.from({ length: c.qty }, () => unitsIn(c.kind, c.code)).flat(),
        )
      const pieces = inAssembly.get(code)
      return [pieces?.map(({ slot, part, level }) => ({ slot, part, level })) ?? [{ slot: 'beside', part: code }]]
    }
    const found = new Map<string, { yields: { part: string; qty: number }[]; weight: number; units: Piece[][] }>()
    for (const [i, { kind, code }] of things.entries()) {
      if (i % AT_ONCE === 0) await breath()
      const key = `${kind} ${code}`
      if (found.has(key)) continue
      const counts = new Map<string, number>()
      const units = unitsIn(kind, code)
      for (const unit of units) for (const { part } of unit) counts.set(part, (counts.get(part) ?? 0) + 1)
      const yields = [...counts].map(([part, qty]) => ({ part, qty }))
      const weight = Math.round(yields.reduce((sum, y) => sum + y.qty * (massOf.get(y.part) ?? 0), 0) * 10) / 10
      found.set(key, { yields, weight, units })
    }
    return found
  }

  /** Rows of a statement for which `LISTED` are some codes, however many: a statement takes only so many variables. */
  private rowsOf<R>(statement: string, codes: readonly string[]): Promise<R[]> {
    if (codes.length === 0) return Promise.resolve([])
    const listed = statement.replace('LISTED', '(SELECT value FROM json_each(?))')
    return this.database.query(listed, [JSON.stringify([...new Set(codes)])])
  }
}
