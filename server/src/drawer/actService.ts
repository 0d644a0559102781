import { Injectable } from '@nestjs/common'
import { DataSource, In, type EntityManager } from 'typeorm'
import { monotonicFactory } from 'ulid'
import { groupBy } from '@outfit/core/base'
import { type Drawables } from '@outfit/core/catalogue'
import { reversed, type ActKind, type Moved, type ToldAct } from '@outfit/core/drawer'
import { Changes } from '../base/changes.ts'
import { notFound, Problem } from '../base/problem.ts'
import { Writer } from '../base/writer.ts'
import { CatalogueService } from '../catalogue/catalogueService.ts'
import { PartEntity } from '../schema/catalogue.ts'
import { writeRows } from '../tables/tableWriter.ts'
import { componentsIn } from '../tables/componentsIn.ts'
import { ActEntity, BinEntity, LyingEntity, MovementEntity } from '../schema/drawer.ts'

const ulid = monotonicFactory()

/** What is done with parts, and why. */
export interface NewAct {
  kind: ActKind
  text: string
  /** The day. */
  at: string
  roster?: string | null
  photo?: string | null
  reverses?: string | null
}

/** Whose parts movements are, by name, for what is told about them. */
interface Names {
  part: (code: string) => string
  bin: (code: string) => string
}

/** Acts of one page of the history; a box of parts can be long, so its movements are told up to so many. */
const PAGE = 40
const MOST_MOVES = 200

/** Every way parts go: acts are only ever added, whole or not at all, and taken back by acts of their own. */
@Injectable()
export class ActService {
  constructor(
    private readonly database: DataSource,
    private readonly writer: Writer,
    private readonly changes: Changes,
    private readonly catalogue: CatalogueService,
  ) {}

  /** Record an act in a transaction of its own and tell of the change. */
  async act(act: NewAct, moves: readonly Moved[]): Promise<{ act: string }> {
    const id = await this.writer.transaction((db) => this.record(db, act, moves))
    this.changes.tell('drawer')
    return { act: id }
  }

  /**
   * Record an act inside a transaction; what is made of pieces goes as its pieces. Refused with 409 where a bin would hold less than nothing: somebody else was
   * quicker. Whoever calls tells of the change of the drawer.
   */
  async record(db: EntityManager, act: NewAct, moves: readonly Moved[]): Promise<string> {
    const piecesOf = await componentsIn(
      db,
      moves.map(({ part }) => part),
    )
    return this.recordPieces(
      db,
      act,
      moves.flatMap((move) => piecesOf(move.part).map(([part, times]) => ({ ...move, part, qty: move.qty * times }))),
    )
  }

  /** The same for movements whose parts lie as they are named, also where they are made of others. */
  async recordPieces(db: EntityManager, act: NewAct, moves: readonly Moved[]): Promise<string> {
    if (moves.length === 0) throw new Problem(409, 'There is nothing to move. Nothing was written.')
    await this.refuseMissing(db, moves)
    const id = ulid()
    await db.insert(ActEntity, { ...act, id })
    await writeRows(
      db,
      MovementEntity,
      moves.map((move) => ({ ...move, id: ulid(), at: act.at, reason: act.text, act: id })),
    )
    return id
  }

  /** Take an act back by the movements the other way round. Once only; a taking back can be taken back itself. */
  async reverse(id: string, at: string): Promise<{ act: string }> {
    const act = await this.writer.transaction((db) => this.takeBack(db, id, at))
    this.changes.tell('drawer')
    return { act }
  }

  /** Take an act back inside a transaction. Whoever calls tells of the change of the drawer. */
  async takeBack(db: EntityManager, id: string, at: string): Promise<string> {
    const known = await db.findOneBy(ActEntity, { id })
    if (!known) throw notFound('act', id)
    if (await db.existsBy(ActEntity, { reverses: id }))
      throw new Problem(409, `This was taken back already: ${known.text}.`)
    const movements = await db.find(MovementEntity, { where: { act: id }, order: { id: 'ASC' } })
    return this.record(db, { kind: 'taken-back', text: known.text, at, reverses: id, roster: known.roster }, [
      ...reversed(movements.map(({ part, from, to, qty, condition }) => ({ part, from, to, qty, condition }))),
    ])
  }

  /** Acts, the newest first, of everything, of a part or of a bin; `before` is the id of the last one seen. */
  async history({
    part,
    bin,
    before,
  }: {
    part?: string
    bin?: string
    before?: string
  }): Promise<{ acts: ToldAct[]; more: boolean } & Drawables> {
    const query = this.database
      .getRepository(ActEntity)
      .createQueryBuilder('a')
      .orderBy('a.id', 'DESC')
      .limit(PAGE + 1)
    if (before) query.andWhere('a.id < :before', { before })
    if (part) query.andWhere('a.id IN (SELECT act FROM movement WHERE part = :part)', { part })
    if (bin)
      query.andWhere(
        'a.id IN (SELECT act FROM movement WHERE to_bin = :bin UNION SELECT act FROM movement WHERE from_bin = :bin)',
        {
          bin,
        },
      )
    const found = await query.getMany()
    const acts = found.slice(0, PAGE)
    const ids = acts.map(({ id }) => id)
    const [movements, takenBack] = await Promise.all([
      this.database.getRepository(MovementEntity).find({ where: { act: In(ids) }, order: { id: 'ASC' } }),
      this.database.getRepository(ActEntity).findBy({ reverses: In(ids) }),
    ])
    const movesOf = groupBy(movements, ({ act }) => act!)
    const concerned = (move: Moved) => (!part || move.part === part) && (!bin || move.from === bin || move.to === bin)
    const told = acts.map(({ id, at, kind, text, photo, reverses }): ToldAct => ({
      id,
      at,
      kind,
      text,
      photo,
      reverses,
      reversedBy: takenBack.find((one) => one.reverses === id)?.id ?? null,
      moves: (movesOf.get(id) ?? [])
        .map(({ part: moved, from, to, qty, condition }) => ({ part: moved, from, to, qty, condition }))
        .filter(concerned)
        .slice(0, MOST_MOVES),
    }))
    const parts = await this.catalogue.parts(told.flatMap(({ moves }) => moves.map((move) => move.part)))
    return { more: found.length > PAGE, acts: told, parts, prints: await this.catalogue.printsOn(parts) }
  }

  /** Refuse parts and bins there are not, and more than lies where it is to be taken from; all faults at once. */
  private async refuseMissing(db: EntityManager, moves: readonly Moved[]): Promise<void> {
    const { known, names } = await this.namesIn(db, moves)
    const errors = moves.flatMap(({ part, from, to }, i) => [
      ...(known.parts.has(part) ? [] : [{ field: `moves[${i}].part`, message: `There is no part ${part}.` }]),
      ...[from, to].flatMap((bin) =>
        bin === null || known.bins.has(bin) ? [] : [{ field: `moves[${i}]`, message: `There is no bin ${bin}.` }],
      ),
    ])
    if (errors.length > 0) throw new Problem(400, `${errors[0]!.message} Nothing was moved.`, errors)
    const balance = new Map<string, { move: Moved; bin: string; qty: number }>()
    // In the order they are written: what comes in first may go out again.
    const short: { field: string; message: string }[] = []
    const at = async (bin: string, move: Moved) => {
      const key = [bin, move.condition, move.part].join(' ')
      const found = balance.get(key)
      if (found) return found
      const lying = await db.findOneBy(LyingEntity, { part: move.part, bin, condition: move.condition })
      const entry = { move, bin, qty: lying?.qty ?? 0 }
      balance.set(key, entry)
      return entry
    }
    for (const [i, move] of moves.entries()) {
      if (move.from !== null) {
        const entry = await at(move.from, move)
        if (entry.qty < move.qty)
          short.push({
            field: `moves[${i}].qty`,
            message: `${names.bin(move.from)} has ${entry.qty} of ${names.part(move.part)} (${move.condition}), not ${move.qty}.`,
          })
        entry.qty -= move.qty
      }
      if (move.to !== null) (await at(move.to, move)).qty += move.qty
    }
    if (short.length > 0)
      throw new Problem(409, `${short[0]!.message} It was moved meanwhile; nothing was changed by this.`, short)
  }

  private async namesIn(db: EntityManager, moves: readonly Moved[]) {
    const codes = [...new Set(moves.map(({ part }) => part))]
    const places = [...new Set(moves.flatMap(({ from, to }) => [from ?? [], to ?? []].flat()))]
    const [parts, bins] = await Promise.all([
      db.find(PartEntity, { where: { code: In(codes) }, select: { code: true, name: true } }),
      db.findBy(BinEntity, { code: In(places) }),
    ])
    const known = {
      parts: new Map(parts.map(({ code, name }) => [code, name])),
      bins: new Map(bins.map(({ code, name }) => [code, name])),
    }
    const names: Names = {
      part: (code) => known.parts.get(code) ?? code,
      bin: (code) => known.bins.get(code) ?? code,
    }
    return { known, names }
  }
}
