import { Module } from '@nestjs/common'
import { CatalogueModule } from '../catalogue/catalogueModule.ts'
import { MarketModule } from '../market/marketModule.ts'
import { DrawerModule } from '../drawer/drawerModule.ts'
import { BriefModule } from '../brief/briefModule.ts'
import { AllotmentModule } from '../allotment/allotmentModule.ts'
import { RosterModule } from '../roster/rosterModule.ts'
import { WorkbenchController } from './workbenchController.ts'
import { WorkbenchService } from './workbenchService.ts'

/** Gathering, building, and what could be built. */
@Module({
  imports: [CatalogueModule, MarketModule, DrawerModule, BriefModule, AllotmentModule, RosterModule],
  controllers: [WorkbenchController],
  providers: [WorkbenchService],
  exports: [WorkbenchService],
})
export class WorkbenchModule {}
