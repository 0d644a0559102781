import { Injectable } from '@nestjs/common'
import { DataSource, In, type EntityManager } from 'typeorm'
import { convert, homeCurrency, worthIn } from '@outfit/core/market'
import { goodsOf } from '@outfit/core/parcels'
import { groupBy } from '@outfit/core/base'
import type { Coming } from '@outfit/core/allotment'
import { CatalogueService } from '../catalogue/catalogueService.ts'
import { ParcelEntity, ParcelLineEntity, RateEntity, SellerEntity } from '../schema/market.ts'

/** A parcel on the way, with what is still to come in it. */
export interface OpenParcel extends Coming {
  seller: string
  expectedOn: string
}

/** Orders to sellers: what is on the way, and what was paid. */
@Injectable()
export class ParcelService {
  constructor(
    private readonly database: DataSource,
    private readonly catalogue: CatalogueService,
  ) {}

  /** Parcels that have not arrived, the earliest expected first; `db` where a transaction asks. */
  async open(db: EntityManager = this.database.manager): Promise<OpenParcel[]> {
    const parcels = await db.find(ParcelEntity, { order: { expectedOn: 'ASC', id: 'ASC' } })
    const awaited = parcels.filter(({ arrivedOn, cancelledOn }) => arrivedOn === null && cancelledOn === null)
    if (awaited.length === 0) return []
    const [lines, sellers] = await Promise.all([
      db.findBy(ParcelLineEntity, { parcel: In(awaited.map(({ id }) => id)) }),
      db.findBy(SellerEntity, { code: In(awaited.map(({ seller }) => seller)) }),
    ])
    const linesOf = groupBy(lines, ({ parcel }) => parcel)
    // What figures and boxes are made of comes with them.
    const yields = await this.catalogue.yields(lines)
    const broughtBy = ({ kind, code, qty }: ParcelLineEntity) =>
      yields.get(`${kind} ${code}`)!.yields.map((brought) => ({ part: brought.part, qty: brought.qty * qty }))
    return awaited.map(({ id, seller, expectedOn }) => ({
      id,
      seller: sellers.find(({ code }) => code === seller)?.name ?? seller,
      expectedOn,
      lines: (linesOf.get(id) ?? []).flatMap(broughtBy),
    }))
  }

  /** An amount in the home currency, at the rate of a day. */
  async toHome(): Promise<(amount: number, currency: string, date: string) => number> {
    const rates = await this.database.manager.find(RateEntity, { order: { date: 'ASC' } })
    const worth = worthIn(homeCurrency(), rates)
    return (amount, currency, date) => {
      // An order may be older than the rate table; then the oldest rate of its currency is as near as it gets.
      const oldest = rates.find(({ from, to }) => [from, to].includes(currency) && [from, to].includes(homeCurrency()))
      return worth(amount, currency, date) ?? convert(amount, currency, homeCurrency(), oldest?.date ?? date, rates)
    }
  }

  /** What was paid for the parcels of each roster, by its id: goods, shipping and handling in the home currency. */
  async paidByRoster(): Promise<Map<string, number>> {
    const db = this.database.manager
    const parcels = (await db.find(ParcelEntity)).filter(
      ({ roster, cancelledOn }) => roster !== null && cancelledOn === null,
    )
    if (parcels.length === 0) return new Map()
    const lines = groupBy(
      await db.findBy(ParcelLineEntity, { parcel: In(parcels.map(({ id }) => id)) }),
      (l) => l.parcel,
    )
    const toHome = await this.toHome()
    const paid = new Map<string, number>()
    for (const { id, roster, shipping, handling, currency, orderedOn } of parcels) {
      const home = toHome(goodsOf(lines.get(id) ?? []) + shipping + handling, currency, orderedOn)
      paid.set(roster!, (paid.get(roster!) ?? 0) + home)
    }
    return paid
  }
}
