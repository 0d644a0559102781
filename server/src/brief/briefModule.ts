import { Module } from '@nestjs/common'
import { CatalogueModule } from '../catalogue/catalogueModule.ts'
import { BriefController } from './briefController.ts'
import { BriefService } from './briefService.ts'

/** What a character must show. */
@Module({
  imports: [CatalogueModule],
  controllers: [BriefController],
  providers: [BriefService],
  exports: [BriefService],
})
export class BriefModule {}
