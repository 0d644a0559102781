import { Controller, Get, Param, Query } from '@nestjs/common'
import { ApiTags } from '@nestjs/swagger'
import { IsOptional } from 'class-validator'
import { FilledText } from '../base/fields.ts'
import { ExchangeService } from './exchangeService.ts'
import { MineService } from './mineService.ts'
import { NewFiguresService } from './newFiguresService.ts'
import { RefillService } from './refillService.ts'
import { UsesService } from './usesService.ts'

/** The part, and how it is worn; the best way for all together unless said. */
export class ExchangeQuery {
  @FilledText() part: string
  @IsOptional() @FilledText() way?: string
}

/** What a part could do. */
@ApiTags('parts')
@Controller()
export class UsesController {
  constructor(
    private readonly uses: UsesService,
    private readonly mines: MineService,
    private readonly exchanges: ExchangeService,
    private readonly figures: NewFiguresService,
    private readonly refills: RefillService,
  ) {}

  /** Outfits that one part would make more like their briefs, drawn and reckoned before and after, best first. */
  @Get('parts/:part/uses')
  of(@Param('part') part: string) {
    return this.uses.of(part)
  }

  /** Figures nobody has yet around a part, of what lies loose, that go well together. */
  @Get('parts/:part/figures')
  around(@Param('part') part: string) {
    return this.figures.around(part)
  }

  /** Figures that stand together and have a part, with what could take its place on them. */
  @Get('parts/:part/refills')
  refilled(@Param('part') part: string) {
    return this.refills.of(part)
  }

  /** A release looked through: what its parts, and so many boxes of it, would do for all outfits. */
  @Get('releases/:release/uses')
  mined(@Param('release') release: string) {
    return this.mines.of(release)
  }

  /** What is new on a seller's newest quote sheet, looked through as a release is. */
  @Get('sellers/:seller/news')
  news(@Param('seller') seller: string) {
    return this.mines.newsOf(seller)
  }

  /** One part put on every outfit of a roster, for better or worse. Nothing is changed. */
  @Get('rosters/:id/exchange')
  exchange(@Param('id') id: string, @Query() { part, way }: ExchangeQuery) {
    return this.exchanges.of(id, part, way ?? null)
  }
}
