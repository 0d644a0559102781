import type { MigrationInterface, QueryRunner } from 'typeorm'

/** What a list made and changed is kept, so that it can be taken back at any time. */
export class IntakeUndo1765300000000 implements MigrationInterface {
  async up(db: QueryRunner): Promise<void> {
    await db.query(`ALTER TABLE intake ADD COLUMN undo TEXT`)
    await db.query(`ALTER TABLE intake ADD COLUMN taken_back TEXT`)
  }

  async down(db: QueryRunner): Promise<void> {
    await db.query(`ALTER TABLE intake DROP COLUMN taken_back`)
    await db.query(`ALTER TABLE intake DROP COLUMN undo`)
  }
}
