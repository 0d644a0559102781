import { Body, Controller, Delete, Get, HttpCode, Param, Post } from '@nestjs/common'
import { ApiTags } from '@nestjs/swagger'
import { IsString } from 'class-validator'
import { mouldOf, type Part } from '@outfit/core/catalogue'
import { COMPANIONS_OF, goesWith } from '@outfit/core/parts'
import { waysToGet } from '@outfit/core/prices'
import { notFound } from '../base/problem.ts'
import { DrawerService } from '../drawer/drawerService.ts'
import { TakenLists } from '../intake/takenLists.ts'
import { MarketService } from '../market/marketService.ts'
import { ParcelService } from '../market/parcelService.ts'
import { CarriersService } from '../catalogue/carriersService.ts'
import { CatalogueService } from '../catalogue/catalogueService.ts'
import { PricedService } from './pricedService.ts'
import { WishService } from '../catalogue/wishService.ts'

export class WishRequest {
  /** The part whose mould and print are wished for. */
  @IsString() part: string
  @IsString() colour: string
}

/** Things for sale looked at as ways to a part, the cheapest: a plain mitt is on thousands. */
const MOST_THINGS = 60
/** Companions of each kind told. */
const MOST_MATCHES = 6
/** Ways told; the rest are dearer. */
const MOST_WAYS = 8

@ApiTags('part')
@Controller()
export class PartPageController {
  constructor(
    private readonly catalogue: CatalogueService,
    private readonly carriers: CarriersService,
    private readonly priced: PricedService,
    private readonly drawer: DrawerService,
    private readonly market: MarketService,
    private readonly wishes: WishService,
    private readonly parcels: ParcelService,
    private readonly lists: TakenLists,
  ) {}

  /** One part with where it lies, who carries it and who sells it. */
  @Get('parts/:code')
  async part(@Param('code') code: string) {
    const { part, parts } = await this.known(code)
    const [bins, parcels, carriers, offers, remarks] = await Promise.all([
      this.drawer.placesOf([code, ...part.components.map((c) => c.part)]),
      this.parcels.open(),
      this.carriers.of(code),
      this.market.offersFor(code),
      this.lists.remarksOn(code),
    ])
    const prints = await this.catalogue.printsOn(parts)
    const coming = parcels.flatMap(({ id, seller, expectedOn, lines }) => {
      const qty = lines.filter((line) => line.part === code).reduce((sum, line) => sum + line.qty, 0)
      return qty > 0 ? [{ parcel: id, seller, expectedOn, qty }] : []
    })
    return { part, parts: parts.filter((p) => p.code !== code), prints, bins, coming, ...carriers, offers, remarks }
  }

  /** Every part made from the mould of this one, for its mould and colour grid. */
  @Get('parts/:code/mould')
  async mould(@Param('code') code: string) {
    const found = await this.catalogue.sameMould(code)
    if (!found) throw notFound('part', code)
    return this.priced.withPrices(found)
  }

  /** The cheapest ways to get a part, with what each would leave over. */
  @Get('parts/:code/ways')
  async ways(@Param('code') code: string) {
    const { part } = await this.known(code)
    const [things, cheapest, lowest] = await Promise.all([
      this.carriers.things(code),
      this.market.cheapest(),
      this.market.lowest(),
    ])
    const priceOf = ({ kind, code: own }: (typeof things)[number]) => cheapest.get(`${kind} ${own}`) ?? Infinity
    const offered = things.filter((thing) => priceOf(thing) < Infinity).sort((a, b) => priceOf(a) - priceOf(b))
    const offers = await this.market.bringers(offered.slice(0, MOST_THINGS))
    const needed = new Map<string, number>()
    for (const own of part.components.length > 0 ? part.components.map((c) => c.part) : [code])
      needed.set(own, (needed.get(own) ?? 0) + 1)
    const ways = waysToGet(
      [...needed].map(([own, qty]) => ({ part: own, qty })),
      offers,
      lowest,
    ).slice(0, MOST_WAYS)
    const parts = await this.catalogue.parts(ways.flatMap(({ left }) => left.map((l) => l.part)))
    return { ways, parts, prints: await this.catalogue.printsOn(parts) }
  }

  /** What suits a part best, kind by kind, with the reasons in words. */
  @Get('parts/:code/goes-with')
  async goesWith(@Param('code') code: string) {
    const { part } = await this.known(code)
    const [{ catalogue, ofKind }, [print]] = await Promise.all([
      this.catalogue.matchable(),
      this.catalogue.printsOn([part]),
    ])
    const companions = COMPANIONS_OF[mouldOf(catalogue, part).kind] ?? []
    const groups = companions.map((companion) => {
      const candidates = companion.kinds.flatMap((kind) => ofKind.get(kind) ?? [])
      const matches = goesWith(part, companion, candidates, catalogue, MOST_MATCHES, print)
      return { label: companion.label, matches: matches.map(({ part: { code }, ...why }) => ({ code, ...why })) }
    })
    const wanted = new Set(groups.flatMap(({ matches }) => matches.map((match) => match.code)))
    const whole = await this.catalogue.parts([...wanted])
    return { groups, ...(await this.priced.withPrices(whole.filter((one) => wanted.has(one.code)))) }
  }

  /** Every wish for a colour that was never made, the newest first. */
  @Get('wishes')
  all() {
    return this.wishes.all()
  }

  @Post('wishes')
  wish(@Body() { part, colour }: WishRequest) {
    return this.wishes.make(part, colour)
  }

  /** The news of fulfilled wishes was read. */
  @Post('wishes/seen')
  @HttpCode(204)
  seen() {
    return this.wishes.markSeen()
  }

  @Delete('wishes/:id')
  @HttpCode(204)
  drop(@Param('id') id: string) {
    return this.wishes.drop(id)
  }

  private async known(code: string): Promise<{ part: Part; parts: Part[] }> {
    const parts = await this.catalogue.parts([code])
    const part = parts.find((p) => p.code === code)
    if (!part) throw notFound('part', code)
    return { part, parts }
  }
}
