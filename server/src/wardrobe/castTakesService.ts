import { Injectable } from '@nestjs/common'
import { In, type EntityManager } from 'typeorm'
import { monotonicFactory } from 'ulid'
import type { Placement } from '@outfit/core/catalogue'
import type { CastTake } from '@outfit/core/wardrobe'
import { notFound, Problem } from '../base/problem.ts'
import { Writer } from '../base/writer.ts'
import { RosterService } from '../roster/rosterService.ts'
import { rowOf } from '../schema/placementRows.ts'
import { CharacterEntity, OutfitEntity, PlacementEntity, TakeEntity } from '../schema/roster.ts'

const ulid = monotonicFactory()

/** Why takes are made for many at once: what they are called, with a number where there is one already, and what stands beside them. */
export const TAKES_FOR = {
  cast: { name: 'Cast', reason: 'cast with the others' },
  exchange: { name: 'Exchange', reason: 'one part exchanged for all' },
} as const

/** Outfits put on what was worked out for many of them: as new takes, all or none, and back. */
@Injectable()
export class CastTakesService {
  constructor(
    private readonly writer: Writer,
    private readonly rosters: RosterService,
  ) {}

  /** Give outfits of a roster a new take each, which is the chosen one from now on. What was there before stays. */
  async wear(
    roster: string,
    outfits: readonly { outfit: string; placements: readonly Placement[] }[],
    why: keyof typeof TAKES_FOR,
  ): Promise<{ takes: CastTake[] }> {
    for (const [i, { placements }] of outfits.entries()) await this.rosters.refuseFaulty(placements, `outfits[${i}].`)
    return this.writer.transaction(async (db) => {
      const outfitIn = await this.outfitsOf(db, roster)
      const takes: CastTake[] = []
      for (const { outfit, placements } of outfits) {
        const { version } = await outfitIn(outfit)
        const known = await db.findBy(TakeEntity, { outfit })
        const label = freeLabel(
          TAKES_FOR[why].name,
          known.map((take) => take.label),
        )
        const take = ulid()
        await db.update(TakeEntity, { outfit }, { chosen: false })
        await db.insert(TakeEntity, { id: take, outfit, label, chosen: true, reason: TAKES_FOR[why].reason })
        await db.insert(
          PlacementEntity,
          placements.map((p) => rowOf(p, take)),
        )
        await db.update(OutfitEntity, { id: outfit }, { version: version + 1 })
        takes.push({ outfit, version: version + 1, take, label, before: known.find((one) => one.chosen)?.id ?? null })
      }
      return { takes }
    })
  }

  /** Take such takes back; refused as a whole where an outfit was changed since. */
  async undo(roster: string, takes: readonly CastTake[]): Promise<void> {
    await this.writer.transaction(async (db) => {
      const outfitIn = await this.outfitsOf(db, roster)
      for (const [i, { outfit, version, take, label, before }] of takes.entries()) {
        const now = await outfitIn(outfit)
        if (now.version !== version)
          throw new Problem(
            409,
            `${now.name} was changed since it was cast. Nothing was taken back; its take ${label} can be removed by itself.`,
            [{ field: `takes[${i}].version`, message: `is ${version}, the newest is ${now.version}` }],
          )
        if (!(await db.existsBy(TakeEntity, { id: take, outfit }))) throw notFound('take', take)
        if (before !== null && !(await db.existsBy(TakeEntity, { id: before, outfit }))) throw notFound('take', before)
        await db.delete(PlacementEntity, { take })
        await db.delete(TakeEntity, { id: take })
        if (before !== null) await db.update(TakeEntity, { id: before }, { chosen: true })
        await db.update(OutfitEntity, { id: outfit }, { version: version + 1 })
      }
    })
  }

  /** Finds outfits of a roster by their ids; refuses those of others. */
  private async outfitsOf(db: EntityManager, roster: string): Promise<(id: string) => Promise<OutfitEntity>> {
    const characters = await db.find(CharacterEntity, { where: { roster }, select: { id: true } })
    const own = { character: In(characters.map((one) => one.id)) }
    return async (id) => {
      const outfit = await db.findOneBy(OutfitEntity, { id, ...own })
      if (!outfit) throw notFound('outfit', id)
      return outfit
    }
  }
}

function freeLabel(name: string, taken: readonly string[]): string {
  for (let n = 1; ; n++) {
    const label = n === 1 ? name : `${name} ${n}`
    if (!taken.includes(label)) return label
  }
}
