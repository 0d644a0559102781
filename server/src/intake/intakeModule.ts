import { Module } from '@nestjs/common'
import { DrawerModule } from '../drawer/drawerModule.ts'
import { MarketModule } from '../market/marketModule.ts'
import { TablesModule } from '../tables/tablesModule.ts'
import { IntakeController } from './intakeController.ts'
import { IntakeFiles } from './intakeFiles.ts'
import { IntakeService } from './intakeService.ts'
import { ListWriter } from './listWriter.ts'
import { TakenLists } from './takenLists.ts'

/** Lists of a person's own. */
@Module({
  imports: [TablesModule, MarketModule, DrawerModule],
  controllers: [IntakeController],
  providers: [IntakeFiles, IntakeService, ListWriter, TakenLists],
  exports: [IntakeService],
})
export class IntakeModule {}
