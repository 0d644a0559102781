import { Injectable } from '@nestjs/common'
import { monotonicFactory } from 'ulid'
import { emptyBrief } from '@outfit/core/brief'
import type { Drawables, Part } from '@outfit/core/catalogue'
import { spareLoose } from '@outfit/core/allotment'
import { armyNames, armyOf, armyWears, type Army } from '@outfit/core/teams'
import { Changes } from '../base/changes.ts'
import { notFound, Problem } from '../base/problem.ts'
import { BriefService } from '../brief/briefService.ts'
import { CatalogueService } from '../catalogue/catalogueService.ts'
import { DrawerService } from '../drawer/drawerService.ts'
import { MarketService } from '../market/marketService.ts'
import { rowOf } from '../schema/placementRows.ts'
import { CharacterEntity, OutfitEntity, PlacementEntity, TakeEntity } from '../schema/roster.ts'
import { RosterService } from '../roster/rosterService.ts'
import { SharesService, type Share } from '../allotment/sharesService.ts'

const ulid = monotonicFactory()

/** Many of the same outfit, told apart by their faces. */
@Injectable()
export class ArmyService {
  constructor(
    private readonly shares: SharesService,
    private readonly drawer: DrawerService,
    private readonly catalogue: CatalogueService,
    private readonly market: MarketService,
    private readonly briefs: BriefService,
    private readonly rosters: RosterService,
    private readonly changes: Changes,
  ) {}

  /** What an army of `count`, the outfit itself among them, would wear, own and have to buy. */
  async preview(outfit: string, count: number, alike: number): Promise<Army & Drawables> {
    const shares = await this.shares.all()
    const share = shares.find((one) => one.outfit.id === outfit)
    if (!share) throw notFound('outfit', outfit)
    const head = share.placements.find(({ slot }) => slot === 'head')
    if (!head) throw new Problem(409, `${share.name} has no head yet. Dress it first.`)
    const [spare, prices] = await Promise.all([
      this.drawer.contents().then((contents) => spareLoose(contents, shares)),
      this.market.lowest(),
    ])
    const army = armyOf({
      placements: share.placements,
      count,
      alike,
      heads: await this.headsLike(head.part),
      spare,
      priceOf: (part) => prices.get(part) ?? null,
    })
    const parts = await this.catalogue.parts([
      ...share.placements.map(({ part }) => part),
      ...(army.faces ?? []).map(({ part }) => part),
    ])
    return { ...army, parts, prints: await this.catalogue.printsOn(parts) }
  }

  /** Make the others of an army: characters of their own behind the first, dressed as it is but for their faces. */
  async make(outfit: string, count: number, alike: number): Promise<{ outfits: string[]; version: number }> {
    const [share, { faces }] = await Promise.all([this.shareOf(outfit), this.preview(outfit, count, alike)])
    if (!faces)
      throw new Problem(409, `There are too few faces for ${count} with at most ${alike} alike. Nothing was made.`, [
        { field: 'alike', message: 'too few faces' },
      ])
    const { version, outfits } = await this.rosters.writingRoster(share.roster.id, share.roster.version, async (db) => {
      const all = await db.find(OutfitEntity, { where: {}, order: { position: 'DESC' }, take: 1 })
      let position = (all[0]?.position ?? -1) + 1
      const names = armyNames(share.name, faces.length, new Set((await db.find(OutfitEntity)).map(({ name }) => name)))
      const made: string[] = []
      for (const [i, face] of faces.entries()) {
        const character = ulid()
        const id = ulid()
        const name = names[i]!
        await db.insert(CharacterEntity, { id: character, roster: share.roster.id, name, position: 0, heads: [] })
        await db.insert(OutfitEntity, {
          ...share.outfit,
          id,
          character,
          name,
          position: position++,
          version: 1,
          base: null,
        })
        const brief = share.brief ? this.briefs.from(share.brief, share.outfit).brief : emptyBrief()
        await this.briefs.write(db, id, brief, 1)
        const take = ulid()
        await db.insert(TakeEntity, { id: take, outfit: id, label: 'A', chosen: true, reason: '' })
        await db.insert(
          PlacementEntity,
          armyWears(share.placements, face).map((placement) => rowOf(placement, take)),
        )
        made.push(id)
      }
      return { outfits: made }
    })
    this.changes.tell('drawer')
    return { version, outfits }
  }

  private async shareOf(outfit: string): Promise<Share> {
    const share = (await this.shares.all()).find((one) => one.outfit.id === outfit)
    if (!share) throw notFound('outfit', outfit)
    return share
  }

  /** Printed heads of the same shape and skin. */
  private async headsLike(code: string): Promise<Part[]> {
    const same = (await this.catalogue.sameMould(code)) ?? []
    const own = same.find((part) => part.code === code)
    return same.filter((part) => part.print !== null && part.colours[0] === own?.colours[0])
  }
}
