import { Injectable } from '@nestjs/common'
import { DataSource, In, type EntityManager } from 'typeorm'
import type { Piece } from '@outfit/core/anatomy'
import { groupBy } from '@outfit/core/base'
import { contentsOf, RunningContents, type Contents, type Drawer, type Lying, type Stands } from '@outfit/core/drawer'
import { Changes } from '../base/changes.ts'
import { BinEntity, LyingEntity } from '../schema/drawer.ts'

/** What one sees of a bin from above. */
export interface Lid {
  /** Parts it holds most of, by code, the most first. */
  parts: string[]
  kinds: number
  units: number
}

/** Parts drawn on the lid of each bin. */
const ON_THE_LID = 4

/** The drawer as it was read, up to a movement. */
interface Reading {
  running: RunningContents
  /** Pieces of the released figures that stand in bins. */
  pieces: Map<string, Piece[]>
  lids: Map<string, Lid>
  /** Bins something was moved in since their lids were read. */
  stale: Set<string>
  /** Place of the last movement in it; movements are only ever added. */
  last: number
}

/** Owned parts as they lie: the contents of the drawer, followed as movements are added. */
@Injectable()
export class DrawerService {
  /** How many of each part are owned, wherever they lie; kept until the drawer changes. */
  readonly onHand: () => Promise<ReadonlyMap<string, number>>
  /**
   * Owned parts, loose or on figures that stand together; kept until the drawer changes. With the manager of a transaction
   * read anew as that sees them.
   */
  readonly contents: (db?: EntityManager) => Promise<Drawer>
  /** The bin most of a part lies loose in, by name; kept likewise. */
  readonly places: () => Promise<Readonly<Record<string, string>>>
  /** What stands on built outfits; kept and read likewise. */
  readonly stands: (db?: EntityManager) => Promise<Stands>
  /** What one sees of each bin that holds something, by its code; kept likewise. */
  readonly lids: () => Promise<ReadonlyMap<string, Lid>>

  private readonly reading: () => Promise<Reading>

  constructor(
    private readonly database: DataSource,
    changes: Changes,
  ) {
    this.reading = changes.keeping(['catalogue'], () => this.read())
    const now = changes.keeping(['drawer', 'catalogue'], () => this.catchUp())
    this.onHand = async () => (await now()).contents.onHand
    this.contents = async (db) => (db ? await this.within(db) : (await now()).contents).drawer
    this.places = async () => (await now()).contents.places
    this.stands = async (db) => (db ? await this.within(db) : (await now()).contents).stands
    this.lids = async () => (await now()).lids
  }

  /** Everything, as nobody has read it yet. */
  private async read(): Promise<Reading> {
    const [lids, rows] = await Promise.all([
      this.lidsOf(null),
      // In one statement, so that nothing comes between what lies there and the movement it is told up to.
      this.database.query(
        'SELECT part, bin, SUM(qty) AS qty, (SELECT MAX(rowid) FROM movement) AS last FROM lying GROUP BY part, bin',
      ) as Promise<(Lying & { last: number })[]>,
    ])
    const pieces = new Map<string, Piece[]>()
    const running = new RunningContents((figure) => pieces.get(figure)!)
    for (const { part, bin, qty } of rows) running.move(part, bin, qty)
    return { running, pieces, lids, stale: new Set(), last: rows[0]?.last ?? 0 }
  }

  /** What was moved since the drawer was read, and what there is now. */
  private async catchUp(): Promise<{ contents: Contents; lids: ReadonlyMap<string, Lid> }> {
    const reading = await this.reading()
    const bins = await this.database.getRepository(BinEntity).find({ order: { code: 'ASC' } })
    const unknown = bins.flatMap(({ figure }) => (figure === null || reading.pieces.has(figure) ? [] : figure))
    if (unknown.length > 0)
      for (const [figure, pieces] of await piecesOf(this.database.manager, unknown)) reading.pieces.set(figure, pieces)
    const moves = (await this.database.query(
      'SELECT rowid AS at, part, from_bin AS "from", to_bin AS "to", qty FROM movement WHERE rowid > ? ORDER BY rowid',
      [reading.last],
    )) as { at: number; part: string; from: string | null; to: string | null; qty: number }[]
    for (const { at, part, from, to, qty } of moves) {
      // Who asked at the same time may have been here before.
      if (at <= reading.last) continue
      if (from !== null) reading.running.move(part, from, -qty)
      if (to !== null) reading.running.move(part, to, qty)
      for (const bin of [from, to]) if (bin !== null) reading.stale.add(bin)
      reading.last = at
    }
    const contents = reading.running.read(bins)
    const stale = [...reading.stale]
    if (stale.length > 0) {
      const again = await this.lidsOf(stale)
      for (const bin of stale) {
        const lid = again.get(bin)
        if (lid) reading.lids.set(bin, lid)
        else reading.lids.delete(bin)
        reading.stale.delete(bin)
      }
    }
    return { contents, lids: reading.lids }
  }

  /** What a transaction sees. */
  private async within(db: EntityManager): Promise<ReturnType<typeof contentsOf>> {
    const [lying, bins] = await Promise.all([
      db.query('SELECT part, bin, SUM(qty) AS qty FROM lying GROUP BY part, bin ORDER BY part, bin') as Promise<
        Lying[]
      >,
      db.find(BinEntity, { order: { code: 'ASC' } }),
    ])
    const pieces = await piecesOf(
      db,
      bins.flatMap(({ figure }) => figure ?? []),
    )
    return contentsOf(bins, lying, (figure) => pieces.get(figure)!)
  }

  private async lidsOf(bins: readonly string[] | null): Promise<Map<string, Lid>> {
    const rows = (await this.database.query(
      `SELECT bin, part, kinds, units FROM (
         SELECT bin, part, COUNT(*) OVER (PARTITION BY bin) AS kinds, SUM(SUM(qty)) OVER (PARTITION BY bin) AS units,
           ROW_NUMBER() OVER (PARTITION BY bin ORDER BY SUM(qty) DESC, part) AS at
         FROM lying ${bins ? 'WHERE bin IN (SELECT value FROM json_each(?))' : ''} GROUP BY bin, part
       ) WHERE at <= ${ON_THE_LID} ORDER BY bin, at`,
      bins ? [JSON.stringify(bins)] : [],
    )) as { bin: string; part: string; units: number; kinds: number }[]
    return new Map(
      [...groupBy(rows, ({ bin }) => bin)].map(([bin, list]) => [
        bin,
        { parts: list.map(({ part }) => part), kinds: list[0]!.kinds, units: list[0]!.units },
      ]),
    )
  }

  /** Bins that hold any of some parts, with the count. */
  async placesOf(parts: readonly string[]): Promise<{ part: string; bin: string; name: string; qty: number }[]> {
    const db = this.database.manager
    const lying = await db.find(LyingEntity, { where: { part: In([...parts]) }, order: { part: 'ASC', bin: 'ASC' } })
    const bins = await db.findBy(BinEntity, { code: In(lying.map(({ bin }) => bin)) })
    const names = new Map(bins.map((bin) => [bin.code, bin.name]))
    const places = new Map<string, { part: string; bin: string; name: string; qty: number }>()
    for (const { part, bin, qty } of lying) {
      const place = places.get(`${bin} ${part}`) ?? { part, bin, name: names.get(bin) ?? bin, qty: 0 }
      places.set(`${bin} ${part}`, { ...place, qty: place.qty + qty })
    }
    return [...places.values()]
  }
}

/** The pieces of some released figures, by its code. */
async function piecesOf(db: EntityManager, figures: readonly string[]): Promise<Map<string, Piece[]>> {
  const rows = (await db.query(
    `SELECT figure, slot, part FROM figure_part WHERE figure IN (SELECT value FROM json_each(?))
     ORDER BY figure, slot, "order"`,
    [JSON.stringify([...new Set(figures)])],
  )) as (Piece & { figure: string })[]
  const worn = groupBy(rows, ({ figure }) => figure)
  return new Map(figures.map((figure) => [figure, (worn.get(figure) ?? []).map(({ slot, part }) => ({ slot, part }))]))
}
