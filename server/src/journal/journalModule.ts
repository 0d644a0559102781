import { Module } from '@nestjs/common'
import { DrawerModule } from '../drawer/drawerModule.ts'
import { IntakeModule } from '../intake/intakeModule.ts'
import { SettingsModule } from '../settings/settingsModule.ts'
import { TablesModule } from '../tables/tablesModule.ts'
import { JournalController } from './journalController.ts'
import { JournalService } from './journalService.ts'

/** What was done, and its taking back, from one place. */
@Module({
  imports: [TablesModule, SettingsModule, DrawerModule, IntakeModule],
  controllers: [JournalController],
  providers: [JournalService],
})
export class JournalModule {}
