import { Module } from '@nestjs/common'
import { CatalogueModule } from '../catalogue/catalogueModule.ts'
import { MarketModule } from '../market/marketModule.ts'
import { AllotmentModule } from '../allotment/allotmentModule.ts'
import { PriceService } from './priceService.ts'
import { PricesController } from './pricesController.ts'
import { TargetService } from './targetService.ts'

/** Prices over time, and those waited for. */
@Module({
  imports: [CatalogueModule, MarketModule, AllotmentModule],
  controllers: [PricesController],
  providers: [PriceService, TargetService],
  exports: [PriceService, TargetService],
})
export class PricesModule {}
