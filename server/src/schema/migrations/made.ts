import type { MigrationInterface, QueryRunner } from 'typeorm'

/** Things made of several parts, and which of them a worn piece is part of. */
export class Made1766600000000 implements MigrationInterface {
  async up(db: QueryRunner): Promise<void> {
    for (const statement of [
      `CREATE TABLE made_item (id TEXT PRIMARY KEY, name TEXT NOT NULL UNIQUE, wornAs TEXT NOT NULL, what TEXT NOT NULL, credit TEXT NOT NULL, note TEXT NOT NULL, height REAL NOT NULL CHECK (height >= 0), bands TEXT NOT NULL, version INTEGER NOT NULL CHECK (version > 0))`,
      `CREATE TABLE made_piece (item TEXT NOT NULL REFERENCES made_item ON DELETE CASCADE, position INTEGER NOT NULL CHECK (position >= 0), part TEXT NOT NULL REFERENCES part, x REAL NOT NULL, y REAL NOT NULL, turn REAL NOT NULL, mirrored INTEGER NOT NULL, front INTEGER NOT NULL, PRIMARY KEY (item, position))`,
      `CREATE INDEX made_piece_by_part ON made_piece (part)`,
      `ALTER TABLE placement ADD COLUMN made TEXT`,
      `ALTER TABLE uniform_placement ADD COLUMN made TEXT`,
    ])
      await db.query(statement)
  }

  async down(db: QueryRunner): Promise<void> {
    for (const statement of [
      `ALTER TABLE uniform_placement DROP COLUMN made`,
      `ALTER TABLE placement DROP COLUMN made`,
      `DROP TABLE made_piece`,
      `DROP TABLE made_item`,
    ])
      await db.query(statement)
  }
}
