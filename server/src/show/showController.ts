import { Controller, Get, Header, Param, Query, Res, StreamableFile } from '@nestjs/common'
import { ApiTags } from '@nestjs/swagger'
import { IsOptional, IsString } from 'class-validator'
import type { Response } from 'express'
import { CardService } from './cardService.ts'

export class CardQuery {
  @IsOptional() @IsString() take?: string
  /** Version of the outfit, which tells a browser's cache one card from the next. */
  @IsOptional() @IsString() version?: string
}

@ApiTags('show')
@Controller('outfits/:id')
export class ShowController {
  constructor(private readonly cards: CardService) {}

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
}
