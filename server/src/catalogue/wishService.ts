import { Injectable } from '@nestjs/common'
import { DataSource, In, IsNull, Not, type EntityManager } from 'typeorm'
import { monotonicFactory } from 'ulid'
import type { Fulfilled, Wish } from '@outfit/core/catalogue'
import { notFound, Problem } from '../base/problem.ts'
import { Writer } from '../base/writer.ts'
import { TableFollowers } from '../tables/tableFollowers.ts'
import { ColourEntity, MouldEntity, PartEntity, PrintEntity, WishEntity } from '../schema/catalogue.ts'

const ulid = monotonicFactory()

/** Wishes for a mould and print in a colour it was never made in; a part that is that fulfils them. */
@Injectable()
export class WishService {
  constructor(
    private readonly database: DataSource,
    private readonly writer: Writer,
    followers: TableFollowers,
  ) {
    followers.follow((db, table) => (table === 'parts' ? this.fulfil(db) : Promise.resolve([])))
  }

  /** All wishes, the newest first. */
  async all(): Promise<Wish[]> {
    const wishes = await this.database.getRepository(WishEntity).find({ order: { id: 'DESC' } })
    const named = async <E extends { code: string; name: string }>(
      entity: new () => E,
      codes: (string | null)[],
    ): Promise<Map<string, string>> => {
      const rows = await this.database
        .getRepository(entity)
        .find({ where: { code: In([...new Set(codes.filter((code) => code !== null))]) } as never })
      return new Map(rows.map(({ code, name }) => [code, name]))
    }
    const [moulds, prints, colours] = await Promise.all([
      named(
        MouldEntity,
        wishes.map(({ mould }) => mould),
      ),
      named(
        PrintEntity,
        wishes.map(({ print }) => print),
      ),
      named(
        ColourEntity,
        wishes.map(({ colour }) => colour),
      ),
    ])
    return wishes.map((wish) => ({
      ...wish,
      name: `${prints.get(wish.print ?? '') ?? moulds.get(wish.mould)} in ${colours.get(wish.colour)}`,
    }))
  }

  /** Wish for the mould and print of a part in a colour; refused where that exists already. */
  async make(partCode: string, colour: string): Promise<{ id: string }> {
    return this.writer.transaction(async (db) => {
      const part = await db.findOneBy(PartEntity, { code: partCode })
      if (!part) throw notFound('part', partCode)
      if (!(await db.existsBy(ColourEntity, { code: colour }))) throw notFound('colour', colour)
      const { mould, print } = part
      const id = ulid()
      const same = { mould, colour, print: print === null ? IsNull() : print }
      if (await db.existsBy(WishEntity, same))
        throw new Problem(409, 'That is wished for already.', [{ field: 'colour', message: 'is wished for already' }])
      await db.insert(WishEntity, {
        id,
        mould,
        print,
        colour,
        at: new Date().toISOString(),
        fulfilledBy: null,
        fulfilledAt: null,
        seen: false,
      })
      const [come] = (await this.fulfil(db)).filter(({ wish }) => wish === id)
      if (come)
        throw new Problem(409, `That exists: it is part ${come.part}.`, [{ field: 'colour', message: 'exists' }])
      return { id }
    })
  }

  /** Wish for something no more; nothing where nobody did. */
  async drop(id: string): Promise<void> {
    await this.writer.transaction((db) => db.delete(WishEntity, { id }))
  }

  /** The news of every fulfilled wish was read. */
  async markSeen(): Promise<void> {
    await this.writer.transaction((db) => db.update(WishEntity, { fulfilledBy: Not(IsNull()) }, { seen: true }))
  }

  /** Fulfil open wishes that a part answers by now; runs in the transaction that brought the part. */
  async fulfil(db: EntityManager): Promise<Fulfilled[]> {
    const rows = (await db.query(
      `SELECT w.id AS wish, MIN(p.code) AS part FROM wish w JOIN part p
         ON p.mould = w.mould AND p.print IS w.print AND json_extract(p.colours, '$[0]') = w.colour
       WHERE w.fulfilled_by IS NULL GROUP BY w.id ORDER BY w.id`,
    )) as Fulfilled[]
    const at = new Date().toISOString()
    for (const { wish, part } of rows) await db.update(WishEntity, { id: wish }, { fulfilledBy: part, fulfilledAt: at })
    return rows
  }
}
