import { Injectable } from '@nestjs/common'
import { DataSource, In } from 'typeorm'
import { monotonicFactory } from 'ulid'
import { notFound } from '../app/problem.ts'
import { Writer } from '../app/writer.ts'
import { CatalogueService } from '../catalogue/catalogueService.ts'
import { OutfitEntity, RosterEntity } from '../roster/entities.ts'
import { TargetEntity } from './entities.ts'
import { MarketService } from './marketService.ts'
import { PriceService } from './priceService.ts'

export const TARGET_KINDS = ['part', 'figure', 'release', 'outfit', 'roster'] as const
export type TargetKind = (typeof TARGET_KINDS)[number]

/** A target with what it is for and what that costs now; null where it, or a part of it, is not for sale. */
export interface ToldTarget extends TargetEntity {
  name: string
  now: number | null
}

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
  async all(): Promise<ToldTarget[]> {
    const targets = await this.database.getRepository(TargetEntity).find({ order: { id: 'ASC' } })
    if (targets.length === 0) return []
    const names = await this.namesOf(targets)
    const told: ToldTarget[] = []
    for (const target of targets) {
      const name = names.get(`${target.kind} ${target.code}`)
      // An outfit can be taken down; its target goes with it.
      if (name !== undefined) told.push({ ...target, name, now: await this.priceOf(target) })
    }
    const today = new Date().toISOString().slice(0, 10)
    const changed = told.filter(({ now, price, metOn }) => (now !== null && now <= price) !== (metOn !== null))
    for (const target of changed)
      Object.assign(
        target,
        target.metOn === null
          ? { metOn: today, metPrice: target.now, seen: false }
          : { metOn: null, metPrice: null, seen: false },
      )
    if (changed.length > 0)
      await this.writer.transaction(async (db) => {
        for (const { id, metOn, metPrice, seen } of changed)
          await db.update(TargetEntity, { id }, { metOn, metPrice, seen })
      })
    return told.sort((a, b) => Number(a.metOn === null) - Number(b.metOn === null) || (a.id < b.id ? 1 : -1))
  }

  async set(kind: TargetKind, code: string, price: number): Promise<void> {
    if (!(await this.namesOf([{ kind, code }])).has(`${kind} ${code}`)) throw notFound(kind, code)
    await this.writer.transaction(async (db) => {
      const known = await db.findOneBy(TargetEntity, { kind, code })
      await db.save(TargetEntity, {
        id: known?.id ?? newId(),
        kind,
        code,
        price,
        setOn: new Date().toISOString().slice(0, 10),
        metOn: null,
        metPrice: null,
        seen: false,
      })
    })
  }

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
    const { lowest, unoffered } = await this.prices.lowestOfOutfits(
      kind === 'outfit' ? { outfit: code } : { roster: code },
    )
    return unoffered > 0 ? null : lowest
  }

  private async namesOf(targets: readonly Pick<TargetEntity, 'kind' | 'code'>[]): Promise<Map<string, string>> {
    const codes = (kind: TargetKind) => In(targets.filter((one) => one.kind === kind).map(({ code }) => code))
    const things = targets.flatMap(({ kind, code }) => (kind === 'outfit' || kind === 'roster' ? [] : [{ kind, code }]))
    const [outfits, rosters, named] = await Promise.all([
      this.database.getRepository(OutfitEntity).findBy({ id: codes('outfit') }),
      this.database.getRepository(RosterEntity).findBy({ id: codes('roster') }),
      this.catalogue.namesOf(things),
    ])
    return new Map([
      ...outfits.map(({ id, name }): [string, string] => [`outfit ${id}`, name]),
      ...rosters.map(({ id, name }): [string, string] => [`roster ${id}`, name]),
      ...things.flatMap(({ kind, code }): [string, string][] => {
        const name = named.get(code)
        return name === undefined ? [] : [[`${kind} ${code}`, name.replace(/^(Figure|Release): /, '')]]
      }),
    ])
  }
}
