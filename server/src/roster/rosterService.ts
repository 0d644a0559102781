import { Injectable } from '@nestjs/common'
import { DataSource, In, type EntityManager } from 'typeorm'
import { monotonicFactory } from 'ulid'
import { placementFaults } from '@outfit/core/anatomy'
import { catalogueOf, type Drawables, type Placement } from '@outfit/core/catalogue'
import { allocateOwned } from '@outfit/core/drawer'
import type { OutfitDetail, RosterShelf } from '@outfit/core/roster'
import { notFound, Problem } from '../app/problem.ts'
import { Writer } from '../app/writer.ts'
import { BriefService } from '../brief/briefService.ts'
import { CatalogueService } from '../catalogue/catalogueService.ts'
import { MouldEntity } from '../catalogue/entities.ts'
import { DrawerService } from '../drawer/drawerService.ts'
import { MarketService } from '../market/marketService.ts'
import type { RostersFile } from './dto.ts'
import {
  AcceptedPinEntity,
  CharacterEntity,
  OutfitEntity,
  PlacementEntity,
  RosterEntity,
  TakeEntity,
  VoteEntity,
} from './entities.ts'

const ulid = monotonicFactory()

@Injectable()
export class RosterService {
  constructor(
    private readonly database: DataSource,
    private readonly writer: Writer,
    private readonly catalogue: CatalogueService,
    private readonly drawer: DrawerService,
    private readonly market: MarketService,
    private readonly briefs: BriefService,
  ) {}

  /** Every roster with its outfits as their chosen takes, and the parts needed to draw them. */
  async shelves(): Promise<{ rosters: RosterShelf[] } & Drawables> {
    const db = this.database.manager
    const [rosters, characters, outfits, takes, placements] = await Promise.all([
      db.find(RosterEntity, { order: { position: 'ASC' } }),
      db.find(CharacterEntity, { order: { position: 'ASC' } }),
      db.find(OutfitEntity, { order: { position: 'ASC' } }),
      db.findBy(TakeEntity, { chosen: true }),
      db.find(PlacementEntity),
    ])
    const worn = (take: string | undefined) => placements.filter((p) => p.take === take).map(placementOf)
    const order = this.inOrder(rosters, characters, outfits)
    const given = allocateOwned(
      await this.drawer.onHand(),
      order.map((outfit) => ({
        outfit: outfit.id,
        parts: worn(takes.find((t) => t.outfit === outfit.id)?.id).map((p) => p.part),
      })),
    )
    const shelves = rosters.map(({ position: _position, ...roster }) => ({
      ...roster,
      outfits: order
        .filter((outfit) => characters.find((c) => c.id === outfit.character)?.roster === roster.id)
        .map((outfit) => {
          const wears = worn(takes.find((t) => t.outfit === outfit.id)?.id)
          const owned = [...given.get(outfit.id)!.values()].reduce((sum, qty) => sum + qty, 0)
          return {
            id: outfit.id,
            name: outfit.name,
            faction: outfit.faction,
            character: characters.find((c) => c.id === outfit.character)!.name,
            placements: wears,
            owned,
            toBuy: wears.length - owned,
          }
        }),
    }))
    const parts = await this.catalogue.parts(placements.map((p) => p.part))
    return { rosters: shelves, parts, prints: await this.catalogue.printsOn(parts) }
  }

  /** One outfit with all its takes, and how many of each owned part are free for it. */
  async outfit(id: string): Promise<OutfitDetail> {
    const db = this.database.manager
    const outfit = await db.findOneBy(OutfitEntity, { id })
    if (!outfit) throw notFound('outfit', id)
    const character = await db.findOneByOrFail(CharacterEntity, { id: outfit.character })
    const roster = await db.findOneByOrFail(RosterEntity, { id: character.roster })
    const takes = await db.find(TakeEntity, { where: { outfit: id }, order: { label: 'ASC' } })
    const placements = await db.findBy(PlacementEntity, { take: In(takes.map((t) => t.id)) })
    const parts = await this.catalogue.parts(placements.map((p) => p.part))
    const lowest = await this.market.lowest()
    const votes = await db.find(VoteEntity, { where: { outfit: id }, order: { voter: 'ASC' } })
    const { brief, briefVersion } = await this.briefs.of(outfit)
    const accepted = await db.findBy(AcceptedPinEntity, { take: In(takes.map((t) => t.id)) })
    return {
      id,
      name: outfit.name,
      stature: outfit.stature,
      version: outfit.version,
      character: character.name,
      roster: { id: roster.id, name: roster.name, currency: roster.currency, rules: roster.rules },
      takes: takes.map(({ id: take, label, chosen, reason }) => ({
        id: take,
        label,
        chosen,
        reason,
        voters: votes.filter((vote) => vote.take === take).map(({ voter }) => voter),
        accepted: accepted
          .filter((one) => one.take === take)
          .map(({ pin, cause, reason: why }) => ({ pin, cause, reason: why })),
        placements: placements.filter((p) => p.take === take).map(placementOf),
      })),
      brief,
      briefVersion,
      references: await this.briefs.references(outfit),
      avoided: await this.briefs.avoided(brief),
      parts,
      prints: await this.catalogue.printsOn(parts),
      free: Object.fromEntries(await this.freeFor(id)),
      lowest: Object.fromEntries(parts.map(({ code }) => [code, lowest.get(code) ?? null])),
    }
  }

  /** Owned parts that no outfit earlier in the order counts on. */
  async freeFor(outfitId: string): Promise<Map<string, number>> {
    const db = this.database.manager
    const [rosters, characters, outfits, takes, placements, owned] = await Promise.all([
      db.find(RosterEntity, { order: { position: 'ASC' } }),
      db.find(CharacterEntity, { order: { position: 'ASC' } }),
      db.find(OutfitEntity, { order: { position: 'ASC' } }),
      db.findBy(TakeEntity, { chosen: true }),
      db.find(PlacementEntity),
      this.drawer.onHand(),
    ])
    const order = this.inOrder(rosters, characters, outfits)
    const before = order.slice(
      0,
      order.findIndex((outfit) => outfit.id === outfitId),
    )
    const chosen = new Map(takes.map((take) => [take.outfit, take.id]))
    const given = allocateOwned(
      owned,
      before.map(({ id }) => ({
        outfit: id,
        parts: placements.filter((p) => p.take === chosen.get(id)).map((p) => p.part),
      })),
    )
    const free = new Map(owned)
    for (const parts of given.values()) for (const [part, qty] of parts) free.set(part, free.get(part)! - qty)
    return new Map([...free].filter(([, qty]) => qty > 0))
  }

  /** Replace what a take wears. Refused with 409 when somebody else wrote first, with 400 when a placement is wrong. */
  savePlacements(
    outfitId: string,
    takeId: string,
    version: number,
    placements: readonly Placement[],
  ): Promise<{ version: number }> {
    return this.writing(outfitId, version, async (db) => {
      if (!(await db.findOneBy(TakeEntity, { id: takeId, outfit: outfitId }))) throw notFound('take', takeId)
      await this.refuseFaulty(placements)
      await db.delete(PlacementEntity, { take: takeId })
      await db.insert(
        PlacementEntity,
        placements.map((p) => ({ ...p, take: takeId })),
      )
    })
  }

  /** Add the rosters of a file, all or none. */
  async importRosters(file: RostersFile): Promise<{ rosters: number; outfits: number }> {
    let outfits = 0
    for (const [r, roster] of file.rosters.entries())
      for (const [c, character] of roster.characters.entries())
        for (const [o, outfit] of character.outfits.entries()) {
          const path = `rosters[${r}].characters[${c}].outfits[${o}].`
          if (outfit.brief) await this.briefs.refuseFaulty(outfit.brief, `${path}brief.`)
          for (const [t, take] of outfit.takes.entries())
            await this.refuseFaulty(take.placements, `${path}takes[${t}].`)
        }
    await this.writer.transaction(async (db) => {
      const first = await db.count(RosterEntity)
      for (const [position, { characters, ...roster }] of file.rosters.entries()) {
        const rosterId = ulid()
        await db.insert(RosterEntity, {
          budget: null,
          dueOn: null,
          ...roster,
          id: rosterId,
          position: first + position,
        })
        for (const [place, { name, outfits: own }] of characters.entries()) {
          const characterId = ulid()
          await db.insert(CharacterEntity, { id: characterId, roster: rosterId, name, position: place })
          for (const [at, { takes, brief, references = [], ...outfit }] of own.entries()) {
            const outfitId = ulid()
            await db.insert(OutfitEntity, { ...outfit, id: outfitId, character: characterId, position: at, version: 1 })
            outfits += 1
            if (brief) await this.briefs.write(db, outfitId, brief, 1)
            for (const reference of references)
              await this.briefs.insertReference(
                db,
                { ...reference, id: ulid(), ownOutfit: true },
                { id: outfitId, character: characterId },
              )
            for (const { placements, ...take } of takes) {
              const takeId = ulid()
              await db.insert(TakeEntity, { ...take, reason: take.reason ?? '', id: takeId, outfit: outfitId })
              await db.insert(
                PlacementEntity,
                placements.map((p) => ({ ...p, take: takeId })),
              )
            }
          }
        }
      }
    })
    return { rosters: file.rosters.length, outfits }
  }

  /** Run a write of an outfit in one transaction that checks and raises its version. */
  writing(
    outfitId: string,
    version: number,
    write: (db: EntityManager) => Promise<void>,
  ): Promise<{ version: number }> {
    return this.writer.transaction(async (db) => {
      const outfit = await db.findOneBy(OutfitEntity, { id: outfitId })
      if (!outfit) throw notFound('outfit', outfitId)
      if (outfit.version !== version)
        throw new Problem(
          409,
          'This outfit was changed elsewhere in the meantime. Nothing was written; load it again and repeat the change.',
          [{ field: 'version', message: `is ${version}, the newest is ${outfit.version}` }],
          { version: outfit.version },
        )
      await write(db)
      await db.update(OutfitEntity, { id: outfitId }, { version: version + 1 })
      return { version: version + 1 }
    })
  }

  /** Refuse placements that cannot be worn, with the path of each fault. */
  async refuseFaulty(placements: readonly Placement[], path = ''): Promise<void> {
    const parts = await this.catalogue.parts(placements.map((p) => p.part))
    const moulds = await this.database.getRepository(MouldEntity).find()
    const faults = placementFaults(placements, catalogueOf({ colours: [], moulds, prints: [], parts })).map(
      ({ index, field, message }) => ({
        field: `${path}placements[${index}].${field}`,
        message,
      }),
    )
    if (faults.length)
      throw new Problem(400, `${faults[0]!.field}: ${faults[0]!.message}. Nothing was written.`, faults)
  }

  private inOrder(rosters: RosterEntity[], characters: CharacterEntity[], outfits: OutfitEntity[]): OutfitEntity[] {
    return rosters.flatMap((roster) =>
      characters.filter((c) => c.roster === roster.id).flatMap((c) => outfits.filter((o) => o.character === c.id)),
    )
  }
}

const placementOf = ({ slot, part, order, turned }: PlacementEntity): Placement => ({ slot, part, order, turned })
