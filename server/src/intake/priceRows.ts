import type { EntityManager } from 'typeorm'
import { SellerEntity } from '../schema/market.ts'

/** The tables prices are in: what tells their rows apart, and what else they say. */
const TABLES = {
  quote: {
    key: ['kind', 'code', 'seller', 'condition', 'multiple', 'nth', 'date'],
    rest: ['price', 'currency', 'stock'],
  },
  offer: {
    key: ['id'],
    rest: ['date', 'seller', 'kind', 'code', 'condition', 'multiple', 'nth', 'price', 'currency', 'stock'],
  },
  quote_sheet: { key: ['seller', 'date', 'source'], rest: ['whole', 'lines', 'readAt'] },
} as const

const PARTS = Object.entries(TABLES).map(([table, { key, rest }]) => {
  const columns: readonly string[] = [...key, ...rest]
  const own = (alias: string, names: readonly string[] = columns) => names.map((name) => `${alias}.${name}`).join(', ')
  const told = (json: string, names: readonly string[] = columns) =>
    names.map((name) => `json_extract(r.${json}, '$[${columns.indexOf(name)}]')`).join(', ')
  return { table, key, columns, own, told, seller: columns.indexOf('seller') }
})

/** Lists whose rows are kept; of older ones nothing is told any more. */
const LISTS_KEPT = 100

/**
 * Note how the prices of some sellers stand, in the transaction of `db`. What it returns writes down, for a list by its id, every row that
 * was changed since: what is taken back by (`pricesBack`).
 */
export async function pricesBefore(
  db: EntityManager,
  sellers: readonly string[],
): Promise<(list: string) => Promise<void>> {
  const theirs = JSON.stringify(sellers)
  for (const { table, key, columns } of PARTS) {
    await db.query(`DROP TABLE IF EXISTS temp.before_${table}`)
    await db.query(
      `CREATE TEMP TABLE before_${table} (${columns.join(', ')}, PRIMARY KEY (${key.join(', ')})) WITHOUT ROWID`,
    )
    await db.query(
      `INSERT INTO temp.before_${table} SELECT ${columns.join(', ')} FROM ${table}
         WHERE seller IN (SELECT value FROM json_each(?)) ORDER BY ${key.join(', ')}`,
      [theirs],
    )
  }
  return async (list) => {
    for (const { table, key, columns, own } of PARTS) {
      const same = (names: readonly string[]) => names.map((name) => `b.${name} IS n.${name}`).join(' AND ')
      await db.query(
        `INSERT INTO intake_row (intake, "table", nth, was, now)
           SELECT ?, '${table}', ROW_NUMBER() OVER (), was, now FROM (
             SELECT iif(b.${key[0]} IS NULL, NULL, json_array(${own('b')})) AS was, json_array(${own('n')}) AS now
               FROM ${table} n LEFT JOIN temp.before_${table} b ON ${same(key)}
               WHERE n.seller IN (SELECT value FROM json_each(?)) AND (b.${key[0]} IS NULL OR NOT (${same(columns)}))
             UNION ALL
             SELECT json_array(${own('b')}), NULL FROM temp.before_${table} b
               WHERE NOT EXISTS (SELECT 1 FROM ${table} n WHERE ${same(key)}))`,
        [list, theirs],
      )
      await db.query(`DROP TABLE temp.before_${table}`)
    }
    await db.query(
      'DELETE FROM intake_row WHERE intake NOT IN (SELECT id FROM intake ORDER BY at DESC, id DESC LIMIT ?)',
      [LISTS_KEPT],
    )
  }
}

/**
 * Put prices back as they were before a list. Where one of them was changed since, nothing is written and the name of its seller is
 * returned; null when all is as before.
 */
export async function pricesBack(db: EntityManager, list: string): Promise<string | null> {
  const rows = (table: string) => `FROM intake_row r WHERE r.intake = ? AND r."table" = '${table}'`
  for (const { table, key, told, own, seller } of PARTS) {
    const [changed] = (await db.query(
      `SELECT json_extract(COALESCE(r.now, r.was), '$[${seller}]') AS seller ${rows(table)} AND iif(r.now IS NULL,
         EXISTS (SELECT 1 FROM ${table} x WHERE (${own('x', key)}) = (${told('was', key)})),
         NOT EXISTS (SELECT 1 FROM ${table} x WHERE (${own('x')}) = (${told('now')}))) LIMIT 1`,
      [list],
    )) as { seller: string }[]
    if (changed) return (await db.findOneBy(SellerEntity, { code: changed.seller }))?.name ?? changed.seller
  }
  for (const { table, key, columns, told } of PARTS) {
    await db.query(
      `DELETE FROM ${table} WHERE (${key.join(', ')}) IN (SELECT ${told('now', key)} ${rows(table)} AND r.now IS NOT NULL)`,
      [list],
    )
    await db.query(
      `INSERT INTO ${table} (${columns.join(', ')}) SELECT ${told('was')} ${rows(table)} AND r.was IS NOT NULL`,
      [list],
    )
  }
  await db.query('DELETE FROM intake_row WHERE intake = ?', [list])
  return null
}
