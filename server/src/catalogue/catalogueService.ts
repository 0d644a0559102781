import { Injectable } from '@nestjs/common'
import { DataSource, In } from 'typeorm'
import type { Part, PartKind } from '@outfit/core/catalogue'
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

/** Where a part can be found: a figure that wears it, and the releases that hold such figures or the part itself. */
export interface Carriers {
  figures: { code: string; name: string; year: number; qty: number }[]
  releases: { code: string; name: string; kind: string; year: number; qty: number; loose: boolean }[]
}

@Injectable()
export class CatalogueService {
  constructor(private readonly database: DataSource) {}

  /** Colours, moulds and prints: what every drawing needs. */
  async basics() {
    const [colours, moulds, prints] = await Promise.all([
      this.database.getRepository(ColourEntity).find({ order: { code: 'ASC' } }),
      this.database.getRepository(MouldEntity).find({ order: { code: 'ASC' } }),
      this.database.getRepository(PrintEntity).find({ order: { code: 'ASC' } }),
    ])
    return { colours, moulds, prints }
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

  /** Every part of the mould of a part, in any colour and print, by code; null when there is no such part. */
  async sameMould(code: string): Promise<Part[] | null> {
    const parts = this.database.getRepository(PartEntity)
    const part = await parts.findOneBy({ code })
    return part && this.withComponents(await parts.find({ where: { mould: part.mould }, order: { code: 'ASC' } }))
  }

  private async withComponents(rows: PartEntity[]): Promise<Part[]> {
    const components = await this.database
      .getRepository(ComponentEntity)
      .findBy({ assembly: In(rows.map(({ code }) => code)) })
    return rows.map(({ kind: _kind, ...row }) => ({
      ...row,
      components: components.filter((c) => c.assembly === row.code).map(({ slot, part }) => ({ slot, part })),
    }))
  }

  /** Figures and releases that carry a part, an assembly counting wherever all its components are worn. */
  async carriers(code: string): Promise<Carriers> {
    const wanted = await this.database.getRepository(ComponentEntity).findBy({ assembly: code })
    const lead = wanted[0]?.part ?? code
    const worn = await this.database.getRepository(FigurePartEntity).findBy({ part: lead })
    const figureRows = await this.database
      .getRepository(FigureEntity)
      .find({ where: { code: In(worn.map((w) => w.figure)) }, order: { code: 'ASC' } })
    const parts = await this.database
      .getRepository(FigurePartEntity)
      .findBy({ figure: In(figureRows.map((f) => f.code)) })
    const figures = figureRows
      .filter((figure) => wanted.every((c) => parts.some((p) => p.figure === figure.code && p.part === c.part)))
      .map((figure) => ({ ...figure, qty: worn.filter((w) => w.figure === figure.code).length }))
    const contents = await this.database.getRepository(ReleaseContentEntity).findBy([
      { kind: 'figure', code: In(figures.map((f) => f.code)) },
      { kind: 'part', code },
    ])
    const releases = await this.database
      .getRepository(ReleaseEntity)
      .find({ where: { code: In(contents.map((c) => c.release)) }, order: { year: 'DESC', code: 'ASC' } })
    return {
      figures,
      releases: releases.map(({ code, name, kind, year }) => {
        const own = contents.filter((c) => c.release === code)
        const qty = own.reduce(
          (sum, c) => sum + c.qty * (c.kind === 'part' ? 1 : (figures.find((f) => f.code === c.code)?.qty ?? 0)),
          0,
        )
        return { code, name, kind, year, qty, loose: own.every((c) => c.kind === 'part') }
      }),
    }
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
    const [components, figureParts, contents, parts, moulds] = await Promise.all([
      this.database.getRepository(ComponentEntity).find(),
      this.database.getRepository(FigurePartEntity).find(),
      this.database.getRepository(ReleaseContentEntity).find(),
      this.database.getRepository(PartEntity).find({ select: { code: true, mould: true } }),
      this.database.getRepository(MouldEntity).find({ select: { code: true, mass: true } }),
    ])
    const group = <T>(rows: T[], key: (row: T) => string) => {
      const map = new Map<string, T[]>()
      for (const row of rows) map.set(key(row), [...(map.get(key(row)) ?? []), row])
      return map
    }
    const inAssembly = group(components, (c) => c.assembly)
    const onFigure = group(figureParts, (p) => p.figure)
    const inRelease = group(contents, (c) => c.release)
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
