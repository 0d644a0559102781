import { Body, Controller, Get, Header, HttpCode, Param, Put, Query, Res } from '@nestjs/common'
import { ApiTags } from '@nestjs/swagger'
import type { Response } from 'express'
import { FileAnswer } from '../base/fields.ts'
import { PictureAnswer, PictureOf, said, SheetBody, SheetQuery, SomeOfRoster } from './dto.ts'
import { PictureService } from './pictureService.ts'
import { SheetService } from './sheetService.ts'

/** What is shown of a whole roster. */
@ApiTags('show')
@Controller('rosters/:id')
export class SheetController {
  constructor(
    private readonly sheets: SheetService,
    private readonly pictures: PictureService,
  ) {}

  /** What its sheet shows. */
  @Get('sheet')
  choices(@Param('id') id: string) {
    return this.sheets.choices(id)
  }

  @Put('sheet')
  @HttpCode(204)
  choose(@Param('id') id: string, @Body() choices: SheetBody) {
    return this.sheets.choose(id, choices)
  }

  @Get('sheet.:kind')
  @PictureAnswer()
  async sheet(
    @Param() { id, kind }: PictureOf,
    @Query() { outfits, version: _version, ...asked }: SheetQuery,
    @Res({ passthrough: true }) response: Response,
  ) {
    return this.pictures.send(kind, await this.sheets.sheet(id, outfits, said(asked)), response)
  }

  /** A page in one file, to send to somebody or to put on a web site. */
  @Get('page.html')
  @FileAnswer('text/html')
  @Header('Content-Type', 'text/html; charset=utf-8')
  async page(
    @Param('id') id: string,
    @Query() { outfits }: SomeOfRoster,
    @Res({ passthrough: true }) response: Response,
  ) {
    const { html, name } = await this.sheets.page(id, outfits)
    response.attachment(name)
    return html
  }

  @Get('recipe.json')
  async recipe(
    @Param('id') id: string,
    @Query() { outfits }: SomeOfRoster,
    @Res({ passthrough: true }) response: Response,
  ) {
    const { recipe, name } = await this.sheets.recipe(id, outfits)
    response.attachment(name)
    return recipe
  }
}
