import { Module } from '@nestjs/common'
import { JobsModule } from '../jobs/jobsModule.ts'
import { SettingsModule } from '../settings/settingsModule.ts'
import { TablesModule } from '../tables/tablesModule.ts'
import { ArchiveController } from './archiveController.ts'
import { ArchiveService } from './archiveService.ts'

/** Everything as one file, and back. */
@Module({
  imports: [JobsModule, SettingsModule, TablesModule],
  controllers: [ArchiveController],
  providers: [ArchiveService],
  exports: [ArchiveService],
})
export class ArchiveModule {}
