import { Injectable } from '@nestjs/common'
import { DataSource, In } from 'typeorm'
import { convert, HOME_CURRENCY } from '@outfit/core/market'
import { groupBy } from '@outfit/core/catalogue'
import type { Coming } from '@outfit/core/drawer'
import { ParcelEntity, ParcelLineEntity, RateEntity, SellerEntity } from './entities.ts'

/** A parcel on the way, with what is still to come in it. */
export interface OpenParcel extends Coming {
  seller: string
  expectedOn: string
}

/** Orders to sellers: what is on the way, and what was paid. */
@Injectable()
export class ParcelService {
  constructor(private readonly database: DataSource) {}

  /** Parcels that have not arrived, the earliest expected first. */
  async open(): Promise<OpenParcel[]> {
    const db = this.database.manager
    const parcels = await db.find(ParcelEntity, { order: { expectedOn: 'ASC', id: 'ASC' } })
    const awaited = parcels.filter(({ arrivedOn }) => arrivedOn === null)
    if (awaited.length === 0) return []
    const [lines, sellers] = await Promise.all([
      db.findBy(ParcelLineEntity, { parcel: In(awaited.map(({ id }) => id)) }),
      db.findBy(SellerEntity, { code: In(awaited.map(({ seller }) => seller)) }),
    ])
    const linesOf = groupBy(lines, ({ parcel }) => parcel)
    return awaited.map(({ id, seller, expectedOn }) => ({
      id,
      seller: sellers.find(({ code }) => code === seller)?.name ?? seller,
      expectedOn,
      lines: (linesOf.get(id) ?? []).map(({ part, qty }) => ({ part, qty })),
    }))
  }

  /** What was paid for the parcels of each roster, by its id: goods, shipping and handling in the home currency. */
  async paidByRoster(): Promise<Map<string, number>> {
    const db = this.database.manager
    const parcels = (await db.find(ParcelEntity)).filter(({ roster }) => roster !== null)
    if (parcels.length === 0) return new Map()
    const lines = groupBy(
      await db.findBy(ParcelLineEntity, { parcel: In(parcels.map(({ id }) => id)) }),
      (l) => l.parcel,
    )
    const rates = await db.find(RateEntity)
    const toHome = (amount: number, currency: string, date: string) => {
      // An order may be older than the rate table; then its oldest-known rate is as near as it gets.
      const known = rates.some((rate) => rate.date <= date)
      return convert(amount, currency, HOME_CURRENCY, known ? date : '9999-12-31', rates)
    }
    const paid = new Map<string, number>()
    for (const { id, roster, shipping, handling, currency, orderedOn } of parcels) {
      const goods = (lines.get(id) ?? []).reduce((sum, { price, qty }) => sum + price * qty, 0)
      const home = toHome(goods + shipping + handling, currency, orderedOn)
      paid.set(roster!, (paid.get(roster!) ?? 0) + home)
    }
    return paid
  }
}
