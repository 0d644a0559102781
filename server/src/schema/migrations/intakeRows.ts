import type { MigrationInterface, QueryRunner } from 'typeorm'

/** What a price list changed, row by row, so that it can be taken back. */
export class IntakeRows1765400000000 implements MigrationInterface {
  async up(db: QueryRunner): Promise<void> {
    await db.query(
      `CREATE TABLE intake_row (
         intake TEXT NOT NULL REFERENCES intake ON DELETE CASCADE, "table" TEXT NOT NULL, nth INTEGER NOT NULL,
         was TEXT, now TEXT, CHECK (was IS NOT NULL OR now IS NOT NULL), PRIMARY KEY (intake, "table", nth)) WITHOUT ROWID`,
    )
  }

  async down(db: QueryRunner): Promise<void> {
    await db.query('DROP TABLE intake_row')
  }
}
