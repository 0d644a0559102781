import { Body, Controller, Get, Param, Post, Put } from '@nestjs/common'
import { ApiTags } from '@nestjs/swagger'
import { RostersFile, SavePlacements } from './dto.ts'
import { RosterService } from './rosterService.ts'

@ApiTags('rosters')
@Controller()
export class RosterController {
  constructor(private readonly rosters: RosterService) {}

  @Get('rosters')
  shelves() {
    return this.rosters.shelves()
  }

  @Post('rosters/import')
  importRosters(@Body() file: RostersFile) {
    return this.rosters.importRosters(file)
  }

  @Get('outfits/:id')
  outfit(@Param('id') id: string) {
    return this.rosters.outfit(id)
  }

  @Put('outfits/:id/takes/:take')
  savePlacements(
    @Param('id') id: string,
    @Param('take') take: string,
    @Body() { version, placements }: SavePlacements,
  ) {
    return this.rosters.savePlacements(id, take, version, placements)
  }
}
