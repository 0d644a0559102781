import { Inject, Injectable, type OnModuleDestroy, type Provider } from '@nestjs/common'
import { today } from '../base/today.ts'
import { SETTINGS, type Settings } from '../base/settings.ts'
import { SettingsService } from '../settings/settingsService.ts'
import { HttpFeed } from './httpFeed.ts'
import { MarketFeed, NoFeed, type FeedPage } from './marketFeed.ts'
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

/** The service chosen in the settings of the workspace, or else the market Outfit was started with. */
class ChosenFeed extends MarketFeed {
  constructor(
    private readonly started: MarketFeed,
    private readonly settings: SettingsService,
  ) {
    super()
  }

  private get feed(): MarketFeed {
    return this.settings.marketService === '' ? this.started : at(this.settings.marketService)
  }

  get name(): string | null {
    return this.feed.name
  }

  sellers(signal: AbortSignal): Promise<string[]> {
    return this.feed.sellers(signal)
  }

  page(seller: string, cursor: string | null, signal: AbortSignal): Promise<FeedPage> {
    return this.feed.page(seller, cursor, signal)
  }
}

function at(address: string): MarketFeed {
  const base = address.replace(/\/+$/, '')
  return new HttpFeed(new URL(base).host, () => Promise.resolve(base))
}

/** The market that is asked: one chosen in the settings, an address, a folder with a made-up one, or none. */
export const FEED_PROVIDERS: Provider[] = [
  StandIn,
  {
    provide: MarketFeed,
    inject: [SETTINGS, StandIn, SettingsService],
    useFactory: ({ market }: Settings, standIn: StandIn, settings: SettingsService): MarketFeed => {
      const made = () => new HttpFeed('the stand-in market', () => standIn.url())
      const given = market !== null && isAddress(market) ? at(market) : new NoFeed()
      return new ChosenFeed(standIn.folder === null ? given : made(), settings)
    },
  },
]
