import type { MigrationInterface, QueryRunner } from 'typeorm'
import { monotonicFactory } from 'ulid'

const ulid = monotonicFactory()

/** Assemblies that lie in the drawer or were released as one piece are their pieces from now on. */
export class Pieces1765900000000 implements MigrationInterface {
  async up(db: QueryRunner): Promise<void> {
    await inDrawer(db)
    await inFigures(db)
  }

  /** What they lay as before is in the history; there is nothing to put back. */
  async down(): Promise<void> {}
}

async function inDrawer(db: QueryRunner): Promise<void> {
  type Row = { part: string; bin: string; condition: string; qty: number }
  const lying = (await db.query(
    'SELECT part, bin, condition, qty FROM lying WHERE qty > 0 AND part IN (SELECT assembly FROM component) ORDER BY part, bin',
  )) as Row[]
  if (lying.length === 0) return
  const act = ulid()
  const at = new Date().toISOString().slice(0, 10)
  const text = 'what is made of pieces'
  await db.query(
    `INSERT INTO act (id, at, kind, text, reverses, roster, photo) VALUES (?, ?, 'taken-apart', ?, NULL, NULL, NULL)`,
    [act, at, text],
  )
  const move = (part: string, from: string | null, to: string | null, qty: number, condition: string) =>
    db.query(
      'INSERT INTO movement (id, at, part, from_bin, to_bin, qty, reason, act, condition) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?)',
      [ulid(), at, part, from, to, qty, text, act, condition],
    )
  for (const { part, bin, condition, qty } of lying) {
    await move(part, bin, null, qty, condition)
    const pieces = (await db.query('SELECT part FROM component WHERE assembly = ? ORDER BY slot', [part])) as {
      part: string
    }[]
    for (const piece of pieces) await move(piece.part, null, bin, qty, condition)
  }
}

async function inFigures(db: QueryRunner): Promise<void> {
  await db.query(
    `CREATE TEMP TABLE whole_worn AS
       SELECT figure, slot, "order", part FROM figure_part WHERE part IN (SELECT assembly FROM component)`,
  )
  await db.query('DELETE FROM figure_part WHERE part IN (SELECT assembly FROM component)')
  // What else is worn in a place stays.
  await db.query(
    `INSERT OR IGNORE INTO figure_part (figure, slot, "order", part)
       SELECT w.figure, c.slot, 0, c.part FROM temp.whole_worn w JOIN component c ON c.assembly = w.part`,
  )
  await db.query('DROP TABLE temp.whole_worn')
}
