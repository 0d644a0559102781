import { Module } from '@nestjs/common'
import { MarketModule } from '../market/marketModule.ts'
import { DrawerModule } from '../drawer/drawerModule.ts'
import { PromiseService } from './promiseService.ts'
import { SharesService } from './sharesService.ts'

/** Who gets which owned part. */
@Module({
  imports: [MarketModule, DrawerModule],
  providers: [PromiseService, SharesService],
  exports: [PromiseService, SharesService],
})
export class AllotmentModule {}
