import { Injectable } from '@nestjs/common'
import { DataSource } from 'typeorm'
import { catalogueOf, mainColour, type Catalogue } from '@outfit/core/catalogue'
import type { Level } from '@outfit/core/catalogue'
import { collate, lackingForPacks, type PackContents, type PackPlan, type PartForPacks } from '@outfit/core/packs'
import {
  completed,
  packNames,
  partsOf,
  seriesMembers,
  type PackNames,
  type Series,
  type SeriesKept,
  type SeriesMember,
} from '@outfit/core/series'
import { SharesService, type Share } from '../allotment/sharesService.ts'
import { notFound, Problem } from '../base/problem.ts'
import { Writer } from '../base/writer.ts'
import { CatalogueService } from '../catalogue/catalogueService.ts'
import { DrawerService } from '../drawer/drawerService.ts'
import { stickersOn } from '../roster/stickers.ts'
import { RosterEntity } from '../schema/roster.ts'

/** A series with everybody drawn, ready to be laid out. */
export interface SeriesDrawn {
  roster: RosterEntity
  series: Series
  sealed: SeriesKept['sealed']
  members: SeriesMember[]
  catalogue: Catalogue
  shares: Share[]
}

/** Parts that packs lack, as they are named and asked of sellers. */
export interface PacksLack {
  parts: (PartForPacks & { name: string; colour: string })[]
  /** How many packs they are for. */
  packs: number
  /** Why no packs can be made; empty while they can. */
  conflicts: string[]
}

/** Rosters as numbered series: what is kept of them, their packs, and what is lacking to fill them. */
@Injectable()
export class SeriesService {
  constructor(
    private readonly database: DataSource,
    private readonly writer: Writer,
    private readonly shares: SharesService,
    private readonly catalogue: CatalogueService,
    private readonly drawer: DrawerService,
  ) {}

  /** What is kept of a roster as a series. 404 for a roster there is none of. */
  async kept(roster: string): Promise<SeriesKept> {
    const found = await this.database
      .getRepository(RosterEntity)
      .findOne({ where: { id: roster }, select: { id: true, series: true, sealed: true } })
    if (!found) throw notFound('roster', roster)
    const { series, sealed } = found
    return { series: series && completed(series), sealed: sealed && !sealed.broken ? sealed : null }
  }

  /** Keep what a roster says as a series. */
  async keep(roster: string, series: Series): Promise<void> {
    await this.write(roster, { series })
  }

  /** It is no series any more. 409 while its packs are sealed: what is in them would be known to nobody. */
  async end(roster: string): Promise<void> {
    const { sealed } = await this.kept(roster)
    if (sealed)
      throw new Problem(
        409,
        'Its packs are sealed, and only here is it known who is in which. Break the seal first.',
        [],
      )
    await this.write(roster, { series: null })
  }

  private async write(roster: string, change: Partial<Pick<RosterEntity, 'series' | 'sealed'>>): Promise<void> {
    await this.writer.transaction(async (db) => {
      const { affected } = await db.update(RosterEntity, { id: roster }, change)
      if (!affected) throw notFound('roster', roster)
    })
  }

  /** A series with its members drawn. 409 where the roster is no series, or nobody is dressed. */
  async drawn(id: string): Promise<SeriesDrawn> {
    const { series, sealed } = await this.kept(id)
    if (!series) throw new Problem(409, 'This roster is no series yet. Make it one first.', [])
    const shares = (await this.shares.all()).filter((share) => share.roster.id === id)
    const worn = shares.flatMap(({ placements }) => placements)
    if (worn.length === 0)
      throw new Problem(409, 'Nobody of this roster is dressed yet, so there is nothing to print.', [])
    const parts = await this.catalogue.parts([...new Set([...worn.map(({ part }) => part), ...partsOf(series)])])
    const prints = await this.catalogue.printsOn(parts, stickersOn(worn))
    const catalogue = catalogueOf({ ...(await this.catalogue.basics()), parts, prints })
    const outfits = shares.map(({ outfit, placements }) => ({
      id: outfit.id,
      name: outfit.name,
      faction: outfit.faction,
      placements,
    }))
    const members = seriesMembers(outfits, series.entries, catalogue)
    return { roster: shares[0]!.roster, series, sealed, members, catalogue, shares }
  }

  /** The packs of a series: those sealed, or those its choices make. 409 with the two things that fight. */
  packsOf({ series, sealed, members }: Pick<SeriesDrawn, 'series' | 'sealed' | 'members'>): PackPlan {
    if (sealed) return sealed.plan
    const { plan, conflicts } = collate(series.packs, members, series.bonus)
    if (!plan)
      throw new Problem(
        409,
        conflicts.map(({ words }) => words).join(' '),
        conflicts.flatMap(({ between, words }) => between.map((field) => ({ field, message: words }))),
      )
    return plan
  }

  /** Seal the packs as the choices make them: whatever is changed afterwards, these are what was packed. 409 where they are. */
  async seal(id: string): Promise<void> {
    const drawn = await this.drawn(id)
    if (drawn.sealed) throw new Problem(409, 'The packs are sealed already. Break the seal first to pack anew.', [])
    const plan = this.packsOf(drawn)
    const names = Object.fromEntries([
      ...drawn.members.map(({ id: own, name, number }) => [own, `${number ?? ''} ${name}`.trim()]),
      ...drawn.series.packs.items.map((item) => [item.id, item.name]),
    ]) as Record<string, string>
    await this.write(id, { sealed: { plan, names, opened: [] } })
  }

  /** Break the seal, so that packs follow the choices again, or mend one that was broken. 409 where there is none. */
  async breakSeal(id: string, broken: boolean): Promise<void> {
    await this.kept(id)
    await this.writer.transaction(async (db) => {
      const found = await db.findOne(RosterEntity, { where: { id }, select: { id: true, sealed: true } })
      if (!found?.sealed || Boolean(found.sealed.broken) === broken)
        throw new Problem(409, broken ? 'The packs are not sealed.' : 'There is no broken seal to mend.', [])
      const { broken: _broken, ...sealed } = found.sealed
      await db.update(RosterEntity, { id }, { sealed: broken ? { ...sealed, broken } : sealed })
    })
  }

  /** Which packs were opened. 409 where none is sealed, 400 for a pack there is none of. */
  async open(id: string, opened: readonly number[]): Promise<void> {
    const { sealed } = await this.kept(id)
    if (!sealed) throw new Problem(409, 'The packs are not sealed, so none can be opened.', [])
    const strange = opened.find((pack) => pack < 1 || pack > sealed.plan.packs.length)
    if (strange !== undefined)
      throw new Problem(400, `There is no pack ${strange}. Nothing was written.`, [
        { field: 'opened', message: `there is no pack ${strange}` },
      ])
    await this.write(id, { sealed: { ...sealed, opened: [...new Set(opened)].sort((a, b) => a - b) } })
  }

  /** Names of what lies in packs. */
  namesOf({ series, sealed, members, catalogue }: SeriesDrawn): PackNames {
    return packNames(members, series, sealed, (code) => catalogue.parts.get(code)?.name ?? code)
  }

  /** What the drawer lacks to fill all packs, as if the whole drawer were for them. */
  async lacking(id: string): Promise<PacksLack> {
    const drawn = await this.drawn(id)
    const { series, members, shares, catalogue } = drawn
    const { plan, conflicts } = drawn.sealed
      ? { plan: drawn.sealed.plan, conflicts: [] }
      : collate(series.packs, members, series.bonus)
    if (!plan) return { parts: [], packs: 0, conflicts: conflicts.map(({ words }) => words) }
    const contents: PackContents = {
      worn: new Map(shares.map(({ outfit, placements }) => [outfit.id, placements])),
      standing: new Map(shares.map(({ outfit, standing }) => [outfit.id, standing ?? {}])),
      items: series.packs.items,
      nameOf: (outfit) => shares.find((share) => share.outfit.id === outfit)?.name ?? outfit,
    }
    const level = shares.reduce<Level>((least, { rules }) => (rules.takingApart < least ? rules.takingApart : least), 4)
    const parts = lackingForPacks(plan, contents, await this.drawer.contents(), level)
    return {
      packs: plan.packs.length,
      conflicts: [],
      parts: parts
        .map((one) => {
          const part = catalogue.parts.get(one.part)
          return { ...one, name: part?.name ?? one.part, colour: (part && mainColour(catalogue, part)?.name) ?? '' }
        })
        .sort((a, b) => b.qty - a.qty || (a.name < b.name ? -1 : 1)),
    }
  }
}
