import type { MigrationInterface, QueryRunner } from 'typeorm'

/**
 * Quote sheets: which seller's list was read on which day, and what was asked for each line from a day on. An offer is a
 * line's last quote, so a line is told apart by what it offers, and among lines alike by their number in the list. Target
 * prices, to be told of when they are met.
 */
export class Quotes1764700000000 implements MigrationInterface {
  async up(db: QueryRunner): Promise<void> {
    for (const statement of [
      `ALTER TABLE offer ADD COLUMN nth INTEGER NOT NULL DEFAULT 0 CHECK (nth >= 0)`,
      `UPDATE offer SET nth = (SELECT n FROM (SELECT id AS own, ROW_NUMBER() OVER (PARTITION BY seller, kind, code, condition, multiple ORDER BY id) - 1 AS n FROM offer) WHERE own = offer.id)
       WHERE (seller, kind, code, condition, multiple) IN (SELECT seller, kind, code, condition, multiple FROM offer GROUP BY 1, 2, 3, 4, 5 HAVING COUNT(*) > 1)`,
      `DROP INDEX offer_by_code`,
      `CREATE UNIQUE INDEX offer_by_line ON offer (kind, code, seller, condition, multiple, nth)`,
      `CREATE TABLE quote (
         kind TEXT NOT NULL CHECK (kind IN ('part', 'figure', 'release')), code TEXT NOT NULL, seller TEXT NOT NULL,
         condition TEXT NOT NULL CHECK (condition IN ('new', 'used')), multiple INTEGER NOT NULL CHECK (multiple >= 1),
         nth INTEGER NOT NULL CHECK (nth >= 0), date TEXT NOT NULL, price INTEGER NOT NULL CHECK (price >= 0),
         currency TEXT NOT NULL, stock INTEGER NOT NULL CHECK (stock >= 0),
         PRIMARY KEY (kind, code, seller, condition, multiple, nth, date)) WITHOUT ROWID`,
      `CREATE TABLE quote_sheet (
         seller TEXT NOT NULL REFERENCES seller, date TEXT NOT NULL, source TEXT NOT NULL CHECK (source IN ('table', 'hand', 'market')),
         whole INTEGER NOT NULL CHECK (whole IN (0, 1)), lines INTEGER NOT NULL CHECK (lines >= 0), readAt TEXT NOT NULL,
         PRIMARY KEY (seller, date, source))`,
      `INSERT INTO quote SELECT kind, code, seller, condition, multiple, nth, date, price, currency, stock FROM offer`,
      `INSERT INTO quote_sheet SELECT seller, date, 'table', 0, COUNT(*), date || 'T00:00:00.000Z' FROM offer GROUP BY seller, date`,
      `CREATE TABLE price_target (
         id TEXT PRIMARY KEY, kind TEXT NOT NULL CHECK (kind IN ('part', 'figure', 'release', 'outfit', 'roster')), code TEXT NOT NULL,
         price INTEGER NOT NULL CHECK (price >= 0), setOn TEXT NOT NULL, metOn TEXT, metPrice INTEGER CHECK (metPrice >= 0),
         seen INTEGER NOT NULL DEFAULT 0 CHECK (seen IN (0, 1)), UNIQUE (kind, code))`,
    ])
      await db.query(statement)
  }

  async down(db: QueryRunner): Promise<void> {
    for (const statement of [
      `DROP TABLE price_target`,
      `DROP TABLE quote_sheet`,
      `DROP TABLE quote`,
      `DROP INDEX offer_by_line`,
      `CREATE INDEX offer_by_code ON offer (kind, code)`,
      `ALTER TABLE offer DROP COLUMN nth`,
    ])
      await db.query(statement)
  }
}
