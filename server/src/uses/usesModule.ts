import { Module } from '@nestjs/common'
import { AllotmentModule } from '../allotment/allotmentModule.ts'
import { BriefModule } from '../brief/briefModule.ts'
import { CatalogueModule } from '../catalogue/catalogueModule.ts'
import { DrawerModule } from '../drawer/drawerModule.ts'
import { MarketModule } from '../market/marketModule.ts'
import { SettingsModule } from '../settings/settingsModule.ts'
import { SourcingModule } from '../sourcing/sourcingModule.ts'
import { ShelfModule } from '../shelf/shelfModule.ts'
import { ExchangeService } from './exchangeService.ts'
import { MineService } from './mineService.ts'
import { NewFiguresService } from './newFiguresService.ts'
import { RefillService } from './refillService.ts'
import { UsesController } from './usesController.ts'
import { UsesService } from './usesService.ts'

/** What parts could do for outfits. */
@Module({
  imports: [
    AllotmentModule,
    BriefModule,
    CatalogueModule,
    DrawerModule,
    MarketModule,
    SettingsModule,
    ShelfModule,
    SourcingModule,
  ],
  controllers: [UsesController],
  providers: [ExchangeService, MineService, NewFiguresService, RefillService, UsesService],
})
export class UsesModule {}
