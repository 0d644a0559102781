import { Injectable } from '@nestjs/common'
import { DataSource, In } from 'typeorm'
import { OFFER_KINDS } from '@outfit/core/formats'
import { convert, HOME_CURRENCY, type Rate } from '@outfit/core/market'
import { FILLERS, gainsByFillers, type Bringer, type MarketOffer, type MarketSeller } from '@outfit/core/sourcing'
import { Changes } from '../app/changes.ts'
import { today } from '../app/today.ts'
import { CatalogueService } from '../catalogue/catalogueService.ts'
import { OfferEntity, RateEntity, SellerEntity, SheetEntity } from './entities.ts'

/** Codes in one statement. */
const LIST = 5000
/** Figures and boxes looked at as wholes, the cheapest: a plain mitt is on thousands. */
const MOST_WHOLES = 300

/**
 * When more offers than `from` bring something of what is wanted, only so many are looked at for each wanted part in each
 * condition and currency: those that cost least for each wanted part they bring.
 */
export const NARROWING = { from: 6000, part: 30, figure: 6, release: 6 }

/** Which of some atomic parts come with which assemblies, figures and releases; the parts are bound twice. */
const BRINGING = (marks: string) => `
  atom(code, part) AS (SELECT code, code FROM part WHERE code IN (${marks}) UNION ALL SELECT assembly, part FROM component WHERE part IN (${marks})),
  worn(code, part) AS (SELECT w.figure, a.part FROM atom a JOIN figure_part w ON w.part = a.code),
  boxed(code, part) AS (
    SELECT c."release", a.part FROM atom a JOIN release_content c ON c.kind = 'part' AND c.code = a.code
    UNION ALL SELECT c."release", w.part FROM worn w JOIN release_content c ON c.kind = 'figure' AND c.code = w.code)`

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

@Injectable()
export class MarketService {
  /** Lowest price of each thing for sale in the home currency, by "kind code"; kept until the market changes. */
  readonly cheapest: () => Promise<ReadonlyMap<string, number>>
  /** The same of single parts, by code. */
  readonly lowest: () => Promise<ReadonlyMap<string, number>>

  constructor(
    private readonly database: DataSource,
    private readonly catalogue: CatalogueService,
    changes: Changes,
  ) {
    this.cheapest = changes.keeping(['market'], () => this.lowestPrices())
    this.lowest = changes.keeping(['market'], async () => {
      const parts = [...(await this.cheapest())].filter(([key]) => key.startsWith('part '))
      return new Map(parts.map(([key, price]) => [key.slice('part '.length), price]))
    })
  }

  rates(): Promise<Rate[]> {
    return this.database.getRepository(RateEntity).find()
  }

  /** The newest date on any quote sheet; prices are converted at the rates of that day. */
  private async day(): Promise<string> {
    const newest = await this.database
      .getRepository(SheetEntity)
      .findOne({ where: {}, order: { date: 'DESC' }, select: { seller: true, date: true } })
    return newest?.date ?? today()
  }

  private async lowestPrices(): Promise<Map<string, number>> {
    const [rates, date] = await Promise.all([this.rates(), this.day()])
    const rows = await this.database
      .getRepository(OfferEntity)
      .createQueryBuilder('o')
      .select('o.kind', 'kind')
      .addSelect('o.code', 'code')
      .addSelect('o.currency', 'currency')
      .addSelect('MIN(o.price)', 'price')
      .where('o.stock >= o.multiple')
      .andWhere("o.seller NOT IN (SELECT code FROM seller WHERE standing = 'blocked')")
      .groupBy('o.kind, o.code, o.currency')
      .getRawMany<{ kind: string; code: string; currency: string; price: number }>()
    const lowest = new Map<string, number>()
    for (const { kind, code, currency, price } of rows) {
      const home = convert(price, currency, HOME_CURRENCY, date, rates)
      const key = `${kind} ${code}`
      lowest.set(key, Math.min(home, lowest.get(key) ?? Infinity))
    }
    return lowest
  }

  /** Offers for one part as it is, cheapest first, in the seller's and in the home currency. */
  async offersFor(code: string) {
    const [offers, sellers, rates, date] = await Promise.all([
      this.database.getRepository(OfferEntity).findBy({ kind: 'part', code }),
      this.database.getRepository(SellerEntity).find(),
      this.rates(),
      this.day(),
    ])
    return offers
      .map(({ id, seller, condition, price, currency, stock, multiple, date: on }) => ({
        id,
        seller,
        sellerName: sellers.find((s) => s.code === seller)?.name ?? seller,
        condition,
        price,
        currency,
        home: convert(price, currency, HOME_CURRENCY, date, rates),
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
      this.day(),
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
        price: convert(price, currency, HOME_CURRENCY, date, rates),
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
      this.day(),
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
    const found = new Map<string, { kind: 'figure' | 'release'; code: string }>()
    for (let from = 0; from < parts.length; from += LIST) {
      const some = parts.slice(from, from + LIST)
      const marks = some.map(() => '?').join(', ')
      const rows = (await this.database.query(
        `WITH ${BRINGING(marks)} SELECT 'figure' AS kind, code FROM worn UNION SELECT 'release', code FROM boxed`,
        [...some, ...some],
      )) as { kind: 'figure' | 'release'; code: string }[]
      for (const thing of rows) found.set(`${thing.kind} ${thing.code}`, thing)
    }
    return [...found]
      .flatMap(([key, thing]) => (cheapest.has(key) ? [{ thing, price: cheapest.get(key)! }] : []))
      .sort((a, b) => a.price - b.price)
      .slice(0, MOST_WHOLES)
      .map(({ thing }) => thing)
  }

  /**
   * Offers that bring any of some atomic parts. Of a market in which a plain mitt is on thousands of figures only the
   * cheapest for each part are looked at; `of` is how many there were.
   */
  private async bringing(parts: readonly string[]): Promise<{ offers: OfferEntity[]; of: number }> {
    const found = new Map<number, boolean>()
    for (let from = 0; from < parts.length; from += LIST) {
      const some = parts.slice(from, from + LIST)
      const marks = some.map(() => '?').join(', ')
      const rows = (await this.database.query(
        `WITH ${BRINGING(marks)},
           brings(kind, code, part, n) AS (
             SELECT kind, code, part, COUNT(*) OVER (PARTITION BY kind, code) FROM (
               SELECT DISTINCT 'part' AS kind, code, part FROM atom
               UNION ALL SELECT DISTINCT 'figure', code, part FROM worn UNION ALL SELECT DISTINCT 'release', code, part FROM boxed)),
           ranked(id, kind, rank) AS (
             SELECT o.id, o.kind, ROW_NUMBER() OVER (PARTITION BY b.part, b.kind, o.condition, o.currency ORDER BY CAST(o.price AS REAL) / b.n, o.id)
             FROM brings b JOIN offer o ON o.kind = b.kind AND o.code = b.code)
         SELECT id, kind, MIN(rank) AS rank FROM ranked GROUP BY id`,
        [...some, ...some],
      )) as { id: number; kind: OfferEntity['kind']; rank: number }[]
      for (const { id, kind, rank } of rows) found.set(id, rank <= NARROWING[kind] || found.get(id) === true)
    }
    const ids = [...found].flatMap(([id, isNear]) => (found.size <= NARROWING.from || isNear ? [id] : []))
    const offers: OfferEntity[] = []
    for (let at = 0; at < ids.length; at += LIST)
      offers.push(...(await this.database.getRepository(OfferEntity).findBy({ id: In(ids.slice(at, at + LIST)) })))
    return { offers, of: found.size }
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
