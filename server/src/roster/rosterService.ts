import { Injectable } from '@nestjs/common'
import { DataSource, In, type EntityManager } from 'typeorm'
import { placementFaults } from '@outfit/core/anatomy'
import { catalogueOf, type Placement } from '@outfit/core/catalogue'
import { freeIn, takenBy } from '@outfit/core/allotment'
import type { OutfitDetail } from '@outfit/core/roster'
import { notFound, Problem } from '../base/problem.ts'
import { Writer } from '../base/writer.ts'
import { BriefService } from '../brief/briefService.ts'
import { CatalogueService } from '../catalogue/catalogueService.ts'
import { ColourEntity, MouldEntity, PrintEntity } from '../schema/catalogue.ts'
import { DrawerService } from '../drawer/drawerService.ts'
import { MarketService } from '../market/marketService.ts'
import { companiesOf, SharesService } from '../allotment/sharesService.ts'
import { stickersOn } from './stickers.ts'
import { placementOf, rowOf } from '../schema/placementRows.ts'
import {
  AcceptedPinEntity,
  OutfitEntity,
  PlacementEntity,
  RosterEntity,
  TakeEntity,
  VoteEntity,
} from '../schema/roster.ts'

/** Rosters, characters, outfits and takes: read whole, and changed only by who knows the newest version. */
@Injectable()
export class RosterService {
  constructor(
    private readonly database: DataSource,
    private readonly writer: Writer,
    private readonly catalogue: CatalogueService,
    private readonly drawer: DrawerService,
    private readonly market: MarketService,
    private readonly briefs: BriefService,
    private readonly shares: SharesService,
  ) {}

  /** One outfit with all its takes, among the others of its roster, and what the drawer has for it. */
  async outfit(id: string): Promise<OutfitDetail> {
    const db = this.database.manager
    const shares = await this.shares.all()
    const share = shares.find(({ outfit }) => outfit.id === id)
    if (!share) throw notFound('outfit', id)
    const { outfit, character, roster, rules, drawer } = share
    const takes = await db.find(TakeEntity, { where: { outfit: id }, order: { label: 'ASC' } })
    const placements = await db.findBy(PlacementEntity, { take: In(takes.map((t) => t.id)) })
    const company = companiesOf(shares)(share)
    const own = placements.map((p) => p.part)
    const seen = [...own, ...company.others.flatMap((other) => other.placements.map((p) => p.part))]
    const donated = drawer.donors.flatMap(({ pieces }) => pieces.map(({ part }) => part))
    const parts = await this.catalogue.parts([
      ...seen,
      ...donated,
      ...(await this.market.assembliesFor(own)).map(({ code }) => code),
      ...(await this.catalogue.lookalikes(placements.map(placementOf))),
    ])
    const lowest = await this.market.lowest()
    const votes = await db.find(VoteEntity, { where: { outfit: id }, order: { voter: 'ASC' } })
    const { brief, briefVersion } = this.briefs.from(share.brief, outfit)
    const accepted = await db.findBy(AcceptedPinEntity, { take: In(takes.map((t) => t.id)) })
    const places = await this.drawer.places()
    const free = freeIn(drawer, rules.takingApart)
    return {
      id,
      name: outfit.name,
      stature: outfit.stature,
      version: outfit.version,
      character: character.name,
      roster: {
        id: roster.id,
        name: roster.name,
        currency: roster.currency,
        rules: roster.rules,
        switches: roster.switches,
        version: roster.version,
      },
      switches: outfit.switches,
      switchesReason: outfit.switchesReason,
      excluded: await this.briefs.onlyFrom(rules.excluded),
      company,
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
      prints: await this.catalogue.printsOn(
        parts,
        stickersOn([...placements.map(placementOf), ...company.others.flatMap((other) => other.placements)]),
      ),
      drawer,
      arriving: countOf(share.placements.filter((_, i) => share.arriving[i] !== null).map(({ part }) => part)),
      free,
      places: Object.fromEntries(Object.entries(places).filter(([part]) => (free[part] ?? 0) > 0)),
      taken: takenBy(shares)(share, own),
      lowest: Object.fromEntries(parts.map(({ code }) => [code, lowest.get(code) ?? null])),
    }
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
        placements.map((p) => rowOf(p, takeId)),
      )
    })
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

  /** Run a write of a roster in one transaction that checks and raises its version. */
  writingRoster<R extends object>(
    id: string,
    version: number,
    write: (db: EntityManager) => Promise<R>,
  ): Promise<R & { version: number }> {
    return this.writer.transaction(async (db) => {
      const roster = await db.findOneBy(RosterEntity, { id })
      if (!roster) throw notFound('roster', id)
      if (roster.version !== version)
        throw new Problem(
          409,
          'This roster was changed elsewhere in the meantime. Nothing was written; load it again and repeat the change.',
          [{ field: 'version', message: `is ${version}, the newest is ${roster.version}` }],
          { version: roster.version },
        )
      const result = await write(db)
      await db.update(RosterEntity, { id }, { version: version + 1 })
      return { ...result, version: version + 1 }
    })
  }

  /** Refuse placements that cannot be worn, with the path of each fault. */
  async refuseFaulty(placements: readonly Placement[], path = ''): Promise<void> {
    const parts = await this.catalogue.parts(placements.map((p) => p.part))
    const moulds = await this.database.getRepository(MouldEntity).find()
    const [colours, prints] = await Promise.all([
      this.database.getRepository(ColourEntity).find(),
      this.database.getRepository(PrintEntity).findBy({ code: In(stickersOn(placements)) }),
    ])
    const faults = placementFaults(placements, catalogueOf({ colours, moulds, prints, parts })).map(
      ({ index, field, message }) => ({
        field: `${path}placements[${index}].${field}`,
        message,
      }),
    )
    if (faults.length)
      throw new Problem(400, `${faults[0]!.field}: ${faults[0]!.message}. Nothing was written.`, faults)
  }
}

const countOf = (codes: readonly string[]): Record<string, number> => {
  const counts: Record<string, number> = {}
  for (const code of codes) counts[code] = (counts[code] ?? 0) + 1
  return counts
}
