import { Module } from '@nestjs/common'
import { SettingsModule } from '../settings/settingsModule.ts'
import { CatalogueModule } from '../catalogue/catalogueModule.ts'
import { MarketModule } from '../market/marketModule.ts'
import { DrawerModule } from '../drawer/drawerModule.ts'
import { AllotmentModule } from '../allotment/allotmentModule.ts'
import { SourcingModule } from '../sourcing/sourcingModule.ts'
import { CheckInService } from './checkInService.ts'
import { OrderService } from './orderService.ts'
import { OrderSheet } from './orderSheet.ts'
import { ParcelListService } from './parcelListService.ts'
import { ParcelsController } from './parcelsController.ts'

/** Orders and check-in. */
@Module({
  imports: [SettingsModule, CatalogueModule, MarketModule, DrawerModule, AllotmentModule, SourcingModule],
  controllers: [ParcelsController],
  providers: [CheckInService, OrderService, OrderSheet, ParcelListService],
  exports: [CheckInService, OrderService, OrderSheet, ParcelListService],
})
export class ParcelsModule {}
