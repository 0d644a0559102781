import { Body, Controller, Get, Header, HttpCode, Param, Post, Res } from '@nestjs/common'
import { ApiTags } from '@nestjs/swagger'
import { IsNotEmpty, IsNumber, IsObject, IsOptional, IsString, Max, Min } from 'class-validator'
import type { Response } from 'express'
import { BadProblem } from '@outfit/core/sourcing'
import { Problem } from '../app/problem.ts'
import { SourcingService } from './sourcingService.ts'

export class PlanTake {
  @IsString() @IsNotEmpty() outfit: string
  /** The chosen take unless another is named. */
  @IsOptional() @IsString() @IsNotEmpty() take?: string
  @IsOptional() @IsNumber() @Min(0.5) @Max(120) seconds?: number
}

export class PlanProblem {
  /** A sourcing problem as in docs/formats.md. */
  @IsObject() problem: object
}

@ApiTags('sourcing')
@Controller('plans')
export class SourcingController {
  constructor(private readonly sourcing: SourcingService) {}

  @Post()
  @HttpCode(202)
  planTake(@Body() { outfit, take, seconds }: PlanTake) {
    return this.sourcing.planTake(outfit, take, seconds)
  }

  @Post('problem')
  @HttpCode(202)
  planProblem(@Body() { problem }: PlanProblem) {
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

  @Get(':job/plan.json')
  async plan(@Param('job') job: string, @Res({ passthrough: true }) response: Response) {
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
