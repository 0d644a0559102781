import { Injectable } from '@nestjs/common'
import { DataSource, type EntityManager } from 'typeorm'
import type { Stature } from '@outfit/core/brief'
import { groupBy } from '@outfit/core/base'
import { type Placement } from '@outfit/core/catalogue'
import { allot, arrivingFor, type Allotment, type Portion, type Wanting } from '@outfit/core/allotment'
import { type Drawer } from '@outfit/core/drawer'
import {
  houseRulesOf,
  inShelfOrder,
  type Company,
  type HouseRules,
  type Member,
  type Person,
} from '@outfit/core/roster'
import { BriefEntity } from '../schema/brief.ts'
import { DrawerService } from '../drawer/drawerService.ts'
import { PromiseEntity } from '../schema/drawer.ts'
import { MarketService } from '../market/marketService.ts'
import { sharedSolver } from '../solver/highsSolver.ts'
import { ParcelService } from '../market/parcelService.ts'
import { placementOf } from '../schema/placementRows.ts'
import { CharacterEntity, OutfitEntity, PlacementEntity, RosterEntity, TakeEntity } from '../schema/roster.ts'

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

/** An outfit before it is its turn. */
export type Asker = Omit<Share, keyof Portion | 'arriving'> & { promised?: Readonly<Record<string, number>> }

/**
 * Who has what: a part can be on one figure only, so the drawer is allotted to all outfits at once: fewest parts to buy,
 * then least money, then the order of the outfits.
 */
@Injectable()
export class SharesService {
  /** The allotment made last, with all it was made from. */
  private last: {
    key: string
    drawer: Drawer
    prices: ReadonlyMap<string, number>
    allotted: Promise<Allotment<Asker>>
  } | null = null

  constructor(
    private readonly database: DataSource,
    private readonly drawer: DrawerService,
    private readonly parcels: ParcelService,
    private readonly market: MarketService,
  ) {}

  /**
   * Every outfit in the order of rosters, and of each roster's shelf. With the manager of a transaction as that sees them,
   * read and allotted anew.
   */
  async all(db?: EntityManager): Promise<Share[]> {
    const [{ shares }, parcels] = await Promise.all([this.allotment(null, db), this.parcels.open(db)])
    return arrivingFor(shares, parcels)
  }

  /** The allotment of the drawer to all outfits, or to those of some rosters as if there were no others. */
  async allotment(rosters: readonly string[] | null = null, db?: EntityManager): Promise<Allotment<Asker>> {
    const [everybody, drawer] = await Promise.all([this.asking(db), this.drawer.contents(db)])
    const asking = rosters ? everybody.filter(({ roster }) => rosters.includes(roster.id)) : everybody
    const prices = await this.market.lowest()
    const key = JSON.stringify(
      asking.map(({ outfit, placements, level, standing, promised }) => [
        outfit.id,
        placements,
        level,
        standing ?? null,
        promised ?? null,
      ]),
    )
    const make = async () => allot(drawer, asking, { priceOf: (part) => prices.get(part), solve: await sharedSolver() })
    if (rosters || db) return make()
    if (this.last?.key === key && this.last.drawer === drawer && this.last.prices === prices) {
      // Who has what stays; what else is known of an outfit may be newer.
      const { shares, ...rest } = await this.last.allotted
      return {
        ...rest,
        shares: asking.map((asker, i) => ({ ...asker, drawer: shares[i]!.drawer, sources: shares[i]!.sources })),
      }
    }
    const mine = { key, drawer, prices, allotted: make() }
    this.last = mine
    mine.allotted.catch(() => this.last === mine && (this.last = null))
    return mine.allotted
  }

  /** Every outfit with what it wears and may be given, in the order in which the drawer is asked. */
  async asking(within?: EntityManager): Promise<Asker[]> {
    const db = within ?? this.database.manager
    const [rosters, characters, outfits, takes, placements, briefs, promises, stands] = await Promise.all([
      db.find(RosterEntity, { order: { position: 'ASC' } }),
      db.find(CharacterEntity, { order: { position: 'ASC' } }),
      db.find(OutfitEntity, { order: { position: 'ASC' } }),
      db.findBy(TakeEntity, { chosen: true }),
      db.createQueryBuilder(PlacementEntity, 'p').where('p.take IN (SELECT id FROM take WHERE chosen)').getMany(),
      db.find(BriefEntity),
      db.find(PromiseEntity),
      this.drawer.stands(within),
    ])
    const takeOf = new Map(takes.map((take) => [take.outfit, take]))
    const briefOf = new Map(briefs.map((brief) => [brief.outfit, brief]))
    const promisedTo = groupBy(promises, ({ outfit }) => outfit)
    const wornIn = groupBy(placements, ({ take }) => take)
    const characterOf = new Map(characters.map((character) => [character.id, character]))
    return rosters.flatMap((roster) =>
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
            ...(promisedTo.has(outfit.id)
              ? { promised: Object.fromEntries(promisedTo.get(outfit.id)!.map(({ part, qty }) => [part, qty])) }
              : {}),
          }
        },
      ),
    )
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

/** Each outfit among the others of its roster, made ready once for all of them. */
export function companiesOf(all: readonly Share[]): (share: Share) => Company {
  const members = new Map(
    all.map((share): [Share, Member] => [share, { ...personOf(share), placements: share.placements }]),
  )
  const rosters = groupBy(all, ({ roster }) => roster.id)
  return (share) => ({
    self: personOf(share),
    others: (rosters.get(share.roster.id) ?? []).flatMap((other) => (other === share ? [] : members.get(other)!)),
  })
}
