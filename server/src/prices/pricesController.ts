import { Body, Controller, Delete, Get, HttpCode, Param, Post, Put, Query } from '@nestjs/common'
import { ApiTags } from '@nestjs/swagger'
import { IsOptional } from 'class-validator'
import { OFFER_KINDS } from '@outfit/core/tables'
import { Separated, YesNo } from '../base/fields.ts'
import { notFound, Problem } from '../base/problem.ts'
import { MarketService } from '../market/marketService.ts'
import { TargetName, TargetPrice } from './targetDto.ts'
import { PriceService } from './priceService.ts'
import { TargetService } from './targetService.ts'

/** So many are told at once. */
const MOST = 500

class ThingsQuery {
  /** Kinds and codes, such as `figure:F-0022`. */
  @IsOptional() @Separated() things?: string[]
}

class LackedQuery {
  /** What is owned counts as well. */
  @IsOptional() @YesNo() all?: boolean
}

@ApiTags('market')
@Controller('prices')
export class PricesController {
  constructor(
    private readonly market: MarketService,
    private readonly history: PriceService,
    private readonly targets: TargetService,
  ) {}

  /** Lowest price of each thing for sale in the home currency, null where nobody sells it. */
  @Get()
  async lowest(@Query() { things = [] }: ThingsQuery) {
    const named = things.slice(0, MOST)
    const wrong = named.find((thing) => !OFFER_KINDS.some((kind) => thing.startsWith(`${kind}:`)))
    if (wrong !== undefined)
      throw new Problem(400, `things: "${wrong}" is not a kind and a code, such as part:P-00001.`, [
        { field: 'things', message: 'must be kinds and codes' },
      ])
    const cheapest = await this.market.cheapest()
    const prices: Record<string, number | null> = {}
    for (const thing of named) prices[thing] = cheapest.get(thing.replace(':', ' ')) ?? null
    return { prices }
  }

  /** How the price of a part, figure or release went and stands, such as `figure/F-0022`. */
  @Get('of/:kind/:code')
  thing(@Param('kind') kind: string, @Param('code') code: string) {
    const known = OFFER_KINDS.find((one) => one === kind)
    if (!known) throw notFound('price of', `${kind} ${code}`)
    return this.history.ofThing(known, code)
  }

  /** The same of what an outfit lacks, or of all it wears. */
  @Get('outfits/:id')
  outfit(@Param('id') outfit: string, @Query() { all }: LackedQuery) {
    return this.history.ofOutfits({ outfit }, all === true)
  }

  @Get('rosters/:id')
  roster(@Param('id') roster: string, @Query() { all }: LackedQuery) {
    return this.history.ofOutfits({ roster }, all === true)
  }

  /** Prices waited for, those that are met first. */
  @Get('targets')
  async waited() {
    return { targets: await this.targets.all() }
  }

  @Put('targets/:kind/:code')
  @HttpCode(204)
  set(@Param() { kind, code }: TargetName, @Body() { price }: TargetPrice) {
    return this.targets.set(kind, code, price)
  }

  @Delete('targets/:kind/:code')
  @HttpCode(204)
  remove(@Param() { kind, code }: TargetName) {
    return this.targets.remove(kind, code)
  }

  @Post('targets/seen')
  @HttpCode(204)
  seen() {
    return this.targets.markSeen()
  }
}
