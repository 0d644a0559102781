import { Module } from '@nestjs/common'
import { CatalogueModule } from '../catalogue/catalogueModule.ts'
import { AllotmentModule } from '../allotment/allotmentModule.ts'
import { RosterModule } from '../roster/rosterModule.ts'
import { CardService } from './cardService.ts'
import { ComparedService } from './comparedService.ts'
import { LineUpController } from './lineUpController.ts'
import { LineUpService } from './lineUpService.ts'
import { PictureService } from './pictureService.ts'
import { ShowController } from './showController.ts'

/** Cards, comparisons and line-ups. */
@Module({
  imports: [CatalogueModule, AllotmentModule, RosterModule],
  controllers: [LineUpController, ShowController],
  providers: [CardService, ComparedService, LineUpService, PictureService],
  exports: [CardService, ComparedService, LineUpService, PictureService],
})
export class ShowModule {}
