import { Module } from '@nestjs/common'
import { SampleController } from './sampleController.ts'
import { SampleService } from './sampleService.ts'

/** The sample world that stands beside a workspace. */
@Module({ controllers: [SampleController], providers: [SampleService] })
export class SampleModule {}
