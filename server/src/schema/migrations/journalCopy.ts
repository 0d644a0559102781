import type { MigrationInterface, QueryRunner } from 'typeorm'

/** The copy of everything that was kept before something was done. */
export class JournalCopy1766100000000 implements MigrationInterface {
  async up(db: QueryRunner): Promise<void> {
    await db.query('ALTER TABLE journal ADD COLUMN copy TEXT')
  }

  async down(db: QueryRunner): Promise<void> {
    await db.query('ALTER TABLE journal DROP COLUMN copy')
  }
}
