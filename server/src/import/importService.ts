import { Injectable } from '@nestjs/common'
import { DataSource, type EntityManager, type EntityTarget, type ObjectLiteral } from 'typeorm'
import { LAYER_KINDS, SILHOUETTES } from '@outfit/core/mannequin'
import { readTable, type Reject, type TableName, type TableRow } from '@outfit/core/formats'
import { TABLE_TARGETS, type TableTarget } from './tableTargets.ts'

export interface ImportReport {
  table: TableName
  taken: number
  rejects: Reject[]
  written: boolean
}

/** Rows in one INSERT; SQLite takes up to 32,766 variables in a statement. */
const CHUNK = 500

/**
 * Brings CSV tables into the database. Rows with an unknown code or a duplicate key are rejected with line and reason;
 * with `strict` any reject stops the whole import. What is written is written in one transaction.
 */
@Injectable()
export class ImportService {
  constructor(private readonly database: DataSource) {}

  async importTable<T extends TableName>(
    table: T,
    csv: string,
    { mapping = {}, strict = true }: { mapping?: Record<string, string>; strict?: boolean } = {},
  ): Promise<ImportReport> {
    const target = TABLE_TARGETS[table] as unknown as TableTarget<T>
    const { rows, rejects } = readTable(table, csv, mapping)
    return this.database.transaction(async (db) => {
      const seen = new Set<string>()
      const good: ObjectLiteral[] = []
      const known = codesIn(db)
      for (const { line, row } of rows) {
        const faults = [
          ...duplicateFault(target, row, seen),
          ...drawingFaults(table, row),
          ...(await referenceFaults(target, row, known)),
        ]
        if (faults.length) rejects.push(...faults.map((fault) => ({ line, ...fault })))
        else good.push(target.convert ? await target.convert(row, db) : row)
      }
      const written = good.length > 0 && !(strict && rejects.length > 0)
      if (written)
        for (let from = 0; from < good.length; from += CHUNK) {
          const chunk = good.slice(from, from + CHUNK)
          if (target.key) await db.getRepository(target.entity).save(chunk, { chunk: CHUNK })
          else await db.insert(target.entity, chunk)
        }
      return { table, taken: written ? good.length : 0, rejects: rejects.sort((a, b) => a.line - b.line), written }
    })
  }
}

type Fault = Omit<Reject, 'line'>

function duplicateFault<T extends TableName>(target: TableTarget<T>, row: TableRow<T>, seen: Set<string>): Fault[] {
  const key = target.key?.(row)
  if (key === undefined) return []
  if (seen.has(key)) return [{ column: null, reason: `"${key}" stands in the file twice` }]
  seen.add(key)
  return []
}

/** Codes of a table, read once and kept for the import. */
function codesIn(db: EntityManager) {
  const cache = new Map<EntityTarget<ObjectLiteral>, Promise<Set<string>>>()
  return (entity: EntityTarget<ObjectLiteral>) => {
    const cached =
      cache.get(entity) ??
      db.find(entity, { select: { code: true } }).then((rows) => new Set(rows.map((r) => r['code'] as string)))
    cache.set(entity, cached)
    return cached
  }
}

async function referenceFaults<T extends TableName>(
  target: TableTarget<T>,
  row: TableRow<T>,
  known: (entity: EntityTarget<ObjectLiteral>) => Promise<Set<string>>,
): Promise<Fault[]> {
  const faults: Fault[] = []
  for (const [column, to] of Object.entries(target.refers) as [
    keyof TableRow<T> & string,
    (row: TableRow<T>) => EntityTarget<ObjectLiteral>,
  ][]) {
    const value = row[column] as string | string[] | null
    if (value === null) continue
    const codes = await known(to(row))
    for (const code of [value].flat())
      if (!codes.has(code)) faults.push({ column, reason: `${column} "${code}" is not known` })
  }
  return faults
}

/** Moulds and prints must be drawable: their silhouette and layers must be ones the mannequin knows. */
function drawingFaults(table: TableName, row: unknown): Fault[] {
  if (table === 'moulds') {
    const { kind, silhouette } = row as TableRow<'moulds'>
    const known = SILHOUETTES[kind]
    return known && !known.includes(silhouette)
      ? [{ column: 'silhouette', reason: `silhouette "${silhouette}" is not known for ${kind}` }]
      : []
  }
  if (table === 'prints') {
    const { kind, front, back } = row as TableRow<'prints'>
    const known = LAYER_KINDS[kind] ?? []
    return [...front, ...back].flatMap((layer) =>
      known.includes(layer.kind) ? [] : [{ column: 'front', reason: `layer "${layer.kind}" is not known for ${kind}` }],
    )
  }
  return []
}
