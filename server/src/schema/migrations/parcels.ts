import type { MigrationInterface, QueryRunner } from 'typeorm'

/**
 * Parcels as orders that go through states: when they were sent or given up, for whom and from which plan they were
 * ordered; lines may be figures and releases, and say what came of them.
 */
export class Parcels1764500000000 implements MigrationInterface {
  async up(db: QueryRunner): Promise<void> {
    for (const statement of [
      `ALTER TABLE parcel ADD COLUMN sentOn TEXT`,
      `ALTER TABLE parcel ADD COLUMN cancelledOn TEXT`,
      `ALTER TABLE parcel ADD COLUMN note TEXT NOT NULL DEFAULT ''`,
      `ALTER TABLE parcel ADD COLUMN number TEXT NOT NULL DEFAULT ''`,
      `ALTER TABLE parcel ADD COLUMN job TEXT`,
      `ALTER TABLE parcel ADD COLUMN act TEXT REFERENCES act`,
      // What has arrived, or was due long ago, was surely sent.
      `UPDATE parcel SET sentOn = orderedOn`,
      `CREATE INDEX parcel_by_roster ON parcel (roster)`,
      `CREATE TABLE parcel_line_new (
         parcel TEXT NOT NULL REFERENCES parcel ON DELETE CASCADE, line INTEGER NOT NULL,
         kind TEXT NOT NULL DEFAULT 'part' CHECK (kind IN ('part', 'figure', 'release')), code TEXT NOT NULL,
         condition TEXT NOT NULL DEFAULT 'used' CHECK (condition IN ('new', 'used')),
         qty INTEGER NOT NULL CHECK (qty >= 0), price INTEGER NOT NULL CHECK (price >= 0), offer TEXT,
         arrived INTEGER CHECK (arrived >= 0), damaged INTEGER NOT NULL DEFAULT 0 CHECK (damaged >= 0),
         wrong INTEGER NOT NULL DEFAULT 0 CHECK (wrong >= 0), PRIMARY KEY (parcel, line))`,
      `INSERT INTO parcel_line_new (parcel, line, code, qty, price, arrived) SELECT parcel, line, part, qty, price, arrived FROM parcel_line`,
      `DROP TABLE parcel_line`,
      `ALTER TABLE parcel_line_new RENAME TO parcel_line`,
      `CREATE INDEX parcel_line_by_code ON parcel_line (kind, code)`,
      // The cheapest goods of a seller fill parcels up; a market can have a million offers.
      `CREATE INDEX offer_by_step ON offer (seller, price * multiple)`,
    ])
      await db.query(statement)
  }

  async down(db: QueryRunner): Promise<void> {
    for (const statement of [
      `CREATE TABLE parcel_line_old (parcel TEXT NOT NULL REFERENCES parcel ON DELETE CASCADE, line INTEGER NOT NULL, part TEXT NOT NULL REFERENCES part, qty INTEGER NOT NULL CHECK (qty > 0), price INTEGER NOT NULL CHECK (price >= 0), arrived INTEGER CHECK (arrived >= 0), PRIMARY KEY (parcel, line))`,
      `INSERT INTO parcel_line_old SELECT parcel, line, code, qty, price, arrived FROM parcel_line WHERE kind = 'part' AND qty > 0`,
      `DROP TABLE parcel_line`,
      `ALTER TABLE parcel_line_old RENAME TO parcel_line`,
      `DROP INDEX offer_by_step`,
      `DROP INDEX parcel_by_roster`,
      `ALTER TABLE parcel DROP COLUMN act`,
      `ALTER TABLE parcel DROP COLUMN job`,
      `ALTER TABLE parcel DROP COLUMN number`,
      `ALTER TABLE parcel DROP COLUMN note`,
      `ALTER TABLE parcel DROP COLUMN cancelledOn`,
      `ALTER TABLE parcel DROP COLUMN sentOn`,
    ])
      await db.query(statement)
  }
}
