import { Injectable } from '@nestjs/common'
import { DataSource } from 'typeorm'
import type { Stature } from '@outfit/core/brief'
import { groupBy, type Placement } from '@outfit/core/catalogue'
import { arrivingFor, shareOut, type Portion, type Wanting } from '@outfit/core/drawer'
import {
  houseRulesOf,
  inShelfOrder,
  type Company,
  type HouseRules,
  type Member,
  type Person,
} from '@outfit/core/roster'
import { BriefEntity } from '../brief/entities.ts'
import { DrawerService } from '../drawer/drawerService.ts'
import { ParcelService } from '../market/parcelService.ts'
import { CharacterEntity, OutfitEntity, PlacementEntity, RosterEntity, TakeEntity } from './entities.ts'

/** An outfit as it stands in its roster: its chosen take, its house rules, and its share of the drawer. */
export interface Share extends Wanting, Portion {
  /** The name of the outfit. */
  name: string
  roster: RosterEntity
  character: CharacterEntity
  outfit: OutfitEntity
  /** The chosen take; null where there is none yet. */
  take: TakeEntity | null
  placements: Placement[]
  rules: HouseRules
  brief: BriefEntity | null
  /** For each placement, the parcel its part is to come in; null for what is owned or not ordered. */
  arriving: (string | null)[]
}

export const placementOf = ({ slot, part, order, turned, altered }: Omit<PlacementEntity, 'take'>): Placement => ({
  slot,
  part,
  order,
  turned,
  ...(altered?.length ? { altered } : {}),
})

/** Who has what: a part can be on one figure only, so outfits take from the drawer in their order. */
@Injectable()
export class SharesService {
  constructor(
    private readonly database: DataSource,
    private readonly drawer: DrawerService,
    private readonly parcels: ParcelService,
  ) {}

  /** Every outfit in the order of rosters, and of each roster's shelf. */
  async all(): Promise<Share[]> {
    const db = this.database.manager
    const [rosters, characters, outfits, takes, placements, briefs, contents, stands, parcels] = await Promise.all([
      db.find(RosterEntity, { order: { position: 'ASC' } }),
      db.find(CharacterEntity, { order: { position: 'ASC' } }),
      db.find(OutfitEntity, { order: { position: 'ASC' } }),
      db.findBy(TakeEntity, { chosen: true }),
      db.createQueryBuilder(PlacementEntity, 'p').where('p.take IN (SELECT id FROM take WHERE chosen)').getMany(),
      db.find(BriefEntity),
      this.drawer.contents(),
      this.drawer.stands(),
      this.parcels.open(),
    ])
    const takeOf = new Map(takes.map((take) => [take.outfit, take]))
    const briefOf = new Map(briefs.map((brief) => [brief.outfit, brief]))
    const wornIn = groupBy(placements, ({ take }) => take)
    const characterOf = new Map(characters.map((character) => [character.id, character]))
    const inOrder = rosters.flatMap((roster) =>
      inShelfOrder(outfits.filter((outfit) => characterOf.get(outfit.character)?.roster === roster.id)).map(
        (outfit) => {
          const take = takeOf.get(outfit.id) ?? null
          const rules = houseRulesOf(roster.rules, roster.switches, outfit.switches)
          return {
            roster,
            character: characterOf.get(outfit.character)!,
            outfit,
            name: outfit.name,
            take,
            placements: (wornIn.get(take?.id ?? '') ?? []).map(placementOf),
            rules,
            level: rules.takingApart,
            brief: briefOf.get(outfit.id) ?? null,
            ...(stands[outfit.id] ? { standing: stands[outfit.id] } : {}),
          }
        },
      ),
    )
    return arrivingFor(shareOut(contents, inOrder), parcels)
  }
}

const personOf = ({ character, outfit, brief }: Share): Person => ({
  outfit: outfit.id,
  name: outfit.name,
  character: character.name,
  faction: outfit.faction,
  stature: outfit.stature as Stature,
  years: brief?.years ?? null,
  heads: character.heads,
})

/** An outfit among the others of its roster. */
export function companyOf(share: Share, all: readonly Share[]): Company {
  return {
    self: personOf(share),
    others: all
      .filter((other) => other !== share && other.roster.id === share.roster.id)
      .map((other): Member => ({ ...personOf(other), placements: other.placements })),
  }
}
