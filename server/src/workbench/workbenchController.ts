import { Controller, Get, Header, Param, Query, Req, StreamableFile } from '@nestjs/common'
import { ApiTags } from '@nestjs/swagger'
import { IsOptional, IsString } from 'class-validator'
import type { Request } from 'express'
import { LabelService } from '../drawer/labelService.ts'
import { WorkbenchService } from './workbenchService.ts'

class OfRoster {
  @IsOptional() @IsString() roster?: string
}

const listed = (text: string | undefined): string[] | null => {
  const list = (text ?? '').split(',').filter(Boolean)
  return list.length > 0 ? list : null
}

/** Building: what can be, how it is done, and what is left. */
@ApiTags('workbench')
@Controller()
export class WorkbenchController {
  constructor(
    private readonly workbench: WorkbenchService,
    private readonly labels: LabelService,
  ) {}

  @Get('outfits/:id/workbench')
  plan(@Param('id') id: string) {
    return this.workbench.plan(id)
  }

  /** `rosters`: ids separated by commas; none for all. */
  @Get('drawer/buildable')
  buildable(@Query('rosters') rosters?: string) {
    return this.workbench.buildable(listed(rosters))
  }

  @Get('drawer/allotment')
  allotment(@Query('rosters') rosters?: string) {
    return this.workbench.allotment(listed(rosters))
  }

  @Get('drawer/leftovers')
  leftovers(@Query() { roster }: OfRoster) {
    return this.workbench.leftovers(roster ?? null)
  }

  @Get('drawer/labels.pdf')
  @Header('Content-Type', 'application/pdf')
  async sheet(@Req() request: Request, @Query('bins') bins?: string) {
    const pdf = await this.labels.pdf(
      listed(bins) ?? [],
      `${request.protocol}://${request.headers.host ?? 'localhost'}`,
    )
    return new StreamableFile(pdf, { disposition: 'inline; filename="bin-labels.pdf"' })
  }
}
