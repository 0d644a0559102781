import { Injectable } from '@nestjs/common'
import { DataSource, In } from 'typeorm'
import { groupBy } from '@outfit/core/base'
import { OFFER_KINDS } from '@outfit/core/tables'
import { convert, homeCurrency, type Rate } from '@outfit/core/market'
import { cheapestForEach, FILLERS, gainsByFillers, type MarketOffer, type MarketSeller } from '@outfit/core/sourcing'
import { type Bringer } from '@outfit/core/prices'
import { Changes } from '../base/changes.ts'
import { today } from '../base/today.ts'
import { CatalogueService } from '../catalogue/catalogueService.ts'
import { OfferEntity, RateEntity, SellerEntity, SheetEntity } from '../schema/market.ts'

/** Figures and boxes looked at as wholes, the cheapest: a plain mitt is on thousands. */
const MOST_WHOLES = 300

/**
 * When more offers than `from` bring something of what is wanted, only so many are looked at for each wanted part in each
 * condition and currency: those that cost least for each wanted part they bring.
 */
export const NARROWING = { from: 6000, part: 30, figure: 6, release: 6 }

/** Which of some atomic parts come with which assemblies, figures and releases; the parts are bound twice, as JSON. */
const BRINGING = `
  atom(code, part) AS MATERIALIZED (
    SELECT value, value FROM json_each(?) UNION ALL SELECT assembly, part FROM component WHERE part IN (SELECT value FROM json_each(?))),
  worn(code, part) AS MATERIALIZED (SELECT w.figure, a.part FROM atom a JOIN figure_part w ON w.part = a.code),
  boxed(code, part) AS (
    SELECT c."release", a.part FROM atom a JOIN release_content c ON c.kind = 'part' AND c.code = a.code
    UNION ALL SELECT c."release", w.part FROM worn w JOIN release_content c ON c.kind = 'figure' AND c.code = w.code)`

/** Offers one can buy of. */
const FOR_SALE = `o.stock >= o.multiple AND o.seller NOT IN (SELECT code FROM seller WHERE standing = 'blocked')`

/** The lowest price of a thing in a condition and currency, and how many offer it so. */
interface Lowest {
  kind: OfferEntity['kind']
  code: string
  condition: OfferEntity['condition']
  currency: string
  price: number
  offers: number
}

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
  /** Lowest price of each thing for sale in the home currency, by "kind code"; kept until the market changes. */
  readonly cheapest: () => Promise<ReadonlyMap<string, number>>
  /** The same of single parts, by code. */
  readonly lowest: () => Promise<ReadonlyMap<string, number>>

  /** The same of every part that can be had, on a figure or in an assembly where it is not sold singly. */
  readonly lowestAnyhow: () => Promise<ReadonlyMap<string, number>>

  /** Lowest prices of each thing for sale, by "kind code". */
  private readonly lowestOf: () => Promise<ReadonlyMap<string, readonly Lowest[]>>

  constructor(
    private readonly database: DataSource,
    private readonly catalogue: CatalogueService,
    changes: Changes,
  ) {
    this.lowestOf = changes.keeping(['market'], async () =>
      groupBy(
        (await this.database.query(
          `SELECT o.kind, o.code, o.condition, o.currency, MIN(o.price) AS price, COUNT(*) AS offers
           FROM offer o WHERE ${FOR_SALE} GROUP BY o.kind, o.code, o.condition, o.currency`,
        )) as Lowest[],
        ({ kind, code }) => `${kind} ${code}`,
      ),
    )
    this.cheapest = changes.keeping(['market'], () => this.lowestPrices())
    this.lowest = changes.keeping(['market'], async () => {
      const parts = [...(await this.cheapest())].filter(([key]) => key.startsWith('part '))
      return new Map(parts.map(([key, price]) => [key.slice('part '.length), price]))
    })
    this.lowestAnyhow = changes.keeping(['market', 'catalogue'], () => this.lowestWithWholes())
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

  private async lowestPrices(): Promise<Map<string, number>> {
    const [rates, date, lowest] = await Promise.all([this.rates(), this.pricedOn(), this.lowestOf()])
    const inHome = ({ price, currency }: Lowest) => convert(price, currency, homeCurrency(), date, rates)
    return new Map([...lowest].map(([key, ways]) => [key, Math.min(...ways.map(inHome))]))
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
    const [offers, sellers, rates, date] = await Promise.all([
      this.database.getRepository(OfferEntity).findBy({ kind: 'part', code }),
      this.database.getRepository(SellerEntity).find(),
      this.rates(),
      this.pricedOn(),
    ])
    return offers
      .map(({ id, seller, condition, price, currency, stock, multiple, date: on }) => ({
        id,
        seller,
        sellerName: sellers.find((s) => s.code === seller)?.name ?? seller,
        condition,
        price,
        currency,
        home: convert(price, currency, homeCurrency(), date, rates),
        stock,
        multiple,
        date: on,
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
    const cheapest = await this.cheapest()
    const list = JSON.stringify(parts)
    const found = (await this.database.query(
      `WITH ${BRINGING} SELECT 'figure' AS kind, code FROM worn UNION SELECT 'release', code FROM boxed`,
      [list, list],
    )) as { kind: 'figure' | 'release'; code: string }[]
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
    const list = JSON.stringify(parts)
    const brings = groupBy(
      (await this.database.query(
        `WITH ${BRINGING} SELECT 'part' AS kind, code, part FROM atom
         UNION SELECT 'figure', code, part FROM worn UNION SELECT 'release', code, part FROM boxed`,
        [list, list],
      )) as { kind: OfferEntity['kind']; code: string; part: string }[],
      ({ kind, code }) => `${kind} ${code}`,
    )
    const partsOf = ({ kind, code }: { kind: string; code: string }) =>
      brings.get(`${kind} ${code}`)!.map(({ part }) => part)
    const lowest = await this.lowestOf()
    const things = [...brings.keys()].flatMap((key) => lowest.get(key) ?? [])
    const of = things.reduce((sum, { offers }) => sum + offers, 0)
    const narrow = <T extends Pick<OfferEntity, 'kind' | 'code' | 'condition' | 'currency' | 'price'>>(
      all: readonly T[],
    ) =>
      of <= NARROWING.from
        ? all
        : cheapestForEach(
            all.map((one) => ({ ...one, parts: partsOf(one) })),
            NARROWING,
          )
    const near = narrow(things).map(({ kind, code }) => ({ kind, code }))
    const offers = (await this.database.query(
      `SELECT o.* FROM (SELECT DISTINCT value ->> 'kind' AS kind, value ->> 'code' AS code FROM json_each(?)) t
       CROSS JOIN offer o ON o.kind = t.kind AND o.code = t.code WHERE ${FOR_SALE}`,
      [JSON.stringify(near)],
    )) as OfferEntity[]
    return { offers: [...narrow(offers)], of }
  }

  /** The offers of a seller that cost least to take one step of. */
  private cheapestOf(seller: string): Promise<OfferEntity[]> {
    return this.database
      .getRepository(OfferEntity)
      .createQueryBuilder('o')
      .where('o.seller = :seller AND o.stock >= o.multiple', { seller })
      .orderBy('o.price * o.multiple')
      .addOrderBy('o.id')
      .limit(FILLERS)
      .getMany()
  }
}
