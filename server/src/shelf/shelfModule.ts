import { Module } from '@nestjs/common'
import { CatalogueModule } from '../catalogue/catalogueModule.ts'
import { MarketModule } from '../market/marketModule.ts'
import { BriefModule } from '../brief/briefModule.ts'
import { AllotmentModule } from '../allotment/allotmentModule.ts'
import { RosterModule } from '../roster/rosterModule.ts'
import { FirstStepsService } from './firstStepsService.ts'
import { PinsService } from './pinsService.ts'
import { ReplicableService } from './replicableService.ts'
import { ShelfController } from './shelfController.ts'
import { ShelvesService } from './shelvesService.ts'

/** What a shelf tells of rosters. */
@Module({
  imports: [CatalogueModule, MarketModule, BriefModule, AllotmentModule, RosterModule],
  controllers: [ShelfController],
  providers: [FirstStepsService, PinsService, ReplicableService, ShelvesService],
  exports: [PinsService, ReplicableService, ShelvesService],
})
export class ShelfModule {}
