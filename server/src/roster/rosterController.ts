import { Body, Controller, Delete, Get, HttpCode, Param, Post, Put } from '@nestjs/common'
import { ApiBody, ApiTags } from '@nestjs/swagger'
import { RostersFile, SavePlacements } from './dto.ts'
import { ImportRosters } from './importRosters.ts'
import { readRosters } from './readRosters.ts'
import {
  AddCharacters,
  AnotherOutfit,
  ArrangeOutfits,
  ChangeOutfits,
  ChangeRoster,
  MoveOver,
  NewRoster,
  SomeOutfits,
} from './planningDto.ts'
import { PlanningService } from './planningService.ts'
import { RemovedService } from './removedService.ts'
import { RosterService } from './rosterService.ts'

@ApiTags('rosters')
@Controller()
export class RosterController {
  constructor(
    private readonly rosters: RosterService,
    private readonly planning: PlanningService,
    private readonly removed: RemovedService,
    private readonly imports: ImportRosters,
  ) {}

  @Post('rosters')
  begin(@Body() roster: NewRoster) {
    return this.planning.begin(roster)
  }

  @Put('rosters/:id')
  change(@Param('id') id: string, @Body() change: ChangeRoster) {
    return this.planning.changeRoster(id, change)
  }

  /** Take a roster down; `POST /removed/:id` puts it back. */
  @Delete('rosters/:id')
  takeDown(@Param('id') id: string) {
    return this.removed.roster(id)
  }

  @Post('rosters/:id/characters')
  addCharacters(@Param('id') id: string, @Body() { version, characters }: AddCharacters) {
    return this.planning.add(id, version, characters)
  }

  @Post('rosters/:id/outfits')
  anotherOutfit(@Param('id') id: string, @Body() outfit: AnotherOutfit) {
    return this.planning.another(id, outfit)
  }

  @Put('rosters/:id/outfits')
  changeOutfits(@Param('id') id: string, @Body() { outfits }: ChangeOutfits) {
    return this.planning.change(id, outfits)
  }

  /** Take outfits off a roster; `POST /removed/:id` puts them back. */
  @Delete('rosters/:id/outfits')
  removeOutfits(@Param('id') id: string, @Body() { outfits }: SomeOutfits) {
    return this.removed.outfits(id, outfits)
  }

  @Put('rosters/:id/order')
  @HttpCode(204)
  arrange(@Param('id') id: string, @Body() { moves }: ArrangeOutfits) {
    return this.planning.arrange(id, moves)
  }

  @Post('rosters/:id/moved')
  @HttpCode(204)
  moveOver(@Param('id') id: string, @Body() { outfits, to }: MoveOver) {
    return this.planning.moveOver(id, outfits, to)
  }

  @Get('removed')
  listRemoved() {
    return this.removed.list()
  }

  @Post('removed/:id')
  putBack(@Param('id') id: string) {
    return this.removed.putBack(id)
  }

  @Post('rosters/import')
  @ApiBody({ type: RostersFile })
  async importRosters(@Body() file: unknown) {
    return this.imports.import(await readRosters(file))
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
