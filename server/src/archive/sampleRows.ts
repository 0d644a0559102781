import type Database from 'better-sqlite3'
import { archivedTables, quoted } from './manifest.ts'

/**
 * Which rows came with the sample world is written down once it is loaded (`sample_row`). Taking it away leaves what is one's
 * own, and of the sample what that rests on.
 */

/** Tables whose rows are nobody's own: worked out from others, of one browser, or of what was done. */
const BESIDE =
  /^(sqlite_.*|job|journal|journal_row|lying|browser_kept|sample_row|intake_answer|mapping|shown|errand_tick)$/
/** Lines of price lists go with their seller, and with what they are of; nothing refers to a single one. */
const LINES = ['offer', 'quote'] as const
const isLine = (table: string) => (LINES as readonly string[]).includes(table)

interface Reference {
  from: string
  to: string
  /** The column of the other table. */
  at: string
}

interface Table {
  name: string
  key: readonly string[]
  references: readonly Reference[]
}

type Row = Record<string, unknown>

/** What belongs to a row wholly, by the column that names it, where that is not by cascade. */
const WHOLE: Readonly<Record<string, readonly [string, string][]>> = {
  part: [['component', 'assembly']],
  figure: [['figure_part', 'figure']],
  release: [
    ['release_content', 'release'],
    ['case_content', 'release'],
  ],
  outfit: [
    ['take', 'outfit'],
    ['brief', 'outfit'],
    ['reference', 'outfit'],
    ['promise', 'outfit'],
  ],
  take: [
    ['placement', 'take'],
    ['accepted_pin', 'take'],
  ],
  uniform: [['uniform_placement', 'uniform']],
  parcel: [['parcel_line', 'parcel']],
  made_item: [['made_piece', 'item']],
}

/** Tables whose codes stand in texts and lists of other rows, without the database knowing. */
const CODED = ['colour', 'mould', 'print', 'part', 'figure', 'release'] as const

function tablesOf(db: Database.Database): Table[] {
  return archivedTables(db)
    .filter(({ name }) => !BESIDE.test(name))
    .map(({ name }) => {
      const columns = db.prepare('SELECT name, pk FROM pragma_table_info(?)').all(name) as {
        name: string
        pk: number
      }[]
      const references = db
        .prepare('SELECT "from", "table" AS "to", COALESCE("to", \'\') AS at FROM pragma_foreign_key_list(?)')
        .all(name) as Reference[]
      const key = columns.filter(({ pk }) => pk > 0).sort((a, b) => a.pk - b.pk)
      return { name, key: key.map((column) => column.name), references }
    })
}

const keyOf = ({ key }: Table, row: Row) => JSON.stringify(key.map((column) => row[column]))
const keySql = ({ key }: Table) => `json_array(${key.map(quoted).join(', ')})`

/** Write down that everything there is came with the sample world. */
export function markSample(db: Database.Database): void {
  for (const table of tablesOf(db))
    if (!isLine(table.name))
      db.prepare(`INSERT OR IGNORE INTO sample_row SELECT ?, ${keySql(table)} FROM ${quoted(table.name)}`).run(
        table.name,
      )
}

export interface SampleParting {
  /** Rows that go, by table. */
  goes: Map<string, string[]>
  /** Rows of the sample that stay since what is one's own rests on them, by table. */
  stays: Map<string, number>
}

/** What of a workspace goes when the sample world does; null where none came into it. Nothing is changed. */
export function partFromSample(db: Database.Database): SampleParting | null {
  if (!db.prepare('SELECT 1 FROM sample_row LIMIT 1').get()) return null
  const tables = tablesOf(db)
  const known = new Map(tables.map((table) => [table.name, table]))
  const sample = new Map(tables.map(({ name }) => [name, new Set<string>()]))
  for (const { table, key } of db.prepare('SELECT "table", key FROM sample_row').iterate() as Iterable<{
    table: string
    key: string
  }>)
    sample.get(table)?.add(key)
  /** Rows of the sample that are still there, by table and key. */
  const rows = new Map<string, Map<string, Row>>()
  const keep: [Table, Row][] = []
  for (const table of tables) {
    if (isLine(table.name)) continue
    const found = new Map<string, Row>()
    for (const row of db.prepare(`SELECT * FROM ${quoted(table.name)}`).iterate() as Iterable<Row>) {
      const key = keyOf(table, row)
      // A market that is asked goes on telling lists of the sellers it came with.
      const asked =
        table.name === 'quote_sheet' &&
        row['source'] === 'market' &&
        sample.get('seller')!.has(JSON.stringify([row['seller']]))
      if (asked || sample.get(table.name)!.has(key)) found.set(key, row)
      else keep.push([table, row])
    }
    rows.set(table.name, found)
  }
  const listed = new Map(
    keep.flatMap(([{ name }, { seller, date }]) =>
      name === 'quote_sheet' ? [[JSON.stringify([seller, date]), { seller, date }]] : [],
    ),
  )
  for (const { seller, date } of listed.values())
    for (const line of db
      .prepare('SELECT DISTINCT code FROM quote WHERE seller = ? AND date = ?')
      .all(seller, date) as Row[])
      keep.push([{ name: 'quote', key: ['code'], references: [] }, line])
  /** Rows of the sample by one of their columns, made when first asked for. */
  const indices = new Map<string, Map<unknown, Row[]>>()
  const where = (name: string, column: string, value: unknown): Row[] => {
    const at = `${name}.${column}`
    let index = indices.get(at)
    if (!index) {
      index = new Map()
      for (const row of rows.get(name)?.values() ?? []) {
        const list = index.get(row[column])
        if (list) list.push(row)
        else index.set(row[column], [row])
      }
      indices.set(at, index)
    }
    return index.get(value) ?? []
  }
  const stays = new Map<string, Set<string>>()
  const stay = (name: string, row: Row) => {
    const table = known.get(name)!
    const key = keyOf(table, row)
    const already = stays.get(name) ?? new Set()
    if (already.has(key)) return
    stays.set(name, already.add(key))
    keep.push([table, row])
  }
  for (const part of unbalanced(db, sample.get('movement')!))
    for (const row of where('movement', 'part', part)) stay('movement', row)
  for (let next = keep.pop(); next; next = keep.pop()) {
    const [table, row] = next
    for (const { from, to, at } of table.references)
      if (row[from] !== null) for (const other of where(to, at || known.get(to)!.key[0]!, row[from])) stay(to, other)
    for (const [name, column] of WHOLE[table.name] ?? []) {
      const key = row[table.key[0]!]
      for (const other of where(name, column, key)) stay(name, other)
    }
    for (const code of codesIn(row))
      for (const name of CODED) for (const other of where(name, 'code', code)) stay(name, other)
  }
  const goes = new Map<string, string[]>()
  for (const [name, found] of rows) {
    const going = [...found.keys()].filter((key) => !stays.get(name)?.has(key))
    if (going.length > 0) goes.set(name, going)
  }
  return { goes, stays: new Map([...stays].map(([name, keys]) => [name, keys.size])) }
}

/** Parts of which more would have been taken out of a bin than was put in, were movements of the sample not there. */
function unbalanced(db: Database.Database, sample: ReadonlySet<string>): Set<unknown> {
  const sums = new Map<string, { part: unknown; qty: number }>()
  const add = (part: unknown, bin: unknown, condition: unknown, qty: number) => {
    if (bin === null) return
    const key = JSON.stringify([part, bin, condition])
    const sum = sums.get(key) ?? { part, qty: 0 }
    sum.qty += qty
    sums.set(key, sum)
  }
  for (const row of db.prepare('SELECT * FROM movement').iterate() as Iterable<Row>) {
    if (sample.has(JSON.stringify([row['id']]))) continue
    add(row['part'], row['from_bin'], row['condition'], -Number(row['qty']))
    add(row['part'], row['to_bin'], row['condition'], Number(row['qty']))
  }
  return new Set([...sums.values()].filter(({ qty }) => qty < 0).map(({ part }) => part))
}

/** Texts of a row, and those within what it holds as JSON, any of which may be a code of the catalogue. */
function* codesIn(row: Row): Generator<string> {
  for (const value of Object.values(row)) {
    if (typeof value !== 'string' || value === '') continue
    yield value
    if (value[0] === '{' || value[0] === '[') yield* textsIn(parsed(value))
  }
}

function parsed(text: string): unknown {
  try {
    return JSON.parse(text)
  } catch {
    return null
  }
}

function* textsIn(value: unknown): Generator<string> {
  if (typeof value === 'string') yield value
  else if (typeof value === 'object' && value !== null)
    for (const [key, entry] of Object.entries(value)) {
      yield key
      yield* textsIn(entry)
    }
}

/**
 * Take the sample world away, in the transaction that is open with foreign keys deferred and triggers aside; how many rows
 * went. What is one's own stays, and what that rests on.
 */
export function removeSample(db: Database.Database, { goes }: SampleParting): number {
  let gone = 0
  for (const table of tablesOf(db).reverse()) {
    const remove = db.prepare(`DELETE FROM ${quoted(table.name)} WHERE ${keySql(table)} = ?`)
    for (const key of goes.get(table.name) ?? []) gone += remove.run(key).changes
  }
  for (const name of LINES)
    gone += db
      .prepare(
        `DELETE FROM ${quoted(name)} WHERE seller NOT IN (SELECT seller FROM quote_sheet)
           OR code NOT IN (SELECT code FROM part UNION SELECT code FROM figure UNION SELECT code FROM release)`,
      )
      .run().changes
  // What lies where follows from the movements that are left.
  db.exec(`DELETE FROM lying;
    INSERT INTO lying SELECT part, bin, condition, SUM(qty) FROM (
      SELECT part, to_bin AS bin, condition, qty FROM movement WHERE to_bin IS NOT NULL
      UNION ALL SELECT part, from_bin, condition, -qty FROM movement WHERE from_bin IS NOT NULL
    ) GROUP BY part, bin, condition HAVING SUM(qty) <> 0;
    DELETE FROM shown WHERE outfit NOT IN (SELECT id FROM outfit);
    DELETE FROM errand_tick WHERE list NOT IN (SELECT id FROM roster UNION SELECT id FROM job);
    DELETE FROM sample_row;`)
  return gone
}
