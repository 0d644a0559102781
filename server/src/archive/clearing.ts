import type Database from 'better-sqlite3'
import { CLEARABLE, type Clearable } from '@outfit/core/archive'
import { archivedTables, quoted } from './manifest.ts'

/** The tables of each thing that can be cleared by itself. Settings stay, as does what nobody sees. */
const TABLES_OF: Readonly<Record<Clearable, readonly string[]>> = {
  prices: ['offer', 'quote', 'quote_sheet', 'price_target'],
  parcels: ['parcel', 'parcel_line'],
  rosters: [
    'roster',
    'person',
    'outfit',
    'take',
    'placement',
    'brief',
    'reference',
    'wish_template',
    'vote',
    'accepted_pin',
    'uniform',
    'uniform_placement',
    'shown',
    'preference',
    'ballot',
    'ballot_answer',
    'removed',
    'later',
    'errand_tick',
  ],
  drawer: [
    'act',
    'bin',
    'movement',
    'lying',
    'remark',
    'promise',
    'intake',
    'intake_row',
    'intake_remark',
    'intake_answer',
  ],
  sellers: ['seller', 'rate'],
  catalogue: [
    'made_item',
    'made_piece',
    'colour',
    'mould',
    'print',
    'part',
    'component',
    'figure',
    'figure_part',
    'release',
    'release_content',
    'case_content',
    'wish',
    'photo',
    'mapping',
    // Whoever clears the catalogue clears everything; what was done to it goes along.
    'journal',
    'journal_row',
    'browser_kept',
    'sample_row',
  ],
}

/** What would speak of things that are gone. */
export class StillNeeded extends Error {
  constructor(readonly by: readonly Clearable[]) {
    super('still needed')
  }
}

/**
 * Delete all rows of some things, in the transaction that is open with foreign keys deferred; how many. Throws `StillNeeded`
 * where what stays speaks of what would go.
 */
export function clearTables(db: Database.Database, what: readonly Clearable[]): number {
  const gone = new Set(what.flatMap((one) => TABLES_OF[one]))
  let rows = 0
  for (const { name } of archivedTables(db).reverse())
    if (gone.has(name)) rows += db.prepare(`DELETE FROM ${quoted(name)}`).run().changes
  const broken = new Set((db.pragma('foreign_key_check') as { table: string }[]).map(({ table }) => table))
  if (broken.size > 0)
    throw new StillNeeded(CLEARABLE.filter((one) => TABLES_OF[one].some((table) => broken.has(table))))
  return rows
}
