import type { MigrationInterface, QueryRunner } from 'typeorm'

/** What was fetched of what is on the lists one takes along. */
export class Errands1766300000000 implements MigrationInterface {
  async up(db: QueryRunner): Promise<void> {
    await db.query(
      `CREATE TABLE errand_tick (list TEXT NOT NULL, id TEXT NOT NULL, got INTEGER NOT NULL, at TEXT NOT NULL, PRIMARY KEY (list, id)) WITHOUT ROWID`,
    )
  }

  async down(db: QueryRunner): Promise<void> {
    await db.query(`DROP TABLE errand_tick`)
  }
}
