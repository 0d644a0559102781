import type { EntityManager, EntityTarget, ObjectLiteral } from 'typeorm'

/** Rows in one INSERT; SQLite takes up to 32,766 variables in a statement. */
const CHUNK = 500

/**
 * Write rows in few statements, replacing what stands under the same key. Columns the rows do not name keep what they
 * hold. All rows must name the same columns. Runs in the transaction of `db`.
 */
export async function writeRows(
  db: EntityManager,
  target: EntityTarget<ObjectLiteral>,
  rows: readonly ObjectLiteral[],
): Promise<void> {
  const [first] = rows
  if (!first) return
  const { tableName, columns, primaryColumns } = db.connection.getMetadata(target)
  const used = columns.filter(({ propertyName }) => propertyName in first)
  const quoted = (name: string) => `"${name}"`
  const changed = used.filter((column) => !primaryColumns.includes(column))
  const sets = changed.map(({ databaseName: name }) => `${quoted(name)} = excluded.${quoted(name)}`)
  const conflict = `ON CONFLICT (${primaryColumns.map((c) => quoted(c.databaseName)).join(', ')}) DO ${sets.length ? `UPDATE SET ${sets.join(', ')}` : 'NOTHING'}`
  const row = `(${used.map(() => '?').join(', ')})`
  for (let from = 0; from < rows.length; from += CHUNK) {
    const chunk = rows.slice(from, from + CHUNK)
    await db.query(
      `INSERT INTO ${quoted(tableName)} (${used.map((c) => quoted(c.databaseName)).join(', ')}) VALUES ${chunk.map(() => row).join(', ')} ${conflict}`,
      chunk.flatMap((entry) =>
        used.map((column) => {
          const value = db.connection.driver.preparePersistentValue(entry[column.propertyName], column) as unknown
          return typeof value === 'boolean' ? Number(value) : value
        }),
      ),
    )
  }
}
