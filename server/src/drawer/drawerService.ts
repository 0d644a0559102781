import { Injectable } from '@nestjs/common'
import { DataSource, In } from 'typeorm'
import type { Piece } from '@outfit/core/anatomy'
import { groupBy } from '@outfit/core/catalogue'
import { contentsOf, onHandByBin, type Drawer, type Lying, type Stands } from '@outfit/core/drawer'
import { Changes } from '../app/changes.ts'
import { FigurePartEntity } from '../catalogue/entities.ts'
import { BinEntity, MovementEntity } from './entities.ts'

@Injectable()
export class DrawerService {
  /** How many of each part are owned, wherever they lie; kept until the drawer changes. */
  readonly onHand: () => Promise<ReadonlyMap<string, number>>
  /** Owned parts, loose or on figures that stand together; kept until the drawer changes. */
  readonly contents: () => Promise<Drawer>
  /** The bin most of a part lies loose in, by name; kept likewise. */
  readonly places: () => Promise<Readonly<Record<string, string>>>
  /** What stands on built outfits; kept likewise. */
  readonly stands: () => Promise<Stands>

  constructor(
    private readonly database: DataSource,
    changes: Changes,
  ) {
    this.onHand = changes.keeping(['drawer'], () => this.sumOfMovements())
    const lying = changes.keeping(['drawer', 'catalogue'], () => this.lying())
    this.contents = async () => (await lying()).drawer
    this.places = async () => (await lying()).places
    this.stands = async () => (await lying()).stands
  }

  /** Computed by the database, since movements only grow. */
  private async sumOfMovements(): Promise<Map<string, number>> {
    const rows = await this.database
      .getRepository(MovementEntity)
      .createQueryBuilder('m')
      .select('m.part', 'part')
      .addSelect(
        'SUM(CASE WHEN m.to IS NOT NULL THEN m.qty ELSE 0 END) - SUM(CASE WHEN m.from IS NOT NULL THEN m.qty ELSE 0 END)',
        'qty',
      )
      .groupBy('m.part')
      .getRawMany<{ part: string; qty: number }>()
    return new Map(rows.filter(({ qty }) => qty > 0).map(({ part, qty }) => [part, qty]))
  }

  /** What lies in each bin, summed by the database since movements only grow. */
  private async lying(): Promise<{ drawer: Drawer; places: Record<string, string>; stands: Stands }> {
    const [lying, bins] = await Promise.all([
      this.database.query(
        `SELECT part, bin, SUM(qty) AS qty FROM (
           SELECT part, to_bin AS bin, qty FROM movement WHERE to_bin IS NOT NULL
           UNION ALL SELECT part, from_bin, -qty FROM movement WHERE from_bin IS NOT NULL
         ) GROUP BY part, bin HAVING SUM(qty) > 0 ORDER BY part, bin`,
      ) as Promise<Lying[]>,
      this.database.getRepository(BinEntity).find({ order: { code: 'ASC' } }),
    ])
    const standing = bins.flatMap(({ figure }) => figure ?? [])
    const worn = groupBy(
      await this.database.getRepository(FigurePartEntity).findBy({ figure: In(standing) }),
      ({ figure }) => figure,
    )
    return contentsOf(bins, lying, (figure) =>
      (worn.get(figure) ?? []).map(({ slot, part }): Piece => ({ slot, part })),
    )
  }

  /** Bins that hold any of some parts, with the count. */
  async placesOf(parts: readonly string[]): Promise<{ part: string; bin: string; name: string; qty: number }[]> {
    const [movements, bins] = await Promise.all([
      this.database.getRepository(MovementEntity).find({ where: { part: In([...parts]) }, order: { id: 'ASC' } }),
      this.database.getRepository(BinEntity).find(),
    ])
    const names = new Map(bins.map((bin) => [bin.code, bin.name]))
    return [...onHandByBin(movements)].flatMap(([part, places]) =>
      [...places].map(([bin, qty]) => ({ part, bin, name: names.get(bin) ?? bin, qty })),
    )
  }
}
