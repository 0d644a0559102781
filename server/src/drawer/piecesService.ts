import { Injectable } from '@nestjs/common'
import type { EntityManager, EntityTarget, ObjectLiteral } from 'typeorm'
import { inPieces } from '@outfit/core/anatomy'
import { groupBy } from '@outfit/core/base'
import type { Slot } from '@outfit/core/catalogue'
import { today } from '../base/today.ts'
import { ComponentEntity, FigurePartEntity, PartEntity } from '../schema/catalogue.ts'
import { LyingEntity } from '../schema/drawer.ts'
import { PlacementEntity, TakeEntity, UniformPlacementEntity } from '../schema/roster.ts'
import { TableFollowers } from '../tables/tableFollowers.ts'
import { writeRows } from '../tables/tableWriter.ts'
import { ActService } from './actService.ts'

/** Where parts are worn, by whom. */
const WORN: readonly { entity: EntityTarget<ObjectLiteral>; table: string; owner: string }[] = [
  { entity: FigurePartEntity, table: 'figure_part', owner: 'figure' },
  { entity: PlacementEntity, table: 'placement', owner: 'take' },
  { entity: UniformPlacementEntity, table: 'uniform_placement', owner: 'uniform' },
]

/**
 * Owning a pair or a torso with arms is owning its pieces, whichever way it came. What lay in the drawer, was released or
 * worn as one piece is taken apart once somebody says what it is made of: by a table, by hand, or by a list.
 */
@Injectable()
export class PiecesService {
  constructor(
    followers: TableFollowers,
    private readonly acts: ActService,
  ) {
    followers.follow(async (db, table, codes) => {
      if (table === 'components' || table === 'figure-parts') await this.takeApart(db)
      if (table === 'parts') await this.takeApart(db, codes)
      return []
    })
  }

  /** Runs in the transaction of the caller, who tells of the change of catalogue and drawer. */
  private async takeApart(db: EntityManager, parts?: readonly string[]): Promise<void> {
    const known = await this.components(db, parts)
    await this.inDrawer(db, known)
    for (const worn of WORN) await this.whereWorn(db, worn, known)
  }

  /** Components of assemblies that lie, were released or are worn as one piece. */
  private async components(db: EntityManager, parts?: readonly string[]): Promise<Map<string, ComponentEntity[]>> {
    const used = ['lying', ...WORN.map(({ table }) => table)]
    const found = (await db.query(
      `SELECT c.assembly, c.slot, c.part, c.level FROM component c
       WHERE ${parts ? 'c.assembly IN (SELECT value FROM json_each(?)) AND' : ''}
         (${used.map((table) => `c.assembly IN (SELECT part FROM "${table}")`).join(' OR ')})`,
      parts ? [JSON.stringify(parts)] : [],
    )) as ComponentEntity[]
    return groupBy(found, ({ assembly }) => assembly)
  }

  private async inDrawer(db: EntityManager, known: ReadonlyMap<string, readonly ComponentEntity[]>): Promise<void> {
    for (const [assembly, components] of known) {
      const lying = (await db.findBy(LyingEntity, { part: assembly })).filter(({ qty }) => qty > 0)
      if (lying.length === 0) continue
      const part = await db.findOneBy(PartEntity, { code: assembly })
      await this.acts.recordPieces(
        db,
        { kind: 'taken-apart', text: part?.name ?? assembly, at: today() },
        lying.flatMap(({ part, bin, condition, qty }) => [
          { part, from: bin, to: null, qty, condition },
          ...components.map((piece) => ({ part: piece.part, from: null, to: bin, qty, condition })),
        ]),
      )
    }
  }

  private async whereWorn(
    db: EntityManager,
    { entity, owner }: (typeof WORN)[number],
    known: ReadonlyMap<string, readonly ComponentEntity[]>,
  ): Promise<void> {
    for (const assembly of known.keys())
      for (const { [owner]: whose } of await db.findBy(entity, { part: assembly })) {
        const worn = (await db.findBy(entity, { [owner]: whose as string })) as Worn[]
        const rest = { [owner]: whose as string, order: 0, turned: false, altered: null, made: null }
        const pieces = inPieces(
          worn,
          (part) => known.get(part) ?? [],
          (slot, part): Worn => ({ ...rest, slot, part }),
        )
        await db.delete(entity, { [owner]: whose as string })
        await writeRows(db, entity, pieces)
        // Whoever has it open is told, as after any change by somebody else.
        if (entity === PlacementEntity) {
          const { outfit } = await db.findOneByOrFail(TakeEntity, { id: whose as string })
          await db.query('UPDATE outfit SET version = version + 1 WHERE id = ?', [outfit])
        }
      }
  }
}

type Worn = ObjectLiteral & { slot: Slot; part: string; order: number }
