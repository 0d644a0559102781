import { Body, Controller, Get, Header, HttpCode, Param, Post, Put, Query, Req, StreamableFile } from '@nestjs/common'
import { ApiTags } from '@nestjs/swagger'
import { IsArray, IsInt, IsOptional, IsString, Max, Min } from 'class-validator'
import { Type } from 'class-transformer'
import type { Request } from 'express'
import { PromiseDto } from '../drawer/dto.ts'
import { LabelService } from '../drawer/labelService.ts'
import { ArmyService } from '../teams/armyService.ts'
import { PromiseService } from '../allotment/promiseService.ts'
import { WorkbenchService } from './workbenchService.ts'

class ArmyQuery {
  /** How many in all, the outfit itself among them. */
  @Type(() => Number) @IsInt() @Min(2) @Max(200) count: number
  /** At most so many of one face. */
  @Type(() => Number) @IsInt() @Min(1) @Max(200) alike: number
}

class RosterOrder {
  /** Ids of all rosters, in the order in which their outfits ask the drawer. */
  @IsArray() @IsString({ each: true }) rosters: string[]
}

class OfRoster {
  @IsOptional() @IsString() roster?: string
}

const listed = (text: string | undefined): string[] | null => {
  const list = (text ?? '').split(',').filter(Boolean)
  return list.length > 0 ? list : null
}

/** Building: what can be, how it is done, who has what, and what is left. */
@ApiTags('workbench')
@Controller()
export class WorkbenchController {
  constructor(
    private readonly workbench: WorkbenchService,
    private readonly armies: ArmyService,
    private readonly promises: PromiseService,
    private readonly labels: LabelService,
  ) {}

  @Get('outfits/:id/workbench')
  plan(@Param('id') id: string) {
    return this.workbench.plan(id)
  }

  /** `rosters`: ids separated by commas; none for all. */
  @Get('drawer/buildable')
  buildable(@Query('rosters') rosters?: string) {
    return this.workbench.buildable(listed(rosters))
  }

  @Get('drawer/allotment')
  allotment(@Query('rosters') rosters?: string) {
    return this.workbench.allotment(listed(rosters))
  }

  @Get('drawer/leftovers')
  leftovers(@Query() { roster }: OfRoster) {
    return this.workbench.leftovers(roster ?? null)
  }

  @Get('drawer/labels.pdf')
  @Header('Content-Type', 'application/pdf')
  async sheet(@Req() request: Request, @Query('bins') bins?: string) {
    const pdf = await this.labels.pdf(
      listed(bins) ?? [],
      `${request.protocol}://${request.headers.host ?? 'localhost'}`,
    )
    return new StreamableFile(pdf, { disposition: 'inline; filename="bin-labels.pdf"' })
  }

  @Get('outfits/:id/army')
  army(@Param('id') id: string, @Query() { count, alike }: ArmyQuery) {
    return this.armies.preview(id, count, alike)
  }

  @Post('outfits/:id/army')
  makeArmy(@Param('id') id: string, @Body() { count, alike }: ArmyQuery) {
    return this.armies.make(id, count, alike)
  }

  /** Promise so many of a part to an outfit whoever comes first; 0 takes the promise back. */
  @Put('outfits/:id/promises/:part')
  @HttpCode(204)
  promise(@Param('id') id: string, @Param('part') part: string, @Body() { qty }: PromiseDto) {
    return this.promises.promise(id, part, qty)
  }

  @Put('rosters/order')
  @HttpCode(204)
  order(@Body() { rosters }: RosterOrder) {
    return this.promises.order(rosters)
  }
}
