import { Module } from '@nestjs/common'
import { JobsModule } from '../jobs/jobsModule.ts'
import { ExportService } from './exportService.ts'
import { ImportController } from './importController.ts'
import { ImportService } from './importService.ts'
import { MappingService } from './mappingService.ts'
import { TableFollowers } from './tableFollowers.ts'
import { UploadsService } from './uploadsService.ts'

/** Files in and out. */
@Module({
  imports: [JobsModule],
  controllers: [ImportController],
  providers: [ExportService, ImportService, MappingService, TableFollowers, UploadsService],
  exports: [ExportService, ImportService, MappingService, TableFollowers, UploadsService],
})
export class TablesModule {}
