import { Injectable } from '@nestjs/common'
import { DataSource } from 'typeorm'
import type { Carriers, CarryingFigure, CarryingRelease } from '@outfit/core/catalogue'
import { Changes } from '../base/changes.ts'

/** Carriers told; of a plain mitt there are thousands. */
const MOST = 40

/** Parts whose carriers are remembered; a part's page asks for the same ones in two places. */
const REMEMBERED = 20

/**
 * Figures that wear a part (`:code`), as rows of figure and how often; an assembly counts where all its components are
 * worn in their slots.
 */
const CARRYING = `
  inside AS (SELECT slot, part FROM component WHERE assembly = :code),
  carrying AS MATERIALIZED (
    SELECT figure, COUNT(*) AS qty FROM figure_part WHERE part = :code GROUP BY figure
    UNION ALL
    SELECT figure, 1 AS qty FROM figure_part JOIN inside USING (slot, part)
      GROUP BY figure HAVING COUNT(*) >= (SELECT COUNT(*) FROM inside)
  )`

/**
 * Releases that bring it: on figures for sure, on figures of a case by chance, loose, or inside a loose assembly. CROSS
 * JOIN keeps SQLite from reading every figure of every release for a part that few figures wear.
 */
const BRINGING = `
  bringing AS (
    SELECT c."release", c.qty * f.qty AS qty, 0 AS loose FROM carrying f
      CROSS JOIN release_content c ON c.kind = 'figure' AND c.code = f.figure
    UNION ALL
    SELECT c."release", c.qty * f.qty, 0 FROM carrying f CROSS JOIN case_content c ON c.figure = f.figure
    UNION ALL
    SELECT "release", qty, 1 FROM release_content WHERE kind = 'part' AND code = :code
    UNION ALL
    SELECT c."release", c.qty * i.qty, 1 FROM (SELECT assembly, COUNT(*) AS qty FROM component WHERE part = :code GROUP BY assembly) i
      CROSS JOIN release_content c ON c.kind = 'part' AND c.code = i.assembly
  )`

/** Everything that carries one part: how many of it each figure wears and each release brings. */
interface Everything {
  figures: Map<string, number>
  releases: Map<string, { qty: number; loose: boolean }>
}

/** Finds the figures and releases that carry parts, by statements that stay quick where a part is everywhere. */
@Injectable()
export class CarriersService {
  private readonly known: () => Promise<Map<string, Promise<Everything>>>

  constructor(
    private readonly database: DataSource,
    changes: Changes,
  ) {
    this.known = changes.keeping(['catalogue'], () => Promise.resolve(new Map<string, Promise<Everything>>()))
  }

  /** The newest figures and releases that bring a part, by themselves or within what they contain, and how many there are. */
  async of(code: string): Promise<Carriers> {
    const carrying = await this.everything(code)
    const [figures, releases] = await Promise.all([
      this.database.query(
        `SELECT code, name, year FROM figure WHERE code IN (SELECT value FROM json_each(?))
         ORDER BY year DESC, code LIMIT ${MOST}`,
        [JSON.stringify([...carrying.figures.keys()])],
      ) as Promise<Omit<CarryingFigure, 'qty'>[]>,
      this.database.query(
        `SELECT code, name, kind, year, (SELECT SUM(qty) FROM case_content WHERE "release" = code) AS packs
         FROM "release" WHERE code IN (SELECT value FROM json_each(?)) ORDER BY year DESC, code LIMIT ${MOST}`,
        [JSON.stringify([...carrying.releases.keys()])],
      ) as Promise<Omit<CarryingRelease, 'qty' | 'loose'>[]>,
    ])
    return {
      figures: figures.map((figure) => ({ ...figure, qty: carrying.figures.get(figure.code)! })),
      figureCount: carrying.figures.size,
      releases: releases.map((release) => ({ ...release, ...carrying.releases.get(release.code)! })),
      releaseCount: carrying.releases.size,
    }
  }

  /** Codes of everything that carries a part, for looking up what of it is for sale. */
  async things(code: string): Promise<{ kind: 'figure' | 'release' | 'part'; code: string }[]> {
    const [{ figures, releases }, assemblies] = await Promise.all([
      this.everything(code),
      this.database.query('SELECT DISTINCT assembly FROM component WHERE part = ?', [code]) as Promise<
        { assembly: string }[]
      >,
    ])
    return [
      ...[...figures.keys()].map((figure) => ({ kind: 'figure' as const, code: figure })),
      ...[...releases.keys()].map((release) => ({ kind: 'release' as const, code: release })),
      ...assemblies.map(({ assembly }) => ({ kind: 'part' as const, code: assembly })),
      { kind: 'part', code },
    ]
  }

  private async everything(code: string): Promise<Everything> {
    const known = await this.known()
    const found = known.get(code) ?? this.read(code)
    known.set(code, found)
    if (known.size > REMEMBERED) known.delete(known.keys().next().value!)
    found.catch(() => known.delete(code))
    return found
  }

  private async read(code: string): Promise<Everything> {
    const [figures, releases] = await Promise.all([
      this.ask<{ figure: string; qty: number }>(`WITH ${CARRYING} SELECT figure, qty FROM carrying`, code),
      this.ask<{ release: string; qty: number; loose: number }>(
        `WITH ${CARRYING}, ${BRINGING}
         SELECT "release", SUM(qty) AS qty, MIN(loose) AS loose FROM bringing GROUP BY "release"`,
        code,
      ),
    ])
    return {
      figures: new Map(figures.map(({ figure, qty }): [string, number] => [figure, qty])),
      releases: new Map(releases.map(({ release, qty, loose }) => [release, { qty, loose: loose === 1 }])),
    }
  }

  /** SQLite takes a named value in each place it stands; TypeORM hands values over by place. */
  private ask<R>(sql: string, code: string): Promise<R[]> {
    const places = sql.split(':code').length - 1
    return this.database.query(
      sql.replaceAll(':code', '?'),
      Array.from({ length: places }, () => code),
    )
  }
}
