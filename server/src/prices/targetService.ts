import { Injectable } from '@nestjs/common'
import { DataSource, In } from 'typeorm'
import { monotonicFactory } from 'ulid'
import { targetAt, type Target, type TargetKind } from '@outfit/core/prices'
import { notFound } from '../base/problem.ts'
import { today } from '../base/today.ts'
import { Writer } from '../base/writer.ts'
import { CatalogueService } from '../catalogue/catalogueService.ts'
import { OutfitEntity, RosterEntity } from '../schema/roster.ts'
import { TargetEntity } from '../schema/market.ts'
import { MarketService } from '../market/marketService.ts'
import { PriceService } from './priceService.ts'

const newId = monotonicFactory()

/**
 * Prices something is waited for. Whether one is met is looked at whenever targets are asked for, against the lowest prices
 * of that moment; that it was met is kept until its news was read, or prices rise again.
 */
@Injectable()
export class TargetService {
  constructor(
    private readonly database: DataSource,
    private readonly writer: Writer,
    private readonly market: MarketService,
    private readonly prices: PriceService,
    private readonly catalogue: CatalogueService,
  ) {}

  /** Every target, those that are met first. */
  async all(): Promise<Target[]> {
    const targets = await this.database.getRepository(TargetEntity).find({ order: { id: 'DESC' } })
    if (targets.length === 0) return []
    const names = await this.namesOf(targets)
    const told: Target[] = []
    const changed: TargetEntity[] = []
    for (const target of targets) {
      const name = names.get(`${target.kind} ${target.code}`)
      // An outfit that was taken off can be put back; till then nothing is told of it.
      if (name === undefined) continue
      const now = await this.priceOf(target)
      const standing = targetAt(target, now, today())
      if (standing !== target) changed.push(standing)
      told.push({ ...standing, name, now })
    }
    if (changed.length > 0)
      await this.writer.transaction(async (db) => {
        for (const { id, metOn, metPrice, seen } of changed)
          await db.update(TargetEntity, { id }, { metOn, metPrice, seen })
      })
    return told.sort((a, b) => Number(a.metOn === null) - Number(b.metOn === null))
  }

  /** Wait for something to cost no more than this, in minor units of the home currency. 404 where it is not there. */
  async set(kind: TargetKind, code: string, price: number): Promise<void> {
    if (!(await this.namesOf([{ kind, code }])).has(`${kind} ${code}`)) throw notFound(kind, code)
    await this.writer.transaction(async (db) => {
      const known = await db.findOneBy(TargetEntity, { kind, code })
      await db.save(TargetEntity, {
        id: known?.id ?? newId(),
        kind,
        code,
        price,
        setOn: today(),
        metOn: null,
        metPrice: null,
        seen: false,
      })
    })
  }

  /** Wait for it no more. 404 where nobody did. */
  async remove(kind: TargetKind, code: string): Promise<void> {
    const { affected } = await this.writer.transaction((db) => db.delete(TargetEntity, { kind, code }))
    if (!affected) throw notFound('target price of', `${kind} ${code}`)
  }

  /** The news of the targets met so far was read. */
  async markSeen(): Promise<void> {
    const met = (await this.all()).filter(({ metOn }) => metOn !== null)
    await this.writer.transaction((db) => db.update(TargetEntity, { id: In(met.map(({ id }) => id)) }, { seen: true }))
  }

  private async priceOf({ kind, code }: Pick<TargetEntity, 'kind' | 'code'>): Promise<number | null> {
    if (kind !== 'outfit' && kind !== 'roster') return (await this.market.cheapest()).get(`${kind} ${code}`) ?? null
    const { sum, parts, unoffered } = await this.prices.toBuy(kind === 'outfit' ? { outfit: code } : { roster: code })
    return parts === 0 || unoffered.length > 0 ? null : sum
  }

  private async namesOf(targets: readonly Pick<TargetEntity, 'kind' | 'code'>[]): Promise<Map<string, string>> {
    const codes = (kind: TargetKind) => In(targets.filter((one) => one.kind === kind).map(({ code }) => code))
    const things = targets.flatMap(({ kind, code }) => (kind === 'outfit' || kind === 'roster' ? [] : [{ kind, code }]))
    const [outfits, rosters, named] = await Promise.all([
      this.database.getRepository(OutfitEntity).findBy({ id: codes('outfit') }),
      this.database.getRepository(RosterEntity).findBy({ id: codes('roster') }),
      this.catalogue.plainNamesOf(things),
    ])
    return new Map([
      ...outfits.map(({ id, name }): [string, string] => [`outfit ${id}`, name]),
      ...rosters.map(({ id, name }): [string, string] => [`roster ${id}`, name]),
      ...named,
    ])
  }
}
