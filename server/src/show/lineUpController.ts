import { Controller, Get, Param, Query, Res } from '@nestjs/common'
import { ApiTags } from '@nestjs/swagger'
import { Type } from 'class-transformer'
import { IsOptional } from 'class-validator'
import { Text, Whole } from '../base/fields.ts'
import type { Response } from 'express'
import { PictureAnswer, PictureOf, PrintedQuery } from './dto.ts'
import { LineUpService } from './lineUpService.ts'
import { PictureService } from './pictureService.ts'

export class LineUpQuery extends PrintedQuery {
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
  constructor(
    private readonly lineUps: LineUpService,
    private readonly pictures: PictureService,
  ) {}

  @Get('line-up.:kind')
  @PictureAnswer()
  async lineUp(
    @Param() { id, kind }: PictureOf,
    @Query() query: LineUpQuery,
    @Res({ passthrough: true }) response: Response,
  ) {
    return this.pictures.send(kind, await this.lineUps.lineUp(id, query), response)
  }
}
