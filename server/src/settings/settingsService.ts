import { Injectable, type OnModuleInit } from '@nestjs/common'
import { DataSource, IsNull, Not, type EntityManager } from 'typeorm'
import { setForms } from '@outfit/core/base'
import { convert, homeCurrency, ratesThrough, setHomeCurrency, type Rate } from '@outfit/core/market'
import { limitsIn } from '@outfit/core/roster'
import { USUAL_SETTINGS, type WorkspaceSettings } from '@outfit/core/settings'
import { Changes } from '../base/changes.ts'
import { doing } from '../base/doing.ts'
import { Problem } from '../base/problem.ts'
import { today } from '../base/today.ts'
import { Writer } from '../base/writer.ts'
import { BriefEntity } from '../schema/brief.ts'
import { LaterEntity } from '../schema/later.ts'
import { RateEntity, SheetEntity, TargetEntity } from '../schema/market.ts'
import { OutfitEntity, RosterEntity } from '../schema/roster.ts'
import { SettingEntity } from '../schema/settings.ts'
import { TableFollowers } from '../tables/tableFollowers.ts'
import type { ChangeHome, ChangeSettings } from './dto.ts'

/** What a workspace has otherwise than usual, and its home currency. */
@Injectable()
export class SettingsService implements OnModuleInit {
  private market = USUAL_SETTINGS.marketService

  constructor(
    private readonly database: DataSource,
    private readonly writer: Writer,
    private readonly changes: Changes,
    followers: TableFollowers,
  ) {
    // A copy that is brought back may have another home.
    followers.madeFromAll(async (db) => this.heed(await this.read(db)))
  }

  async onModuleInit(): Promise<void> {
    this.heed(await this.all())
  }

  /** Address of the service that is asked for prices, where one was chosen. */
  get marketService(): string {
    return this.market
  }

  /** Have everything told as the settings say. */
  private heed(settings: WorkspaceSettings): void {
    setHomeCurrency(settings.home)
    setForms(settings)
    this.market = settings.marketService
  }

  /** All settings: what was chosen, and what is usual otherwise. */
  all(): Promise<WorkspaceSettings> {
    return this.read(this.database.manager)
  }

  private async read(db: EntityManager): Promise<WorkspaceSettings> {
    const kept = (await db.find(SettingEntity)).filter(({ name }) => name in USUAL_SETTINGS)
    return { ...USUAL_SETTINGS, ...Object.fromEntries(kept.map(({ name, value }) => [name, value])) }
  }

  /** Have some of it otherwise; all of it as it is then. */
  async change(set: ChangeSettings): Promise<WorkspaceSettings> {
    const settings = await this.writer.transaction(async (db) => {
      for (const [name, value] of Object.entries(set)) if (value !== undefined) await this.keep(db, name, value)
      return this.read(db)
    })
    this.market = settings.marketService
    // What was never made is a statement of the catalogue.
    if (set.locale !== undefined || set.length !== undefined || set.fullSize !== undefined) {
      setForms(settings)
      // Pins tell money and lengths in words.
      this.changes.tell('market', 'catalogue', 'drawer')
      this.changes.replaced(doing()?.window ?? null)
    }
    if (set.wholeCatalogue !== undefined || set.wholeMoulds !== undefined) this.changes.tell('catalogue')
    return settings
  }

  private async keep(db: EntityManager, name: string, value: unknown): Promise<void> {
    await db.upsert(SettingEntity, { name, value: value as object }, ['name'])
  }

  /**
   * Count in another currency: what is kept in that of home (budgets, limits, prices waited for) is converted at the rates
   * of the day prices are of, and rates of other currencies follow. Refused where a rate is missing, with nothing written.
   */
  async moveHome({ currency, rate }: ChangeHome): Promise<WorkspaceSettings> {
    if (!Intl.supportedValuesOf('currency').includes(currency))
      throw refused('currency', `${currency} is no currency in use`)
    const settings = await this.writer.transaction(async (db) => {
      const before = homeCurrency()
      if (currency !== before) await this.convertAll(db, before, currency, rate)
      await db.updateAll(RosterEntity, { currency })
      await this.keep(db, 'home', currency)
      return this.read(db)
    })
    setHomeCurrency(currency)
    this.changes.tell('market', 'catalogue', 'drawer')
    this.changes.replaced(doing()?.window ?? null)
    return settings
  }

  /** Whether any amount is kept in the home currency. */
  private async keepsAmounts(db: EntityManager): Promise<boolean> {
    const [found] = (await db.query(
      `SELECT 1 FROM roster WHERE budget IS NOT NULL OR switches ->> 'spendingLimit' IS NOT NULL
       UNION ALL SELECT 1 FROM outfit WHERE switches ->> 'spendingLimit' IS NOT NULL
       UNION ALL SELECT 1 FROM brief WHERE avoid ->> 'priceAbove' IS NOT NULL
       UNION ALL SELECT 1 FROM price_target
       UNION ALL SELECT 1 FROM setting WHERE name = 'worth'
       UNION ALL SELECT 1 FROM later WHERE atMost IS NOT NULL LIMIT 1`,
    )) as unknown[]
    return found !== undefined
  }

  private async convertAll(db: EntityManager, from: string, to: string, given: number | undefined): Promise<void> {
    const newest = await db.findOne(SheetEntity, {
      where: {},
      order: { date: 'DESC' },
      select: { seller: true, date: true },
    })
    const date = newest && newest.date < today() ? newest.date : today()
    if (given !== undefined) await db.upsert(RateEntity, { date, from, to, rate: given }, ['date', 'from', 'to'])
    const rates: Rate[] = await db.find(RateEntity)
    const through = ratesThrough(from, to, rates)
    const all = [...rates, ...through]
    const used = (await db.query(
      'SELECT currency FROM seller UNION SELECT currency FROM offer UNION SELECT currency FROM parcel',
    )) as { currency: string }[]
    const needed = [...((await this.keepsAmounts(db)) ? [from] : []), ...used.map((one) => one.currency)]
    const hasRate = (one: string, table: readonly Rate[]) =>
      one === to || table.some((rate) => [rate.from, rate.to].includes(one) && [rate.from, rate.to].includes(to))
    const lacking = needed.find((one) => !hasRate(one, all))
    // With a rate between the two homes those of others follow.
    if (lacking !== undefined && !hasRate(from, rates))
      throw refused('rate', `is missing: say what 1 ${from} is worth in ${to}`)
    if (lacking !== undefined)
      throw refused('currency', `has no rate to ${lacking}, which sellers use; put one into the rate table`)
    if (through.length > 0) await db.insert(RateEntity, through)
    const turned = (minor: number) => convert(minor, from, to, date, all)
    await this.convertKept(db, turned)
  }

  /** Whatever is kept in the home currency, in another. */
  private async convertKept(db: EntityManager, turned: (minor: number) => number): Promise<void> {
    const orNone = (minor: number | null | undefined) => (minor === null || minor === undefined ? null : turned(minor))
    for (const { id, budget, switches } of await db.find(RosterEntity))
      await db.update(RosterEntity, { id }, { budget: orNone(budget), switches: limitsIn(switches, turned) })
    for (const { id, switches } of await db.find(OutfitEntity))
      if (switches.spendingLimit) await db.update(OutfitEntity, { id }, { switches: limitsIn(switches, turned) })
    for (const { outfit, avoid } of await db.find(BriefEntity))
      if (avoid.priceAbove !== null)
        await db.update(BriefEntity, { outfit }, { avoid: { ...avoid, priceAbove: orNone(avoid.priceAbove) } })
    for (const { id, price, metPrice } of await db.find(TargetEntity))
      await db.update(TargetEntity, { id }, { price: turned(price), metPrice: orNone(metPrice) })
    const worth = await db.findOneBy(SettingEntity, { name: 'worth' })
    if (worth) await this.keep(db, 'worth', turned(worth.value as unknown as number))
    for (const { id, atMost } of await db.findBy(LaterEntity, { atMost: Not(IsNull()) }))
      await db.update(LaterEntity, { id }, { atMost: orNone(atMost) })
  }
}

const refused = (field: string, message: string) =>
  new Problem(400, `The ${field} ${message}. Nothing was changed.`, [{ field, message }])
