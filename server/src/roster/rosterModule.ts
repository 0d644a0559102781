import { Module } from '@nestjs/common'
import { SettingsModule } from '../settings/settingsModule.ts'
import { CatalogueModule } from '../catalogue/catalogueModule.ts'
import { MarketModule } from '../market/marketModule.ts'
import { DrawerModule } from '../drawer/drawerModule.ts'
import { BriefModule } from '../brief/briefModule.ts'
import { AllotmentModule } from '../allotment/allotmentModule.ts'
import { LaterModule } from '../later/laterModule.ts'
import { MadeModule } from '../made/madeModule.ts'
import { ImportRosters } from './importRosters.ts'
import { PlanningService } from './planningService.ts'
import { RemovedService } from './removedService.ts'
import { RosterController } from './rosterController.ts'
import { RosterService } from './rosterService.ts'
import { RulesController } from './rulesController.ts'
import { RulesService } from './rulesService.ts'
import { StandService } from './standService.ts'
import { TakeController } from './takeController.ts'
import { TakeService } from './takeService.ts'
import { UniformService } from './uniformService.ts'

/** Rosters, outfits, takes, rules and uniforms as data. */
@Module({
  imports: [
    SettingsModule,
    CatalogueModule,
    MarketModule,
    DrawerModule,
    BriefModule,
    AllotmentModule,
    LaterModule,
    MadeModule,
  ],
  controllers: [RosterController, RulesController, TakeController],
  providers: [
    ImportRosters,
    PlanningService,
    RemovedService,
    RosterService,
    RulesService,
    StandService,
    TakeService,
    UniformService,
  ],
  exports: [
    ImportRosters,
    PlanningService,
    RemovedService,
    RosterService,
    RulesService,
    StandService,
    TakeService,
    UniformService,
  ],
})
export class RosterModule {}
