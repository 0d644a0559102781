import { Injectable } from '@nestjs/common'
import { In, type EntityManager } from 'typeorm'
import { monotonicFactory } from 'ulid'
import type { Placement } from '@outfit/core/catalogue'
import { deviationsOf, dressIn, follow, wornAlike, type Uniformed, type Worn } from '@outfit/core/roster'
import { notFound, Problem } from '../base/problem.ts'
import { Writer } from '../base/writer.ts'
import { placementOf, rowOf, uniformRowOf } from '../schema/placementRows.ts'
import {
  CharacterEntity,
  OutfitEntity,
  PlacementEntity,
  RosterEntity,
  TakeEntity,
  UniformEntity,
  UniformPlacementEntity,
} from '../schema/roster.ts'
import { RosterService } from './rosterService.ts'

const ulid = monotonicFactory()

/** What several outfits of a roster wear alike. */
@Injectable()
export class UniformService {
  constructor(
    private readonly writer: Writer,
    private readonly rosters: RosterService,
  ) {}

  /** Make a uniform of placements. Its name must be its own within the roster. */
  async make(roster: string, name: string, placements: readonly Placement[]): Promise<{ id: string; version: number }> {
    await this.rosters.refuseFaulty(placements)
    return this.writer.transaction(async (db) => {
      if (!(await db.existsBy(RosterEntity, { id: roster }))) throw notFound('roster', roster)
      if (await db.existsBy(UniformEntity, { roster, name }))
        throw new Problem(400, `name: there is a uniform ${name} already. Nothing was written.`, [
          { field: 'name', message: `there is a uniform ${name} already` },
        ])
      const id = ulid()
      await db.insert(UniformEntity, { id, roster, name, version: 1 })
      await this.rewrite(db, id, placements)
      return { id, version: 1 }
    })
  }

  /**
   * Change a uniform. Outfits that share it wear it as it is now, slot by slot, but where they deviated before; those are
   * named with their slots. Every take of theirs that stands on the shelf is written with the uniform or nothing is; what
   * they wore before is answered, and given as `restore` it takes the change back exactly.
   */
  async save(
    id: string,
    version: number,
    placements: readonly Placement[],
    restore?: readonly Worn[],
  ): Promise<{ version: number; before: Worn[]; deviating: { outfit: string; slots: string[] }[] }> {
    await this.rosters.refuseFaulty(placements)
    return this.writer.transaction(async (db) => {
      const uniform = await db.findOneBy(UniformEntity, { id })
      if (!uniform) throw notFound('uniform', id)
      if (uniform.version !== version)
        throw new Problem(
          409,
          'This uniform was changed elsewhere in the meantime. Nothing was written; load it again and repeat the change.',
          [{ field: 'version', message: `is ${version}, the newest is ${uniform.version}` }],
          { version: uniform.version },
        )
      const before = (await db.findBy(UniformPlacementEntity, { uniform: id })).map(placementOf)
      await this.rewrite(db, id, placements)
      await db.update(UniformEntity, { id }, { version: version + 1 })
      const worn: Worn[] = []
      const deviating: { outfit: string; slots: string[] }[] = []
      for (const { id: outfit } of await db.findBy(OutfitEntity, { uniform: id })) {
        const own = await this.wornBy(db, outfit)
        const slots = deviationsOf(own, before)
        if (slots.length > 0) deviating.push({ outfit, slots })
        const known = restore?.find((one) => one.outfit === outfit)
        const after = restore ? (known?.placements ?? own) : follow(own, before, placements)
        if (await this.dress(db, outfit, () => after)) worn.push({ outfit, placements: own })
      }
      return { version: version + 1, before: worn, deviating }
    })
  }

  /**
   * Put outfits into uniforms, dressed in them or as they are; null takes one out of its uniform, still dressed alike. What
   * each was in and wore before is answered, and takes it back exactly.
   */
  async join(roster: string, outfits: readonly Uniformed[], dressed: boolean): Promise<{ before: Uniformed[] }> {
    return this.writer.transaction(async (db) => {
      const characters = await db.findBy(CharacterEntity, { roster })
      const own = await db.findBy(OutfitEntity, { character: In(characters.map(({ id }) => id)) })
      const before: Uniformed[] = []
      for (const { outfit: id, uniform, placements } of outfits) {
        const outfit = own.find((one) => one.id === id)
        if (!outfit) throw notFound('outfit', id)
        if (uniform !== null && !(await db.existsBy(UniformEntity, { id: uniform, roster })))
          throw notFound('uniform', uniform)
        before.push({ outfit: id, uniform: outfit.uniform, placements: await this.wornBy(db, id) })
        await db.update(OutfitEntity, { id }, { uniform })
        if (placements) await this.dress(db, id, () => placements)
        else if (uniform !== null && dressed) {
          const asked = (await db.findBy(UniformPlacementEntity, { uniform })).map(placementOf)
          await this.dress(db, id, (worn) => dressIn(worn, asked))
        }
      }
      return { before }
    })
  }

  private async takeOf(db: EntityManager, outfit: string): Promise<TakeEntity | null> {
    return db.findOneBy(TakeEntity, { outfit, chosen: true })
  }

  private async wornBy(db: EntityManager, outfit: string): Promise<Placement[]> {
    const take = await this.takeOf(db, outfit)
    return take ? (await db.findBy(PlacementEntity, { take: take.id })).map(placementOf) : []
  }

  /** Change what the chosen take of an outfit wears; whether anything changed. */
  async dress(
    db: EntityManager,
    outfit: string,
    change: (worn: readonly Placement[]) => readonly Placement[],
  ): Promise<boolean> {
    const take = await this.takeOf(db, outfit)
    if (!take) return false
    const before = await this.wornBy(db, outfit)
    const after = change(before)
    if (wornAlike(before, after)) return false
    await this.rosters.refuseFaulty(after)
    await db.delete(PlacementEntity, { take: take.id })
    await db.insert(
      PlacementEntity,
      after.map((p) => rowOf(p, take.id)),
    )
    await db.increment(OutfitEntity, { id: outfit }, 'version', 1)
    return true
  }

  private async rewrite(db: EntityManager, uniform: string, placements: readonly Placement[]): Promise<void> {
    await db.delete(UniformPlacementEntity, { uniform })
    await db.insert(
      UniformPlacementEntity,
      placements.map((p) => uniformRowOf(p, uniform)),
    )
  }
}
