import { Body, Controller, Delete, Get, HttpCode, Param, Put, Query } from '@nestjs/common'
import { ApiTags } from '@nestjs/swagger'
import { NewOffer, OffersQuery } from './offerDto.ts'
import { OfferService } from './offerService.ts'
import { NewRate, SellerBody } from './sellerDto.ts'
import { SellerService } from './sellerService.ts'

@ApiTags('market')
@Controller()
export class MarketController {
  constructor(
    private readonly sellers: SellerService,
    private readonly offers: OfferService,
  ) {}

  /** Everybody who sells, by name. */
  @Get('sellers')
  async all() {
    return { sellers: await this.sellers.all() }
  }

  /** What a seller offers, a page at a time, and the sheets that told of it. */
  @Get('sellers/:code/offers')
  offersOf(@Param('code') code: string, @Query() { after, starts }: OffersQuery) {
    return this.offers.of(code, { after, starts })
  }

  /** Write down what a seller asks for one thing today. */
  @Put('sellers/:code/offers')
  @HttpCode(204)
  quote(@Param('code') code: string, @Body() offer: NewOffer) {
    return this.offers.quote(code, offer)
  }

  /** Make a seller under a code, or change the one there is. */
  @Put('sellers/:code')
  @HttpCode(204)
  keep(@Param('code') code: string, @Body() seller: SellerBody) {
    return this.sellers.keep(code, seller)
  }

  @Delete('sellers/:code')
  @HttpCode(204)
  remove(@Param('code') code: string) {
    return this.sellers.remove(code)
  }

  /** Dated rates between currencies, the newest first. */
  @Get('rates')
  async rates() {
    return { rates: await this.sellers.rates() }
  }

  @Put('rates')
  @HttpCode(204)
  keepRate(@Body() rate: NewRate) {
    return this.sellers.keepRate(rate)
  }

  @Delete('rates/:date/:from/:to')
  @HttpCode(204)
  removeRate(@Param('date') date: string, @Param('from') from: string, @Param('to') to: string) {
    return this.sellers.removeRate(date, from, to)
  }
}
