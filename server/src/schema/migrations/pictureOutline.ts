import type { MigrationInterface, QueryRunner } from 'typeorm'

/** Where in a reference picture the character is. */
export class PictureOutline1765600000000 implements MigrationInterface {
  async up(db: QueryRunner): Promise<void> {
    await db.query(`ALTER TABLE reference ADD COLUMN outline text`)
  }

  async down(db: QueryRunner): Promise<void> {
    await db.query(`ALTER TABLE reference DROP COLUMN outline`)
  }
}
