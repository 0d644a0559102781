import { Controller, Get, Header, Param, Query, Req, StreamableFile } from '@nestjs/common'
import { ApiTags } from '@nestjs/swagger'
import { IsOptional, IsString } from 'class-validator'
import type { Request } from 'express'
import { Separated } from '../base/fields.ts'
import { LabelService } from '../drawer/labelService.ts'
import { WorkbenchService } from './workbenchService.ts'

class OfRoster {
  @IsOptional() @IsString() roster?: string
}

class OfRosters {
  /** Ids; all rosters without. */
  @IsOptional() @Separated() rosters?: string[]
}

class OfBins {
  /** Codes; all bins of loose parts and donors without. */
  @IsOptional() @Separated() bins?: string[]
}

const some = (list: string[] = []) => (list.length > 0 ? list : null)

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

  @Get('drawer/buildable')
  buildable(@Query() { rosters }: OfRosters) {
    return this.workbench.buildable(some(rosters))
  }

  @Get('drawer/allotment')
  allotment(@Query() { rosters }: OfRosters) {
    return this.workbench.allotment(some(rosters))
  }

  @Get('drawer/leftovers')
  leftovers(@Query() { roster }: OfRoster) {
    return this.workbench.leftovers(roster ?? null)
  }

  @Get('drawer/labels.pdf')
  @Header('Content-Type', 'application/pdf')
  async sheet(@Req() request: Request, @Query() { bins = [] }: OfBins) {
    const pdf = await this.labels.pdf(bins, `${request.protocol}://${request.headers.host ?? 'localhost'}`)
    return new StreamableFile(pdf, { disposition: 'inline; filename="bin-labels.pdf"' })
  }
}
