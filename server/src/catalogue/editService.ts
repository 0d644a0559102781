import { Injectable } from '@nestjs/common'
import { QueryFailedError, type EntityManager, type EntityTarget, type ObjectLiteral } from 'typeorm'
import { placementFaults } from '@outfit/core/anatomy'
import { catalogueOf, type Editable, type Fulfilled, type Placement, type SavedEntry } from '@outfit/core/catalogue'
import type { Reject, TableName, TableRow } from '@outfit/core/tables'
import { Changes } from '../base/changes.ts'
import { notFound, Problem } from '../base/problem.ts'
import { alike, refuseStale, type Read } from '../base/stale.ts'
import { Writer } from '../base/writer.ts'
import { RowChecker } from '../tables/rowChecker.ts'
import { TableFollowers } from '../tables/tableFollowers.ts'
import { TABLE_TARGETS } from '../tables/tableTargets.ts'
import { writeRows } from '../tables/tableWriter.ts'
import { isColourInUse } from './colourInUse.ts'
import { CatalogueService } from './catalogueService.ts'
import type { ColourBody, FigureBody, MouldBody, PartBody, PrintBody, ReleaseBody } from './editDto.ts'
import {
  CaseContentEntity,
  ComponentEntity,
  FigurePartEntity,
  PhotoEntity,
  ReleaseContentEntity,
} from '../schema/catalogue.ts'

/** What may be made and changed by hand, by the table it stands in. */
export interface Bodies extends Record<Editable, object> {
  colours: ColourBody
  moulds: MouldBody
  prints: PrintBody
  parts: PartBody
  figures: FigureBody
  releases: ReleaseBody
}

/** Rows that belong to an entry and are replaced with it. */
interface OwnRows {
  table: TableName
  entity: EntityTarget<ObjectLiteral>
  /** The column that names the entry. */
  owner: string
  /** Where they stand in the body. */
  field: string
  /** What the body says in other words than the table. */
  also?: (entry: never) => object
  /** A row in the words of the body. */
  told: (row: ObjectLiteral) => object
}
const OWN_ROWS: Partial<Record<Editable, readonly OwnRows[]>> = {
  parts: [
    {
      table: 'components',
      entity: ComponentEntity,
      owner: 'assembly',
      field: 'components',
      told: ({ slot, part, level }) => ({ slot, part, level }),
    },
  ],
  figures: [
    {
      table: 'figure-parts',
      entity: FigurePartEntity,
      owner: 'figure',
      field: 'worn',
      told: ({ slot, part, order }) => ({ slot, part, order }),
    },
  ],
  releases: [
    {
      table: 'release-contents',
      entity: ReleaseContentEntity,
      owner: 'release',
      field: 'contents',
      told: ({ kind, code, qty }) => ({ kind, code, qty }),
    },
    {
      table: 'case-contents',
      entity: CaseContentEntity,
      owner: 'release',
      field: 'cases',
      also: ({ code }: { code: string }) => ({ figure: code }),
      told: ({ figure, qty }) => ({ kind: 'figure', code: figure, qty }),
    },
  ],
}

/** Prefixes of codes, by table. */
const PREFIX: Record<Editable, string> = {
  colours: 'c-',
  moulds: 'M-',
  prints: 'D-',
  parts: 'P-',
  figures: 'F-',
  releases: 'Q-',
}

/** Makes and changes entries of the catalogue by hand, under the same checks as an import. */
@Injectable()
export class EditService {
  constructor(
    private readonly writer: Writer,
    private readonly changes: Changes,
    private readonly followers: TableFollowers,
    private readonly catalogue: CatalogueService,
  ) {}

  /** A code nobody uses yet. */
  async freeCode(table: Editable, db: EntityManager): Promise<string> {
    const taken = new Set(
      (await db.find(TABLE_TARGETS[table].entity, { select: { code: true } })).map((row) => row['code'] as string),
    )
    for (let number = taken.size + 1; ; number++) {
      const code = `${PREFIX[table]}OWN-${number}`
      if (!taken.has(code)) return code
    }
  }

  /** Make an entry under a free code. */
  create<T extends Editable>(table: T, body: Bodies[T]): Promise<SavedEntry> {
    return this.inTransaction(async (db) => {
      const code = await this.freeCode(table, db)
      return { code, made: true, fulfilled: await this.write(db, table, code, body) }
    })
  }

  /** Make the entry of a code, or replace it. Refused with 409 when another changed it since it was read. */
  save<T extends Editable>(table: T, code: string, body: Bodies[T]): Promise<SavedEntry> {
    return this.inTransaction(async (db) => {
      const now = await this.read(db, table, code)
      if (now) refuseStale(code, sortedRows(table, (body as { was?: Read }).was), sortedRows(table, now)!)
      return { code, made: !now, fulfilled: await this.write(db, table, code, body) }
    })
  }

  /** An entry in the words of its body; null where there is none. */
  private async read(db: EntityManager, table: Editable, code: string): Promise<Read | null> {
    const row = await db.findOneBy(TABLE_TARGETS[table].entity, { code })
    if (!row) return null
    const { code: _code, ...fields } = row
    const own = (OWN_ROWS[table] ?? []).map(async ({ entity, owner, field, told }) => [
      field,
      (await db.findBy(entity, { [owner]: code })).map(told),
    ])
    return { ...fields, ...Object.fromEntries(await Promise.all(own)) } as Read
  }

  /** Remove an entry nothing else uses. */
  async remove(table: Editable, code: string): Promise<void> {
    await this.inTransaction(async (db) => {
      if (table === 'colours' && (await isColourInUse(db, code))) throw inUse(code)
      for (const { entity, owner } of OWN_ROWS[table] ?? []) await db.delete(entity, { [owner]: code })
      const { affected } = await db.delete(TABLE_TARGETS[table].entity, { code }).catch((error: unknown) => {
        if (error instanceof QueryFailedError && /FOREIGN KEY/.test(error.message)) throw inUse(code)
        throw error
      })
      if (!affected) throw notFound(table.replace(/s$/, ''), code)
      if (table === 'parts') await db.query('DELETE FROM part_text WHERE code = ?', [code])
    })
  }

  private async inTransaction<R>(work: (db: EntityManager) => Promise<R>): Promise<R> {
    try {
      return await this.writer.transaction(work)
    } finally {
      // A part of which it is known now what it is made of lies in the drawer as its pieces.
      this.changes.tell('catalogue', 'drawer')
    }
  }

  private async write(db: EntityManager, table: Editable, code: string, body: Bodies[Editable]): Promise<Fulfilled[]> {
    const { photo, was: _was, ...row } = body as Bodies[Editable] & { photo?: string | null; was?: Read }
    await this.refusePhoto(db, photo)
    await this.put(db, table, [{ code, ...row }], () => '')
    if (photo !== undefined) await db.update(TABLE_TARGETS[table].entity, { code }, { photo })
    for (const { table: own, entity, owner, field, also } of OWN_ROWS[table] ?? []) {
      const rows = (body as unknown as Record<string, object[]>)[field]!
      await db.delete(entity, { [owner]: code })
      await this.put(
        db,
        own,
        rows.map((entry) => ({ level: null, [owner]: code, ...also?.(entry as never), ...entry })),
        (line) => `${field}[${line}].`,
      )
    }
    if (table === 'figures') await this.refuseFaultyFigure((body as FigureBody).worn)
    if (table === 'figures' || table === 'releases') return []
    // A colour, mould or print is written anew with every part that uses it: they are found by other words now.
    const parts = table === 'parts' ? [code] : await this.usersOf(db, table, code)
    return parts.length > 0 ? this.followers.written(db, 'parts', parts) : []
  }

  /** Check rows as an import would, and write them; what is wrong is told by field. */
  private async put(db: EntityManager, table: TableName, rows: readonly object[], path: (line: number) => string) {
    const checker = await RowChecker.open(db, table)
    const rejects: Reject[] = []
    const good = rows.flatMap((row, line) => checker.check(row as TableRow<TableName> as never, line, rejects) ?? [])
    checker.finish(rejects)
    const [first] = rejects
    if (first)
      throw new Problem(
        400,
        `${path(first.line)}${first.reason}. Nothing was written.`,
        rejects.map(({ line, column, reason }) => ({ field: `${path(line)}${column ?? ''}`, message: reason })),
      )
    await writeRows(db, TABLE_TARGETS[table].entity, good)
  }

  /** Parts that use a colour, mould or print. */
  private async usersOf(db: EntityManager, table: Editable, code: string): Promise<string[]> {
    const uses: Partial<Record<Editable, string>> = {
      colours: 'EXISTS (SELECT 1 FROM json_each(colours) WHERE value = ?)',
      moulds: 'mould = ?',
      prints: 'print = ?',
    }
    const rows = (await db.query(`SELECT code FROM part WHERE ${uses[table]}`, [code])) as { code: string }[]
    return rows.map((row) => row.code)
  }

  private async refusePhoto(db: EntityManager, hash: string | null | undefined): Promise<void> {
    if (hash && !(await db.existsBy(PhotoEntity, { hash })))
      throw new Problem(400, 'The photo is not known; add it again. Nothing was written.', [
        { field: 'photo', message: 'is not known' },
      ])
  }

  private async refuseFaultyFigure(worn: FigureBody['worn']): Promise<void> {
    const parts = await this.catalogue.parts(worn.map(({ part }) => part))
    const { moulds, colours } = await this.catalogue.basics()
    const placements: Placement[] = worn.map((entry) => ({ ...entry, turned: false }))
    const faults = placementFaults(placements, catalogueOf({ colours, moulds, prints: [], parts }))
    const [first] = faults
    if (first)
      throw new Problem(
        400,
        `worn[${first.index}].${first.field}: ${first.message}. Nothing was written.`,
        faults.map(({ index, field, message }) => ({ field: `worn[${index}].${field}`, message })),
      )
  }
}

/** Rows that belong to an entry have no order of their own. */
function sortedRows(table: Editable, read: Read | undefined): Read | undefined {
  const rows = new Set((OWN_ROWS[table] ?? []).map(({ field }) => field))
  if (!read) return read
  const sorted = (value: unknown) =>
    Array.isArray(value) ? [...(value as unknown[])].sort((a, b) => (alike(a) < alike(b) ? -1 : 1)) : value
  return Object.fromEntries(Object.entries(read).map(([name, value]) => [name, rows.has(name) ? sorted(value) : value]))
}

const inUse = (code: string) =>
  new Problem(409, `${code} is in use: parts, prints, figures, outfits or the drawer know it. Nothing was changed.`)
