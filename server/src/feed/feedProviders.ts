import { Inject, Injectable, type OnModuleDestroy, type Provider } from '@nestjs/common'
import { today } from '../base/today.ts'
import { SETTINGS, type Settings } from '../base/settings.ts'
import { HttpFeed } from './httpFeed.ts'
import { MarketFeed, NoFeed } from './marketFeed.ts'
import { hasStandIn, readStandIn, StandInMarket } from './standInMarket.ts'

const isAddress = (market: string) => /^https?:\/\//.test(market)

/** The made-up market of the settings, if they name one; read and started when it is first asked. */
@Injectable()
class StandIn implements OnModuleDestroy {
  /** Its folder. */
  readonly folder: string | null
  private market: StandInMarket | null = null

  constructor(@Inject(SETTINGS) { market }: Settings) {
    this.folder = market !== null && !isAddress(market) && hasStandIn(market) ? market : null
  }

  url(): Promise<string> {
    this.market ??= new StandInMarket(readStandIn(this.folder!)!, today)
    return this.market.url()
  }

  onModuleDestroy(): void {
    this.market?.stop()
  }
}

/** The market the settings name: an address, a folder with a made-up one, or none. */
export const FEED_PROVIDERS: Provider[] = [
  StandIn,
  {
    provide: MarketFeed,
    inject: [SETTINGS, StandIn],
    useFactory: ({ market }: Settings, standIn: StandIn): MarketFeed => {
      if (standIn.folder !== null) return new HttpFeed('the stand-in market', () => standIn.url())
      if (market === null || !isAddress(market)) return new NoFeed()
      const base = market.replace(/\/+$/, '')
      return new HttpFeed(new URL(base).host, () => Promise.resolve(base))
    },
  },
]
