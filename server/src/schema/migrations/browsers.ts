import type { MigrationInterface, QueryRunner } from 'typeorm'

/** What browsers keep for themselves, so that copies have it; and which rows came with the sample world. */
export class Browsers1766200000000 implements MigrationInterface {
  async up(db: QueryRunner): Promise<void> {
    await db.query(
      `CREATE TABLE browser_kept (browser TEXT NOT NULL, name TEXT NOT NULL, value TEXT NOT NULL, at TEXT NOT NULL, PRIMARY KEY (browser, name)) WITHOUT ROWID`,
    )
    await db.query(
      `CREATE TABLE sample_row ("table" TEXT NOT NULL, key TEXT NOT NULL, PRIMARY KEY ("table", key)) WITHOUT ROWID`,
    )
  }

  async down(db: QueryRunner): Promise<void> {
    await db.query(`DROP TABLE browser_kept`)
    await db.query(`DROP TABLE sample_row`)
  }
}
