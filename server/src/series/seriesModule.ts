import { Module } from '@nestjs/common'
import { AllotmentModule } from '../allotment/allotmentModule.ts'
import { CatalogueModule } from '../catalogue/catalogueModule.ts'
import { DrawerModule } from '../drawer/drawerModule.ts'
import { RosterModule } from '../roster/rosterModule.ts'
import { SettingsModule } from '../settings/settingsModule.ts'
import { ShowModule } from '../show/showModule.ts'
import { SeriesController } from './seriesController.ts'
import { SeriesFiles } from './seriesFiles.ts'
import { SeriesService } from './seriesService.ts'

/** Rosters as numbered series: leaflets, cartons, blind packs. */
@Module({
  imports: [AllotmentModule, CatalogueModule, DrawerModule, RosterModule, SettingsModule, ShowModule],
  controllers: [SeriesController],
  providers: [SeriesFiles, SeriesService],
})
export class SeriesModule {}
