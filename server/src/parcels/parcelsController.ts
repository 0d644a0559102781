import { Body, Controller, Delete, Get, Header, HttpCode, Param, Post, Put, Res, StreamableFile } from '@nestjs/common'
import { ApiTags } from '@nestjs/swagger'
import type { Response } from 'express'
import { today } from '../base/today.ts'
import { CheckInService } from './checkInService.ts'
import { OrderService } from './orderService.ts'
import { OrderSheet } from './orderSheet.ts'
import { ParcelListService } from './parcelListService.ts'
import { ChangeParcel, CheckIn, OrderParcels } from './dto.ts'

/** Orders to sellers, from the basket of a plan to the bin. */
@ApiTags('parcels')
@Controller('parcels')
export class ParcelsController {
  constructor(
    private readonly parcels: ParcelListService,
    private readonly orders: OrderService,
    private readonly arrivals: CheckInService,
    private readonly sheet: OrderSheet,
  ) {}

  @Get()
  all() {
    return this.parcels.all(today())
  }

  /** Turn baskets of a plan into parcels. */
  @Post()
  order(@Body() what: OrderParcels) {
    return this.orders.order(what, today())
  }

  @Put(':id')
  @HttpCode(204)
  change(@Param('id') id: string, @Body() change: ChangeParcel) {
    return this.orders.change(id, change)
  }

  @Post(':id/check-in')
  checkIn(@Param('id') id: string, @Body() what: CheckIn) {
    return this.arrivals.checkIn(id, what)
  }

  /** Take a check-in back. */
  @Delete(':id/check-in')
  @HttpCode(204)
  takeBack(@Param('id') id: string) {
    return this.arrivals.takeBack(id, today())
  }

  /** Give an order up. */
  @Delete(':id')
  @HttpCode(204)
  cancel(@Param('id') id: string) {
    return this.orders.cancel(id, today())
  }

  @Get(':id/order.csv')
  @Header('Content-Type', 'text/csv; charset=utf-8')
  async csv(@Param('id') id: string, @Res({ passthrough: true }) response: Response) {
    const { name, csv } = await this.parcels.orderCsv(id, today())
    response.attachment(`${name}.csv`)
    return csv
  }

  @Get(':id/order.pdf')
  async pdf(@Param('id') id: string, @Res({ passthrough: true }) response: Response) {
    const parcel = await this.parcels.one(id, today())
    response.attachment(`order ${parcel.seller.name} ${parcel.orderedOn}.pdf`)
    return new StreamableFile(await this.sheet.pdf(parcel), { type: 'application/pdf' })
  }
}
