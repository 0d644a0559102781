import { Controller, Get, Param } from '@nestjs/common'
import { ApiTags } from '@nestjs/swagger'
import { UsesService } from './usesService.ts'

/** What a part could do. */
@ApiTags('parts')
@Controller()
export class UsesController {
  constructor(private readonly uses: UsesService) {}

  /** Outfits that one part would make more like their briefs, drawn and reckoned before and after, best first. */
  @Get('parts/:part/uses')
  of(@Param('part') part: string) {
    return this.uses.of(part)
  }
}
