import { Body, Controller, Delete, Get, HttpCode, Param, Post, Put, Res } from '@nestjs/common'
import { ApiTags } from '@nestjs/swagger'
import { IsIn, IsInt } from 'class-validator'
import type { Response } from 'express'
import { PACK_LIMITS } from '@outfit/core/packs'
import { FilledText } from '../base/fields.ts'
import { SeriesDto } from '../roster/seriesDto.ts'
import { PictureAnswer } from '../show/dto.ts'
import { PICTURE_KINDS, PictureService, type PictureKind } from '../show/pictureService.ts'
import { ArrayMaxSize, IsArray } from 'class-validator'
import { SERIES_FILES, SeriesFiles, type SeriesFile } from './seriesFiles.ts'
import { SeriesService } from './seriesService.ts'

class FileOf {
  @FilledText() id: string
  @IsIn(SERIES_FILES) file: SeriesFile
  @IsIn(PICTURE_KINDS) kind: PictureKind
}

class OpenedBody {
  /** Numbers of the packs that were opened. */
  @ArrayMaxSize(PACK_LIMITS.packs) @IsInt({ each: true }) @IsArray() opened: number[]
}

/** A roster as a numbered series. */
@ApiTags('series')
@Controller('rosters/:id/series')
export class SeriesController {
  constructor(
    private readonly series: SeriesService,
    private readonly files: SeriesFiles,
    private readonly pictures: PictureService,
  ) {}

  @Get()
  kept(@Param('id') id: string) {
    return this.series.kept(id)
  }

  @Put()
  @HttpCode(204)
  keep(@Param('id') id: string, @Body() series: SeriesDto) {
    return this.series.keep(id, series)
  }

  /** It is no series any more. */
  @Delete()
  @HttpCode(204)
  end(@Param('id') id: string) {
    return this.series.end(id)
  }

  /** Seal the packs as they are now. */
  @Post('seal')
  @HttpCode(204)
  seal(@Param('id') id: string) {
    return this.series.seal(id)
  }

  @Delete('seal')
  @HttpCode(204)
  breakSeal(@Param('id') id: string) {
    return this.series.breakSeal(id, true)
  }

  /** Mend a seal that was broken: the packs are again as they were packed. */
  @Put('seal')
  @HttpCode(204)
  mendSeal(@Param('id') id: string) {
    return this.series.breakSeal(id, false)
  }

  @Put('opened')
  @HttpCode(204)
  open(@Param('id') id: string, @Body() { opened }: OpenedBody) {
    return this.series.open(id, opened)
  }

  /** What the drawer lacks to fill all packs. */
  @Get('lacking')
  lacking(@Param('id') id: string) {
    return this.series.lacking(id)
  }

  @Get('print/:file.:kind')
  @PictureAnswer()
  async print(@Param() { id, file, kind }: FileOf, @Res({ passthrough: true }) response: Response) {
    return this.pictures.send(kind, await this.files.file(id, file), response)
  }
}
