import { Controller, Get, HttpCode, Param, Post, Query, Req } from '@nestjs/common'
import { ApiTags } from '@nestjs/swagger'
import { IsOptional } from 'class-validator'
import type { Request } from 'express'
import type { DonePage } from '@outfit/core/journal'
import { FilledText } from '../base/fields.ts'
import { deviceOfRequest } from './deviceOfRequest.ts'
import { JournalService } from './journalService.ts'

class PageQuery {
  /** The id of the last entry seen. */
  @IsOptional() @FilledText(40) before?: string
}

/** What was done in the last days, from everywhere. */
@ApiTags('journal')
@Controller('journal')
export class JournalController {
  constructor(private readonly journal: JournalService) {}

  /** The newest first. */
  @Get()
  page(@Query() { before }: PageQuery, @Req() request: Request): Promise<DonePage> {
    return this.journal.page(before ?? null, deviceOfRequest(request))
  }

  /** Take back what an entry tells. 409 where something of it was changed since, or not all of it is written down. */
  @Post(':id/taken-back')
  @HttpCode(204)
  async takeBack(@Param('id') id: string): Promise<void> {
    await this.journal.takeBack(id)
  }
}
