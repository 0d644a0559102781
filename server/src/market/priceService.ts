import { Injectable } from '@nestjs/common'
import { DataSource, In } from 'typeorm'
import type { Slot } from '@outfit/core/catalogue'
import {
  costShares,
  HOME_CURRENCY,
  PRICE_CONDITIONS,
  priceHistory,
  sumHistories,
  worthIn,
  type Heard,
  type Worth,
} from '@outfit/core/market'
import { wholesFor, type Whole } from '@outfit/core/sourcing'
import { notFound } from '../app/problem.ts'
import { CatalogueService } from '../catalogue/catalogueService.ts'
import { SharesService, type Share } from '../roster/sharesService.ts'
import { OfferEntity, ParcelEntity, ParcelLineEntity, QuoteEntity, SellerEntity, SheetEntity } from './entities.ts'
import { MarketService } from './marketService.ts'

type Kind = OfferEntity['kind']
type Which = { outfit: string } | { roster: string }

/** What was paid for a thing once: of one unit, in the home currency on the day it was ordered. */
export interface Paid {
  date: string
  home: number
  qty: number
  seller: string
  condition: OfferEntity['condition']
  parcel: string
}

/** What a whole is made of and what that costs singly, with the figures and boxes that bring it. */
export interface Against {
  /** Lowest price of the thing itself; null where nobody sells it whole. */
  whole: number | null
  /** Parts it is made of at lowest single prices, and those that nobody sells singly. */
  singly: { sum: number; parts: number; unoffered: string[] }
  wholes: Whole[]
}

/** Figures and boxes that are told. */
const MOST_WHOLES = 6

/** How prices of things, outfits and rosters went and stand. */
@Injectable()
export class PriceService {
  constructor(
    private readonly database: DataSource,
    private readonly market: MarketService,
    private readonly catalogue: CatalogueService,
    private readonly shares: SharesService,
  ) {}

  /** The price page of a part, figure or release. */
  async ofThing(kind: Kind, code: string) {
    const names = await this.catalogue.namesOf([{ kind, code }])
    const name = names.get(code)
    if (name === undefined) throw notFound(kind, code)
    const { heard, worth, sellers } = await this.listening()
    const quotes = await this.database.getRepository(QuoteEntity).findBy({ kind, code })
    const { offers, ...history } = priceHistory(quotes, heard, worth)
    const { blocked, nameOf } = sellersBy(sellers)
    return {
      thing: { kind, code, name: name.replace(/^(Figure|Release): /, '') },
      ...history,
      asked: history.asked.map((one) => ({ ...one, seller: nameOf(one.seller) })),
      offers: offers.map((offer) => ({
        ...offer,
        sellerName: nameOf(offer.seller),
        blocked: blocked.has(offer.seller),
      })),
      lowest: (await this.market.cheapest()).get(`${kind} ${code}`) ?? null,
      paid: await this.paidFor(kind, code, worth, nameOf),
      against: kind === 'part' ? null : await this.against(kind, code),
    }
  }

  /** The price page of an outfit or a roster: what its chosen takes wear, or only what of it is still to be bought. */
  async ofOutfits(which: Which, all: boolean) {
    const { shares, first } = await this.sharesOf(which)
    const wanted = shares.flatMap((share) =>
      wantedOf(share, all).map((placement) => ({ ...placement, outfit: share.name })),
    )
    const qty = new Map<string, number>()
    for (const { part } of wanted) qty.set(part, (qty.get(part) ?? 0) + 1)
    const parts = [...qty.keys()].sort()
    const [{ heard, worth }, quotes, lowest, wholes, known] = await Promise.all([
      this.listening(),
      this.quotesOf(parts),
      this.market.lowest(),
      this.wholesOf(wanted.map(({ part }) => part)),
      this.catalogue.parts(parts),
    ])
    const histories = parts.map((part) => priceHistory(quotes.get(part) ?? [], heard, worth))
    const series = PRICE_CONDITIONS.map((condition) => {
      const things = histories.map(({ series: own }, i) => ({
        qty: qty.get(parts[i]!)!,
        points: own.find((one) => one.condition === condition)?.points ?? [],
      }))
      const { never, ...summed } = sumHistories(things)
      return { condition, ...summed, never: never.map((i) => parts[i]!) }
    })
    const costs = wanted.map(({ slot, part, outfit }) => ({ slot, part, outfit, cost: lowest.get(part) ?? 0 }))
    const bySlot = costShares<Slot>(costs.map(({ slot, cost }) => ({ key: slot, cost })))
    return {
      name: 'outfit' in which ? first.name : first.roster.name,
      roster: { id: first.roster.id, name: first.roster.name },
      all,
      worn: shares.reduce((sum, { placements }) => sum + placements.length, 0),
      wanted: wanted.length,
      series,
      lowest: costs.reduce((sum, { cost }) => sum + cost, 0),
      unoffered: parts.filter((part) => !lowest.has(part)),
      bySlot,
      byOutfit: costShares(costs.map(({ outfit, cost }) => ({ key: outfit, cost }))),
      byPart: costShares(costs.map(({ part, cost }) => ({ key: part, cost }))).shares,
      slots: Object.fromEntries(wanted.map(({ part, slot }) => [part, slot])),
      wholes,
      parts: known,
      prints: await this.catalogue.printsOn(known),
    }
  }

  /** What is still to be bought for an outfit or a roster at lowest single prices, and how many parts nobody sells singly. */
  async lowestOfOutfits(which: Which): Promise<{ lowest: number; unoffered: number }> {
    const [{ shares }, prices] = await Promise.all([this.sharesOf(which), this.market.lowest()])
    const wanted = shares.flatMap((share) => wantedOf(share, false))
    return {
      lowest: wanted.reduce((sum, { part }) => sum + (prices.get(part) ?? 0), 0),
      unoffered: wanted.filter(({ part }) => !prices.has(part)).length,
    }
  }

  private async sharesOf(which: Which): Promise<{ shares: Share[]; first: Share }> {
    const shares = (await this.shares.all()).filter(({ outfit, roster }) =>
      'outfit' in which ? outfit.id === which.outfit : roster.id === which.roster,
    )
    const [first] = shares
    if (!first) throw 'outfit' in which ? notFound('outfit', which.outfit) : notFound('roster', which.roster)
    return { shares, first }
  }

  /** What a figure or release costs whole, in parts, and in the boxes that bring all of it. */
  private async against(kind: 'figure' | 'release', code: string): Promise<Against> {
    const yields = (await this.catalogue.yields([{ kind, code }])).get(`${kind} ${code}`)!.yields
    const [lowest, cheapest] = await Promise.all([this.market.lowest(), this.market.cheapest()])
    const units = yields.reduce((sum, { qty }) => sum + qty, 0)
    // Only what brings all of it stands against it.
    const wholes = await this.wholesOf(
      yields.flatMap(({ part, qty }) => Array<string>(qty).fill(part)),
      units,
    )
    return {
      whole: cheapest.get(`${kind} ${code}`) ?? null,
      singly: {
        sum: yields.reduce((sum, { part, qty }) => sum + qty * (lowest.get(part) ?? 0), 0),
        parts: units,
        unoffered: yields.filter(({ part }) => !lowest.has(part)).map(({ part }) => part),
      },
      wholes,
    }
  }

  /** What brings at least so many units of some parts, the most saving. */
  private async wholesOf(parts: readonly string[], least = 0): Promise<Whole[]> {
    if (parts.length === 0) return []
    const [lowest, offers] = await Promise.all([
      this.market.lowest(),
      this.market.wholesBringing([...new Set(parts)]).then((things) => this.market.bringers(things)),
    ])
    return wholesFor(
      parts.map((part) => ({ part, qty: 1 })),
      offers,
      lowest,
    )
      .filter(({ brings }) => brings >= least)
      .slice(0, MOST_WHOLES)
  }

  /** Who was heard when, and what money is worth. */
  private async listening(): Promise<{ heard: Heard[]; worth: Worth; sellers: SellerEntity[] }> {
    const [sheets, rates, sellers] = await Promise.all([
      this.database.getRepository(SheetEntity).find({ where: { whole: true }, select: { seller: true, date: true } }),
      this.market.rates(),
      this.database.getRepository(SellerEntity).find(),
    ])
    return { heard: sheets, worth: worthIn(HOME_CURRENCY, rates), sellers }
  }

  private async quotesOf(parts: readonly string[]): Promise<Map<string, QuoteEntity[]>> {
    const quotes = await this.database.getRepository(QuoteEntity).findBy({ kind: 'part', code: In([...parts]) })
    const byPart = new Map<string, QuoteEntity[]>()
    for (const quote of quotes) if (!byPart.get(quote.code)?.push(quote)) byPart.set(quote.code, [quote])
    return byPart
  }

  private async paidFor(kind: Kind, code: string, worth: Worth, nameOf: (seller: string) => string): Promise<Paid[]> {
    const lines = await this.database.getRepository(ParcelLineEntity).findBy({ kind, code })
    const parcels = await this.database
      .getRepository(ParcelEntity)
      .findBy({ id: In([...new Set(lines.map(({ parcel }) => parcel))]) })
    return lines
      .flatMap(({ parcel: id, qty, price, condition }): Paid[] => {
        const parcel = parcels.find((one) => one.id === id)!
        // What came without being ordered was not paid for, nor what was given up.
        if (qty === 0 || parcel.cancelledOn !== null) return []
        const home = worth(price, parcel.currency, parcel.orderedOn)
        return home === null
          ? []
          : [{ date: parcel.orderedOn, home, qty, seller: nameOf(parcel.seller), condition, parcel: id }]
      })
      .sort((a, b) => (a.date < b.date ? -1 : 1))
  }
}

/** What an outfit wears, or what of that is neither owned nor on the way. */
const wantedOf = ({ placements, sources, arriving }: Share, all: boolean) =>
  placements.filter((_, i) => {
    const source = sources[i]
    return !source?.elsewhere && (all || (!source && arriving[i] === null))
  })

function sellersBy(sellers: readonly SellerEntity[]) {
  const names = new Map(sellers.map(({ code, name }) => [code, name]))
  return {
    blocked: new Set(sellers.filter(({ standing }) => standing === 'blocked').map(({ code }) => code)),
    nameOf: (code: string) => names.get(code) ?? code,
  }
}
