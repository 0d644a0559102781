import { Controller, Get, Param, Query } from '@nestjs/common'
import { ApiTags } from '@nestjs/swagger'
import { Type } from 'class-transformer'
import { IsIn, IsInt, IsOptional, IsString, Max, Min } from 'class-validator'
import { SLOT_FACTS } from '@outfit/core/anatomy'
import { SLOTS, type Part, type Slot } from '@outfit/core/catalogue'
import { unitsOf } from '@outfit/core/drawer'
import { notFound } from '../app/problem.ts'
import { DrawerService } from '../drawer/drawerService.ts'
import { MarketService } from '../market/marketService.ts'
import { CatalogueService } from './catalogueService.ts'

export class PartsQuery {
  @IsIn(SLOTS) slot: Slot
  @IsOptional() @IsString() after?: string
  @IsOptional() @Type(() => Number) @IsInt() @Min(1) @Max(500) limit?: number
}

@ApiTags('catalogue')
@Controller()
export class CatalogueController {
  constructor(
    private readonly catalogue: CatalogueService,
    private readonly drawer: DrawerService,
    private readonly market: MarketService,
  ) {}

  @Get('catalogue/basics')
  basics() {
    return this.catalogue.basics()
  }

  /** Candidates for a slot with what is owned and the lowest price, page by page; `next` is null on the last. */
  @Get('parts')
  async page(@Query() { slot, after = '', limit = 100 }: PartsQuery) {
    const found = await this.catalogue.page(SLOT_FACTS[slot].accepts, after, limit)
    return {
      ...(await this.withPrices(found)),
      next: found.length === limit ? found[found.length - 1]!.code : null,
    }
  }

  /** Every part made from the mould of this one, for its mould and colour grid. */
  @Get('parts/:code/mould')
  async mould(@Param('code') code: string) {
    const found = await this.catalogue.sameMould(code)
    if (!found) throw notFound('part', code)
    return this.withPrices(found)
  }

  /** Parts with what is owned and the lowest price, and the parts inside assemblies likewise. */
  private async withPrices(found: readonly Part[]) {
    const inside = await this.catalogue.parts(found.flatMap((part) => part.components.map((c) => c.part)))
    const [owned, prices] = await Promise.all([this.drawer.onHand(), this.market.lowest()])
    const ownedOf = (part: Part) => unitsOf(part, (code) => owned.get(code) ?? 0)
    const priced = (part: Part) => ({ part, owned: ownedOf(part), lowest: prices.get(part.code) ?? null })
    return { items: found.map(priced), parts: inside.map(priced) }
  }

  /** One part with where it lies, who carries it and who sells it. */
  @Get('parts/:code')
  async part(@Param('code') code: string) {
    const parts = await this.catalogue.parts([code])
    const part = parts.find((p) => p.code === code)
    if (!part) throw notFound('part', code)
    const [bins, carriers, offers] = await Promise.all([
      this.drawer.placesOf([code, ...part.components.map((c) => c.part)]),
      this.catalogue.carriers(code),
      this.market.offersFor(code),
    ])
    return { part, parts: parts.filter((p) => p.code !== code), bins, ...carriers, offers }
  }
}
