import type { MigrationInterface, QueryRunner } from 'typeorm'

const columns = (id: string) => `
  ${id}, date TEXT NOT NULL, seller TEXT NOT NULL REFERENCES seller,
  kind TEXT NOT NULL CHECK (kind IN ('part', 'figure', 'release')), code TEXT NOT NULL,
  condition TEXT NOT NULL CHECK (condition IN ('new', 'used')), price INTEGER NOT NULL CHECK (price >= 0),
  currency TEXT NOT NULL, stock INTEGER NOT NULL CHECK (stock >= 0), multiple INTEGER NOT NULL CHECK (multiple >= 1),
  nth INTEGER NOT NULL DEFAULT 0 CHECK (nth >= 0)`
const LINE = 'kind, code, seller, condition, multiple, nth'

/**
 * Offers are numbered instead of named by a text of 26 letters: a list of a million is written in two thirds of the time.
 * A number is never given again, as an order that is given up goes back to the offer it was taken from.
 */
export class NumberedOffers1764800000000 implements MigrationInterface {
  up(db: QueryRunner): Promise<void> {
    return rebuild(db, 'id INTEGER PRIMARY KEY AUTOINCREMENT', 'INTEGER', {
      columns: `date, ${LINE}, price, currency, stock`,
      values: `date, ${LINE}, price, currency, stock`,
    })
  }

  down(db: QueryRunner): Promise<void> {
    return rebuild(db, 'id TEXT PRIMARY KEY', 'TEXT', {
      columns: `id, date, ${LINE}, price, currency, stock`,
      values: `printf('%026d', id), date, ${LINE}, price, currency, stock`,
    })
  }
}

/** The table anew with other ids, and the lines of parcels that name them. */
async function rebuild(
  db: QueryRunner,
  id: string,
  type: string,
  copy: { columns: string; values: string },
): Promise<void> {
  for (const statement of [
    `CREATE TABLE offer_new (${columns(id)})`,
    `INSERT INTO offer_new (${copy.columns}) SELECT ${copy.values} FROM offer ORDER BY ${LINE}`,
    `CREATE UNIQUE INDEX offer_new_by_line ON offer_new (${LINE})`,
    `ALTER TABLE parcel_line ADD COLUMN offer_new ${type}`,
    `UPDATE parcel_line SET offer_new = (SELECT n.id FROM offer o JOIN offer_new n USING (${LINE}) WHERE o.id = parcel_line.offer)`,
    `ALTER TABLE parcel_line DROP COLUMN offer`,
    `ALTER TABLE parcel_line RENAME COLUMN offer_new TO offer`,
    `DROP TABLE offer`,
    `DROP INDEX offer_new_by_line`,
    `ALTER TABLE offer_new RENAME TO offer`,
    `CREATE UNIQUE INDEX offer_by_line ON offer (${LINE})`,
    `CREATE INDEX offer_by_step ON offer (seller, price * multiple)`,
  ])
    await db.query(statement)
}
