import { Module } from '@nestjs/common'
import { JobsController } from './jobsController.ts'
import { JobsService } from './jobsService.ts'

/** Long work with progress and cancel. */
@Module({
  controllers: [JobsController],
  providers: [JobsService],
  exports: [JobsService],
})
export class JobsModule {}
