import { Injectable } from '@nestjs/common'
import { DataSource, In, type EntityManager } from 'typeorm'
import type { Piece } from '@outfit/core/anatomy'
import { groupBy } from '@outfit/core/base'
import { contentsOf, type Drawer, type Lying, type Stands } from '@outfit/core/drawer'
import { Changes } from '../base/changes.ts'
import { FigurePartEntity } from '../schema/catalogue.ts'
import { BinEntity, LyingEntity } from '../schema/drawer.ts'

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

  constructor(
    private readonly database: DataSource,
    changes: Changes,
  ) {
    this.onHand = changes.keeping(['drawer'], () => this.sumOfMovements())
    const lying = changes.keeping(['drawer', 'catalogue'], () => this.lying())
    this.contents = async (db) => (await (db ? this.lying(db) : lying())).drawer
    this.places = async () => (await lying()).places
    this.stands = async (db) => (await (db ? this.lying(db) : lying())).stands
  }

  private async sumOfMovements(): Promise<Map<string, number>> {
    const rows = (await this.database.query('SELECT part, SUM(qty) AS qty FROM lying GROUP BY part')) as {
      part: string
      qty: number
    }[]
    return new Map(rows.map(({ part, qty }) => [part, qty]))
  }

  private async lying(
    db: EntityManager = this.database.manager,
  ): Promise<{ drawer: Drawer; places: Record<string, string>; stands: Stands }> {
    const [lying, bins] = await Promise.all([
      db.query('SELECT part, bin, SUM(qty) AS qty FROM lying GROUP BY part, bin ORDER BY part, bin') as Promise<
        Lying[]
      >,
      db.find(BinEntity, { order: { code: 'ASC' } }),
    ])
    const standing = bins.flatMap(({ figure }) => figure ?? [])
    const worn = groupBy(await db.findBy(FigurePartEntity, { figure: In(standing) }), ({ figure }) => figure)
    return contentsOf(bins, lying, (figure) =>
      (worn.get(figure) ?? []).map(({ slot, part }): Piece => ({ slot, part })),
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
