import type { MigrationInterface, QueryRunner } from 'typeorm'

/** What was done, and the rows it changed, so that it can be taken back. */
export class Journal1766000000000 implements MigrationInterface {
  async up(db: QueryRunner): Promise<void> {
    await db.query(
      `CREATE TABLE journal (
         id TEXT PRIMARY KEY, at TEXT NOT NULL, device TEXT NOT NULL, words TEXT NOT NULL, whole INTEGER NOT NULL,
         undoes TEXT, undone TEXT) WITHOUT ROWID`,
    )
    await db.query(
      `CREATE TABLE journal_row (
         entry TEXT NOT NULL REFERENCES journal ON DELETE CASCADE DEFERRABLE INITIALLY DEFERRED,
         "table" TEXT NOT NULL, key TEXT NOT NULL, was TEXT, now TEXT, PRIMARY KEY (entry, "table", key)) WITHOUT ROWID`,
    )
  }

  async down(db: QueryRunner): Promise<void> {
    await db.query('DROP TABLE journal_row')
    await db.query('DROP TABLE journal')
  }
}
