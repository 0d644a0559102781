import { Injectable } from '@nestjs/common'
import { In, IsNull, type EntityManager } from 'typeorm'
import { monotonicFactory } from 'ulid'
import { dateAfter } from '@outfit/core/base'
import { formatMoney } from '@outfit/core/market'
import { basketOf, type Basket, type SourcingReport } from '@outfit/core/sourcing'
import { Changes } from '../base/changes.ts'
import { notFound, Problem } from '../base/problem.ts'
import { Writer } from '../base/writer.ts'
import { offeredOn } from '../schema/offeredOn.ts'
import { OfferEntity, ParcelEntity, ParcelLineEntity, SellerEntity } from '../schema/market.ts'
import { SourcingService } from '../sourcing/sourcingService.ts'
import type { ChangeParcel, OrderParcels } from './dto.ts'

const ulid = monotonicFactory()

/** Turns baskets of a plan into parcels, and keeps what is known of them on their way. */
@Injectable()
export class OrderService {
  constructor(
    private readonly writer: Writer,
    private readonly changes: Changes,
    private readonly sourcing: SourcingService,
  ) {}

  /**
   * Order baskets of a plan: a parcel each, at the seller's own prices. What is ordered is gone from the offers. Refused
   * with 409 where it was ordered already, where there are too few of something by now, or where the goods miss the
   * seller's minimum by what prices were rounded up for the plan; then nothing is ordered.
   */
  async order({ job, variant, sellers }: OrderParcels, today: string): Promise<{ parcels: string[] }> {
    const report = await this.sourcing.report(job)
    const plan = variant ? (await this.sourcing.variantReport(job, variant)).plan : report.plan
    if (!plan)
      throw new Problem(400, 'variant: this is no plan to order from.', [{ field: 'variant', message: 'is no plan' }])
    const baskets = plan.baskets.filter(({ seller }) => sellers?.includes(seller) ?? true)
    const unknown = sellers?.find((seller) => !plan.baskets.some((basket) => basket.seller === seller))
    if (unknown !== undefined) throw notFound('basket of seller', unknown)
    if (baskets.length === 0) throw new Problem(409, 'This plan buys nothing; there is nothing to order.')
    const parcels = await this.writer.transaction(async (db) => {
      const ids: string[] = []
      for (const basket of baskets) ids.push(await this.orderBasket(db, report, job, basket, today))
      return ids
    })
    this.changes.tell('market')
    return { parcels }
  }

  /** Change what is known of a parcel under way: when it was sent and is due, its number, a note. What is not said stays. */
  async change(id: string, { sentOn, expectedOn, note, number }: ChangeParcel): Promise<void> {
    await this.writer.transaction(async (db) => {
      const parcel = await this.underWay(db, id)
      await db.update(
        ParcelEntity,
        { id },
        {
          sentOn: sentOn === undefined ? parcel.sentOn : sentOn,
          expectedOn: expectedOn ?? parcel.expectedOn,
          note: note ?? parcel.note,
          number: number ?? parcel.number,
        },
      )
    })
  }

  /** Give an order up: the seller keeps what was ordered, and has it for sale again. */
  async cancel(id: string, today: string): Promise<void> {
    await this.writer.transaction(async (db) => {
      const { orderedOn } = await this.underWay(db, id)
      await db.update(ParcelEntity, { id }, { cancelledOn: today })
      // A list that was read after the order tells itself what there is.
      const on = await offeredOn(db)
      for (const { offer, qty } of await db.findBy(ParcelLineEntity, { parcel: id }))
        if (offer !== null) {
          const own = await db.findOneBy(OfferEntity, { id: offer })
          if (own && on(own) <= orderedOn) await db.increment(OfferEntity, { id: offer }, 'stock', qty)
        }
    })
    this.changes.tell('market')
  }

  /** The parcel, unless it is here or given up already. */
  async underWay(db: EntityManager, id: string): Promise<ParcelEntity> {
    const parcel = await db.findOneBy(ParcelEntity, { id })
    if (!parcel) throw notFound('parcel', id)
    if (parcel.cancelledOn) throw new Problem(409, 'This order was given up; nothing of it can be changed.')
    if (parcel.arrivedOn) throw new Problem(409, 'This parcel was checked in already; nothing of it can be changed.')
    return parcel
  }

  private async orderBasket(
    db: EntityManager,
    report: SourcingReport,
    job: string,
    { seller: code, lines }: Basket,
    today: string,
  ): Promise<string> {
    const seller = await db.findOneBy(SellerEntity, { code })
    if (!seller) throw new Problem(409, `There is no seller ${code} any more. Nothing was ordered; plan again.`)
    if (await db.existsBy(ParcelEntity, { job, seller: code, cancelledOn: IsNull() }))
      throw new Problem(409, `This basket of ${seller.name} was ordered already. Nothing was ordered again.`)
    const offers = new Map(
      (await db.findBy(OfferEntity, { id: In(lines.map(({ offer }) => Number(offer))) })).map((offer) => [
        String(offer.id),
        offer,
      ]),
    )
    const bought = lines.map(({ offer: id, qty }) => {
      const offer = offers.get(id)
      if (!offer || offer.stock < qty)
        throw new Problem(
          409,
          `${seller.name} has ${offer ? `only ${offer.stock}` : 'none'} of ${report.things[id]?.name ?? id} any more, not ${qty}. Nothing was ordered; plan again.`,
        )
      return { offer, qty, weight: report.problem.offers.find((one) => one.id === id)?.weight ?? 0 }
    })
    const { goods, shipping } = basketOf(
      {
        id: code,
        name: seller.name,
        minimum: seller.minimum,
        handling: seller.handling,
        arrivesInDays: seller.arrivesInDays,
        shipping: { basis: seller.shippingBasis, bands: seller.shippingBands },
      },
      bought.map(({ offer, qty, weight }) => ({ offer: String(offer.id), qty, price: offer.price, weight })),
    )
    if (goods < seller.minimum)
      throw new Problem(
        409,
        `${seller.name} sends nothing under ${formatMoney(seller.minimum, seller.currency)}, and this basket comes to ${formatMoney(goods, seller.currency)}. Nothing was ordered.`,
      )
    const id = ulid()
    await db.insert(ParcelEntity, {
      id,
      roster: report.roster,
      seller: code,
      orderedOn: today,
      sentOn: null,
      expectedOn: dateAfter(today, seller.arrivesInDays),
      arrivedOn: null,
      cancelledOn: null,
      currency: seller.currency,
      shipping,
      handling: seller.handling,
      job,
    })
    await db.insert(
      ParcelLineEntity,
      bought.map(({ offer, qty }, i) => ({
        parcel: id,
        line: i + 1,
        kind: offer.kind,
        code: offer.code,
        condition: offer.condition,
        qty,
        price: offer.price,
        offer: offer.id,
        arrived: null,
      })),
    )
    for (const { offer, qty } of bought) await db.decrement(OfferEntity, { id: offer.id }, 'stock', qty)
    return id
  }
}
