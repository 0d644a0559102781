import { Controller, Get, Query } from '@nestjs/common'
import { ApiTags } from '@nestjs/swagger'
import { OFFER_KINDS } from '@outfit/core/formats'
import { Problem } from '../app/problem.ts'
import { MarketService } from './marketService.ts'

/** So many are told at once. */
const MOST = 500

@ApiTags('market')
@Controller('prices')
export class PricesController {
  constructor(private readonly market: MarketService) {}

  /**
   * Lowest price of each thing for sale in the home currency, null where nobody sells it; `things` are kinds and codes such
   * as `figure:F-0022`, separated by commas.
   */
  @Get()
  async lowest(@Query('things') things = '') {
    const named = things.split(',').filter(Boolean).slice(0, MOST)
    const wrong = named.find((thing) => !OFFER_KINDS.some((kind) => thing.startsWith(`${kind}:`)))
    if (wrong !== undefined)
      throw new Problem(400, `things: "${wrong}" is not a kind and a code, such as part:P-00001.`, [
        { field: 'things', message: 'must be kinds and codes' },
      ])
    const cheapest = await this.market.cheapest()
    return { prices: Object.fromEntries(named.map((thing) => [thing, cheapest.get(thing.replace(':', ' ')) ?? null])) }
  }
}
