import { Body, Controller, Delete, Get, HttpCode, Param, Post, Put, Res } from '@nestjs/common'
import { ApiTags } from '@nestjs/swagger'
import type { Response } from 'express'
import { CastAsk, UndoCast, WearCast } from './castDto.ts'
import { CastService } from './castService.ts'
import { CastTakesService } from './castTakesService.ts'

/** Casting a roster: what everybody wears and where it is bought, decided together. */
@ApiTags('casts')
@Controller()
export class CastController {
  constructor(
    private readonly casts: CastService,
    private readonly takes: CastTakesService,
  ) {}

  @Post('rosters/:id/casts')
  @HttpCode(202)
  cast(@Param('id') id: string, @Body() { who, options, seconds }: CastAsk) {
    return this.casts.cast(id, who, options, seconds)
  }

  /** The same as a roster problem, for another program. */
  @Post('rosters/:id/casts/problem')
  @HttpCode(200)
  async problem(
    @Param('id') id: string,
    @Body() { who, options }: CastAsk,
    @Res({ passthrough: true }) response: Response,
    // A format of its own, described in docs/formats.md.
  ): Promise<object> {
    const problem = await this.casts.problem(id, who, options)
    response.attachment('roster problem.json')
    return problem
  }

  @Get('casts/:job')
  report(@Param('job') job: string) {
    return this.casts.report(job)
  }

  /** Whole plans for other values of a point of likeness; the answer is a job, whose report holds them. */
  @Post('casts/:job/curve')
  @HttpCode(202)
  curve(@Param('job') job: string) {
    return this.casts.curve(job)
  }

  @Put('rosters/:id/cast-takes')
  wear(@Param('id') id: string, @Body() { outfits, why }: WearCast) {
    return this.takes.wear(id, outfits, why)
  }

  @Delete('rosters/:id/cast-takes')
  @HttpCode(204)
  undo(@Param('id') id: string, @Body() { takes }: UndoCast) {
    return this.takes.undo(id, takes)
  }
}
