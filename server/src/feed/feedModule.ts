import { Inject, Injectable, type OnModuleDestroy, type Provider } from '@nestjs/common'
import { SETTINGS, type Settings } from '../app/settings.ts'
import { HttpFeed } from './httpFeed.ts'
import { MarketFeed, NoFeed } from './marketFeed.ts'
import { readStandIn, StandInMarket } from './standInMarket.ts'

/** The made-up market, as long as the application runs; `market` is null where another or none is connected. */
@Injectable()
export class StandIn implements OnModuleDestroy {
  readonly market: StandInMarket | null

  constructor(@Inject(SETTINGS) settings: Settings) {
    const world = settings.market !== null && !isAddress(settings.market) ? readStandIn(settings.market) : null
    this.market = world && new StandInMarket(world, () => new Date().toISOString().slice(0, 10))
  }

  onModuleDestroy(): void {
    this.market?.stop()
  }
}

const isAddress = (market: string) => /^https?:\/\//.test(market)

/** The market the settings name: an address, a folder with a made-up one, or none. */
export const FEED_PROVIDERS: Provider[] = [
  StandIn,
  {
    provide: MarketFeed,
    inject: [SETTINGS, StandIn],
    useFactory: ({ market }: Settings, { market: standIn }: StandIn): MarketFeed => {
      if (standIn) return new HttpFeed('the stand-in market', () => standIn.url())
      if (market === null || !isAddress(market)) return new NoFeed()
      const base = market.replace(/\/+$/, '')
      return new HttpFeed(new URL(base).host, () => Promise.resolve(base))
    },
  },
]
