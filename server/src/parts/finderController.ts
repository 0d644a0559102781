import { Controller, Get, Query } from '@nestjs/common'
import { ApiTags } from '@nestjs/swagger'
import { Type } from 'class-transformer'
import { IsIn, IsInt, IsOptional, IsString } from 'class-validator'
import { Separated, Text, Whole, YesNo } from '../base/fields.ts'
import { SLOT_FACTS } from '@outfit/core/anatomy'
import { PART_ORDERS, type PartOrder } from '@outfit/core/parts'
import { SHELF_KEYS, SLOTS, type ShelfKey, type Slot } from '@outfit/core/catalogue'
import { CatalogueService } from '../catalogue/catalogueService.ts'
import { FinderService } from './finderService.ts'
import { PricedService } from './pricedService.ts'

export class PartsQuery {
  @IsIn(SLOTS) slot: Slot
  @IsOptional() @IsString() after?: string
  @IsOptional() @Type(() => Number) @Whole(1, 5000) limit?: number
}

export class FindQuery {
  /** Words a part is found by: name, code, traits, colours. */
  @IsOptional() @Text(200) text?: string
  @IsOptional() @Separated(SHELF_KEYS) shelves?: ShelfKey[]
  @IsOptional() @Separated() families?: string[]
  @IsOptional() @Type(() => Number) @IsInt() yearFrom?: number
  @IsOptional() @Type(() => Number) @IsInt() yearTo?: number
  @IsOptional() @YesNo() owned?: boolean
  @IsOptional() @Type(() => Number) @Whole(0) priceTo?: number
  @IsOptional() @YesNo() inProduction?: boolean
  @IsOptional() @IsIn(PART_ORDERS) order?: PartOrder
  @IsOptional() @Type(() => Number) @Whole(0) offset?: number
  @IsOptional() @Type(() => Number) @Whole(1, 200) limit?: number
}

@ApiTags('part')
@Controller()
export class FinderController {
  constructor(
    private readonly catalogue: CatalogueService,
    private readonly finder: FinderService,
    private readonly priced: PricedService,
  ) {}

  /** Candidates for a slot with what is owned and the lowest price, page by page; `next` is null on the last. */
  @Get('parts')
  async page(@Query() { slot, after = '', limit = 100 }: PartsQuery) {
    const found = await this.catalogue.page(SLOT_FACTS[slot].accepts, after, limit)
    return {
      ...(await this.priced.withPrices(found)),
      next: found.length === limit ? found[found.length - 1]!.code : null,
    }
  }

  /** Parts found by words and facets: a page of them, how many there are, and what each facet would leave. */
  @Get('parts/find')
  async find(@Query() { text = '', offset = 0, limit = 60, ...question }: FindQuery) {
    const { codes, total, facets } = await this.finder.find(text, question, offset, limit)
    const found = new Map((await this.catalogue.parts(codes)).map((part) => [part.code, part]))
    const page = codes.flatMap((code) => found.get(code) ?? [])
    return { total, facets, ...(await this.priced.withPrices(page)) }
  }
}
