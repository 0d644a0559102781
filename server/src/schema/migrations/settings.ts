import type { MigrationInterface, QueryRunner } from 'typeorm'

/** What a workspace has otherwise than usual. */
export class Settings1765200000000 implements MigrationInterface {
  async up(db: QueryRunner): Promise<void> {
    await db.query(`CREATE TABLE setting (name TEXT PRIMARY KEY NOT NULL, value TEXT NOT NULL)`)
  }

  async down(db: QueryRunner): Promise<void> {
    await db.query(`DROP TABLE setting`)
  }
}
