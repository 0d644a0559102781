import type { MigrationInterface, QueryRunner } from 'typeorm'

/**
 * Outfits in an order of their own on the shelf, uniforms, heads by age, figures that stand built, parcels, what was shown,
 * choices between two outfits, and what was taken off, so that it can be put back.
 */
export class Planning1764300000000 implements MigrationInterface {
  async up(db: QueryRunner): Promise<void> {
    for (const statement of [
      // Outfits used to be ordered within their character; from now on within their roster.
      `UPDATE outfit SET position = (SELECT at FROM (SELECT o.id, ROW_NUMBER() OVER (PARTITION BY p.roster ORDER BY p.position, o.position, o.id) - 1 AS at FROM outfit o JOIN person p ON p.id = o.person) AS placed WHERE placed.id = outfit.id)`,
      `ALTER TABLE outfit ADD COLUMN base TEXT REFERENCES figure`,
      `ALTER TABLE person ADD COLUMN heads TEXT NOT NULL DEFAULT '[]'`,
      `CREATE TABLE uniform (id TEXT PRIMARY KEY, roster TEXT NOT NULL REFERENCES roster ON DELETE CASCADE, name TEXT NOT NULL, version INTEGER NOT NULL CHECK (version > 0), UNIQUE (roster, name))`,
      `CREATE TABLE uniform_placement (uniform TEXT NOT NULL REFERENCES uniform ON DELETE CASCADE, slot TEXT NOT NULL, "order" INTEGER NOT NULL CHECK ("order" >= 0), part TEXT NOT NULL REFERENCES part, turned INTEGER NOT NULL, altered TEXT, PRIMARY KEY (uniform, slot, "order"))`,
      `ALTER TABLE outfit ADD COLUMN uniform TEXT REFERENCES uniform ON DELETE SET NULL`,
      `ALTER TABLE bin ADD COLUMN outfit TEXT REFERENCES outfit ON DELETE SET NULL`,
      `CREATE UNIQUE INDEX bin_one_stand ON bin (outfit) WHERE outfit IS NOT NULL`,
      `CREATE TABLE parcel (id TEXT PRIMARY KEY, roster TEXT REFERENCES roster ON DELETE SET NULL, seller TEXT NOT NULL REFERENCES seller, orderedOn TEXT NOT NULL, expectedOn TEXT NOT NULL, arrivedOn TEXT, currency TEXT NOT NULL, shipping INTEGER NOT NULL CHECK (shipping >= 0), handling INTEGER NOT NULL CHECK (handling >= 0))`,
      `CREATE TABLE parcel_line (parcel TEXT NOT NULL REFERENCES parcel ON DELETE CASCADE, line INTEGER NOT NULL, part TEXT NOT NULL REFERENCES part, qty INTEGER NOT NULL CHECK (qty > 0), price INTEGER NOT NULL CHECK (price >= 0), arrived INTEGER CHECK (arrived >= 0), PRIMARY KEY (parcel, line))`,
      `CREATE TABLE shown (outfit TEXT NOT NULL REFERENCES outfit ON DELETE CASCADE, at TEXT NOT NULL, how TEXT NOT NULL, PRIMARY KEY (outfit, at, how))`,
      `CREATE TABLE preference (roster TEXT NOT NULL REFERENCES roster ON DELETE CASCADE, better TEXT NOT NULL REFERENCES outfit ON DELETE CASCADE, worse TEXT NOT NULL REFERENCES outfit ON DELETE CASCADE, at TEXT NOT NULL, PRIMARY KEY (roster, better, worse), CHECK (better <> worse))`,
      `CREATE TABLE removed (id TEXT PRIMARY KEY, at TEXT NOT NULL, what TEXT NOT NULL, name TEXT NOT NULL, roster TEXT, "rows" TEXT NOT NULL)`,
    ])
      await db.query(statement)
  }

  async down(db: QueryRunner): Promise<void> {
    for (const statement of [
      `DROP TABLE removed`,
      `DROP TABLE preference`,
      `DROP TABLE shown`,
      `DROP TABLE parcel_line`,
      `DROP TABLE parcel`,
      `DROP INDEX bin_one_stand`,
      `ALTER TABLE bin DROP COLUMN outfit`,
      `ALTER TABLE outfit DROP COLUMN uniform`,
      `DROP TABLE uniform_placement`,
      `DROP TABLE uniform`,
      `ALTER TABLE person DROP COLUMN heads`,
      `ALTER TABLE outfit DROP COLUMN base`,
    ])
      await db.query(statement)
  }
}
