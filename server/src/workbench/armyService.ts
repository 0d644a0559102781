import { Injectable } from '@nestjs/common'
import { monotonicFactory } from 'ulid'
import { countParts } from '@outfit/core/anatomy'
import { emptyBrief } from '@outfit/core/brief'
import type { Drawables, Part, Placement } from '@outfit/core/catalogue'
import { spareLoose } from '@outfit/core/drawer'
import { armyFaces, mostFaces, type Army, type ArmyHead } from '@outfit/core/workbench'
import { Changes } from '../app/changes.ts'
import { notFound, Problem } from '../app/problem.ts'
import { BriefService } from '../brief/briefService.ts'
import { CatalogueService } from '../catalogue/catalogueService.ts'
import { DrawerService } from '../drawer/drawerService.ts'
import { MarketService } from '../market/marketService.ts'
import { CharacterEntity, OutfitEntity, PlacementEntity, TakeEntity } from '../roster/entities.ts'
import { RosterService, rowOf } from '../roster/rosterService.ts'
import { SharesService, type Share } from '../roster/sharesService.ts'

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
    const heads = await this.headsLike(head.part)
    const faceOf = (part: Part) => part.print ?? part.code
    const own = heads.find(({ code }) => code === head.part)
    const choice = heads.map((part): ArmyHead => ({
      part: part.code,
      face: faceOf(part),
      spare: spare[part.code] ?? 0,
      price: prices.get(part.code) ?? null,
    }))
    const faces = armyFaces(count - 1, alike, choice, own ? [faceOf(own)] : [])
    const others = countParts(share.placements.filter((placement) => placement !== head))
    const needs = [...others].map(([part, each]) => {
      const need = each * (count - 1)
      const owned = Math.min(need, spare[part] ?? 0)
      return { part, need, owned, toBuy: need - owned, price: prices.get(part) ?? null }
    })
    const dressed = needs.map(({ part, owned }) => Math.floor(owned / others.get(part)!))
    const parts = await this.catalogue.parts([
      ...share.placements.map(({ part }) => part),
      ...(faces ?? []).map(({ part }) => part),
    ])
    return {
      count,
      alike,
      faces,
      most: mostFaces(alike, choice, own ? [faceOf(own)] : []) + 1,
      needs,
      price:
        needs.reduce((sum, one) => sum + one.toBuy * (one.price ?? 0), 0) +
        (faces ?? []).reduce((sum, one) => sum + one.price, 0),
      unoffered: needs.filter((one) => one.toBuy > 0 && one.price === null).map(({ part }) => part),
      complete: Math.min((faces ?? []).filter(({ from }) => from === 'spare').length, ...dressed),
      parts,
      prints: await this.catalogue.printsOn(parts),
    }
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
      const made: string[] = []
      for (const [i, face] of faces.entries()) {
        const character = ulid()
        const id = ulid()
        const name = `${share.name} ${i + 2}`
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
        const worn = share.placements.map((placement): Placement =>
          placement.slot === 'head' ? { ...placement, part: face.part } : placement,
        )
        await db.insert(
          PlacementEntity,
          worn.map((placement) => rowOf(placement, take)),
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
