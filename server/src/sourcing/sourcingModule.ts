import { Module } from '@nestjs/common'
import { JobsModule } from '../jobs/jobsModule.ts'
import { CatalogueModule } from '../catalogue/catalogueModule.ts'
import { MarketModule } from '../market/marketModule.ts'
import { AllotmentModule } from '../allotment/allotmentModule.ts'
import { RosterModule } from '../roster/rosterModule.ts'
import { PlanRunner, runnerIn } from './planRunner.ts'
import { SourcingController } from './sourcingController.ts'
import { SourcingService } from './sourcingService.ts'
import { WantsService } from './wantsService.ts'

/** What to buy where. */
@Module({
  imports: [JobsModule, CatalogueModule, MarketModule, AllotmentModule, RosterModule],
  controllers: [SourcingController],
  providers: [runnerIn, SourcingService, WantsService],
  exports: [PlanRunner, SourcingService, WantsService],
})
export class SourcingModule {}
