import { Body, Controller, Get, HttpCode, Param, Put, Query, Res } from '@nestjs/common'
import { ApiTags } from '@nestjs/swagger'
import type { Response } from 'express'
import { CardService } from './cardService.ts'
import { ComparedService } from './comparedService.ts'
import { CardBody, CardQuery, ComparedQuery, PhotoQuery, PictureAnswer, PictureOf, said } from './dto.ts'
import { PictureService } from './pictureService.ts'

/** What is shown of one outfit. */
@ApiTags('show')
@Controller('outfits/:id')
export class ShowController {
  constructor(
    private readonly cards: CardService,
    private readonly takes: ComparedService,
    private readonly pictures: PictureService,
  ) {}

  /** What its card shows. */
  @Get('card')
  choices(@Param('id') id: string) {
    return this.cards.choices(id)
  }

  @Put('card')
  @HttpCode(204)
  choose(@Param('id') id: string, @Body() choices: CardBody) {
    return this.cards.choose(id, choices)
  }

  /** Whether the light of a photo can be evened out. */
  @Get('card/light')
  light(@Query() { photo }: PhotoQuery) {
    return this.cards.light(photo)
  }

  @Get('card.:kind')
  @PictureAnswer()
  async card(
    @Param() { id, kind }: PictureOf,
    @Query() { take, version: _version, ...asked }: CardQuery,
    @Res({ passthrough: true }) response: Response,
  ) {
    return this.pictures.send(kind, await this.cards.card(id, take, said(asked)), response)
  }

  @Get('compared.:kind')
  @PictureAnswer()
  async compared(
    @Param() { id, kind }: PictureOf,
    @Query() { takes, width }: ComparedQuery,
    @Res({ passthrough: true }) response: Response,
  ) {
    return this.pictures.send(kind, await this.takes.compared(id, takes.split(','), width), response)
  }
}
