import type { MigrationInterface, QueryRunner } from 'typeorm'

/** Who carries a part is read from the indexes alone: a plain mitt is on thousands of figures. */
export class Carriers1765000000000 implements MigrationInterface {
  async up(db: QueryRunner): Promise<void> {
    for (const statement of [
      `DROP INDEX figure_part_by_part`,
      `CREATE INDEX figure_part_by_part ON figure_part (part, figure, slot)`,
      `DROP INDEX release_content_by_code`,
      `CREATE INDEX release_content_by_code ON release_content (kind, code, "release", qty)`,
    ])
      await db.query(statement)
  }

  async down(db: QueryRunner): Promise<void> {
    for (const statement of [
      `DROP INDEX figure_part_by_part`,
      `CREATE INDEX figure_part_by_part ON figure_part (part)`,
      `DROP INDEX release_content_by_code`,
      `CREATE INDEX release_content_by_code ON release_content (kind, code)`,
    ])
      await db.query(statement)
  }
}
