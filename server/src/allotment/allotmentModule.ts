import { Module } from '@nestjs/common'
import { MarketModule } from '../market/marketModule.ts'
import { DrawerModule } from '../drawer/drawerModule.ts'
import { AllotmentController } from './allotmentController.ts'
import { PromiseService } from './promiseService.ts'
import { SharesService } from './sharesService.ts'

/** Who gets which owned part. */
@Module({
  imports: [MarketModule, DrawerModule],
  controllers: [AllotmentController],
  providers: [PromiseService, SharesService],
  exports: [PromiseService, SharesService],
})
export class AllotmentModule {}
