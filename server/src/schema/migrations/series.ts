import type { MigrationInterface, QueryRunner } from 'typeorm'

/** Rosters as numbered series, and their packs once they are sealed. */
export class Series1766400000000 implements MigrationInterface {
  async up(db: QueryRunner): Promise<void> {
    await db.query(`ALTER TABLE roster ADD COLUMN series TEXT`)
    await db.query(`ALTER TABLE roster ADD COLUMN sealed TEXT`)
  }

  async down(db: QueryRunner): Promise<void> {
    await db.query(`ALTER TABLE roster DROP COLUMN sealed`)
    await db.query(`ALTER TABLE roster DROP COLUMN series`)
  }
}
