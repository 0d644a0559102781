import { Module } from '@nestjs/common'
import { TablesModule } from '../tables/tablesModule.ts'
import { SettingsModule } from '../settings/settingsModule.ts'
import { CatalogueModule } from '../catalogue/catalogueModule.ts'
import { MarketModule } from '../market/marketModule.ts'
import { ActService } from './actService.ts'
import { BinService } from './binService.ts'
import { DrawerController } from './drawerController.ts'
import { DrawerService } from './drawerService.ts'
import { PiecesService } from './piecesService.ts'
import { LabelService } from './labelService.ts'
import { RemarkService } from './remarkService.ts'

/** Owned parts as movements between bins. */
@Module({
  imports: [SettingsModule, TablesModule, CatalogueModule, MarketModule],
  controllers: [DrawerController],
  providers: [ActService, BinService, DrawerService, LabelService, PiecesService, RemarkService],
  exports: [ActService, BinService, DrawerService, LabelService, RemarkService],
})
export class DrawerModule {}
