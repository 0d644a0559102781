import type { MigrationInterface, QueryRunner } from 'typeorm'

/** Questions put to others, and their answers. */
export class Ballots1766500000000 implements MigrationInterface {
  async up(db: QueryRunner): Promise<void> {
    await db.query(
      `CREATE TABLE ballot (id TEXT PRIMARY KEY, roster TEXT NOT NULL REFERENCES roster ON DELETE CASCADE, outfit TEXT, title TEXT NOT NULL, question TEXT NOT NULL, way TEXT NOT NULL CHECK (way IN ('pairs', 'stars')), "madeAt" TEXT NOT NULL, candidates TEXT NOT NULL, gone INTEGER NOT NULL DEFAULT 0)`,
    )
    await db.query(
      `CREATE TABLE ballot_answer (ballot TEXT NOT NULL REFERENCES ballot ON DELETE CASCADE, voter TEXT NOT NULL, name TEXT NOT NULL, at TEXT NOT NULL, pairs TEXT NOT NULL, stars TEXT NOT NULL, PRIMARY KEY (ballot, voter))`,
    )
  }

  async down(db: QueryRunner): Promise<void> {
    await db.query(`DROP TABLE ballot_answer`)
    await db.query(`DROP TABLE ballot`)
  }
}
