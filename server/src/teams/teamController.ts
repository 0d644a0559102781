import { Body, Controller, Delete, Get, HttpCode, Param, Post, Put, Query } from '@nestjs/common'
import { ApiTags } from '@nestjs/swagger'
import { IsOptional } from 'class-validator'
import { Separated } from '../base/fields.ts'
import { today } from '../base/today.ts'
import {
  JoinUniforms,
  NewUniform,
  Preference,
  SaveHeads,
  SaveUniform,
  ShownAs,
  WearHeads,
} from '../roster/planningDto.ts'
import { RemovedService } from '../roster/removedService.ts'
import { StandService } from '../roster/standService.ts'
import { TeamService } from './teamService.ts'
import { UniformService } from '../roster/uniformService.ts'

class MembersQuery {
  /** Ids of the outfits that give back heads and headgear. */
  @IsOptional() @Separated() cast?: string[]
}

/** What is shared by or decided for several outfits of a roster, and whether they stand built. */
@ApiTags('rosters')
@Controller()
export class TeamController {
  constructor(
    private readonly team: TeamService,
    private readonly uniforms: UniformService,
    private readonly removed: RemovedService,
    private readonly stands: StandService,
  ) {}

  @Get('rosters/:id/members')
  members(@Param('id') id: string, @Query() { cast = [] }: MembersQuery) {
    return this.team.members(id, cast)
  }

  @Get('rosters/:id/bases')
  bases(@Param('id') id: string) {
    return this.team.bases(id)
  }

  @Post('rosters/:id/uniforms')
  makeUniform(@Param('id') id: string, @Body() { name, placements }: NewUniform) {
    return this.uniforms.make(id, name, placements)
  }

  @Put('uniforms/:id')
  saveUniform(@Param('id') id: string, @Body() { version, placements, restore }: SaveUniform) {
    return this.uniforms.save(id, version, placements, restore)
  }

  /** Outfits keep what they wear; `POST /removed/:id` puts the uniform back. */
  @Delete('uniforms/:id')
  removeUniform(@Param('id') id: string) {
    return this.removed.uniform(id)
  }

  @Put('rosters/:id/uniformed')
  join(@Param('id') id: string, @Body() { outfits, dressed }: JoinUniforms) {
    return this.uniforms.join(id, outfits, dressed)
  }

  @Put('characters/:id/heads')
  @HttpCode(204)
  saveHeads(@Param('id') id: string, @Body() heads: SaveHeads) {
    return this.team.saveHeads(id, heads)
  }

  @Put('rosters/:id/heads')
  wearHeads(@Param('id') id: string, @Body() { outfits }: WearHeads) {
    return this.team.wearHeads(id, outfits)
  }

  @Get('rosters/:id/preferences')
  preferences(@Param('id') id: string) {
    return this.team.preferences(id)
  }

  @Post('rosters/:id/preferences')
  @HttpCode(204)
  prefer(@Param('id') id: string, @Body() { better, worse }: Preference) {
    return this.team.prefer(id, better, worse)
  }

  @Delete('rosters/:id/preferences')
  @HttpCode(204)
  forget(@Param('id') id: string, @Body() { better, worse }: Preference) {
    return this.team.forgetPreference(id, better, worse)
  }

  @Post('outfits/:id/built')
  build(@Param('id') id: string) {
    return this.stands.build(id, today())
  }

  @Delete('outfits/:id/built')
  takeApart(@Param('id') id: string) {
    return this.stands.takeApart(id, today())
  }

  @Post('shown')
  @HttpCode(204)
  shown(@Body() { outfits, how }: ShownAs) {
    return this.team.shown(outfits, how)
  }
}
