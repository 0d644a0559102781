import { Body, Controller, Get, HttpCode, Param, Post, Query, Req } from '@nestjs/common'
import { ApiTags } from '@nestjs/swagger'
import { IsBoolean, IsIn, IsISO4217CurrencyCode, IsObject, IsOptional } from 'class-validator'
import { FileBody, FilledText, Text, One, Whole } from '../base/fields.ts'
import type { Request } from 'express'
import {
  ENCODINGS,
  LIST_KINDS,
  type Encoding,
  type IntakeMode,
  type Answer,
  type CellStyle,
  type Field,
  type ListKind,
} from '@outfit/core/intake'
import { CONDITIONS } from '@outfit/core/tables'
import { IsDay } from '../base/isDay.ts'
import { IntakeFiles } from './intakeFiles.ts'
import { IntakeService } from './intakeService.ts'
import { TakeApartService } from './takeApartService.ts'
import { TakenLists } from './takenLists.ts'
import { IsAnswers, IsColumns, IsRates } from './isChoices.ts'

class StyleBody implements Partial<CellStyle> {
  @IsOptional() @IsIn([',', '.']) decimal?: ',' | '.'
  @IsOptional() @IsBoolean() dayFirst?: boolean
  @IsOptional() @IsISO4217CurrencyCode() currency?: string
}

class SameBody {
  /** Empty for nobody, also where the file's name says somebody. */
  @IsOptional() @Text(80) seller?: string
  @IsOptional() @IsIn(CONDITIONS) condition?: 'new' | 'used'
  @IsOptional() @IsDay() date?: string
  @IsOptional() @FilledText(80) bin?: string
  @IsOptional() @FilledText(120) set?: string
}

class ChoicesBody {
  @IsOptional() @IsIn(LIST_KINDS) kind?: ListKind
  /** Field of each column, by its index; null keeps a column as a remark. */
  @IsOptional() @IsColumns() columns?: Record<number, Field | null>
  /** Whether the first rows hold the heads of the columns. */
  @IsOptional() @IsBoolean() headed?: boolean
  @IsOptional() @One(() => StyleBody) style?: StyleBody
  /** What is the same for every row. */
  @IsOptional() @One(() => SameBody) same?: SameBody
  /** What one unit of a currency is worth in the home currency, where no rate is known. */
  @IsOptional() @IsRates() rates?: Record<string, number>
  /** By the key of an unknown: `{take}`, `{make}` or `{leave: true}`. */
  @IsOptional() @IsAnswers() answers?: Record<string, Answer>
}

class LookBody {
  @IsOptional() @IsIn(Object.keys(ENCODINGS)) encoding?: Encoding
  @IsOptional() @Whole(0) sheet?: number
  @IsOptional() @IsObject() @One(() => ChoicesBody) choices?: ChoicesBody
}

class TakeBody extends LookBody {
  @IsIn(['add', 'set']) mode: IntakeMode
}

class FileName {
  @FilledText(200) name: string
}

/** What parts are made of, where nobody has told it. */
@ApiTags('intake')
@Controller('parts')
export class PiecesController {
  constructor(private readonly apart: TakeApartService) {}

  /** Take an assembly apart into plain pieces, made where there are none like them. 409 where they are told, or it is one piece. */
  @Post(':code/pieces')
  takeApart(@Param('code') code: string) {
    return this.apart.takeApart(code)
  }
}

/** Lists of a person's own, of any layout: kept, looked at, and brought in. */
@ApiTags('intake')
@Controller('intake')
export class IntakeController {
  constructor(
    private readonly files: IntakeFiles,
    private readonly intake: IntakeService,
    private readonly taken: TakenLists,
  ) {}

  /** Keep a file: a text of any delimiter and encoding, or a workbook (XLSX, ODS). */
  @Post()
  @FileBody()
  take(@Query() { name }: FileName, @Req() request: Request) {
    return this.files.take(name, request)
  }

  /** How a kept list is understood, with the choices made so far. Writes nothing. */
  @Post(':id/look')
  @HttpCode(200)
  look(@Param('id') id: string, @Body() body: LookBody) {
    return this.intake.look(id, body)
  }

  /** Bring a kept list in as `look` told it. */
  @Post(':id/taken')
  bring(@Param('id') id: string, @Body() { mode, ...body }: TakeBody) {
    return this.intake.take(id, body, mode)
  }

  /** Lists that were brought in, the newest first. */
  @Get()
  async all() {
    return { lists: await this.taken.all() }
  }

  /** Take back what a list brought in. Refused where something of it is in use or was changed since. */
  @Post(':id/taken-back')
  @HttpCode(204)
  async takeBack(@Param('id') id: string): Promise<void> {
    await this.taken.takeBack(id)
  }
}
