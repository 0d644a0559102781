import { Module } from '@nestjs/common'
import { CatalogueModule } from '../catalogue/catalogueModule.ts'
import { AllotmentModule } from '../allotment/allotmentModule.ts'
import { DrawerModule } from '../drawer/drawerModule.ts'
import { TablesModule } from '../tables/tablesModule.ts'
import { MarketModule } from '../market/marketModule.ts'
import { RosterModule } from '../roster/rosterModule.ts'
import { CardService } from './cardService.ts'
import { CutPhotoService } from './cutPhotoService.ts'
import { ComparedService } from './comparedService.ts'
import { LineUpController } from './lineUpController.ts'
import { LineUpService } from './lineUpService.ts'
import { PartsToldService } from './partsTold.ts'
import { PictureService } from './pictureService.ts'
import { RecipeController } from './recipeController.ts'
import { RecipeService } from './recipeService.ts'
import { SettingsModule } from '../settings/settingsModule.ts'
import { SheetController } from './sheetController.ts'
import { SheetService } from './sheetService.ts'
import { ShowController } from './showController.ts'

/** What is made to be shown: cards, sheets, pages, recipes, comparisons and line-ups. */
@Module({
  imports: [SettingsModule, TablesModule, CatalogueModule, AllotmentModule, DrawerModule, MarketModule, RosterModule],
  controllers: [LineUpController, RecipeController, SheetController, ShowController],
  providers: [
    CardService,
    CutPhotoService,
    ComparedService,
    LineUpService,
    PartsToldService,
    PictureService,
    RecipeService,
    SheetService,
  ],
  exports: [PictureService],
})
export class ShowModule {}
