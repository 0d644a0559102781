import { Injectable } from '@nestjs/common'
import { DataSource, In, type EntityManager } from 'typeorm'
import { monotonicFactory } from 'ulid'
import type { Removed } from '@outfit/core/roster'
import { Changes } from '../base/changes.ts'
import { notFound, Problem } from '../base/problem.ts'
import { Writer } from '../base/writer.ts'
import { CharacterEntity, OutfitEntity, RemovedEntity, RosterEntity, UniformEntity } from '../schema/roster.ts'

const ulid = monotonicFactory()

type Row = Record<string, unknown>

/**
 * Rows that go with an outfit, parents before children, and how they are found. What is not listed here and refers to an
 * outfit loses the link and is linked again when it is put back.
 */
const OF_OUTFITS: readonly [table: string, where: string][] = [
  ['outfit', 'id IN (:ids)'],
  ['take', 'outfit IN (:ids)'],
  ['placement', 'take IN (SELECT id FROM take WHERE outfit IN (:ids))'],
  ['accepted_pin', 'take IN (SELECT id FROM take WHERE outfit IN (:ids))'],
  ['vote', 'outfit IN (:ids)'],
  ['brief', 'outfit IN (:ids)'],
  ['reference', 'outfit IN (:ids)'],
  ['later', 'outfit IN (:ids)'],
  ['shown', 'outfit IN (:ids)'],
  ['preference', 'better IN (:ids) OR worse IN (:ids)'],
]

/** What is taken off a roster, or taken down whole, is kept with every row of it and can be put back as it was. */
@Injectable()
export class RemovedService {
  constructor(
    private readonly database: DataSource,
    private readonly writer: Writer,
    private readonly changes: Changes,
  ) {}

  /** What can be put back, the newest first. */
  async list(): Promise<Removed[]> {
    return this.database.getRepository(RemovedEntity).find({
      select: { id: true, at: true, what: true, name: true, roster: true },
      order: { id: 'DESC' },
      take: 50,
    })
  }

  /** Take outfits off a roster; characters left without any go too. */
  async outfits(roster: string, ids: readonly string[]): Promise<{ removed: string }> {
    const result = await this.writer.transaction(async (db) => {
      const characters = await db.findBy(CharacterEntity, { roster })
      const all = await db.findBy(OutfitEntity, { character: In(characters.map(({ id }) => id)) })
      const gone = all.filter(({ id }) => ids.includes(id))
      const unknown = ids.find((id) => !gone.some((outfit) => outfit.id === id))
      if (unknown !== undefined) throw notFound('outfit', unknown)
      const emptied = characters.filter(
        ({ id }) =>
          gone.some((outfit) => outfit.character === id) &&
          !all.some((outfit) => outfit.character === id && !ids.includes(outfit.id)),
      )
      const rows = await this.rowsOf(db, { characters: emptied.map(({ id }) => id), outfits: ids })
      const name = gone.length === 1 ? gone[0]!.name : `${gone.length} outfits`
      const removed = await this.keep(db, { what: 'outfits', name, roster, rows })
      await db.delete(OutfitEntity, { id: In([...ids]) })
      await db.delete(CharacterEntity, { id: In(emptied.map(({ id }) => id)) })
      await db.increment(RosterEntity, { id: roster }, 'version', 1)
      return { removed }
    })
    this.changes.tell('drawer')
    return result
  }

  /** Take a whole roster down. */
  async roster(id: string): Promise<{ removed: string }> {
    const result = await this.writer.transaction(async (db) => {
      const roster = await db.findOneBy(RosterEntity, { id })
      if (!roster) throw notFound('roster', id)
      const characters = (await db.findBy(CharacterEntity, { roster: id })).map((one) => one.id)
      const outfits = (await db.findBy(OutfitEntity, { character: In(characters) })).map((one) => one.id)
      const rows = await this.rowsOf(db, { roster: id, characters, outfits })
      const removed = await this.keep(db, { what: 'roster', name: roster.name, roster: id, rows })
      await db.delete(RosterEntity, { id })
      return { removed }
    })
    this.changes.tell('drawer')
    return result
  }

  /** Take a uniform away; outfits keep what they wear. */
  async uniform(id: string): Promise<{ removed: string }> {
    return this.writer.transaction(async (db) => {
      const uniform = await db.findOneBy(UniformEntity, { id })
      if (!uniform) throw notFound('uniform', id)
      const inserts: RemovedEntity['rows']['inserts'] = []
      await this.gather(db, inserts, 'uniform', 'id = ?', [id])
      await this.gather(db, inserts, 'uniform_placement', 'uniform = ?', [id])
      const links = await this.links(db, 'outfit', 'uniform', [id])
      const removed = await this.keep(db, {
        what: 'uniform',
        name: uniform.name,
        roster: uniform.roster,
        rows: { inserts, links },
      })
      await db.delete(UniformEntity, { id })
      return { removed }
    })
  }

  /** Put something back as it was. Refused with 409 when what it belongs to is gone too, or its name is taken by now. */
  async putBack(id: string): Promise<{ roster: string | null }> {
    const result = await this.writer.transaction(async (db) => {
      const removed = await db.findOneBy(RemovedEntity, { id })
      if (!removed) throw notFound('removed thing', id)
      const { what, name, roster, rows } = removed
      if (what !== 'roster' && roster !== null && !(await db.existsBy(RosterEntity, { id: roster })))
        throw new Problem(409, `The roster of ${name} is taken down. Put the roster back first.`, [])
      if (what === 'roster' && (await db.existsBy(RosterEntity, { name })))
        throw new Problem(409, `There is another roster ${name} by now. Call that one something else first.`, [])
      for (const [table, row] of rows.inserts) {
        // What it was linked with may be gone in its turn; it stands without the link then.
        if (table === 'preference' && !(await bothThere(db, row))) continue
        const whole = table === 'outfit' ? await inKnownUniform(db, row) : row
        if (table === 'outfit' && !(await db.existsBy(CharacterEntity, { id: String(row['person']) })))
          throw new Problem(409, `The character of ${String(row['name'])} is taken off too. Put that back first.`, [])
        const columns = Object.keys(whole)
        await db.query(
          `INSERT INTO "${table}" (${columns.map((c) => `"${c}"`).join(', ')}) VALUES (${marks(columns)})`,
          Object.values(whole),
        )
      }
      for (const [table, column, key, value] of rows.links) {
        const own = table === 'bin' ? 'code' : 'id'
        await db.query(`UPDATE "${table}" SET "${column}" = ? WHERE "${own}" = ?`, [value, key])
      }
      await db.delete(RemovedEntity, { id })
      if (roster !== null) await db.increment(RosterEntity, { id: roster }, 'version', 1)
      return { roster }
    })
    this.changes.tell('drawer')
    return result
  }

  private async keep(db: EntityManager, entry: Omit<RemovedEntity, 'id' | 'at'>): Promise<string> {
    const id = ulid()
    await db.save(db.create(RemovedEntity, { ...entry, id, at: new Date().toISOString() } as RemovedEntity))
    return id
  }

  private async rowsOf(
    db: EntityManager,
    { roster, characters, outfits }: { roster?: string; characters: readonly string[]; outfits: readonly string[] },
  ): Promise<RemovedEntity['rows']> {
    const inserts: RemovedEntity['rows']['inserts'] = []
    if (roster !== undefined) {
      await this.gather(db, inserts, 'roster', 'id = ?', [roster])
      await this.gather(db, inserts, 'uniform', 'roster = ?', [roster])
      await this.gather(db, inserts, 'uniform_placement', 'uniform IN (SELECT id FROM uniform WHERE roster = ?)', [
        roster,
      ])
      await this.gather(db, inserts, 'ballot', 'roster = ?', [roster])
      await this.gather(db, inserts, 'ballot_answer', 'ballot IN (SELECT id FROM ballot WHERE roster = ?)', [roster])
    }
    if (characters.length > 0) await this.gather(db, inserts, 'person', `id IN (${marks(characters)})`, characters)
    for (const [table, where] of OF_OUTFITS) {
      const times = where.split(':ids').length - 1
      const ids = Array.from({ length: times }, () => outfits).flat()
      if (outfits.length > 0) await this.gather(db, inserts, table, where.replaceAll(':ids', marks(outfits)), ids)
    }
    if (characters.length > 0)
      await this.gather(db, inserts, 'reference', `outfit IS NULL AND person IN (${marks(characters)})`, characters)
    const links = [
      ...(await this.links(db, 'bin', 'outfit', outfits)),
      ...(roster === undefined ? [] : await this.links(db, 'parcel', 'roster', [roster])),
    ]
    return { inserts, links }
  }

  private async gather(
    db: EntityManager,
    into: RemovedEntity['rows']['inserts'],
    table: string,
    where: string,
    values: readonly string[],
  ): Promise<void> {
    const rows = (await db.query(`SELECT * FROM "${table}" WHERE ${where}`, [...values])) as Row[]
    for (const row of rows) into.push([table, row])
  }

  private async links(
    db: EntityManager,
    table: string,
    column: string,
    ids: readonly string[],
  ): Promise<RemovedEntity['rows']['links']> {
    if (ids.length === 0) return []
    const key = table === 'bin' ? 'code' : 'id'
    const rows = (await db.query(
      `SELECT "${key}" AS key, "${column}" AS value FROM "${table}" WHERE "${column}" IN (${marks(ids)})`,
      [...ids],
    )) as { key: string; value: string }[]
    return rows.map(({ key: own, value }) => [table, column, own, value])
  }
}

const bothThere = async (db: EntityManager, { better, worse }: Row): Promise<boolean> =>
  (await db.countBy(OutfitEntity, { id: In([better, worse]) })) === 2

const inKnownUniform = async (db: EntityManager, row: Row): Promise<Row> =>
  row['uniform'] === null || (await db.existsBy(UniformEntity, { id: String(row['uniform']) }))
    ? row
    : { ...row, uniform: null }

const marks = (values: readonly unknown[]) => values.map(() => '?').join(', ')
