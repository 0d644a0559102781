import { Module } from '@nestjs/common'
import { DrawerModule } from '../drawer/drawerModule.ts'
import { MarketModule } from '../market/marketModule.ts'
import { TablesModule } from '../tables/tablesModule.ts'
import { IntakeController, PiecesController } from './intakeController.ts'
import { IntakeFiles } from './intakeFiles.ts'
import { IntakeService } from './intakeService.ts'
import { ListWriter } from './listWriter.ts'
import { TableOfPrices } from './tableOfPrices.ts'
import { TakeApartService } from './takeApartService.ts'
import { TakenLists } from './takenLists.ts'

/** Lists of a person's own. */
@Module({
  imports: [TablesModule, MarketModule, DrawerModule],
  controllers: [IntakeController, PiecesController],
  providers: [IntakeFiles, IntakeService, ListWriter, TableOfPrices, TakeApartService, TakenLists],
  exports: [IntakeService, TakenLists],
})
export class IntakeModule {}
