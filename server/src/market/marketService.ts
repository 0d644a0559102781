import { Injectable } from '@nestjs/common'
import { DataSource, In } from 'typeorm'
import { OFFER_KINDS } from '@outfit/core/tables'
import { convert, homeCurrency, type Rate } from '@outfit/core/market'
import {
  cheapestForEach,
  limitsForEach,
  FILLERS,
  gainsByFillers,
  type MarketOffer,
  type MarketSeller,
} from '@outfit/core/sourcing'
import { worthALook, type Bringer } from '@outfit/core/prices'
import { breathing } from '../base/breathe.ts'
import { Changes } from '../base/changes.ts'
import { today } from '../base/today.ts'
import { CatalogueService, type Assembly } from '../catalogue/catalogueService.ts'
import { offeredOn } from '../schema/offeredOn.ts'
import { FOR_SALE, LowestPrices, thingOf, type Lowest } from './lowestPrices.ts'
import { OfferEntity, RateEntity, SellerEntity, SheetEntity } from '../schema/market.ts'

/** Figures and boxes looked at as wholes, the cheapest: a plain mitt is on thousands. */
const MOST_WHOLES = 300

/**
 * When more offers than `from` bring something of what is wanted, only so many are looked at for each wanted part in each
 * condition and currency: those that cost least for each wanted part they bring.
 */
export const NARROWING = { from: 6000, part: 30, figure: 6, release: 6 }

/** How a thing is for sale that brings wanted parts. */
interface Bringing extends Omit<Lowest, 'offers'> {
  kind: OfferEntity['kind']
  code: string
  parts: readonly string[]
}

/** Things looked at between two signs of life. */
const AT_ONCE = 4_000
/** More than anything costs. */
const MOST_PRICE = Number.MAX_SAFE_INTEGER
/** A price divided and multiplied again may come out a little less. */
const EPSILON = 1e-6

export interface MarketToday {
  date: string
  sellers: MarketSeller[]
  offers: MarketOffer[]
  /** What each offer is: the thing offered and its condition. */
  things: Map<string, { kind: OfferEntity['kind']; code: string; condition: OfferEntity['condition'] }>
  rates: Rate[]
  /** Offers that bring something of it, and how many of those are looked at. */
  looked: { at: number; of: number }
  /** The day a list of each seller was last read. */
  heard: Record<string, string>
}

/** Offers as the market stands, and the lowest prices of things in the home currency. */
@Injectable()
export class MarketService {
  /** The lowest prices of every part that can be had, on a figure or in an assembly where it is not sold singly. */
  readonly lowestAnyhow: () => Promise<ReadonlyMap<string, number>>
  private readonly prices: LowestPrices

  constructor(
    private readonly database: DataSource,
    private readonly catalogue: CatalogueService,
    changes: Changes,
  ) {
    this.prices = new LowestPrices(database, changes, async () => {
      const [rates, date] = await Promise.all([this.rates(), this.pricedOn()])
      return { rates, date }
    })
    this.lowestAnyhow = changes.keeping(['market', 'catalogue'], () => this.lowestWithWholes())
  }

  /** Lowest price of each thing for sale in the home currency, by "kind code". */
  async cheapest(): Promise<ReadonlyMap<string, number>> {
    return (await this.prices.now()).cheapest
  }

  /** The same of single parts, by code. */
  async lowest(): Promise<ReadonlyMap<string, number>> {
    return (await this.prices.now()).parts
  }

  /** The rate table as it is. */
  rates(): Promise<Rate[]> {
    return this.database.getRepository(RateEntity).find()
  }

  /** The newest date on any quote sheet; prices are converted at the rates of that day. */
  async pricedOn(): Promise<string> {
    const newest = await this.database
      .getRepository(SheetEntity)
      .findOne({ where: {}, order: { date: 'DESC' }, select: { seller: true, date: true } })
    return newest?.date ?? today()
  }

  /** Who asks least for one of each part, and how much in the home currency; parts nobody sells singly are left out. */
  async leastAsked(parts: readonly string[]): Promise<Map<string, { seller: string; name: string; price: number }>> {
    const [rates, date] = await Promise.all([this.rates(), this.pricedOn()])
    const offers = (await this.database.query(
      `SELECT o.code, o.seller, s.name, o.currency, o.price FROM offer o JOIN seller s ON s.code = o.seller
       WHERE o.kind = 'part' AND o.code IN (SELECT value FROM json_each(?)) AND ${FOR_SALE} ORDER BY o.code, s.name`,
      [JSON.stringify(parts)],
    )) as { code: string; seller: string; name: string; currency: string; price: number }[]
    const least = new Map<string, { seller: string; name: string; price: number }>()
    for (const { code, seller, name, currency, price: asked } of offers) {
      const price = convert(asked, currency, homeCurrency(), date, rates)
      if (price < (least.get(code)?.price ?? Infinity)) least.set(code, { seller, name, price })
    }
    return least
  }

  /**
   * Assemblies some parts are in that are worth a look (`worthALook`), where `wanted` are wanted as well; a plain mitt is in
   * thousands.
   */
  async assembliesFor(parts: readonly string[], wanted: readonly string[] = []): Promise<Assembly[]> {
    const [lowest, assemblies] = await Promise.all([this.lowest(), this.catalogue.assembliesOf(parts)])
    return worthALook(assemblies, (code) => lowest.get(code), new Set(parts), new Set([...parts, ...wanted]))
  }

  private async lowestWithWholes(): Promise<Map<string, number>> {
    const [cheapest, singly] = await Promise.all([this.cheapest(), this.lowest()])
    const figures = [...cheapest].flatMap(([key, price]) =>
      key.startsWith('figure ') ? [{ code: key.slice('figure '.length), price }] : [],
    )
    const wholes = (await this.database.query(
      `SELECT part, MIN(price) AS price FROM (
         SELECT w.part, t.value ->> 'price' AS price FROM json_each(?) t JOIN figure_part w ON w.figure = t.value ->> 'code'
         UNION ALL SELECT c.part, t.value ->> 'price' FROM json_each(?) t JOIN component c ON c.assembly = t.value ->> 'code')
       GROUP BY part`,
      [JSON.stringify(figures), JSON.stringify([...singly].map(([code, price]) => ({ code, price })))],
    )) as { part: string; price: number }[]
    const lowest = new Map(singly)
    for (const { part, price } of wholes) if (!lowest.has(part)) lowest.set(part, price)
    return lowest
  }

  /** Offers for one part as it is, cheapest first, in the seller's and in the home currency. */
  async offersFor(code: string) {
    const [on, offers, sellers, rates, date] = await Promise.all([
      offeredOn(this.database.manager),
      this.database.getRepository(OfferEntity).findBy({ kind: 'part', code }),
      this.database.getRepository(SellerEntity).find(),
      this.rates(),
      this.pricedOn(),
    ])
    return offers
      .map(({ id, seller, condition, price, currency, stock, multiple, date: written }) => ({
        id,
        seller,
        sellerName: sellers.find((s) => s.code === seller)?.name ?? seller,
        condition,
        price,
        currency,
        home: convert(price, currency, homeCurrency(), date, rates),
        stock,
        multiple,
        date: on({ seller, date: written }),
      }))
      .sort((a, b) => a.home - b.home || (a.id < b.id ? -1 : 1))
  }

  /** Offers of some things with what they yield, in the home currency, for the ways to get a part. */
  async bringers(things: readonly { kind: OfferEntity['kind']; code: string }[]): Promise<Bringer[]> {
    const codesOf = (kind: OfferEntity['kind']) => In(things.filter((t) => t.kind === kind).map(({ code }) => code))
    const [offers, sellers, rates, date, names, yields] = await Promise.all([
      this.database
        .getRepository(OfferEntity)
        .find({ where: OFFER_KINDS.map((kind) => ({ kind, code: codesOf(kind) })), order: { id: 'ASC' } }),
      this.database.getRepository(SellerEntity).find(),
      this.rates(),
      this.pricedOn(),
      this.catalogue.namesOf(things),
      this.catalogue.yields(things),
    ])
    const sellerNames = new Map(
      sellers.filter(({ standing }) => standing !== 'blocked').map(({ code, name }) => [code, name]),
    )
    return offers
      .filter(({ stock, multiple, seller }) => stock >= multiple && sellerNames.has(seller))
      .map(({ kind, code, seller, condition, price, currency, multiple }) => ({
        kind,
        code,
        name: names.get(code) ?? code,
        sellerName: sellerNames.get(seller) ?? seller,
        condition,
        price: convert(price, currency, homeCurrency(), date, rates),
        multiple,
        yields: yields.get(`${kind} ${code}`)!.yields,
      }))
  }

  /**
   * What of the market can be of use for some atomic parts: every offer that brings any of them, alone, in an assembly, on a
   * figure or in a box, and of sellers whose parcels goods nobody needs can fill up their cheapest offers.
   */
  async marketFor(parts: readonly string[]): Promise<MarketToday> {
    const [everybody, rates, date, brought, heard] = await Promise.all([
      this.database.getRepository(SellerEntity).find({ order: { code: 'ASC' } }),
      this.rates(),
      this.pricedOn(),
      this.bringing(parts),
      this.database.query('SELECT seller, MAX(date) AS date FROM quote_sheet GROUP BY seller') as Promise<
        { seller: string; date: string }[]
      >,
    ])
    // Nobody buys where one never buys.
    const sellers = everybody.filter(({ standing }) => standing !== 'blocked')
    const known = new Set(sellers.map(({ code }) => code))
    const bringing = brought.offers.filter(({ seller }) => known.has(seller))
    const asked = sellers.map((s): MarketSeller => ({
      id: s.code,
      name: s.name,
      currency: s.currency,
      minimum: s.minimum,
      handling: s.handling,
      arrivesInDays: s.arrivesInDays,
      shipping: { basis: s.shippingBasis, bands: s.shippingBands },
    }))
    const offers = new Map(bringing.map((offer) => [offer.id, offer]))
    const involved = new Set(bringing.map(({ seller }) => seller))
    for (const seller of asked)
      if (involved.has(seller.id) && gainsByFillers(seller))
        for (const offer of await this.cheapestOf(seller.id)) offers.set(offer.id, offer)
    const all = [...offers.values()].sort((a, b) => a.id - b.id)
    const yields = await this.catalogue.yields(all)
    return {
      date,
      rates,
      sellers: asked,
      // A blind pack surely yields nothing, so no plan can count on it.
      offers: all
        .map(({ id, seller, kind, code, price, currency, stock, multiple }) => ({
          id: String(id),
          seller,
          price,
          currency,
          stock,
          multiple,
          ...yields.get(`${kind} ${code}`)!,
        }))
        .filter((offer) => offer.yields.length > 0),
      heard: Object.fromEntries(heard.map(({ seller, date: on }) => [seller, on])),
      looked: { at: brought.offers.length, of: brought.of },
      things: new Map(all.map(({ id, kind, code, condition }) => [String(id), { kind, code, condition }])),
    }
  }

  /** Figures and releases for sale that bring any of some atomic parts, the cheapest of them. */
  async wholesBringing(parts: readonly string[]): Promise<{ kind: 'figure' | 'release'; code: string }[]> {
    const [cheapest, brings] = await Promise.all([this.cheapest(), this.catalogue.bringing(parts)])
    const found = [...brings.keys()].flatMap((key) => {
      const { kind, code } = thingOf(key)
      return kind === 'part' ? [] : [{ kind, code }]
    })
    return found
      .flatMap((thing) => {
        const price = cheapest.get(`${thing.kind} ${thing.code}`)
        return price === undefined ? [] : [{ thing, price }]
      })
      .sort((a, b) => a.price - b.price)
      .slice(0, MOST_WHOLES)
      .map(({ thing }) => thing)
  }

  /**
   * Offers that bring any of some atomic parts. Of a market in which a plain mitt is on thousands of figures only the
   * cheapest for each part are looked at; `of` is how many there were.
   */
  private async bringing(parts: readonly string[]): Promise<{ offers: OfferEntity[]; of: number }> {
    const [brings, { ways }] = await Promise.all([this.catalogue.bringing(parts), this.prices.now()])
    const partsOf = ({ kind, code }: { kind: string; code: string }) => brings.get(`${kind} ${code}`)!
    const breath = breathing()
    const things: Bringing[] = []
    let [of, said] = [0, 0]
    for (const [key, parts] of brings) {
      if (things.length >= said + AT_ONCE) {
        said = things.length
        await breath()
      }
      const own = ways.get(key)
      if (!own) continue
      const { kind, code } = thingOf(key)
      for (const { condition, currency, price, offers } of own) {
        of += offers
        // Field by field: spread, tens of thousands of them take half a second.
        things.push({ kind, code, condition, currency, price, parts })
      }
    }
    const all = of <= NARROWING.from
    const limitOf = all ? () => Infinity : limitsForEach(things, ({ parts }) => parts, NARROWING)
    await breath()
    const near = things.flatMap((one) => {
      const { kind, code, condition, currency, price, parts } = one
      const limit = limitOf(one)
      if (price / parts.length > limit) return []
      return [[kind, code, condition, currency, Math.min(MOST_PRICE, Math.floor(limit * parts.length + EPSILON))]]
    })
    await breath()
    const offers = (await this.database.query(
      `SELECT o.* FROM json_each(?) t CROSS JOIN offer o ON o.kind = t.value ->> 0 AND o.code = t.value ->> 1
       WHERE o.condition = t.value ->> 2 AND o.currency = t.value ->> 3 AND o.price <= t.value ->> 4 AND ${FOR_SALE}`,
      [JSON.stringify(near)],
    )) as OfferEntity[]
    return { offers: all ? offers : cheapestForEach(offers, partsOf, NARROWING), of }
  }

  /** The offers of a seller that cost least to take one step of. */
  private cheapestOf(seller: string): Promise<OfferEntity[]> {
    // As the index has them; there may be hundreds of sellers, and rows for the entities of each take their time.
    return this.database.query(
      'SELECT * FROM offer o WHERE o.seller = ? AND o.stock >= o.multiple ORDER BY o.price * o.multiple, o.id LIMIT ?',
      [seller, FILLERS],
    )
  }
}
