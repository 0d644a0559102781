import { Module } from '@nestjs/common'
import { AllotmentModule } from '../allotment/allotmentModule.ts'
import { CatalogueModule } from '../catalogue/catalogueModule.ts'
import { DrawerModule } from '../drawer/drawerModule.ts'
import { MarketModule } from '../market/marketModule.ts'
import { SourcingModule } from '../sourcing/sourcingModule.ts'
import { ErrandsController, PlanErrandsController } from './errandsController.ts'
import { ErrandService } from './errandService.ts'

/** Lists one takes along. */
@Module({
  imports: [AllotmentModule, CatalogueModule, DrawerModule, MarketModule, SourcingModule],
  controllers: [ErrandsController, PlanErrandsController],
  providers: [ErrandService],
})
export class ErrandsModule {}
