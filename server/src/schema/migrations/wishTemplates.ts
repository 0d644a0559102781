import type { MigrationInterface, QueryRunner } from 'typeorm'

/** Wishes kept under a name, to begin other briefs with. */
export class WishTemplates1765700000000 implements MigrationInterface {
  async up(db: QueryRunner): Promise<void> {
    await db.query(`CREATE TABLE wish_template (id text PRIMARY KEY, name text NOT NULL UNIQUE, wishes text NOT NULL)`)
  }

  async down(db: QueryRunner): Promise<void> {
    await db.query(`DROP TABLE wish_template`)
  }
}
