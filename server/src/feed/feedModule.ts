import { Module } from '@nestjs/common'
import { JobsModule } from '../jobs/jobsModule.ts'
import { TablesModule } from '../tables/tablesModule.ts'
import { MarketModule } from '../market/marketModule.ts'
import { SettingsModule } from '../settings/settingsModule.ts'
import { FeedController } from './feedController.ts'
import { FEED_PROVIDERS } from './feedProviders.ts'
import { MarketClock } from './marketClock.ts'
import { RefreshService } from './refreshService.ts'

/** Asking a market for its lists. */
@Module({
  imports: [JobsModule, SettingsModule, TablesModule, MarketModule],
  controllers: [FeedController],
  providers: [...FEED_PROVIDERS, MarketClock, RefreshService],
  exports: [RefreshService],
})
export class FeedModule {}
