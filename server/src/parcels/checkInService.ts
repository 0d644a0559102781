import { Injectable } from '@nestjs/common'
import { IsNull } from 'typeorm'
import { lackingOf } from '@outfit/core/parcels'
import { Changes } from '../base/changes.ts'
import { notFound, Problem } from '../base/problem.ts'
import { Writer } from '../base/writer.ts'
import { ActService } from '../drawer/actService.ts'
import { BinService } from '../drawer/binService.ts'
import { BinEntity } from '../schema/drawer.ts'
import { ParcelEntity, ParcelLineEntity, SellerEntity } from '../schema/market.ts'
import { OrderService } from './orderService.ts'
import type { CheckIn } from './dto.ts'

/** Checks parcels in line by line: what came fit for use lies in its bin afterwards, in the same transaction. */
@Injectable()
export class CheckInService {
  constructor(
    private readonly writer: Writer,
    private readonly changes: Changes,
    private readonly acts: ActService,
    private readonly bins: BinService,
    private readonly orders: OrderService,
  ) {}

  /** The act that brought it in (null when nothing came), and how many units did not come fit for use. */
  async checkIn(id: string, { on, lines, extras }: CheckIn): Promise<{ act: string | null; missing: number }> {
    const done = await this.writer.transaction(async (db) => {
      const parcel = await this.orders.underWay(db, id)
      const ordered = await db.find(ParcelLineEntity, { where: { parcel: id }, order: { line: 'ASC' } })
      const refuse = (field: string, message: string): never => {
        throw new Problem(400, `${field}: ${message}. Nothing was checked in.`, [{ field, message }])
      }
      for (const { line } of ordered)
        if (!lines.some((checked) => checked.line === line)) refuse('lines', `line ${line} is missing`)
      const seen = new Set<number>()
      for (const [i, { line }] of lines.entries()) {
        if (!ordered.some((one) => one.line === line)) refuse(`lines[${i}].line`, `there is no line ${line}`)
        if (seen.has(line)) refuse(`lines[${i}].line`, `line ${line} is told twice`)
        seen.add(line)
      }
      for (const [field, bin] of [
        ...lines.map(({ bin }, i) => [`lines[${i}].bin`, bin] as const),
        ...extras.map(({ bin }, i) => [`extras[${i}].bin`, bin] as const),
      ])
        if (!(await db.existsBy(BinEntity, { code: bin }))) refuse(field, `there is no bin ${bin}`)
      const things = [
        ...lines.flatMap(({ line, arrived, bin }) => {
          const { kind, code, condition } = ordered.find((one) => one.line === line)!
          return arrived > 0 ? [{ kind, code, qty: arrived, bin, condition }] : []
        }),
        ...extras,
      ]
      const seller = await db.findOneByOrFail(SellerEntity, { code: parcel.seller })
      const { moves } = await this.bins.movesIn(db, things, true)
      const act =
        moves.length === 0
          ? null
          : await this.acts.record(
              db,
              { kind: 'brought-in', text: `parcel from ${seller.name}`, at: on, roster: parcel.roster },
              moves,
            )
      for (const { line, arrived, damaged, wrong } of lines)
        await db.update(ParcelLineEntity, { parcel: id, line }, { arrived, damaged, wrong })
      const last = ordered.at(-1)?.line ?? 0
      await db.insert(
        ParcelLineEntity,
        extras.map(({ kind, code, condition, qty }, i) => ({
          parcel: id,
          line: last + 1 + i,
          kind,
          code,
          condition,
          qty: 0,
          price: 0,
          offer: null,
          arrived: qty,
        })),
      )
      await db.update(ParcelEntity, { id }, { arrivedOn: on, act })
      const missing = lines.reduce((sum, { line, arrived }) => {
        const { qty } = ordered.find((one) => one.line === line)!
        return sum + lackingOf({ qty, arrived })
      }, 0)
      return { act, missing }
    })
    this.changes.tell('drawer')
    return done
  }

  /**
   * Take a check-in back: the parcel is awaited as before, and what it brought is out of its bins. Refused with 409 where
   * that has been moved on, or was taken back in the history already.
   */
  async takeBack(id: string, today: string): Promise<void> {
    await this.writer.transaction(async (db) => {
      const parcel = await db.findOneBy(ParcelEntity, { id })
      if (!parcel) throw notFound('parcel', id)
      if (parcel.arrivedOn === null)
        throw new Problem(409, 'This parcel is not checked in; there is nothing to take back.')
      if (parcel.act !== null) await this.acts.takeBack(db, parcel.act, today)
      await db.update(ParcelLineEntity, { parcel: id }, { arrived: null, damaged: 0, wrong: 0 })
      // What came without being ordered is awaited from nobody.
      await db.delete(ParcelLineEntity, { parcel: id, qty: 0, offer: IsNull() })
      await db.update(ParcelEntity, { id }, { arrivedOn: null, act: null })
    })
    this.changes.tell('drawer')
  }
}
