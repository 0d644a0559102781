import type { MigrationInterface, QueryRunner } from 'typeorm'

/**
 * What an outfit must show, its reference pictures, why a take was chosen and who votes for which, and the list of what is
 * put off until a part or an offer comes.
 */
export class Briefs1764100000000 implements MigrationInterface {
  async up(db: QueryRunner): Promise<void> {
    for (const statement of [
      `CREATE TABLE brief (outfit TEXT PRIMARY KEY REFERENCES outfit ON DELETE CASCADE, wishes TEXT NOT NULL, statureWeight TEXT NOT NULL, years INTEGER CHECK (years >= 0), avoid TEXT NOT NULL, notes TEXT NOT NULL, credits TEXT NOT NULL, version INTEGER NOT NULL CHECK (version > 0))`,
      `CREATE TABLE reference (id TEXT PRIMARY KEY, person TEXT NOT NULL REFERENCES person ON DELETE CASCADE, outfit TEXT REFERENCES outfit ON DELETE CASCADE, photo TEXT NOT NULL REFERENCES photo, caption TEXT NOT NULL)`,
      `CREATE INDEX reference_by_person ON reference (person)`,
      `ALTER TABLE take ADD COLUMN reason TEXT NOT NULL DEFAULT ''`,
      `CREATE TABLE vote (outfit TEXT NOT NULL REFERENCES outfit ON DELETE CASCADE, voter TEXT NOT NULL CHECK (voter <> ''), take TEXT NOT NULL REFERENCES take ON DELETE CASCADE, PRIMARY KEY (outfit, voter))`,
      `CREATE TABLE accepted_pin (take TEXT NOT NULL REFERENCES take ON DELETE CASCADE, pin TEXT NOT NULL, cause TEXT NOT NULL, reason TEXT NOT NULL CHECK (reason <> ''), PRIMARY KEY (take, pin))`,
      `CREATE TABLE later (id TEXT PRIMARY KEY, outfit TEXT REFERENCES outfit ON DELETE CASCADE, place TEXT, note TEXT NOT NULL, mould TEXT REFERENCES mould, print TEXT REFERENCES print, colour TEXT REFERENCES colour, part TEXT REFERENCES part, atMost INTEGER CHECK (atMost >= 0), at TEXT NOT NULL, answer TEXT, answeredAt TEXT, done INTEGER NOT NULL DEFAULT 0 CHECK (done IN (0, 1)), CHECK ((answer IS NULL) = (answeredAt IS NULL)), CHECK ((mould IS NULL) = (colour IS NULL)))`,
    ])
      await db.query(statement)
  }

  async down(db: QueryRunner): Promise<void> {
    for (const statement of [
      `DROP TABLE later`,
      `DROP TABLE accepted_pin`,
      `DROP TABLE vote`,
      `ALTER TABLE take DROP COLUMN reason`,
      `DROP INDEX reference_by_person`,
      `DROP TABLE reference`,
      `DROP TABLE brief`,
    ])
      await db.query(statement)
  }
}
