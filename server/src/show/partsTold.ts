import { Injectable } from '@nestjs/common'
import type { Level } from '@outfit/core/catalogue'
import { homeMoney } from '@outfit/core/market'
import { costToFinish, wholesAmong, type ToFinish } from '@outfit/core/prices'
import type { RecipeSource, ToldOfPart } from '@outfit/core/show'
import { CarriersService } from '../catalogue/carriersService.ts'
import { MarketService } from '../market/marketService.ts'

/** What pictures and recipes say of parts. */
export interface PartsTold {
  told(part: string): ToldOfPart
  /** Whether anything is known to bring it. */
  hasSource(part: string): boolean
  sources(part: string): RecipeSource[]
  /** What parts cost that are bought together, in wholes that come apart as far as `level` where that is less; how many nobody sells. */
  costs(parts: readonly string[], level: Level): ToFinish
  /** Lowest single price in the home currency; undefined where nobody sells it. */
  price(part: string): number | undefined
  /** The day prices are of. */
  pricedOn: string
}

/** Sources named of a part in a recipe. */
const MOST_SOURCES = 3

/** Tells of parts where they come from and what they cost, in words for pictures. */
@Injectable()
export class PartsToldService {
  constructor(
    private readonly carriers: CarriersService,
    private readonly market: MarketService,
  ) {}

  async of(parts: readonly string[]): Promise<PartsTold> {
    const codes = [...new Set(parts)]
    const [found, lowest, pricedOn] = await Promise.all([
      Promise.all(codes.map(async (part) => [part, await this.carriers.of(part)] as const)),
      this.market.lowest(),
      this.market.pricedOn(),
    ])
    const carriers = new Map(found)
    const sold = (await this.market.assembliesFor(codes)).filter(({ code }) => lowest.has(code))
    const price = (code: string) => lowest.get(code)
    // A blind pack brings it by chance alone, so it is named only where nothing else brings it.
    const source = (part: string) => {
      const { releases = [], figures = [] } = carriers.get(part) ?? {}
      return releases.find(({ packs }) => packs === null) ?? releases[0] ?? figures[0]
    }
    return {
      told: (part) => {
        const from = source(part)
        const price = lowest.get(part)
        return {
          source: from ? `from ${from.name}, ${from.year}` : 'no release known',
          price: price === undefined ? '' : `from ${homeMoney(price)}`,
        }
      },
      hasSource: (part) => source(part) !== undefined,
      sources: (part) => {
        const { releases = [], figures = [] } = carriers.get(part) ?? {}
        const named = releases.map(({ name, year }) => ({ release: name, figure: '', year }))
        return [...named, ...figures.map(({ name, year }) => ({ release: '', figure: name, year }))].slice(
          0,
          MOST_SOURCES,
        )
      },
      costs: (bought, level) => costToFinish(bought, price, wholesAmong(sold, price, level, bought)),
      price,
      pricedOn,
    }
  }
}
