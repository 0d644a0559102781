import { Controller, Get, Param, Query, Res, StreamableFile } from '@nestjs/common'
import { ApiTags } from '@nestjs/swagger'
import { Type } from 'class-transformer'
import { IsOptional } from 'class-validator'
import { Text, Whole } from '../base/fields.ts'
import type { Response } from 'express'
import { LineUpService } from './lineUpService.ts'

export class LineUpQuery {
  /** Ids of the outfits, commas between them; every dressed one without. */
  @IsOptional() @Text(20_000) outfits?: string
  @IsOptional() @Type(() => Number) @Whole(1, 8) tiers: number = 1
  /** Rise from one tier to the next, in millimetres. */
  @IsOptional() @Type(() => Number) @Whole(0, 120) step: number = 20
  /** A JSON list of things for scale: name, shape, width, height and depth in millimetres. */
  @IsOptional() @Text(4000) objects: string = '[]'
}

@ApiTags('show')
@Controller('rosters/:id')
export class LineUpController {
  constructor(private readonly lineUps: LineUpService) {}

  @Get('line-up.svg')
  async svg(@Param('id') id: string, @Query() query: LineUpQuery, @Res({ passthrough: true }) response: Response) {
    const { svg, name } = await this.lineUps.svg(id, query, true)
    response.attachment(`${name}.svg`).type('image/svg+xml')
    return svg
  }

  @Get('line-up.png')
  async png(@Param('id') id: string, @Query() query: LineUpQuery, @Res({ passthrough: true }) response: Response) {
    const { png, name } = await this.lineUps.png(id, query)
    response.attachment(`${name}.png`)
    return new StreamableFile(png, { type: 'image/png' })
  }
}
