import { Module } from '@nestjs/common'
import { AllotmentModule } from '../allotment/allotmentModule.ts'
import { CatalogueModule } from '../catalogue/catalogueModule.ts'
import { RosterModule } from '../roster/rosterModule.ts'
import { ShowModule } from '../show/showModule.ts'
import { BallotController, RosterBallotsController } from './ballotController.ts'
import { BallotService } from './ballotService.ts'

/** Questions put to others, and their answers. */
@Module({
  imports: [AllotmentModule, CatalogueModule, RosterModule, ShowModule],
  controllers: [BallotController, RosterBallotsController],
  providers: [BallotService],
})
export class BallotModule {}
