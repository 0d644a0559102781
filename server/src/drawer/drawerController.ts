import { Body, Controller, Delete, Get, HttpCode, Param, Post, Put, Query } from '@nestjs/common'
import { ApiTags } from '@nestjs/swagger'
import { today } from '../base/today.ts'
import { ActService } from './actService.ts'
import { BinService } from './binService.ts'
import { DrawerService } from './drawerService.ts'
import {
  BringIn,
  ChangeBin,
  LayOut,
  Lend,
  MoveParts,
  HistoryQuery,
  NewBin,
  NewRemark,
  PlacesQuery,
  PutTogether,
  SplitFigure,
  Stocktake,
  TakeOut,
} from './dto.ts'
import { RemarkService } from './remarkService.ts'

/** All owned parts: where they lie, where they went, and what is done with them. */
@ApiTags('drawer')
@Controller()
export class DrawerController {
  constructor(
    private readonly bins: BinService,
    private readonly acts: ActService,
    private readonly drawer: DrawerService,
    private readonly remarks: RemarkService,
  ) {}

  @Get('drawer')
  box() {
    return this.bins.box()
  }

  /** Bins that hold any of some parts. */
  @Get('drawer/where')
  where(@Query() { parts = [] }: PlacesQuery) {
    return this.drawer.placesOf(parts.slice(0, 500))
  }

  /** The history, the newest act first, of everything, of a part or of a bin. */
  @Get('drawer/acts')
  history(@Query() { part, bin, before }: HistoryQuery) {
    return this.acts.history({ ...(part ? { part } : {}), ...(bin ? { bin } : {}), ...(before ? { before } : {}) })
  }

  @Post('drawer/acts/:id/reversal')
  reverse(@Param('id') id: string) {
    return this.acts.reverse(id, today())
  }

  @Post('drawer/brought-in')
  bringIn(@Body() what: BringIn) {
    return this.bins.bringIn(what, today())
  }

  @Post('drawer/moved')
  move(@Body() what: MoveParts) {
    return this.bins.move(what, today())
  }

  @Post('drawer/taken-out')
  takeOut(@Body() what: TakeOut) {
    return this.bins.takeOut(what, today())
  }

  @Post('drawer/lent')
  lend(@Body() what: Lend) {
    return this.bins.lend(what, today())
  }

  @Post('drawer/put-together')
  putTogether(@Body() { figure }: PutTogether) {
    return this.bins.putTogether(figure, today())
  }

  @Post('drawer/remarks')
  remark(@Body() remark: NewRemark) {
    return this.remarks.make(remark, today())
  }

  @Post('bins')
  make(@Body() bin: NewBin) {
    return this.bins.make(bin)
  }

  @Put('bins')
  @HttpCode(204)
  layOut(@Body() { bins }: LayOut) {
    return this.bins.layOut(bins)
  }

  @Get('bins/:code')
  contents(@Param('code') code: string) {
    return this.bins.contents(code)
  }

  @Put('bins/:code')
  @HttpCode(204)
  change(@Param('code') code: string, @Body() change: ChangeBin) {
    return this.bins.layOut([{ ...change, code }])
  }

  @Delete('bins/:code')
  @HttpCode(204)
  remove(@Param('code') code: string) {
    return this.bins.remove(code)
  }

  @Post('bins/:code/stocktake')
  stocktake(@Param('code') code: string, @Body() count: Stocktake) {
    return this.bins.stocktake(code, count, today())
  }

  @Post('bins/:code/split')
  split(@Param('code') code: string, @Body() how: SplitFigure) {
    return this.bins.split(code, how, today())
  }
}
