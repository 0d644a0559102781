import type { MigrationInterface, QueryRunner } from 'typeorm'

/** Lists of a person's own that were brought in, and what was said of words in them. */
export class Intake1764900000000 implements MigrationInterface {
  async up(db: QueryRunner): Promise<void> {
    for (const statement of [
      `CREATE TABLE intake (id TEXT PRIMARY KEY, at TEXT NOT NULL, name TEXT NOT NULL, hash TEXT NOT NULL, kind TEXT NOT NULL, "rows" INTEGER NOT NULL, act TEXT REFERENCES act)`,
      `CREATE TABLE intake_answer (key TEXT PRIMARY KEY, answer TEXT NOT NULL)`,
    ])
      await db.query(statement)
  }

  async down(db: QueryRunner): Promise<void> {
    await db.query('DROP TABLE intake_answer')
    await db.query('DROP TABLE intake')
  }
}
