import type { MigrationInterface, QueryRunner } from 'typeorm'

/**
 * The full catalogue: how far an assembly is taken apart for each of its parts, what moulds hold on to and cover, what a
 * case of blind packs holds, photos, wishes for colours that were never made, remembered column mappings, and the words
 * parts are found by.
 */
export class Catalogue1764000000000 implements MigrationInterface {
  async up(db: QueryRunner): Promise<void> {
    for (const statement of [
      `ALTER TABLE mould ADD COLUMN connections TEXT NOT NULL DEFAULT '[]'`,
      `ALTER TABLE mould ADD COLUMN covers TEXT NOT NULL DEFAULT '[]'`,
      `ALTER TABLE component ADD COLUMN level INTEGER NOT NULL DEFAULT 1 CHECK (level BETWEEN 0 AND 5)`,
      // What TAKING_APART of core says of these slots when this migration was written.
      `UPDATE component SET level = CASE WHEN slot IN ('handRight', 'handLeft') THEN 2 WHEN slot IN ('torso', 'armRight', 'armLeft') THEN 3 WHEN slot IN ('hips', 'legRight', 'legLeft') THEN 4 ELSE 1 END`,
      `CREATE TABLE photo (hash TEXT PRIMARY KEY CHECK (length(hash) = 64), width INTEGER NOT NULL CHECK (width > 0), height INTEGER NOT NULL CHECK (height > 0), bytes INTEGER NOT NULL CHECK (bytes > 0))`,
      `ALTER TABLE part ADD COLUMN photo TEXT REFERENCES photo`,
      `ALTER TABLE figure ADD COLUMN photo TEXT REFERENCES photo`,
      `ALTER TABLE "release" ADD COLUMN photo TEXT REFERENCES photo`,
      `CREATE INDEX part_by_mould ON part (mould, code)`,
      `CREATE INDEX part_by_print ON part (print)`,
      `CREATE TABLE case_content ("release" TEXT NOT NULL REFERENCES "release", figure TEXT NOT NULL REFERENCES figure, qty INTEGER NOT NULL CHECK (qty > 0), PRIMARY KEY ("release", figure))`,
      `CREATE INDEX case_content_by_figure ON case_content (figure)`,
      `CREATE TABLE wish (id TEXT PRIMARY KEY, mould TEXT NOT NULL REFERENCES mould, print TEXT REFERENCES print, colour TEXT NOT NULL REFERENCES colour, at TEXT NOT NULL, fulfilled_by TEXT REFERENCES part, fulfilled_at TEXT, seen INTEGER NOT NULL DEFAULT 0 CHECK (seen IN (0, 1)), CHECK ((fulfilled_by IS NULL) = (fulfilled_at IS NULL)))`,
      `CREATE UNIQUE INDEX wish_once ON wish (mould, ifnull(print, ''), colour)`,
      `CREATE TABLE mapping (tableName TEXT NOT NULL, name TEXT NOT NULL, columns TEXT NOT NULL, PRIMARY KEY (tableName, name))`,
      `CREATE VIRTUAL TABLE part_text USING fts5(code, name, words, tokenize = 'unicode61 remove_diacritics 2', prefix = '1 2 3')`,
    ])
      await db.query(statement)
  }

  async down(db: QueryRunner): Promise<void> {
    for (const statement of [
      `DROP TABLE part_text`,
      `DROP TABLE mapping`,
      `DROP TABLE wish`,
      `DROP TABLE case_content`,
      `DROP INDEX part_by_print`,
      `DROP INDEX part_by_mould`,
      `ALTER TABLE "release" DROP COLUMN photo`,
      `ALTER TABLE figure DROP COLUMN photo`,
      `ALTER TABLE part DROP COLUMN photo`,
      `DROP TABLE photo`,
      `ALTER TABLE component DROP COLUMN level`,
      `ALTER TABLE mould DROP COLUMN covers`,
      `ALTER TABLE mould DROP COLUMN connections`,
    ])
      await db.query(statement)
  }
}
