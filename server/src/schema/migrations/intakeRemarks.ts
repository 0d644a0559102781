import type { MigrationInterface, QueryRunner } from 'typeorm'

/** What lists say of parts that no column is for. */
export class IntakeRemarks1765800000000 implements MigrationInterface {
  async up(db: QueryRunner): Promise<void> {
    await db.query(
      `CREATE TABLE intake_remark (
         intake TEXT NOT NULL REFERENCES intake ON DELETE CASCADE, line INTEGER NOT NULL,
         part TEXT NOT NULL, text TEXT NOT NULL, PRIMARY KEY (intake, line)) WITHOUT ROWID`,
    )
    await db.query('CREATE INDEX intake_remark_by_part ON intake_remark (part)')
  }

  async down(db: QueryRunner): Promise<void> {
    await db.query('DROP TABLE intake_remark')
  }
}
