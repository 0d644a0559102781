import { Body, Controller, Param, Put } from '@nestjs/common'
import { ApiTags } from '@nestjs/swagger'
import type { Switches } from '@outfit/core/roster'
import { SaveOutfitRules, SaveRosterRules, type SwitchesDto } from './rulesDto.ts'
import { RulesService } from './rulesService.ts'

/** Switches that were sent; those that were left out stay as they are beneath. */
const sent = (switches: SwitchesDto): Switches =>
  Object.fromEntries(Object.entries(switches).filter(([, value]) => value !== undefined))

@ApiTags('house rules')
@Controller()
export class RulesController {
  constructor(private readonly rules: RulesService) {}

  @Put('rosters/:id/rules')
  ofRoster(@Param('id') id: string, @Body() { version, school, switches }: SaveRosterRules) {
    return this.rules.ofRoster(id, version, school, sent(switches))
  }

  @Put('outfits/:id/rules')
  ofOutfit(@Param('id') id: string, @Body() { version, switches, reason = '' }: SaveOutfitRules) {
    return this.rules.ofOutfit(id, version, sent(switches), reason)
  }
}
