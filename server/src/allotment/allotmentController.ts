import { Body, Controller, HttpCode, Param, Put } from '@nestjs/common'
import { ApiTags } from '@nestjs/swagger'
import { IsArray, IsString } from 'class-validator'
import { PromiseDto } from '../drawer/dto.ts'
import { PromiseService } from './promiseService.ts'

class RosterOrder {
  /** Ids of all rosters, in the order in which their outfits ask the drawer. */
  @IsArray() @IsString({ each: true }) rosters: string[]
}

/** Who comes first, and who has something whoever comes first. */
@ApiTags('allotment')
@Controller()
export class AllotmentController {
  constructor(private readonly promises: PromiseService) {}

  /** Promise so many of a part to an outfit whoever comes first; 0 takes the promise back. */
  @Put('outfits/:id/promises/:part')
  @HttpCode(204)
  promise(@Param('id') id: string, @Param('part') part: string, @Body() { qty }: PromiseDto) {
    return this.promises.promise(id, part, qty)
  }

  @Put('rosters/order')
  @HttpCode(204)
  order(@Body() { rosters }: RosterOrder) {
    return this.promises.order(rosters)
  }
}
