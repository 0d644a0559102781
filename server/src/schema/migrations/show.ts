import type { MigrationInterface, QueryRunner } from 'typeorm'

/** What cards and sheets show, where it was chosen otherwise than usual. */
export class Show1765100000000 implements MigrationInterface {
  async up(db: QueryRunner): Promise<void> {
    await db.query(`ALTER TABLE outfit ADD COLUMN card TEXT`)
    await db.query(`ALTER TABLE roster ADD COLUMN sheet TEXT`)
  }

  async down(db: QueryRunner): Promise<void> {
    await db.query(`ALTER TABLE roster DROP COLUMN sheet`)
    await db.query(`ALTER TABLE outfit DROP COLUMN card`)
  }
}
