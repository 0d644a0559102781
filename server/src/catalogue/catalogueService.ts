import { Injectable } from '@nestjs/common'
import { DataSource, In } from 'typeorm'
import { groupBy, type Part, type PartKind, type Print, type Traits } from '@outfit/core/catalogue'
import {
  ColourEntity,
  ComponentEntity,
  FigureEntity,
  FigurePartEntity,
  MouldEntity,
  PartEntity,
  PrintEntity,
  ReleaseContentEntity,
  ReleaseEntity,
} from './entities.ts'

/** Codes in one list of a statement; SQLite takes up to 32,766 variables. */
const LIST = 10_000

/** So many things have what they yield looked up one by one. */
const FEW_THINGS = 1500

@Injectable()
export class CatalogueService {
  constructor(private readonly database: DataSource) {}

  /** Colours and moulds: what every drawing needs. Prints are many and come with the parts that wear them. */
  async basics() {
    const [colours, moulds] = await Promise.all([
      this.database.getRepository(ColourEntity).find({ order: { code: 'ASC' } }),
      this.database.getRepository(MouldEntity).find({ order: { code: 'ASC' } }),
    ])
    return { colours, moulds }
  }

  /** The prints some parts wear. */
  async printsOn(parts: readonly Part[]): Promise<Print[]> {
    const codes = [...new Set(parts.flatMap(({ print }) => print ?? []))]
    const prints: Print[] = []
    for (let from = 0; from < codes.length; from += LIST)
      prints.push(
        ...(await this.database.getRepository(PrintEntity).findBy({ code: In(codes.slice(from, from + LIST)) })),
      )
    return prints
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

  /** Every part of some kinds, by code, bare of its components, and the traits of their prints: what matching asks. */
  async ofKinds(kinds: readonly PartKind[]): Promise<{ parts: Part[]; prints: Print[] }> {
    const places = kinds.map(() => '?').join(', ')
    type Row = { code: string; name: string; mould: string; colours: string; print: string | null; year: number | null }
    // Rows as the database gives them: there can be tens of thousands, and few of them are shown.
    const rows = (await this.database.query(
      `SELECT code, name, mould, colours, print, year FROM part WHERE kind IN (${places}) ORDER BY code`,
      [...kinds],
    )) as Row[]
    const prints = (await this.database.query(
      `SELECT code, name, kind, traits FROM print WHERE code IN (SELECT print FROM part WHERE kind IN (${places}))`,
      [...kinds],
    )) as { code: string; name: string; kind: PartKind; traits: string }[]
    return {
      parts: rows.map((row) => ({ ...row, colours: JSON.parse(row.colours) as string[], photo: null, components: [] })),
      prints: prints.map((print) => ({ ...print, traits: JSON.parse(print.traits) as Traits, front: [], back: [] })),
    }
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

  /** Name of a part, figure or release with the colour of a part: "Side braid, Copper". */
  async namesOf(
    things: readonly { kind: 'part' | 'figure' | 'release'; code: string }[],
  ): Promise<Map<string, string>> {
    const codes = (kind: string) => In(things.filter((t) => t.kind === kind).map((t) => t.code))
    const [parts, figures, releases, colours] = await Promise.all([
      this.database.getRepository(PartEntity).findBy({ code: codes('part') }),
      this.database.getRepository(FigureEntity).findBy({ code: codes('figure') }),
      this.database.getRepository(ReleaseEntity).findBy({ code: codes('release') }),
      this.database.getRepository(ColourEntity).find(),
    ])
    const colourName = (code: string | undefined) => colours.find((c) => c.code === code)?.name
    return new Map([
      ...parts.map((p): [string, string] => [p.code, [p.name, colourName(p.colours[0])].filter(Boolean).join(', ')]),
      ...figures.map((f): [string, string] => [f.code, `Figure: ${f.name}`]),
      ...releases.map((r): [string, string] => [r.code, `Release: ${r.name}`]),
    ])
  }

  /** Atomic parts one unit of a thing yields when taken apart as far as hands, arms and single legs, and its mass in grams. */
  async yields(things: readonly { kind: 'part' | 'figure' | 'release'; code: string }[]) {
    const db = this.database.manager
    // Of few things only their own rows are read; of a whole market everything is, which is quicker than long lists.
    const few = things.length <= FEW_THINGS
    const ofKind = (kind: string) => things.filter((thing) => thing.kind === kind).map(({ code }) => code)
    const contents = await db.find(ReleaseContentEntity, few ? { where: { release: In(ofKind('release')) } } : {})
    const inside = (kind: string) => [...ofKind(kind), ...contents.filter((c) => c.kind === kind).map((c) => c.code)]
    const [components, figureParts] = await Promise.all([
      db.find(ComponentEntity, few ? { where: { assembly: In(inside('part')) } } : {}),
      db.find(FigurePartEntity, few ? { where: { figure: In(inside('figure')) } } : {}),
    ])
    const atomic = new Set([...inside('part'), ...components.map((c) => c.part), ...figureParts.map((p) => p.part)])
    const [parts, moulds] = await Promise.all([
      db.find(PartEntity, {
        select: { code: true, mould: true },
        // Boxes of many figures can hold more different parts than one statement takes.
        ...(few && atomic.size <= LIST ? { where: { code: In([...atomic]) } } : {}),
      }),
      db.find(MouldEntity, { select: { code: true, mass: true } }),
    ])
    const inAssembly = groupBy(components, (c) => c.assembly)
    const onFigure = groupBy(figureParts, (p) => p.figure)
    const inRelease = groupBy(contents, (c) => c.release)
    const mass = new Map(moulds.map((m) => [m.code, m.mass]))
    const massOf = new Map(parts.map((p) => [p.code, mass.get(p.mould) ?? 0]))
    const atoms = (kind: string, code: string): string[] => {
      if (kind === 'part') return inAssembly.get(code)?.map((c) => c.part) ?? [code]
      if (kind === 'figure') return (onFigure.get(code) ?? []).map((p) => p.part)
      return (inRelease.get(code) ?? []).flatMap((c) =>
        Array.from({ length: c.qty }, () => atoms(c.kind, c.code)).flat(),
      )
    }
    return new Map(
      things.map(({ kind, code }) => {
        const counts = new Map<string, number>()
        for (const part of atoms(kind, code)) counts.set(part, (counts.get(part) ?? 0) + 1)
        const yields = [...counts].map(([part, qty]) => ({ part, qty }))
        const weight = Math.round(yields.reduce((sum, y) => sum + y.qty * (massOf.get(y.part) ?? 0), 0) * 10) / 10
        return [`${kind} ${code}`, { yields, weight }] as const
      }),
    )
  }
}
