import { Module } from '@nestjs/common'
import { CatalogueModule } from '../catalogue/catalogueModule.ts'
import { MarketModule } from '../market/marketModule.ts'
import { DrawerModule } from '../drawer/drawerModule.ts'
import { BriefModule } from '../brief/briefModule.ts'
import { AllotmentModule } from '../allotment/allotmentModule.ts'
import { RosterModule } from '../roster/rosterModule.ts'
import { ArmyController } from './armyController.ts'
import { ArmyService } from './armyService.ts'
import { TeamController } from './teamController.ts'
import { TeamService } from './teamService.ts'

/** Casts of whole teams and armies. */
@Module({
  imports: [CatalogueModule, MarketModule, DrawerModule, BriefModule, AllotmentModule, RosterModule],
  controllers: [ArmyController, TeamController],
  providers: [ArmyService, TeamService],
  exports: [ArmyService, TeamService],
})
export class TeamsModule {}
