import { Injectable } from '@nestjs/common'
import { DataSource } from 'typeorm'
import { bandFault, homeCurrency, type Rate } from '@outfit/core/market'
import type { SellerBody } from './sellerDto.ts'
import { Changes } from '../base/changes.ts'
import { notFound, Problem } from '../base/problem.ts'
import { refuseStale } from '../base/stale.ts'
import { Writer } from '../base/writer.ts'
import { OfferEntity, ParcelEntity, RateEntity, SellerEntity, SheetEntity } from '../schema/market.ts'

export type ToldSeller = SellerEntity & {
  /** Offers, and the day a list was last read. */
  offers: number
  newest: string | null
}

/** Who sells on which terms, and what their money is worth. */
@Injectable()
export class SellerService {
  constructor(
    private readonly database: DataSource,
    private readonly writer: Writer,
    private readonly changes: Changes,
  ) {}

  /** Everybody who sells, by name. */
  async all(): Promise<ToldSeller[]> {
    const sellers = await this.database.getRepository(SellerEntity).find({ order: { name: 'ASC' } })
    const counts = (await this.database.query(
      `SELECT seller, (SELECT COUNT(*) FROM offer o WHERE o.seller = s.seller) AS offers, MAX(date) AS newest FROM quote_sheet s GROUP BY seller`,
    )) as { seller: string; offers: number; newest: string }[]
    const bySeller = new Map(counts.map((one) => [one.seller, one]))
    return sellers.map((seller) => ({
      ...seller,
      offers: bySeller.get(seller.code)?.offers ?? 0,
      newest: bySeller.get(seller.code)?.newest ?? null,
    }))
  }

  /**
   * Make a seller, or change one; refused with 409 when another changed it since it was read. Its currency stays as long as
   * it has offers in it.
   */
  async keep(code: string, { was, ...seller }: SellerBody): Promise<void> {
    const fault = bandFault(seller.shippingBands)
    if (fault) this.refuse(`shippingBands[${fault.index}]`, fault.message)
    await this.writer.transaction(async (db) => {
      const known = await db.findOneBy(SellerEntity, { code })
      if (known) refuseStale(known.name, was, { ...known })
      if (known && known.currency !== seller.currency && (await db.existsBy(OfferEntity, { seller: code })))
        this.refuse('currency', `stays ${known.currency} while there are offers in it`)
      if (seller.currency !== homeCurrency() && !(await this.isConvertible(seller.currency)))
        this.refuse('currency', `has no rate to ${homeCurrency()} yet; put one into the rate table first`)
      await db.save(SellerEntity, { ...seller, code })
    })
    this.changes.tell('market')
  }

  /** Take a seller out that has no offers and never sent a parcel. */
  async remove(code: string): Promise<void> {
    await this.writer.transaction(async (db) => {
      const seller = await db.findOneBy(SellerEntity, { code })
      if (!seller) throw notFound('seller', code)
      if (await db.existsBy(ParcelEntity, { seller: code }))
        throw new Problem(409, `${seller.name} has sent parcels, which stay on record. Block the seller instead.`)
      if (await db.existsBy(SheetEntity, { seller: code }))
        throw new Problem(409, `${seller.name} has offers, or had them; they stay on record. Block the seller instead.`)
      await db.delete(SellerEntity, { code })
    })
    this.changes.tell('market')
  }

  /** All rates, the newest first. */
  rates(): Promise<Rate[]> {
    return this.database.getRepository(RateEntity).find({ order: { date: 'DESC', from: 'ASC', to: 'ASC' } })
  }

  /** Keep a rate of a day; one there is of the same day and currencies is replaced. 400 between a currency and itself. */
  async keepRate({ date, from, to, rate }: Rate): Promise<void> {
    if (from === to) this.refuse('to', 'must be another currency')
    await this.writer.transaction((db) => db.save(RateEntity, { date, from, to, rate }))
    this.changes.tell('market')
  }

  /** Take a rate out, unless a seller's money could not be converted then. */
  async removeRate(date: string, from: string, to: string): Promise<void> {
    await this.writer.transaction(async (db) => {
      const { affected } = await db.delete(RateEntity, { date, from, to })
      if (!affected) throw notFound('rate', `${from} to ${to} of ${date}`)
      const left = await db.find(RateEntity)
      for (const { name, currency } of await db.find(SellerEntity))
        if (currency !== homeCurrency() && !left.some((rate) => [rate.from, rate.to].includes(currency)))
          throw new Problem(
            409,
            `${name} sells in ${currency}; without this rate its prices mean nothing. It was kept.`,
          )
    })
    this.changes.tell('market')
  }

  private async isConvertible(currency: string): Promise<boolean> {
    return (await this.rates()).some(
      ({ from, to }) => [from, to].includes(currency) && [from, to].includes(homeCurrency()),
    )
  }

  private refuse(field: string, message: string): never {
    throw new Problem(400, `${field} ${message}. Nothing was written.`, [{ field, message }])
  }
}
