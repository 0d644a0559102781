import { Module } from '@nestjs/common'
import { TablesModule } from '../tables/tablesModule.ts'
import { BrowseController } from './browseController.ts'
import { CarriersService } from './carriersService.ts'
import { CatalogueController } from './catalogueController.ts'
import { CatalogueService } from './catalogueService.ts'
import { EDIT_CONTROLLERS } from './editController.ts'
import { EditService } from './editService.ts'
import { PhotoService } from './photoService.ts'
import { WishService } from './wishService.ts'

/** What was ever made: entries, photos, wishes. */
@Module({
  imports: [TablesModule],
  controllers: [BrowseController, CatalogueController, ...EDIT_CONTROLLERS],
  providers: [CarriersService, CatalogueService, EditService, PhotoService, WishService],
  exports: [CarriersService, CatalogueService, EditService, PhotoService, WishService],
})
export class CatalogueModule {}
