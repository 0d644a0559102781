import { Injectable } from '@nestjs/common'
import { DataSource, In } from 'typeorm'
import { homeCurrency, worthIn } from '@outfit/core/market'
import {
  type OutfitPrices,
  priceHistory,
  type Singly,
  singlyOf,
  summedPrices,
  type ThingKind,
  type ThingPrices,
  type Whole,
  wholesFor,
} from '@outfit/core/prices'
import { notFound } from '../base/problem.ts'
import { CatalogueService } from '../catalogue/catalogueService.ts'
import { SharesService, type Share } from '../allotment/sharesService.ts'
import { ParcelEntity, ParcelLineEntity, QuoteEntity, SellerEntity, SheetEntity } from '../schema/market.ts'
import { MarketService } from '../market/marketService.ts'
import { ParcelService } from '../market/parcelService.ts'

type Which = { outfit: string } | { roster: string }

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
    private readonly parcels: ParcelService,
  ) {}

  /** The price page of a part, figure or release. */
  async ofThing(kind: ThingKind, code: string): Promise<ThingPrices> {
    const name = (await this.catalogue.plainNamesOf([{ kind, code }])).get(`${kind} ${code}`)
    if (name === undefined) throw notFound(kind, code)
    const { heard, worth, nameOf, asked } = await this.listening()
    const found = await this.database.getRepository(QuoteEntity).findBy({ kind, code })
    // Whose quotes these are is said once.
    const quotes = found.map(({ kind: _kind, code: _code, ...quote }) => quote)
    const { offers, ...history } = priceHistory(quotes.filter(asked), heard, worth)
    return {
      thing: { kind, code, name },
      ...history,
      asked: history.asked.map((one) => ({ ...one, seller: nameOf(one.seller) })),
      offers: offers.map((offer) => ({ ...offer, sellerName: nameOf(offer.seller) })),
      lowest: (await this.market.cheapest()).get(`${kind} ${code}`) ?? null,
      paid: await this.paidFor(kind, code, nameOf),
      against: kind === 'part' ? null : await this.against(kind, code),
    }
  }

  /** The price page of an outfit or a roster: what its chosen takes wear, or only what of it is still to be bought. */
  async ofOutfits(which: Which, all: boolean): Promise<OutfitPrices> {
    const { shares, first } = await this.sharesOf(which)
    const wanted = shares.flatMap((share) =>
      wantedOf(share, all).map(({ slot, part }) => ({ slot, part, outfit: share.name })),
    )
    const parts = [...new Set(wanted.map(({ part }) => part))]
    const [{ heard, worth, asked }, quotes, lowest, wholes, known] = await Promise.all([
      this.listening(),
      this.quotesOf(parts),
      this.market.lowest(),
      this.wholesOf(wanted.map(({ part }) => part)),
      this.catalogue.parts(parts),
    ])
    const histories = new Map(
      parts.map((part) => [part, priceHistory((quotes.get(part) ?? []).filter(asked), heard, worth)]),
    )
    return {
      name: 'outfit' in which ? first.name : first.roster.name,
      all,
      worn: shares.reduce((sum, { placements }) => sum + placements.length, 0),
      ...summedPrices(wanted, histories, lowest),
      wholes,
      parts: known,
      prints: await this.catalogue.printsOn(known),
    }
  }

  /** What is still to be bought for an outfit or a roster at lowest single prices. */
  async toBuy(which: Which): Promise<Singly> {
    const [{ shares }, lowest] = await Promise.all([this.sharesOf(which), this.market.lowest()])
    return singlyOf(
      shares.flatMap((share) => wantedOf(share, false).map(({ part }) => part)),
      lowest,
    )
  }

  private async sharesOf(which: Which): Promise<{ shares: Share[]; first: Share }> {
    const shares = (await this.shares.all()).filter(({ outfit, roster }) =>
      'outfit' in which ? outfit.id === which.outfit : roster.id === which.roster,
    )
    const [first] = shares
    if (!first) throw 'outfit' in which ? notFound('outfit', which.outfit) : notFound('roster', which.roster)
    return { shares, first }
  }

  /** What the parts of a figure or release cost singly, and what brings all of them. */
  private async against(kind: 'figure' | 'release', code: string): Promise<ThingPrices['against']> {
    const { yields } = (await this.catalogue.yields([{ kind, code }])).get(`${kind} ${code}`)!
    const parts = yields.flatMap(({ part, qty }) => Array<string>(qty).fill(part))
    return {
      singly: singlyOf(parts, await this.market.lowest()),
      wholes: await this.wholesOf(parts, parts.length),
    }
  }

  /** What brings at least so many units of some parts, the most saving. */
  private async wholesOf(parts: readonly string[], least = 0): Promise<Whole[]> {
    if (parts.length === 0) return []
    const [lowest, offers] = await Promise.all([
      this.market.lowest(),
      this.market.wholesBringing([...new Set(parts)]).then((things) => this.market.bringers(things)),
    ])
    const wholes = wholesFor(
      parts.map((part) => ({ part, qty: 1 })),
      offers,
      lowest,
    )
      .filter(({ brings }) => brings >= least)
      .slice(0, MOST_WHOLES)
    const names = await this.catalogue.plainNamesOf(wholes)
    return wholes.map((whole) => ({ ...whole, name: names.get(`${whole.kind} ${whole.code}`) ?? whole.code }))
  }

  /** Who was heard when, what money is worth, and whose prices count: nobody buys of who is blocked. */
  private async listening() {
    const [heard, rates, sellers] = await Promise.all([
      this.database.getRepository(SheetEntity).find({ where: { whole: true }, select: { seller: true, date: true } }),
      this.market.rates(),
      this.database.getRepository(SellerEntity).find(),
    ])
    const known = new Map(sellers.map((seller) => [seller.code, seller]))
    return {
      heard,
      worth: worthIn(homeCurrency(), rates),
      nameOf: (code: string) => known.get(code)?.name ?? code,
      asked: ({ seller }: { seller: string }) => known.get(seller)?.standing !== 'blocked',
    }
  }

  private async quotesOf(parts: readonly string[]): Promise<Map<string, QuoteEntity[]>> {
    const quotes = await this.database.getRepository(QuoteEntity).findBy({ kind: 'part', code: In([...parts]) })
    const byPart = new Map<string, QuoteEntity[]>()
    for (const quote of quotes) if (!byPart.get(quote.code)?.push(quote)) byPart.set(quote.code, [quote])
    return byPart
  }

  private async paidFor(
    kind: ThingKind,
    code: string,
    nameOf: (seller: string) => string,
  ): Promise<ThingPrices['paid']> {
    const lines = await this.database.getRepository(ParcelLineEntity).findBy({ kind, code })
    const [parcels, toHome] = await Promise.all([
      this.database.getRepository(ParcelEntity).findBy({ id: In([...new Set(lines.map(({ parcel }) => parcel))]) }),
      this.parcels.toHome(),
    ])
    return lines
      .flatMap(({ parcel: id, qty, price, condition }) => {
        const { cancelledOn, currency, orderedOn: date, seller } = parcels.find((one) => one.id === id)!
        // What came without being ordered was not paid for, nor what was given up.
        if (qty === 0 || cancelledOn !== null) return []
        return [{ date, home: toHome(price, currency, date), qty, seller: nameOf(seller), condition, parcel: id }]
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
