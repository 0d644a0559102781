import { Body, Controller, Delete, Get, Header, HttpCode, Param, Put, Res } from '@nestjs/common'
import { ApiTags } from '@nestjs/swagger'
import { IsISO8601 } from 'class-validator'
import type { Response } from 'express'
import type { ErrandList, TickChange } from '@outfit/core/errands'
import { FileAnswer, FilledText, ListOf, Whole } from '../base/fields.ts'
import { errandPage } from './errandPage.ts'
import { ErrandService } from './errandService.ts'

export class SaidTick implements TickChange {
  @FilledText(400) id: string
  @Whole(0, 9999) got: number
  /** What the device knew before it was said. */
  @Whole(0, 9999) was: number
  @IsISO8601({ strict: true }) at: string
}

export class SaidTicks {
  @ListOf(() => SaidTick, { most: 2000 }) ticks: SaidTick[]
}

function sent(list: ErrandList, response: Response): string {
  response.attachment(`${list.of.name} to take along.html`)
  return errandPage(list)
}

@ApiTags('errands')
@Controller('rosters/:id/errands')
export class ErrandsController {
  constructor(private readonly errands: ErrandService) {}

  /** What is to be fetched for a roster, by bin and by stall, and what of it is ticked. */
  @Get()
  list(@Param('id') id: string) {
    return this.errands.ofRoster(id)
  }

  /** The list as one file that needs nothing else. */
  @Get('list.html')
  @FileAnswer('text/html')
  @Header('Content-Type', 'text/html; charset=utf-8')
  async page(@Param('id') id: string, @Res({ passthrough: true }) response: Response) {
    return sent(await this.errands.ofRoster(id), response)
  }

  /** What was ticked on a device, which may have been away. */
  @Put('ticks')
  async tick(@Param('id') id: string, @Body() { ticks }: SaidTicks) {
    await this.errands.ofRoster(id)
    return this.errands.tick(id, ticks)
  }

  /** Begin anew: nothing is ticked. */
  @Delete('ticks')
  @HttpCode(204)
  untick(@Param('id') id: string) {
    return this.errands.untick(id)
  }
}

@ApiTags('errands')
@Controller('plans/:id/errands')
export class PlanErrandsController {
  constructor(private readonly errands: ErrandService) {}

  /** What a plan buys, stall by stall, and what of it is ticked. */
  @Get()
  planList(@Param('id') id: string) {
    return this.errands.ofPlan(id)
  }

  @Get('list.html')
  @FileAnswer('text/html')
  @Header('Content-Type', 'text/html; charset=utf-8')
  async planPage(@Param('id') id: string, @Res({ passthrough: true }) response: Response) {
    return sent(await this.errands.ofPlan(id), response)
  }

  @Put('ticks')
  async tickPlan(@Param('id') id: string, @Body() { ticks }: SaidTicks) {
    await this.errands.ofPlan(id)
    return this.errands.tick(id, ticks)
  }

  @Delete('ticks')
  @HttpCode(204)
  untickPlan(@Param('id') id: string) {
    return this.errands.untick(id)
  }
}
