import { Module } from '@nestjs/common'
import { AllotmentModule } from '../allotment/allotmentModule.ts'
import { BriefModule } from '../brief/briefModule.ts'
import { CatalogueModule } from '../catalogue/catalogueModule.ts'
import { DrawerModule } from '../drawer/drawerModule.ts'
import { JobsModule } from '../jobs/jobsModule.ts'
import { MarketModule } from '../market/marketModule.ts'
import { RosterModule } from '../roster/rosterModule.ts'
import { SourcingModule } from '../sourcing/sourcingModule.ts'
import { CastController } from './castController.ts'
import { CastService } from './castService.ts'
import { CastTakesService } from './castTakesService.ts'

/** Who wears what and where it is bought, decided together. */
@Module({
  imports: [
    JobsModule,
    CatalogueModule,
    MarketModule,
    DrawerModule,
    BriefModule,
    AllotmentModule,
    RosterModule,
    SourcingModule,
  ],
  controllers: [CastController],
  providers: [CastService, CastTakesService],
})
export class WardrobeModule {}
