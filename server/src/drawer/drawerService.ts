import { Injectable } from '@nestjs/common'
import { DataSource, In } from 'typeorm'
import { onHandByBin } from '@outfit/core/drawer'
import { Changes } from '../app/changes.ts'
import { BinEntity, MovementEntity } from './entities.ts'

@Injectable()
export class DrawerService {
  /** How many of each part are owned, wherever they lie; kept until the drawer changes. */
  readonly onHand: () => Promise<ReadonlyMap<string, number>>

  constructor(
    private readonly database: DataSource,
    changes: Changes,
  ) {
    this.onHand = changes.keeping(['drawer'], () => this.sumOfMovements())
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
