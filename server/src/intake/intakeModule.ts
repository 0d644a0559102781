import { Module } from '@nestjs/common'
import { MarketModule } from '../market/marketModule.ts'
import { TablesModule } from '../tables/tablesModule.ts'
import { IntakeController } from './intakeController.ts'
import { IntakeFiles } from './intakeFiles.ts'
import { IntakeService } from './intakeService.ts'
import { ListWriter } from './listWriter.ts'

/** Lists of a person's own. */
@Module({
  imports: [TablesModule, MarketModule],
  controllers: [IntakeController],
  providers: [IntakeFiles, IntakeService, ListWriter],
  exports: [IntakeService],
})
export class IntakeModule {}
