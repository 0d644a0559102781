import { Module } from '@nestjs/common'
import { TablesModule } from '../tables/tablesModule.ts'
import { CatalogueModule } from '../catalogue/catalogueModule.ts'
import { MarketModule } from '../market/marketModule.ts'
import { DrawerModule } from '../drawer/drawerModule.ts'
import { IntakeModule } from '../intake/intakeModule.ts'
import { FinderController } from './finderController.ts'
import { FinderService } from './finderService.ts'
import { PartPageController } from './partPageController.ts'
import { PricedService } from './pricedService.ts'

/** Finding parts, and the page of each. */
@Module({
  imports: [TablesModule, CatalogueModule, MarketModule, DrawerModule, IntakeModule],
  controllers: [FinderController, PartPageController],
  providers: [FinderService, PricedService],
  exports: [FinderService, PricedService],
})
export class PartsModule {}
