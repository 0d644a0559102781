import { Body, Controller, Delete, Get, Header, HttpCode, Param, Post, Put, Res } from '@nestjs/common'
import { ApiTags } from '@nestjs/swagger'
import { IsIn, IsOptional } from 'class-validator'
import type { Response } from 'express'
import { BALLOT_TEXTS, BALLOT_WAYS, type BallotWay } from '@outfit/core/ballot'
import { FileAnswer, FilledText, Text, Texts } from '../base/fields.ts'
import { BallotService } from './ballotService.ts'

export class NewBallot {
  @FilledText(BALLOT_TEXTS.title) title: string
  @Text(BALLOT_TEXTS.question) question: string
  @IsIn(BALLOT_WAYS) way: BallotWay
  /** Ids of outfits; all that are dressed without. */
  @IsOptional() @Texts({ most: 1000 }) outfits?: string[]
  /** The outfit whose takes are voted on … */
  @IsOptional() @FilledText() outfit?: string
  /** … and which of them; all that wear something without. */
  @IsOptional() @Texts({ most: 1000 }) takes?: string[]
}

class AnswersBody {
  /** Answers as they were sent, with whatever stands around them. */
  @FilledText(BALLOT_TEXTS.paste) text: string
}

/** Questions put to others about a roster. */
@ApiTags('ballots')
@Controller('rosters/:roster/ballots')
export class RosterBallotsController {
  constructor(private readonly ballots: BallotService) {}

  @Get()
  list(@Param('roster') roster: string) {
    return this.ballots.list(roster)
  }

  @Post()
  make(@Param('roster') roster: string, @Body() ballot: NewBallot) {
    return this.ballots.make(roster, ballot)
  }
}

/** A question, its file and its answers. */
@ApiTags('ballots')
@Controller('ballots/:id')
export class BallotController {
  constructor(private readonly ballots: BallotService) {}

  @Get()
  of(@Param('id') id: string) {
    return this.ballots.of(id)
  }

  /** The file others open. */
  @Get('ballot.html')
  @FileAnswer('text/html')
  @Header('Content-Type', 'text/html; charset=utf-8')
  async page(@Param('id') id: string, @Res({ passthrough: true }) response: Response) {
    const { html, name } = await this.ballots.page(id)
    response.attachment(name)
    return html
  }

  @Post('answers')
  bringIn(@Param('id') id: string, @Body() { text }: AnswersBody) {
    return this.ballots.bringIn(id, text)
  }

  /** Give the takes voted on the voices of whoever answered by name. */
  @Post('voices')
  @HttpCode(200)
  giveVoices(@Param('id') id: string) {
    return this.ballots.giveVoices(id)
  }

  @Delete('answers/:voter')
  @HttpCode(204)
  takeOff(@Param('id') id: string, @Param('voter') voter: string) {
    return this.ballots.takeOff(id, voter)
  }

  @Delete()
  @HttpCode(204)
  remove(@Param('id') id: string) {
    return this.ballots.remove(id, true)
  }

  /** Put it back as it was. */
  @Put('back')
  @HttpCode(204)
  putBack(@Param('id') id: string) {
    return this.ballots.remove(id, false)
  }
}
