import { Controller, Get, Header, Param, Query, Res, StreamableFile } from '@nestjs/common'
import { ApiTags } from '@nestjs/swagger'
import { IsOptional, IsString, Matches } from 'class-validator'
import type { Response } from 'express'
import { CardService } from './cardService.ts'
import { ComparedService } from './comparedService.ts'

export class CardQuery {
  @IsOptional() @IsString() take?: string
  /** Version of the outfit, which tells a browser's cache one card from the next. */
  @IsOptional() @IsString() version?: string
}

export class ComparedQuery {
  /** Ids of two to four takes, comma between them, in the order they shall stand. */
  @IsString()
  @Matches(/^\w+(,\w+){1,3}$/, { message: 'takes must be two to four, with commas between them' })
  takes: string
}

@ApiTags('show')
@Controller('outfits/:id')
export class ShowController {
  constructor(
    private readonly cards: CardService,
    private readonly compared: ComparedService,
  ) {}

  @Get('card.svg')
  @Header('Content-Type', 'image/svg+xml; charset=utf-8')
  async svg(@Param('id') id: string, @Query() { take }: CardQuery, @Res({ passthrough: true }) response: Response) {
    const { svg, name } = await this.cards.svg(id, take, true)
    response.attachment(`${name}.svg`).type('image/svg+xml')
    return svg
  }

  @Get('card.png')
  async png(@Param('id') id: string, @Query() { take }: CardQuery, @Res({ passthrough: true }) response: Response) {
    const { png, name } = await this.cards.png(id, take)
    response.attachment(`${name}.png`)
    return new StreamableFile(png, { type: 'image/png' })
  }

  @Get('compared.svg')
  async comparedSvg(
    @Param('id') id: string,
    @Query() { takes }: ComparedQuery,
    @Res({ passthrough: true }) response: Response,
  ) {
    const { svg, name } = await this.compared.svg(id, takes.split(','), true)
    response.attachment(`${name}.svg`).type('image/svg+xml')
    return svg
  }

  @Get('compared.png')
  async comparedPng(
    @Param('id') id: string,
    @Query() { takes }: ComparedQuery,
    @Res({ passthrough: true }) response: Response,
  ) {
    const { png, name } = await this.compared.png(id, takes.split(','))
    response.attachment(`${name}.png`)
    return new StreamableFile(png, { type: 'image/png' })
  }
}
