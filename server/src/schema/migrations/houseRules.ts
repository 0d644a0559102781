import type { MigrationInterface, QueryRunner } from 'typeorm'

/**
 * House rules as switches of a roster and of single outfits, what is done to a worn part for good, what characters can do,
 * and bins that are an owned figure standing together.
 */
export class HouseRules1764200000000 implements MigrationInterface {
  async up(db: QueryRunner): Promise<void> {
    for (const statement of [
      `ALTER TABLE roster ADD COLUMN switches TEXT NOT NULL DEFAULT '{}'`,
      `ALTER TABLE roster ADD COLUMN version INTEGER NOT NULL DEFAULT 1 CHECK (version > 0)`,
      `ALTER TABLE outfit ADD COLUMN switches TEXT NOT NULL DEFAULT '{}'`,
      `ALTER TABLE outfit ADD COLUMN switchesReason TEXT NOT NULL DEFAULT ''`,
      `ALTER TABLE placement ADD COLUMN altered TEXT`,
      `ALTER TABLE brief ADD COLUMN abilities TEXT NOT NULL DEFAULT '[]'`,
      `ALTER TABLE bin ADD COLUMN figure TEXT REFERENCES figure`,
    ])
      await db.query(statement)
  }

  async down(db: QueryRunner): Promise<void> {
    for (const statement of [
      `ALTER TABLE bin DROP COLUMN figure`,
      `ALTER TABLE brief DROP COLUMN abilities`,
      `ALTER TABLE placement DROP COLUMN altered`,
      `ALTER TABLE outfit DROP COLUMN switchesReason`,
      `ALTER TABLE outfit DROP COLUMN switches`,
      `ALTER TABLE roster DROP COLUMN version`,
      `ALTER TABLE roster DROP COLUMN switches`,
    ])
      await db.query(statement)
  }
}
