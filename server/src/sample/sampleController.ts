import { Controller, Delete, Get, HttpCode, Post, Req } from '@nestjs/common'
import { ApiTags } from '@nestjs/swagger'
import type { Request } from 'express'
import { fromNetwork } from '../base/network.ts'
import { SampleService } from './sampleService.ts'

@ApiTags('sample')
@Controller('sample-world')
export class SampleController {
  constructor(private readonly sample: SampleService) {}

  /** What there is of it; other devices are offered none, since its line is of this machine. */
  @Get()
  now(@Req() request: Request) {
    const now = this.sample.now()
    return fromNetwork(request) ? { ...now, offered: false } : now
  }

  /** Begin the sample world beside this workspace; it is asked for until it is open. */
  @Post()
  @HttpCode(202)
  open(@Req() request: Request) {
    return this.sample.open(`http://${request.headers.host}`)
  }

  /** Remove it with everything that was done in it; also from within it. */
  @Delete()
  @HttpCode(204)
  remove() {
    return this.sample.remove()
  }
}
