import { Injectable, Logger, type OnApplicationBootstrap, type OnModuleDestroy } from '@nestjs/common'
import { asksNow } from '@outfit/core/settings'
import { JobsService } from '../jobs/jobsService.ts'
import { SettingsService } from '../settings/settingsService.ts'
import { RefreshService } from './refreshService.ts'

/** How often it is looked whether it is time, in milliseconds. */
const LOOKS = 5 * 60_000

/** Asks the market by itself, as often as the settings say, and not in quiet hours. */
@Injectable()
export class MarketClock implements OnApplicationBootstrap, OnModuleDestroy {
  private readonly log = new Logger('market')
  private timer: ReturnType<typeof setInterval> | null = null
  /** When it was tried last, whatever came of it: a market that does not answer is not asked again at once. */
  private tried: Date | null = null
  private running: string | null = null

  constructor(
    private readonly settings: SettingsService,
    private readonly jobs: JobsService,
    private readonly refreshing: RefreshService,
  ) {}

  onApplicationBootstrap(): void {
    this.timer = setInterval(() => {
      this.look(new Date()).catch((error: unknown) => this.log.warn(error))
    }, LOOKS)
    // Nobody is kept from ending by it.
    this.timer.unref()
  }

  onModuleDestroy(): void {
    if (this.timer) clearInterval(this.timer)
  }

  /** Ask it if it is time to; the job that asks, null for none. */
  async look(now: Date): Promise<string | null> {
    if (this.refreshing.market === null) return null
    const { asks } = await this.settings.all()
    const last = await this.jobs.newest('refresh')
    const times = [this.tried, last && new Date(last.at)].flatMap((one) => (one ? [one.getTime()] : []))
    if (!asksNow(asks, now, times.length > 0 ? new Date(Math.max(...times)) : null)) return null
    if (this.running !== null && (await this.jobs.stateOf(this.running)) === 'running') return null
    this.tried = now
    this.running = this.jobs.start('refresh', { sellers: null }, (course) => this.refreshing.refresh(null, course))
    return this.running
  }
}
