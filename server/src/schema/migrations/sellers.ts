import type { MigrationInterface, QueryRunner } from 'typeorm'

/** What is thought of a seller: notes, and whether one likes to buy there or never does. */
export class Sellers1764600000000 implements MigrationInterface {
  async up(db: QueryRunner): Promise<void> {
    await db.query(`ALTER TABLE seller ADD COLUMN notes TEXT`)
    await db.query(
      `ALTER TABLE seller ADD COLUMN standing TEXT NOT NULL DEFAULT 'none' CHECK (standing IN ('none', 'favoured', 'blocked'))`,
    )
  }

  async down(db: QueryRunner): Promise<void> {
    await db.query(`ALTER TABLE seller DROP COLUMN standing`)
    await db.query(`ALTER TABLE seller DROP COLUMN notes`)
  }
}
