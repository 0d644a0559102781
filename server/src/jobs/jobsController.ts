import { Controller, Delete, Get, HttpCode, Param, Post, Sse, type MessageEvent } from '@nestjs/common'
import { ApiTags } from '@nestjs/swagger'
import { map, type Observable } from 'rxjs'
import { JobsService } from './jobsService.ts'

@ApiTags('jobs')
@Controller('jobs')
export class JobsController {
  constructor(private readonly jobs: JobsService) {}

  @Get(':id')
  get(@Param('id') id: string) {
    return this.jobs.get(id)
  }

  /** Progress as server-sent events; the last one carries the final state. */
  @Sse(':id/events')
  async events(@Param('id') id: string): Promise<Observable<MessageEvent>> {
    return (await this.jobs.events(id)).pipe(map((event) => ({ data: event })))
  }

  /** The best found so far will do. */
  @Post(':id/enough')
  @HttpCode(204)
  enough(@Param('id') id: string) {
    return this.jobs.enough(id)
  }

  @Delete(':id')
  @HttpCode(204)
  cancel(@Param('id') id: string) {
    return this.jobs.cancel(id)
  }
}
