import { Module } from '@nestjs/common'
import { TablesModule } from '../tables/tablesModule.ts'
import { SettingsController } from './settingsController.ts'
import { SettingsService } from './settingsService.ts'

/** What a workspace has otherwise than usual. */
@Module({
  imports: [TablesModule],
  controllers: [SettingsController],
  providers: [SettingsService],
  exports: [SettingsService],
})
export class SettingsModule {}
