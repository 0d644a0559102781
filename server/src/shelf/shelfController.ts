import { Controller, Get, Param } from '@nestjs/common'
import { ApiTags } from '@nestjs/swagger'
import { notFound } from '../base/problem.ts'
import { FirstStepsService } from './firstStepsService.ts'
import { ReplicableService } from './replicableService.ts'
import { ShelvesService } from './shelvesService.ts'

/** Rosters as shelves of outfits, and what a shelf tells of them. */
@ApiTags('rosters')
@Controller()
export class ShelfController {
  constructor(
    private readonly shelves: ShelvesService,
    private readonly replicable: ReplicableService,
    private readonly firstSteps: FirstStepsService,
  ) {}

  @Get('rosters')
  all() {
    return this.shelves.all()
  }

  /** What was done of the first things anybody does in a new workspace. */
  @Get('first-steps')
  steps() {
    return this.firstSteps.now()
  }

  /** How far one outfit is, without all the others: what its steps ask after every change. */
  @Get('outfits/:outfit/on-shelf')
  async one(@Param('outfit') outfit: string) {
    const found = await this.shelves.one(outfit)
    if (!found) throw notFound('outfit', outfit)
    return found
  }

  /** How easily somebody else gets what a take wears. */
  @Get('outfits/:outfit/takes/:take/replicable')
  replicability(@Param('outfit') outfit: string, @Param('take') take: string) {
    return this.replicable.of(outfit, take)
  }
}
