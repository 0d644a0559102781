import { Body, Controller, Get, Param, Post, Query } from '@nestjs/common'
import { ApiTags } from '@nestjs/swagger'
import { Type } from 'class-transformer'
import { Whole } from '../base/fields.ts'
import { ArmyService } from './armyService.ts'

class ArmyQuery {
  /** How many in all, the outfit itself among them. */
  @Type(() => Number) @Whole(2, 200) count: number
  /** At most so many of one face. */
  @Type(() => Number) @Whole(1, 200) alike: number
}

/** Many figures made of one outfit. */
@ApiTags('teams')
@Controller()
export class ArmyController {
  constructor(private readonly armies: ArmyService) {}

  @Get('outfits/:id/army')
  army(@Param('id') id: string, @Query() { count, alike }: ArmyQuery) {
    return this.armies.preview(id, count, alike)
  }

  @Post('outfits/:id/army')
  makeArmy(@Param('id') id: string, @Body() { count, alike }: ArmyQuery) {
    return this.armies.make(id, count, alike)
  }
}
