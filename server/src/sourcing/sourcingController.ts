import { Body, Controller, Get, Header, HttpCode, Param, Post, Res } from '@nestjs/common'
import { ApiBody, ApiTags } from '@nestjs/swagger'
import { IsBoolean, IsIn, IsNumber, IsObject, IsOptional, Max, Min } from 'class-validator'
import { FilledText, ListOf, One, Texts, Whole } from '../base/fields.ts'
import type { Response } from 'express'
import type { Level } from '@outfit/core/catalogue'
import { BadProblem, STRATEGIES, type BuyingOptions } from '@outfit/core/sourcing'
import { Problem } from '../base/problem.ts'
import { invalid } from '../base/validation.ts'
import { SourcingService } from './sourcingService.ts'
import { WantsService } from './wantsService.ts'

export class Buying implements BuyingOptions {
  @IsOptional() @Whole(0) parcels?: number | null
  /** Days. */
  @IsOptional() @Whole(0) arriveBy?: number | null
  /** Minor units of the home currency. */
  @IsOptional() @Whole(0) budget?: number | null
  @IsOptional() @IsIn(['any', 'new']) condition?: 'any' | 'new'
  @IsOptional() @IsIn([0, 1, 2, 3, 4]) takingApart?: Level
  @IsOptional() @Texts({ most: 1000 }) leftOut?: string[]
  @IsOptional() @Texts({ most: 1000 }) only?: string[]
  /** Per cent of the lowest price that leftovers fetch. */
  @IsOptional() @Whole(0, 100) resale?: number
  @IsOptional() @IsBoolean() secondChoices?: boolean
}

/** Units of a list of parts a plan is made for, all in all. */
const MOST_WANTED = 200_000

/** So many of a part, whoever wears it. */
class WantedPart {
  @FilledText() part: string
  @Whole(1, MOST_WANTED) qty: number
  /** Names of what it is for. */
  @Texts({ most: 1000 }) forWhat: string[]
}

/** What to plan for: a take of an outfit, several outfits, a whole roster, or a list of parts for a roster. */
export class PlanFor {
  @IsOptional() @FilledText() outfit?: string
  /** The chosen take unless another is named. */
  @IsOptional() @FilledText() take?: string
  @IsOptional() @Texts({ least: 1, most: 1000 }) outfits?: string[]
  @IsOptional() @FilledText() roster?: string
  /** All of it is to be bought, for the roster that is named. */
  @IsOptional()
  @ListOf(() => WantedPart, { least: 1, most: 2000 })
  parts?: WantedPart[]
  @IsOptional() @IsNumber() @Min(0.5) @Max(120) seconds?: number
  @IsOptional() @One(() => Buying) options?: Buying
}

class PlanProblem {
  /** A sourcing problem as in docs/formats.md. */
  @IsObject() problem: object
}

export class PlanVariant {
  @IsIn([...STRATEGIES, 'favoured', 'drop', 'without', 'sensitivity']) way:
    | 'fewest'
    | 'one'
    | 'whole'
    | 'favoured'
    | 'drop'
    | 'without'
    | 'sensitivity'
  /** Of sellers that come first. */
  @IsOptional() @Texts({ least: 1, most: 1000 }) sellers?: string[]
  @IsOptional() @FilledText() seller?: string
  @IsOptional() @FilledText() offer?: string
}

@ApiTags('sourcing')
@Controller('plans')
export class SourcingController {
  constructor(
    private readonly sourcing: SourcingService,
    private readonly wants: WantsService,
  ) {}

  @Post()
  @HttpCode(202)
  async plan(@Body() { outfit, take, outfits, roster, parts, seconds, options = {} }: PlanFor) {
    const asked = [outfit, outfits, roster].filter((one) => one !== undefined)
    if (asked.length !== 1)
      throw new Problem(400, 'Name one outfit, several outfits, or a roster. Nothing was planned.', [
        { field: 'outfit', message: 'one of outfit, outfits and roster is needed' },
      ])
    if (parts && !roster)
      throw new Problem(400, 'Name the roster the parts are for. Nothing was planned.', [
        { field: 'roster', message: 'is needed with parts' },
      ])
    if ((parts ?? []).reduce((sum, { qty }) => sum + qty, 0) > MOST_WANTED)
      throw new Problem(400, `A list takes at most ${MOST_WANTED} units in all. Nothing was planned.`, [
        { field: 'parts', message: `must be at most ${MOST_WANTED} units in all` },
      ])
    const wants = parts
      ? await this.wants.ofParts(roster!, parts)
      : outfit
        ? await this.wants.ofTake(outfit, take)
        : await this.wants.ofOutfits(outfits ? { outfits } : { roster: roster! })
    return this.sourcing.plan(wants, { ...options, ...(seconds === undefined ? {} : { seconds }) })
  }

  @Post('problem')
  @HttpCode(202)
  @ApiBody({ type: PlanProblem })
  planProblem(@Body() body: unknown) {
    // Checked by its own reader alone; what checks other bodies would take a copy of all of it first.
    const { problem, ...rest } = body as PlanProblem
    const [strange] = Object.keys(rest)
    if (strange !== undefined) throw invalid([{ field: strange, message: `property ${strange} should not exist` }])
    try {
      return this.sourcing.planProblem(problem)
    } catch (error) {
      if (error instanceof BadProblem) throw new Problem(400, `${error.message}. Nothing was planned.`, error.faults)
      throw error
    }
  }

  @Get(':job')
  report(@Param('job') job: string) {
    return this.sourcing.reportWithParts(job)
  }

  /** Another way to buy what a finished plan buys, a seller or offer left out, or how much dearer its lines may become. */
  @Post(':job/variants')
  @HttpCode(202)
  variant(@Param('job') job: string, @Body() { way, seller = '', offer = '', sellers = [] }: PlanVariant) {
    if (way === 'favoured') return this.sourcing.variant(job, { way, sellers })
    if (way === 'drop') return this.sourcing.variant(job, { way, seller })
    if (way === 'without') return this.sourcing.variant(job, { way, offer })
    return this.sourcing.variant(job, { way })
  }

  @Get(':job/variants/:variant')
  variantReport(@Param('job') job: string, @Param('variant') variant: string) {
    return this.sourcing.variantReport(job, variant)
  }

  @Get(':job/plan.json')
  async planFile(@Param('job') job: string, @Res({ passthrough: true }) response: Response) {
    const { plan, name } = await this.sourcing.report(job)
    response.attachment(`plan ${name ?? ''}.json`.replace(/ +/g, ' '))
    return plan
  }

  @Get(':job/problem.json')
  async problem(@Param('job') job: string, @Res({ passthrough: true }) response: Response) {
    const { problem, name } = await this.sourcing.report(job)
    response.attachment(`sourcing problem ${name ?? ''}.json`)
    return problem
  }

  @Get(':job/shopping.csv')
  @Header('Content-Type', 'text/csv; charset=utf-8')
  async shopping(@Param('job') job: string, @Res({ passthrough: true }) response: Response) {
    const { name } = await this.sourcing.report(job)
    response.attachment(`shopping list ${name ?? ''}.csv`)
    return this.sourcing.shoppingCsv(job)
  }
}
