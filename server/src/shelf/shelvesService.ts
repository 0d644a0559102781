import { Injectable } from '@nestjs/common'
import { DataSource } from 'typeorm'
import { saysAnything } from '@outfit/core/brief'
import { groupBy } from '@outfit/core/base'
import type { Drawables } from '@outfit/core/catalogue'
import { originsOf, standsBuilt } from '@outfit/core/allotment'
import { costToFinish, wholesAmong } from '@outfit/core/prices'
import { stateOf, type AwaitedParcel, type PinSummary, type RosterShelf, type ShelfOutfit } from '@outfit/core/shelf'
import { ReferenceEntity } from '../schema/brief.ts'
import { breathing } from '../base/breathe.ts'
import { CatalogueService, type Assembly } from '../catalogue/catalogueService.ts'
import { MarketService } from '../market/marketService.ts'
import { ParcelService } from '../market/parcelService.ts'
import { placementOf } from '../schema/placementRows.ts'
import { RosterEntity, ShownEntity, UniformEntity, UniformPlacementEntity } from '../schema/roster.ts'
import { PinsService } from './pinsService.ts'
import { SharesService, type Share } from '../allotment/sharesService.ts'
import { stickersOn } from '../roster/stickers.ts'

/** Rosters as shelves: who stands on them, how far everybody is, what it cost and what it will. */
@Injectable()
export class ShelvesService {
  constructor(
    private readonly database: DataSource,
    private readonly catalogue: CatalogueService,
    private readonly market: MarketService,
    private readonly parcels: ParcelService,
    private readonly shares: SharesService,
    private readonly pins: PinsService,
  ) {}

  /** Every roster with its outfits as their chosen takes, the parcels they wait for, and the parts needed to draw them. */
  async all(): Promise<{ rosters: RosterShelf[]; parcels: AwaitedParcel[] } & Drawables> {
    const db = this.database.manager
    const [rosters, uniforms, worn, shares, paid, open] = await Promise.all([
      db.find(RosterEntity, { order: { position: 'ASC' } }),
      db.find(UniformEntity, { order: { name: 'ASC' } }),
      db.find(UniformPlacementEntity, { order: { slot: 'ASC', order: 'ASC' } }),
      this.shares.all(),
      this.parcels.paidByRoster(),
      this.parcels.open(),
    ])
    const facts = await this.factsOf(shares)
    const wornIn = groupBy(worn, ({ uniform }) => uniform)
    const shelves: RosterShelf[] = []
    const breath = breathing()
    for (const { position: _position, ...roster } of rosters) {
      const own = shares.filter((share) => share.roster.id === roster.id)
      const outfits: ShelfOutfit[] = []
      for (const share of own) {
        outfits.push(onShelf(share, facts))
        await breath()
      }
      shelves.push({
        ...roster,
        paid: paid.get(roster.id) ?? 0,
        uniforms: uniforms
          .filter((uniform) => uniform.roster === roster.id)
          .map(({ id, name, version }) => ({
            id,
            name,
            version,
            placements: (wornIn.get(id) ?? []).map(placementOf),
          })),
        heads: Object.fromEntries(own.map(({ character }) => [character.id, character.heads])),
        outfits,
      })
    }
    const placements = [...shares.flatMap((share) => share.placements), ...worn.map(placementOf)]
    const parts = await this.catalogue.parts([
      ...placements.map((p) => p.part),
      ...shares.flatMap(({ character }) => character.heads.map(({ head }) => head)),
    ])
    return {
      rosters: shelves,
      parcels: open.map(({ id, seller, expectedOn }) => ({
        id,
        seller,
        expectedOn,
        outfits: shares.filter(({ arriving }) => arriving.includes(id)).map(({ outfit }) => outfit.id),
        parts: shares.flatMap(({ arriving }) => arriving).filter((parcel) => parcel === id).length,
      })),
      parts,
      prints: await this.catalogue.printsOn(parts, stickersOn(placements)),
    }
  }

  /** One outfit as it stands on its shelf, among all others; null where there is none. */
  async one(outfit: string): Promise<ShelfOutfit | null> {
    const shares = await this.shares.all()
    const share = shares.find((one) => one.outfit.id === outfit)
    return share ? onShelf(share, await this.factsOf(shares, [share])) : null
  }

  private async factsOf(shares: readonly Share[], wanted = shares): Promise<Facts> {
    const lowest = await this.market.lowest()
    const [pins, assemblies, shown, pictured] = await Promise.all([
      this.pins.of(shares, wanted),
      this.market.assembliesFor(wanted.flatMap((share) => boughtFor(share).map(({ part }) => part))),
      this.database.manager.find(ShownEntity),
      this.database.manager.find(ReferenceEntity),
    ])
    return {
      pins,
      lowest,
      assemblies: assemblies.filter(({ code }) => lowest.has(code)),
      shown: new Set(shown.map(({ outfit }) => outfit)),
      pictured: new Set(pictured.flatMap(({ outfit, character }) => [outfit ?? character])),
    }
  }
}

/** What an outfit wears that is neither owned nor on the way. */
const boughtFor = ({ placements, sources, arriving }: Share) =>
  placements.filter((_, i) => sources[i] === null && arriving[i] === null)

interface Facts {
  /** Those for sale that bring something somebody lacks. */
  assemblies: readonly Assembly[]
  pins: ReadonlyMap<string, PinSummary[]>
  lowest: ReadonlyMap<string, number>
  shown: ReadonlySet<string>
  /** Outfits, and characters, with reference pictures. */
  pictured: ReadonlySet<string>
}

function onShelf(share: Share, { pins, lowest, assemblies, shown, pictured }: Facts): ShelfOutfit {
  const { outfit, character, brief, placements, sources, arriving } = share
  const missing = placements.filter((_, i) => sources[i] === null)
  const toBuy = boughtFor(share)
  const price = (code: string) => lowest.get(code)
  const own = pins.get(outfit.id) ?? []
  return {
    id: outfit.id,
    name: outfit.name,
    faction: outfit.faction,
    stature: outfit.stature,
    character: character.name,
    characterId: character.id,
    years: brief?.years ?? null,
    credits: brief?.credits ?? '',
    verdict: share.take?.reason ?? '',
    switches: outfit.switches,
    switchesReason: outfit.switchesReason,
    uniform: outfit.uniform,
    base: outfit.base,
    placements,
    from: originsOf(sources, arriving, share.drawer),
    state: stateOf({
      briefed: pictured.has(outfit.id) || pictured.has(character.id) || (brief !== null && saysAnything(brief)),
      placements,
      problems: own.filter(({ severity }) => severity === 'problem').length,
      missing: missing.length,
      arriving: missing.length - toBuy.length,
      built: standsBuilt(share),
      shown: shown.has(outfit.id),
    }),
    owned: sources.filter((source) => source !== null && !source.elsewhere).length,
    toBuy: toBuy.length,
    arriving: missing.length - toBuy.length,
    toCome: costToFinish(
      toBuy.map(({ part }) => part),
      price,
      wholesAmong(
        assemblies,
        price,
        share.rules.takingApart,
        toBuy.map(({ part }) => part),
      ),
    ),
    pins: own,
  }
}
