import { Controller, Get, Param } from '@nestjs/common'
import { ApiTags } from '@nestjs/swagger'
import { MineService } from './mineService.ts'
import { UsesService } from './usesService.ts'

/** What a part could do. */
@ApiTags('parts')
@Controller()
export class UsesController {
  constructor(
    private readonly uses: UsesService,
    private readonly mines: MineService,
  ) {}

  /** Outfits that one part would make more like their briefs, drawn and reckoned before and after, best first. */
  @Get('parts/:part/uses')
  of(@Param('part') part: string) {
    return this.uses.of(part)
  }

  /** A release looked through: what its parts, and so many boxes of it, would do for all outfits. */
  @Get('releases/:release/uses')
  mined(@Param('release') release: string) {
    return this.mines.of(release)
  }
}
