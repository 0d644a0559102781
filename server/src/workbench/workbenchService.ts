import { Injectable } from '@nestjs/common'
import { DataSource, In } from 'typeorm'
import { catalogueOf, type Catalogue, type Drawables } from '@outfit/core/catalogue'
import { binKind } from '@outfit/core/drawer'
import { contestedParts, looseUsed, type Portion, shareOut, spareLoose, standsBuilt } from '@outfit/core/allotment'
import {
  buildable,
  buildingSteps,
  dearestFirst,
  leftovers,
  losersOf,
  type AllotmentReport,
  type BuildableList,
  type Candidate,
  type LeftoversReport,
  type WorkbenchPlan,
} from '@outfit/core/workbench'
import { notFound } from '../base/problem.ts'
import { BriefService } from '../brief/briefService.ts'
import { CatalogueService } from '../catalogue/catalogueService.ts'
import { ActEntity, BinEntity, LyingEntity, MovementEntity, RemarkEntity } from '../schema/drawer.ts'
import { DrawerService } from '../drawer/drawerService.ts'
import { MarketService } from '../market/marketService.ts'
import { RosterEntity } from '../schema/roster.ts'
import { SharesService, type Asker } from '../allotment/sharesService.ts'
import { StandService } from '../roster/standService.ts'

type Allotted = Asker & Portion

/** What can be built from the drawer, how, who has what, and what is left over. */
@Injectable()
export class WorkbenchService {
  constructor(
    private readonly database: DataSource,
    private readonly shares: SharesService,
    private readonly stands: StandService,
    private readonly drawer: DrawerService,
    private readonly briefs: BriefService,
    private readonly catalogue: CatalogueService,
    private readonly market: MarketService,
  ) {}

  /** The gather list and the steps of an outfit. */
  async plan(outfit: string): Promise<WorkbenchPlan & Drawables> {
    const [{ share, sources, stops }, shares, contents, owned, prices] = await Promise.all([
      this.stands.gathering(outfit),
      this.shares.all(),
      this.drawer.contents(),
      this.drawer.onHand(),
      this.market.lowest(),
    ])
    const bins = await this.database.getRepository(BinEntity).find()
    const remarks = await this.database.getRepository(RemarkEntity).find({ where: { outfit }, order: { id: 'ASC' } })
    const nameOf = (code: string | null | undefined) => bins.find((bin) => bin.code === code)?.name ?? null
    const used = contents.donors.filter(({ code }) => sources.some((source) => source?.donor === code))
    const { catalogue, drawables } = await this.catalogueWith([
      ...share.placements.map(({ part }) => part),
      ...used.flatMap(({ pieces }) => pieces.map(({ part }) => part)),
    ])
    const built = standsBuilt(share)
    return {
      outfit: {
        id: share.outfit.id,
        name: share.name,
        roster: share.roster.id,
        rosterName: share.roster.name,
      },
      placements: share.placements,
      sources,
      stops: stops.map(({ bin, parts }) => ({
        bin,
        parts,
        name: nameOf(bin) ?? bin,
        inside: nameOf(bins.find(({ code }) => code === bin)?.parent),
      })),
      donors: used.map(({ code, name }) => ({ code, name })),
      steps: built
        ? []
        : buildingSteps(share.placements, sources, {
            catalogue,
            donors: used,
            owned: Object.fromEntries(owned),
            prices: Object.fromEntries(prices),
          }),
      lacks: share.placements.filter((_, i) => sources[i] === null && share.arriving[i] === null),
      coming: share.placements.filter((_, i) => sources[i] === null && share.arriving[i] !== null),
      built,
      others: losersOf(
        share.placements.filter((_, i) => share.sources[i] === null && sources[i] !== null).map(({ part }) => part),
        shares.filter((one) => one.outfit.id !== outfit),
      ),
      remarks: remarks.map(({ id, at, part, kind, text, photo }) => ({ id, at, part, kind, text, photo })),
      ...drawables,
    }
  }

  /** What could be built today, the nearest first; `rosters` are the ones to look at, or all. */
  async buildable(rosters: readonly string[] | null): Promise<BuildableList & Drawables> {
    const [shares, contents] = await Promise.all([this.shares.all(), this.drawer.contents()])
    const spare = spareLoose(contents, shares)
    const all = shares.map((share) => this.candidate(share))
    const wanted = all.filter(
      (one, i) =>
        one.placements.length > 0 && !standsBuilt(one) && (!rosters || rosters.includes(shares[i]!.roster.id)),
    )
    const { catalogue } = await this.catalogueWith([
      ...Object.keys(spare),
      ...wanted.flatMap(({ placements }) => placements.map(({ part }) => part)),
    ])
    const found = buildable(wanted, all, contents, spare, catalogue)
    const shareOf = new Map(shares.map((share) => [share.outfit.id, share]))
    const told = [
      ...found.flatMap(({ lacks, coming, instead }) => [
        ...[...lacks, ...coming].map(({ part }) => part),
        ...instead.flatMap((one) => one?.part ?? []),
      ]),
      ...wanted.flatMap(({ placements }) => placements.map(({ part }) => part)),
    ]
    const parts = await this.catalogue.parts(told)
    return {
      outfits: found.map((one) => {
        const { roster } = shareOf.get(one.id)!
        return { ...one, roster: roster.id, rosterName: roster.name }
      }),
      donors: contents.donors.map(({ code, name }) => ({ code, name })),
      parts,
      prints: await this.catalogue.printsOn(parts),
    }
  }

  /** How the drawer is allotted to the outfits of some rosters, or of all, and where two want the same. */
  async allotment(rosters: readonly string[] | null): Promise<AllotmentReport & Drawables> {
    const [{ shares, terms, proven }, contents, prices] = await Promise.all([
      this.shares.allotment(rosters),
      this.drawer.contents(),
      this.market.lowest(),
    ])
    const price = (part: string) => prices.get(part) ?? null
    const inTurn = shareOut(contents, shares).flatMap(({ placements, sources }) =>
      placements.filter((_, i) => sources[i] === null),
    )
    const all = shares.map((share) => this.candidate(share))
    const spare = spareLoose(contents, shares)
    const { catalogue } = await this.catalogueWith([
      ...Object.keys(spare),
      ...all.flatMap(({ placements }) => placements.map(({ part }) => part)),
    ])
    const contested = contestedParts(all, spare, price, catalogue)
    const parts = await this.catalogue.parts(
      contested.flatMap(({ part, equal, near }) => [part, ...equal, ...near.map((one) => one.part)]),
    )
    return {
      terms,
      proven,
      spares: {
        toBuy: inTurn.length - terms.toBuy,
        price: inTurn.reduce((sum, { part }) => sum + (price(part) ?? 0), 0) - terms.price,
      },
      outfits: shares.map(({ outfit, name, roster, placements, sources }) => ({
        id: outfit.id,
        name,
        roster: roster.id,
        rosterName: roster.name,
        worn: placements.length,
        given: sources.filter((source) => source !== null).length,
      })),
      contested,
      parts,
      prints: await this.catalogue.printsOn(parts),
    }
  }

  /** What nobody needs: everything, or what is left of what was brought in or taken apart for a roster. */
  async leftovers(roster: string | null): Promise<LeftoversReport & Drawables> {
    const db = this.database.manager
    const known = roster === null ? null : await db.findOneBy(RosterEntity, { id: roster })
    if (roster !== null && !known) throw notFound('roster', roster)
    const [{ shares }, bins, lying, prices] = await Promise.all([
      this.shares.allotment(),
      db.find(BinEntity),
      db.find(LyingEntity, { order: { part: 'ASC', bin: 'ASC', condition: 'ASC' } }),
      this.market.lowest(),
    ])
    const binOf = new Map(bins.map((bin) => [bin.code, bin]))
    const touched = roster === null ? null : await this.touchedBy(roster)
    const isLeft = ({ bin }: LyingEntity) => {
      const kind = binKind(binOf.get(bin)!)
      // A figure that stands together is no leftover, but one that gave something for this roster is.
      return kind === 'loose' || (kind === 'donor' && (touched?.bins.has(bin) ?? false))
    }
    const onDonor = ({ bin }: LyingEntity) => binKind(binOf.get(bin)!) === 'donor'
    const price = (part: string) => prices.get(part) ?? null
    const [gaveUp, loose] = [true, false].map((is) => lying.filter((one) => isLeft(one) && onDonor(one) === is))
    const rows = dearestFirst([
      ...leftovers(gaveUp!, {}, shares, price),
      ...leftovers(loose!, looseUsed(shares), shares, price, touched?.brought),
    ])
    const parts = await this.catalogue.parts(rows.map(({ part }) => part))
    return {
      roster: known && { id: known.id, name: known.name },
      rows: rows.map((row) => ({ ...row, binName: binOf.get(row.bin)!.name })),
      worth: rows.reduce((sum, { worth }) => sum + (worth ?? 0), 0),
      parts,
      prints: await this.catalogue.printsOn(parts),
    }
  }

  /** How many of each part a roster's acts brought in, less what was taken back, and the donors they took from. */
  private async touchedBy(roster: string): Promise<{ brought: Record<string, number>; bins: Set<string> }> {
    const db = this.database.manager
    const acts = await db.findBy(ActEntity, { roster })
    const movements = await db.findBy(MovementEntity, { act: In(acts.map(({ id }) => id)) })
    const brought: Record<string, number> = {}
    for (const { part, from, to, qty } of movements) {
      if (from === null) brought[part] = (brought[part] ?? 0) + qty
      if (to === null) brought[part] = (brought[part] ?? 0) - qty
    }
    return { brought, bins: new Set(movements.flatMap(({ from }) => from ?? [])) }
  }

  private candidate(share: Allotted): Candidate & Allotted {
    return {
      ...share,
      id: share.outfit.id,
      brief: share.brief && this.briefs.from(share.brief, share.outfit).brief,
    } as never
  }

  private async catalogueWith(codes: readonly string[]): Promise<{ catalogue: Catalogue; drawables: Drawables }> {
    const parts = await this.catalogue.parts([...new Set(codes)])
    const drawables = { parts, prints: await this.catalogue.printsOn(parts) }
    return { catalogue: catalogueOf({ ...(await this.catalogue.basics()), ...drawables }), drawables }
  }
}
