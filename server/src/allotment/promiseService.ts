import { Injectable } from '@nestjs/common'
import { Changes } from '../base/changes.ts'
import { notFound, Problem } from '../base/problem.ts'
import { Writer } from '../base/writer.ts'
import { PartEntity } from '../schema/catalogue.ts'
import { PromiseEntity } from '../schema/drawer.ts'
import { OutfitEntity, RosterEntity } from '../schema/roster.ts'

/** Who comes first at the drawer: the order of rosters, and single parts promised whatever the order. */
@Injectable()
export class PromiseService {
  constructor(
    private readonly writer: Writer,
    private readonly changes: Changes,
  ) {}

  /** One part is promised to one outfit: what others were promised of it is theirs no longer. */
  async promise(outfit: string, part: string, qty: number): Promise<void> {
    await this.writer.transaction(async (db) => {
      if (!(await db.existsBy(OutfitEntity, { id: outfit }))) throw notFound('outfit', outfit)
      if (!(await db.existsBy(PartEntity, { code: part }))) throw notFound('part', part)
      await db.delete(PromiseEntity, qty > 0 ? { part } : { part, outfit })
      if (qty > 0) await db.insert(PromiseEntity, { outfit, part, qty })
    })
    this.changes.tell('drawer')
  }

  /** Put rosters into an order; every roster is named, so that two windows cannot undo each other unseen. */
  async order(rosters: readonly string[]): Promise<void> {
    await this.writer.transaction(async (db) => {
      const known = (await db.find(RosterEntity)).map(({ id }) => id)
      if ([...known].sort().join() !== [...rosters].sort().join())
        throw new Problem(409, 'The rosters are not the same any more. Nothing was moved; load them again.', [
          { field: 'rosters', message: 'does not name every roster once' },
        ])
      for (const [position, id] of rosters.entries()) await db.update(RosterEntity, { id }, { position })
    })
    this.changes.tell('drawer')
  }
}
