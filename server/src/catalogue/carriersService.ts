import { Injectable } from '@nestjs/common'
import { DataSource } from 'typeorm'
import type { Carriers, CarryingFigure, CarryingRelease } from '@outfit/core/catalogue'

/** Carriers told; of a plain mitt there are thousands. */
const MOST = 40

/**
 * Figures that wear a part (`:code`), as rows of figure and how often; an assembly counts where all its components are
 * worn in their slots.
 */
const CARRYING = `
  inside AS (SELECT slot, part FROM component WHERE assembly = :code),
  carrying AS (
    SELECT figure, COUNT(*) AS qty FROM figure_part WHERE part = :code GROUP BY figure
    UNION ALL
    SELECT figure, 1 AS qty FROM figure_part JOIN inside USING (slot, part)
      GROUP BY figure HAVING COUNT(*) >= (SELECT COUNT(*) FROM inside)
  )`

/** Releases that bring it: on figures for sure, on figures of a case by chance, loose, or inside a loose assembly. */
const BRINGING = `
  bringing AS (
    SELECT c."release", c.qty * f.qty AS qty, 0 AS loose FROM carrying f JOIN release_content c ON c.kind = 'figure' AND c.code = f.figure
    UNION ALL
    SELECT c."release", c.qty * f.qty, 0 FROM carrying f JOIN case_content c ON c.figure = f.figure
    UNION ALL
    SELECT "release", qty, 1 FROM release_content WHERE kind = 'part' AND code = :code
    UNION ALL
    SELECT c."release", c.qty * i.qty, 1 FROM (SELECT assembly, COUNT(*) AS qty FROM component WHERE part = :code GROUP BY assembly) i
      JOIN release_content c ON c.kind = 'part' AND c.code = i.assembly
  )`

/** Finds the figures and releases that carry parts, by statements that stay quick where a part is everywhere. */
@Injectable()
export class CarriersService {
  constructor(private readonly database: DataSource) {}

  async of(code: string): Promise<Carriers> {
    const [figures, releases, [counts]] = await Promise.all([
      this.ask<CarryingFigure>(
        `WITH ${CARRYING} SELECT f.code, f.name, f.year, c.qty FROM carrying c JOIN figure f ON f.code = c.figure
         ORDER BY f.year DESC, f.code LIMIT ${MOST}`,
        code,
      ),
      this.ask<Omit<CarryingRelease, 'loose'> & { loose: number }>(
        `WITH ${CARRYING}, ${BRINGING},
         summed AS (SELECT "release", SUM(qty) AS qty, MIN(loose) AS loose FROM bringing GROUP BY "release")
         SELECT r.code, r.name, r.kind, r.year, s.qty, s.loose,
           (SELECT SUM(qty) FROM case_content WHERE "release" = r.code) AS packs
         FROM summed s JOIN "release" r ON r.code = s."release" ORDER BY r.year DESC, r.code LIMIT ${MOST}`,
        code,
      ),
      this.ask<{ figures: number; releases: number }>(
        `WITH ${CARRYING}, ${BRINGING}
         SELECT (SELECT COUNT(*) FROM carrying) AS figures, (SELECT COUNT(DISTINCT "release") FROM bringing) AS releases`,
        code,
      ),
    ])
    return {
      figures,
      figureCount: counts!.figures,
      releases: releases.map((release) => ({ ...release, loose: release.loose === 1 })),
      releaseCount: counts!.releases,
    }
  }

  /** Codes of everything that carries a part, for looking up what of it is for sale. */
  async things(code: string): Promise<{ kind: 'figure' | 'release' | 'part'; code: string }[]> {
    return this.ask(
      `WITH ${CARRYING}, ${BRINGING}
       SELECT 'figure' AS kind, figure AS code FROM carrying
       UNION ALL SELECT DISTINCT 'release', "release" FROM bringing
       UNION ALL SELECT DISTINCT 'part', assembly FROM component WHERE part = :code
       UNION ALL SELECT 'part', :code`,
      code,
    )
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
