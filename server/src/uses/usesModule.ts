import { Module } from '@nestjs/common'
import { AllotmentModule } from '../allotment/allotmentModule.ts'
import { BriefModule } from '../brief/briefModule.ts'
import { CatalogueModule } from '../catalogue/catalogueModule.ts'
import { ShelfModule } from '../shelf/shelfModule.ts'
import { UsesController } from './usesController.ts'
import { UsesService } from './usesService.ts'

/** What parts could do for outfits. */
@Module({
  imports: [AllotmentModule, BriefModule, CatalogueModule, ShelfModule],
  controllers: [UsesController],
  providers: [UsesService],
})
export class UsesModule {}
