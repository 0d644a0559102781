import type { EntityManager } from 'typeorm'
import type { TableRow } from '@outfit/core/tables'
import type { SheetOutcome } from '@outfit/core/feed'
import type { SheetSource } from '../schema/market.ts'
import type { CollectedRows } from '../tables/tableFollowers.ts'
import { LineCounter } from './lineCounter.ts'

/** What tells a line of a list from the others. */
const LINE = ['kind', 'code', 'seller', 'condition', 'multiple', 'nth'] as const
const line = (table: string) => LINE.map((column) => `${table}.${column}`).join(', ')
const sameLine = (a: string, b: string) => LINE.map((column) => `${a}.${column} = ${b}.${column}`).join(' AND ')

/**
 * Takes quote sheets in: dated lists of what sellers ask. Each line is a quote that holds from its day until the line's next
 * one; the last quotes of a seller are its offers. A whole sheet is all its seller has that day, so that lines it does not
 * name are gone, and only what changed is written down; a partial one says something about the lines it names alone. A sheet
 * of a day that is there already takes its place. Sheets of days gone by change history and no offers.
 *
 * Lines are collected in a temporary table first and put in order there, so that a list of a million is never in memory and
 * is written from one end to the other; all in the caller's transaction.
 */
export class QuoteSheets implements CollectedRows {
  /** How many of the lines are alike. */
  private readonly counter = new LineCounter()
  /** How many lines each sheet has, by day and seller. */
  private readonly sheets = new Map<string, Map<string, number>>()

  private constructor(private readonly db: EntityManager) {}

  /** Make room for lines to come, in the transaction of `db`. */
  static async begin(db: EntityManager): Promise<QuoteSheets> {
    for (const table of ['sheet_row', 'sheet_line', 'sheet_seller'])
      await db.query(`DROP TABLE IF EXISTS temp.${table}`)
    await db.query(
      'CREATE TEMP TABLE sheet_row (date TEXT, kind TEXT, code TEXT, seller TEXT, condition TEXT, multiple INTEGER, nth INTEGER, price INTEGER, currency TEXT, stock INTEGER)',
    )
    return new QuoteSheets(db)
  }

  /** Collect lines; those of one sheet that offer the same are numbered as they come. */
  async collect(rows: readonly TableRow<'offers'>[]): Promise<void> {
    // One prepared statement of the driver: through the query builder a million lines take twice as long.
    const { databaseConnection } = this.db.connection.driver as unknown as { databaseConnection: Prepares }
    const insert = databaseConnection.prepare('INSERT INTO temp.sheet_row VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?)')
    for (const { date, kind, code, seller, condition, multiple, price, currency, stock } of rows) {
      const nth = this.counter.before(`${date} ${kind} ${code} ${seller} ${condition} ${multiple}`)
      insert.run(date, kind, code, seller, condition, multiple, nth, price, currency, stock)
      const sheets = this.sheets.get(date) ?? new Map<string, number>()
      if (sheets.size === 0) this.sheets.set(date, sheets)
      sheets.set(seller, (sheets.get(seller) ?? 0) + 1)
    }
  }

  /**
   * Take in what was collected, day by day. `empty` names sheets that were read and have no line.
   */
  async keep({
    source,
    whole,
    empty = [],
  }: {
    source: SheetSource
    whole: boolean
    empty?: readonly { seller: string; date: string }[]
  }): Promise<SheetOutcome[]> {
    for (const { seller, date } of empty) {
      const sheets = this.sheets.get(date) ?? new Map<string, number>()
      this.sheets.set(date, sheets.set(seller, sheets.get(seller) ?? 0))
    }
    const days = [...this.sheets.keys()].sort()
    const [past] = (await this.db.query('SELECT 1 FROM quote_sheet LIMIT 1')) as object[]
    const note = (date: string) => this.noteSheets(date, source, whole)
    const outcomes =
      !past && days.length === 1 ? await this.keepFirst(days[0]!, note) : await this.keepDays(days, whole, note)
    for (const table of ['sheet_row', 'sheet_line', 'sheet_seller'])
      await this.db.query(`DROP TABLE IF EXISTS temp.${table}`)
    return outcomes
  }

  /** Write down that a day's sheets were read. */
  private async noteSheets(date: string, source: SheetSource, whole: boolean): Promise<void> {
    await this.db.query(
      `INSERT INTO quote_sheet (seller, date, source, whole, lines, readAt)
         SELECT j.key, ?, ?, ?, j.value, ? FROM json_each(?) j WHERE true
         ON CONFLICT (seller, date, source) DO UPDATE SET whole = MAX(whole, excluded.whole), readAt = excluded.readAt,
           lines = CASE WHEN excluded.whole = 1 THEN excluded.lines ELSE MAX(lines, excluded.lines) END`,
      [
        date,
        source,
        whole ? 1 : 0,
        new Date().toISOString(),
        JSON.stringify(Object.fromEntries(this.sheets.get(date)!)),
      ],
    )
  }

  /**
   * The first lists there ever were, all of one day: nothing needs to be looked up, and one sort is enough. Offers are copied
   * from the quotes, whose checks they have passed; their prices are put in order when all are there.
   */
  private async keepFirst(date: string, note: (date: string) => Promise<void>): Promise<SheetOutcome[]> {
    await this.db.query(
      `INSERT INTO quote (${COLUMNS}) SELECT ${line('l')}, l.date, l.price, l.currency, l.stock FROM temp.sheet_row l ORDER BY ${line('l')}`,
    )
    const [{ sql: byStep }] = (await this.db.query("SELECT sql FROM sqlite_master WHERE name = 'offer_by_step'")) as [
      { sql: string },
    ]
    await this.db.query('DROP INDEX offer_by_step')
    await this.db.query('PRAGMA ignore_check_constraints = ON')
    try {
      await this.db.query(
        `INSERT INTO offer (date, ${LINE.join(', ')}, price, currency, stock)
           SELECT l.date, ${line('l')}, l.price, l.currency, l.stock FROM quote l`,
      )
    } finally {
      await this.db.query('PRAGMA ignore_check_constraints = OFF')
    }
    await this.db.query(byStep)
    await note(date)
    return [...this.sheets.get(date)!].sort().map(([seller, lines]) => newcomer(seller, date, lines))
  }

  private async keepDays(
    days: readonly string[],
    whole: boolean,
    note: (date: string) => Promise<void>,
  ): Promise<SheetOutcome[]> {
    await this.db.query(
      `CREATE TEMP TABLE sheet_line (date TEXT, kind TEXT, code TEXT, seller TEXT, condition TEXT, multiple INTEGER, nth INTEGER,
         price INTEGER, currency TEXT, stock INTEGER, PRIMARY KEY (date, kind, code, seller, condition, multiple, nth)) WITHOUT ROWID`,
    )
    await this.db.query('INSERT INTO temp.sheet_line SELECT * FROM temp.sheet_row ORDER BY 1, 2, 3, 4, 5, 6, 7')
    const outcomes: SheetOutcome[] = []
    for (const date of days) {
      await this.nameSellers(date)
      const sellers = (await this.db.query(
        'SELECT seller, lines, known FROM temp.sheet_seller ORDER BY seller',
      )) as Named[]
      if (sellers.some(({ known }) => known)) {
        outcomes.push(...(await this.compare(date, whole, sellers)))
        await breath()
        await this.holdLater(date, whole)
        if (whole) await this.endUnnamed()
        await breath()
        await this.writeQuotes(date, whole)
        await breath()
        await this.writeOffers(date, whole)
      } else {
        // To whoever never quoted before, all is new; nothing needs to be looked up.
        outcomes.push(...sellers.map(({ seller, lines }) => newcomer(seller, date, lines)))
        await this.db.query(
          `INSERT INTO quote (${COLUMNS}) SELECT ${line('l')}, l.date, l.price, l.currency, l.stock FROM temp.sheet_line l WHERE l.date = ?`,
          [date],
        )
        await this.db.query(
          `INSERT INTO offer (date, ${LINE.join(', ')}, price, currency, stock)
             SELECT l.date, ${line('l')}, l.price, l.currency, l.stock FROM temp.sheet_line l WHERE l.date = ?`,
          [date],
        )
      }
      await note(date)
    }
    return outcomes
  }

  /**
   * The sellers of a day's sheets: whether they quoted before, whether this is their newest day, and the next day their
   * whole list was read.
   */
  private async nameSellers(date: string): Promise<void> {
    await this.db.query('DROP TABLE IF EXISTS temp.sheet_seller')
    await this.db.query(
      'CREATE TEMP TABLE sheet_seller (seller TEXT PRIMARY KEY, date TEXT, lines INTEGER, known INTEGER, again INTEGER, newest INTEGER, next TEXT) WITHOUT ROWID',
    )
    await this.db.query(
      `INSERT INTO temp.sheet_seller
         SELECT s.seller, s.date, s.lines,
           EXISTS (SELECT 1 FROM quote_sheet q WHERE q.seller = s.seller),
           EXISTS (SELECT 1 FROM quote_sheet q WHERE q.seller = s.seller AND q.date = s.date),
           NOT EXISTS (SELECT 1 FROM quote_sheet q WHERE q.seller = s.seller AND q.date > s.date),
           (SELECT MIN(q.date) FROM quote_sheet q WHERE q.seller = s.seller AND q.date > s.date AND q.whole = 1)
         FROM (SELECT key AS seller, ? AS date, value AS lines FROM json_each(?)) s`,
      [date, JSON.stringify(Object.fromEntries(this.sheets.get(date)!))],
    )
  }

  /** What a day's sheets change for the sellers. */
  private async compare(date: string, whole: boolean, sellers: readonly Named[]): Promise<SheetOutcome[]> {
    const read = (await this.db.query(
      `SELECT l.seller, COUNT(*) AS lines,
         SUM(l.stock >= l.multiple AND COALESCE(prev.stock < prev.multiple, 1)) AS fresh,
         SUM(COALESCE(prev.stock >= prev.multiple AND l.price > prev.price, 0)) AS dearer,
         SUM(COALESCE(prev.stock >= prev.multiple AND l.price < prev.price, 0)) AS cheaper,
         SUM(COALESCE(prev.stock >= prev.multiple AND l.stock < l.multiple, 0)) AS gone
       FROM temp.sheet_line l CROSS JOIN temp.sheet_seller s ON s.seller = l.seller
       LEFT JOIN quote prev ON s.known AND ${sameLine('prev', 'l')} AND prev.date = ${lastQuote('l', '<= l.date')}
       WHERE l.date = ? GROUP BY l.seller`,
      [date],
    )) as Omit<SheetOutcome, 'date'>[]
    const unnamed = whole
      ? ((await this.db.query(
          `SELECT o.seller, COUNT(*) AS gone FROM temp.sheet_seller s CROSS JOIN offer o ON o.seller = s.seller
           WHERE s.newest AND o.stock >= o.multiple AND ${notNamed('o')} GROUP BY o.seller`,
        )) as { seller: string; gone: number }[])
      : []
    return sellers.map(({ seller }) => {
      const own = read.find((one) => one.seller === seller) ?? { lines: 0, fresh: 0, dearer: 0, cheaper: 0, gone: 0 }
      const gone = own.gone + (unnamed.find((one) => one.seller === seller)?.gone ?? 0)
      return { ...own, seller, date, gone }
    })
  }

  /** Before a sheet of a day gone by is put in: what the next whole sheet left as it was is written down there. */
  private async holdLater(date: string, whole: boolean): Promise<void> {
    const [old] = (await this.db.query('SELECT 1 FROM temp.sheet_seller WHERE next IS NOT NULL LIMIT 1')) as object[]
    if (!old) return
    // Lines that are new that day were not on the next sheet, or they would have a quote of that day.
    await this.db.query(
      `INSERT INTO quote (${COLUMNS})
         SELECT ${line('l')}, s.next, COALESCE(prev.price, l.price), l.currency, COALESCE(prev.stock, 0)
         FROM temp.sheet_line l CROSS JOIN temp.sheet_seller s ON s.seller = l.seller
         LEFT JOIN quote prev ON ${sameLine('prev', 'l')} AND prev.date = ${lastQuote('l', '< s.next')}
         WHERE l.date = ? AND s.next IS NOT NULL ON CONFLICT DO NOTHING`,
      [date],
    )
    if (whole)
      await this.db.query(
        `INSERT INTO quote (${COLUMNS})
           SELECT ${line('q')}, s.next, q.price, q.currency, q.stock
           FROM quote q JOIN temp.sheet_seller s ON s.seller = q.seller
           WHERE s.next IS NOT NULL AND q.date = ${lastQuote('q', '<= s.next')} ON CONFLICT DO NOTHING`,
      )
  }

  /** A whole sheet takes the place of that day's earlier one, and ends what it does not name. */
  private async endUnnamed(): Promise<void> {
    const [again] = (await this.db.query('SELECT 1 FROM temp.sheet_seller WHERE again LIMIT 1')) as object[]
    if (again)
      await this.db.query(
        'DELETE FROM quote WHERE (seller, date) IN (SELECT seller, date FROM temp.sheet_seller WHERE again)',
      )
    await this.db.query(
      `INSERT INTO quote (${COLUMNS})
         SELECT ${line('o')}, s.date, o.price, o.currency, 0 FROM temp.sheet_seller s CROSS JOIN offer o ON o.seller = s.seller
         WHERE s.newest AND NOT s.again AND ${notNamed('o')}`,
    )
    const [old] = (await this.db.query('SELECT 1 FROM temp.sheet_seller WHERE NOT newest OR again LIMIT 1')) as object[]
    if (old)
      await this.db.query(
        `INSERT INTO quote (${COLUMNS})
           SELECT ${line('q')}, s.date, q.price, q.currency, 0 FROM quote q JOIN temp.sheet_seller s ON s.seller = q.seller
           WHERE (NOT s.newest OR s.again) AND q.stock > 0 AND q.date = ${lastQuote('q', '< s.date')} AND ${notNamed('q')}`,
      )
  }

  private async writeQuotes(date: string, whole: boolean): Promise<void> {
    // Only a whole list, read time and again, says mostly what was known.
    const changed = whole
      ? `AND (NOT s.known OR NOT EXISTS (SELECT 1 FROM quote prev WHERE ${sameLine('prev', 'l')} AND prev.date = ${lastQuote('l', '< l.date')} AND prev.price = l.price AND prev.stock = l.stock))`
      : ''
    await this.db.query(
      `INSERT INTO quote (${COLUMNS})
         SELECT ${line('l')}, l.date, l.price, l.currency, l.stock
         FROM temp.sheet_line l CROSS JOIN temp.sheet_seller s ON s.seller = l.seller WHERE l.date = ? ${changed}
         ON CONFLICT (${LINE.join(', ')}, date) DO UPDATE SET price = excluded.price, currency = excluded.currency, stock = excluded.stock`,
      [date],
    )
  }

  /** A line's last quote is its offer. */
  private async writeOffers(date: string, whole: boolean): Promise<void> {
    await this.db.query(
      `INSERT INTO offer (date, ${LINE.join(', ')}, price, currency, stock)
         SELECT l.date, ${line('l')}, l.price, l.currency, l.stock
         FROM temp.sheet_line l CROSS JOIN temp.sheet_seller s ON s.seller = l.seller
         WHERE l.date = ? AND (s.newest OR NOT EXISTS (SELECT 1 FROM quote q WHERE ${sameLine('q', 'l')} AND q.date > s.date))
         ON CONFLICT (${LINE.join(', ')}) DO UPDATE SET date = excluded.date, price = excluded.price, currency = excluded.currency, stock = excluded.stock`,
      [date],
    )
    if (whole)
      await this.db.query(
        `DELETE FROM offer WHERE id IN (
           SELECT o.id FROM temp.sheet_seller s CROSS JOIN offer o ON o.seller = s.seller
           WHERE ${notNamed('o')} AND (s.newest OR NOT EXISTS (SELECT 1 FROM quote q WHERE ${sameLine('q', 'o')} AND q.date > s.date)))`,
      )
  }
}

/** The driver answers at once: between steps that each take a moment, whoever only reads has a turn. */
const breath = () => new Promise(setImmediate)

const newcomer = (seller: string, date: string, lines: number): SheetOutcome => ({
  seller,
  date,
  lines,
  fresh: lines,
  dearer: 0,
  cheaper: 0,
  gone: 0,
})

interface Prepares {
  prepare(statement: string): { run(...values: unknown[]): unknown }
}

/** A seller of a day's sheets, and whether there were any before. */
interface Named {
  seller: string
  lines: number
  known: number
}

const COLUMNS = `${LINE.join(', ')}, date, price, currency, stock`
/** The day of a line's last quote before, or up to, some day. */
const lastQuote = (table: string, when: string) =>
  `(SELECT MAX(x.date) FROM quote x WHERE ${sameLine('x', table)} AND x.date ${when})`
/** The sheet of the seller `s` does not name the line. */
const notNamed = (table: string) =>
  `NOT EXISTS (SELECT 1 FROM temp.sheet_line l WHERE l.date = s.date AND ${sameLine('l', table)})`
