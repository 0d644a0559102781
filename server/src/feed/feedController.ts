import { Body, Controller, Get, HttpCode, Post } from '@nestjs/common'
import { ApiTags } from '@nestjs/swagger'
import { IsOptional } from 'class-validator'
import { Texts } from '../base/fields.ts'
import type { Refreshed } from '@outfit/core/feed'
import { JobsService } from '../jobs/jobsService.ts'
import { RefreshService } from './refreshService.ts'

export class Refresh {
  /** Codes of the sellers to ask; all unless said otherwise. */
  @IsOptional() @Texts({ most: 10_000 }) sellers?: string[]
}

@ApiTags('market')
@Controller()
export class FeedController {
  constructor(
    private readonly refreshing: RefreshService,
    private readonly jobs: JobsService,
  ) {}

  /** The market that is connected, and what came of asking it last. */
  @Get('market')
  async market() {
    const last = await this.jobs.newest('refresh')
    return { market: this.refreshing.market, last: (last?.result as Refreshed | null) ?? null }
  }

  /** Ask the market for today's lists, as a job. */
  @Post('market/refresh')
  @HttpCode(202)
  refresh(@Body() { sellers }: Refresh) {
    this.refreshing.demandMarket()
    const job = this.jobs.start('refresh', { sellers: sellers ?? null }, (course) =>
      this.refreshing.refresh(sellers ?? null, course),
    )
    return { job }
  }
}
