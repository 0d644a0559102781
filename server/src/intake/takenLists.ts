import { Injectable } from '@nestjs/common'
import { DataSource, In, QueryFailedError, type EntityManager, type EntityTarget, type ObjectLiteral } from 'typeorm'
import type { TakenList } from '@outfit/core/intake'
import { Changes } from '../base/changes.ts'
import { notFound, Problem } from '../base/problem.ts'
import { today } from '../base/today.ts'
import { Writer } from '../base/writer.ts'
import { isColourInUse } from '../catalogue/colourInUse.ts'
import { ActService } from '../drawer/actService.ts'
import {
  ColourEntity,
  FigureEntity,
  FigurePartEntity,
  ReleaseContentEntity,
  ReleaseEntity,
} from '../schema/catalogue.ts'
import { ActEntity } from '../schema/drawer.ts'
import { IntakeEntity, IntakeRemarkEntity, type IntakeUndo, type Written } from '../schema/intake.ts'
import { SellerEntity, SheetEntity } from '../schema/market.ts'
import { writeRows } from '../tables/tableWriter.ts'
import { asText } from './entryWriter.ts'
import { pricesBack } from './priceRows.ts'
import { setsAs } from './setsAs.ts'

const MOST_TOLD = 100
const MOST_REMARKS = 5

/** Lists that were brought in, and their taking back. */
@Injectable()
export class TakenLists {
  constructor(
    private readonly database: DataSource,
    private readonly writer: Writer,
    private readonly changes: Changes,
    private readonly acts: ActService,
  ) {}

  /** The newest first. */
  async all(): Promise<TakenList[]> {
    const lists = await this.database
      .getRepository(IntakeEntity)
      .find({ order: { at: 'DESC', id: 'DESC' }, take: MOST_TOLD })
    const reversals = await this.database
      .getRepository(ActEntity)
      .findBy({ reverses: In(lists.flatMap(({ act }) => act ?? [])) })
    const reversed = new Map(reversals.map(({ reverses, at }) => [reverses, at]))
    return lists.map(({ id, at, name, kind, rows, act, undo, takenBack }) => {
      const back = takenBack ?? reversed.get(act) ?? null
      return {
        id,
        at,
        name,
        kind,
        rows,
        takenBack: back,
        canTakeBack: back === null && (act !== null || undo !== null),
      }
    })
  }

  /** What lists say of a part that no column is for, the newest first. */
  async remarksOn(part: string): Promise<{ list: string; at: string; line: number; text: string }[]> {
    return (await this.database.query(
      `SELECT i.name AS list, i.at, r.line, r.text FROM intake_remark r JOIN intake i ON i.id = r.intake
       WHERE r.part = ? ORDER BY i.at DESC, i.id DESC, r.line LIMIT ?`,
      [part, MOST_REMARKS],
    )) as { list: string; at: string; line: number; text: string }[]
  }

  /**
   * Take back what a list brought: what it moved lies where it was, what it made is gone, what it changed is as before. Once
   * only; refused as a whole where something of it is in use or was changed since.
   */
  async takeBack(id: string): Promise<void> {
    try {
      await this.writer.transaction(async (db) => {
        const list = await db.findOneBy(IntakeEntity, { id })
        if (!list) throw notFound('list', id)
        const { name, act, undo, takenBack } = list
        if (takenBack) throw new Problem(409, `${name} was taken back already.`)
        if (act) await this.acts.takeBack(db, act, today())
        else if (undo) {
          const anew = await pricesBack(db, id)
          if (anew !== null)
            throw new Problem(
              409,
              `${name} cannot be taken back: prices of ${anew} were read, ordered by or cleared since. Nothing was changed.`,
            )
          await undone(db, name, undo)
        } else
          throw new Problem(409, `${name} cannot be taken back: it changed nothing, or was brought in too long ago.`)
        await db.delete(IntakeRemarkEntity, { intake: id })
        if (undo) await db.update(IntakeEntity, { id }, { takenBack: today() })
      })
    } finally {
      this.changes.tell('catalogue', 'drawer', 'market')
    }
  }
}

async function undone(
  db: EntityManager,
  list: string,
  { releases, figures, as, sellers, colours }: IntakeUndo,
): Promise<void> {
  const inUse = (what: string) =>
    new Problem(409, `${list} cannot be taken back: ${what} is in use or was changed since. Nothing was changed.`)
  // Those that are gone already need not go.
  for (const [what, hash] of Object.entries(await setsAs(db, { releases, figures })))
    if (as[what] !== hash) throw inUse(what.replace(/^releases /, 'the set ').replace(/^figures /, 'the figure '))
  try {
    await db.delete(ReleaseContentEntity, { release: In(releases) })
    await db.delete(ReleaseEntity, { code: In(releases) })
    await db.delete(FigurePartEntity, { figure: In(figures) })
    await db.delete(FigureEntity, { code: In(figures) })
    await restored(db, SellerEntity, sellers, inUse, (code) => db.existsBy(SheetEntity, { seller: code }))
    await restored(db, ColourEntity, colours, inUse, (code) => isColourInUse(db, code))
  } catch (error) {
    if (error instanceof QueryFailedError && /FOREIGN KEY/.test(error.message)) throw inUse('something of it')
    throw error
  }
}

/** Entries as they were before: those that were made are gone, those that were changed are what they were. */
async function restored<Row extends ObjectLiteral & { code: string; name: string }>(
  db: EntityManager,
  entity: EntityTarget<Row>,
  { made, changed }: Written<Row>,
  inUse: (what: string) => Problem,
  isUsed: (code: string) => Promise<boolean>,
): Promise<void> {
  const now = new Map((await db.find(entity)).map((row) => [row.code, { ...row }]))
  for (const row of [...made, ...changed.map(({ now: after }) => after)]) {
    const there = now.get(row.code)
    if (there && asText(there) !== asText(row)) throw inUse(row.name)
  }
  for (const { code, name } of made) {
    if (await isUsed(code)) throw inUse(name)
    await db.delete(entity, { code } as never)
  }
  await writeRows(
    db,
    entity,
    // What somebody took away since stays away.
    changed.flatMap(({ was }) => (now.has(was.code) ? was : [])),
  )
}
