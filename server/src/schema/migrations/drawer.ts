import type { MigrationInterface, QueryRunner } from 'typeorm'

/**
 * The drawer as a place: bins with a position and a size, trays within trays, what was lent; movements grouped into acts
 * that can be reversed; what lies where, kept by the database itself; remarks about single parts; promises.
 */
export class Drawer1764400000000 implements MigrationInterface {
  async up(db: QueryRunner): Promise<void> {
    for (const statement of [
      `ALTER TABLE bin ADD COLUMN parent TEXT REFERENCES bin`,
      `ALTER TABLE bin ADD COLUMN x INTEGER CHECK (x >= 0)`,
      `ALTER TABLE bin ADD COLUMN y INTEGER CHECK (y >= 0)`,
      `ALTER TABLE bin ADD COLUMN w INTEGER CHECK (w >= 1)`,
      `ALTER TABLE bin ADD COLUMN h INTEGER CHECK (h >= 1)`,
      `ALTER TABLE bin ADD COLUMN holder TEXT`,
      `CREATE TABLE act (id TEXT PRIMARY KEY, at TEXT NOT NULL, kind TEXT NOT NULL, text TEXT NOT NULL, reverses TEXT UNIQUE REFERENCES act, roster TEXT REFERENCES roster ON DELETE SET NULL, photo TEXT)`,
      `ALTER TABLE movement ADD COLUMN act TEXT REFERENCES act`,
      `ALTER TABLE movement ADD COLUMN condition TEXT NOT NULL DEFAULT 'used' CHECK (condition IN ('new', 'used'))`,
      // What was moved before there were acts: what was done on one day for one reason was one act.
      `CREATE INDEX movement_by_reason ON movement (at, reason)`,
      `INSERT INTO act (id, at, kind, text) SELECT MIN(id), at, CASE WHEN reason LIKE 'built %' THEN 'built' WHEN reason LIKE 'taken apart%' THEN 'taken-apart' ELSE 'imported' END, reason FROM movement GROUP BY at, reason`,
      `UPDATE movement SET act = (SELECT MIN(one.id) FROM movement one WHERE one.at = movement.at AND one.reason = movement.reason)`,
      `DROP INDEX movement_by_reason`,
      `CREATE INDEX movement_by_act ON movement (act)`,
      `CREATE INDEX movement_by_to ON movement (to_bin)`,
      `CREATE INDEX movement_by_from ON movement (from_bin)`,
      `CREATE TABLE lying (part TEXT NOT NULL REFERENCES part, bin TEXT NOT NULL REFERENCES bin, condition TEXT NOT NULL, qty INTEGER NOT NULL CHECK (qty >= 0), PRIMARY KEY (part, bin, condition)) WITHOUT ROWID`,
      `CREATE INDEX lying_by_bin ON lying (bin)`,
      `INSERT INTO lying SELECT part, bin, condition, SUM(qty) FROM (
         SELECT part, to_bin AS bin, condition, qty FROM movement WHERE to_bin IS NOT NULL
         UNION ALL SELECT part, from_bin, condition, -qty FROM movement WHERE from_bin IS NOT NULL
       ) GROUP BY part, bin, condition HAVING SUM(qty) > 0`,
      // What lies where is the sum of movements at any moment, since every movement carries its own change along.
      `CREATE TRIGGER movement_lies AFTER INSERT ON movement BEGIN
         INSERT INTO lying SELECT NEW.part, NEW.from_bin, NEW.condition, 0 WHERE NEW.from_bin IS NOT NULL AND NOT EXISTS (SELECT 1 FROM lying WHERE part = NEW.part AND bin = NEW.from_bin AND condition = NEW.condition);
         INSERT INTO lying SELECT NEW.part, NEW.to_bin, NEW.condition, 0 WHERE NEW.to_bin IS NOT NULL AND NOT EXISTS (SELECT 1 FROM lying WHERE part = NEW.part AND bin = NEW.to_bin AND condition = NEW.condition);
         UPDATE lying SET qty = qty + NEW.qty WHERE part = NEW.part AND bin = NEW.to_bin AND condition = NEW.condition;
         UPDATE lying SET qty = qty - NEW.qty WHERE part = NEW.part AND bin = NEW.from_bin AND condition = NEW.condition;
         DELETE FROM lying WHERE part = NEW.part AND bin IN (NEW.from_bin, NEW.to_bin) AND condition = NEW.condition AND qty = 0;
       END`,
      `CREATE TRIGGER movement_stays BEFORE UPDATE ON movement BEGIN SELECT RAISE(ABORT, 'movements are only ever added'); END`,
      `CREATE TRIGGER movement_kept BEFORE DELETE ON movement BEGIN SELECT RAISE(ABORT, 'movements are only ever added'); END`,
      `CREATE TABLE remark (id TEXT PRIMARY KEY, at TEXT NOT NULL, part TEXT REFERENCES part, outfit TEXT REFERENCES outfit ON DELETE SET NULL, kind TEXT NOT NULL CHECK (kind IN ('misprint', 'fault', 'photo', 'note')), text TEXT NOT NULL, photo TEXT)`,
      `CREATE TABLE promise (outfit TEXT NOT NULL REFERENCES outfit ON DELETE CASCADE, part TEXT NOT NULL REFERENCES part, qty INTEGER NOT NULL CHECK (qty > 0), PRIMARY KEY (outfit, part))`,
    ])
      await db.query(statement)
  }

  async down(db: QueryRunner): Promise<void> {
    for (const statement of [
      `DROP TABLE promise`,
      `DROP TABLE remark`,
      `DROP TRIGGER movement_kept`,
      `DROP TRIGGER movement_stays`,
      `DROP TRIGGER movement_lies`,
      `DROP TABLE lying`,
      `DROP INDEX movement_by_from`,
      `DROP INDEX movement_by_to`,
      `DROP INDEX movement_by_act`,
      `ALTER TABLE movement DROP COLUMN condition`,
      `ALTER TABLE movement DROP COLUMN act`,
      `DROP TABLE act`,
      `ALTER TABLE bin DROP COLUMN holder`,
      `ALTER TABLE bin DROP COLUMN h`,
      `ALTER TABLE bin DROP COLUMN w`,
      `ALTER TABLE bin DROP COLUMN y`,
      `ALTER TABLE bin DROP COLUMN x`,
      `ALTER TABLE bin DROP COLUMN parent`,
    ])
      await db.query(statement)
  }
}
