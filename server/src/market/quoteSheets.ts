import type { Database } from 'better-sqlite3'
import type { TableRow } from '@outfit/core/tables'
import type { SheetOutcome } from '@outfit/core/feed'
import type { SheetSource } from '../schema/market.ts'
import type { CollectedRows } from '../tables/tableFollowers.ts'
import { LineCounter } from './lineCounter.ts'
import { newcomer, outcomesOf, type Counted, type Gone, type Named } from './sheetOutcomes.ts'

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

  /** Things whose offers are others now, as "kind code"; null where that was not looked for. */
  private touched: Set<string> | null = new Set()
  private ordered = false

  private constructor(private readonly db: Database) {}

  /** Make room for lines to come, in the transaction of `db`. */
  static begin(db: Database): QuoteSheets {
    const sheets = new QuoteSheets(db)
    sheets.clear()
    db.exec(
      'CREATE TEMP TABLE sheet_row (date TEXT, kind TEXT, code TEXT, seller TEXT, condition TEXT, multiple INTEGER, nth INTEGER, price INTEGER, currency TEXT, stock INTEGER)',
    )
    return sheets
  }

  /** Things whose offers what was kept has changed, as "kind code"; null where it may be any. */
  get changed(): ReadonlySet<string> | null {
    return this.touched
  }

  /** Collect lines; those of one sheet that offer the same are numbered as they come. */
  async collect(rows: readonly TableRow<'offers'>[]): Promise<void> {
    const insert = this.db.prepare('INSERT INTO temp.sheet_row VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?)')
    for (const { date, kind, code, seller, condition, multiple, price, currency, stock } of rows) {
      const nth = this.counter.before(`${date} ${kind} ${code} ${seller} ${condition} ${multiple}`)
      insert.run(date, kind, code, seller, condition, multiple, nth, price, currency, stock)
      const sheets = this.sheets.get(date) ?? new Map<string, number>()
      if (sheets.size === 0) this.sheets.set(date, sheets)
      sheets.set(seller, (sheets.get(seller) ?? 0) + 1)
    }
  }

  /** Put what was collected in order, which needs nothing but the lines; `keep` does so where it was not done. */
  order(): void {
    this.ordered = true
    this.db.exec(
      `CREATE TEMP TABLE sheet_line (date TEXT, kind TEXT, code TEXT, seller TEXT, condition TEXT, multiple INTEGER, nth INTEGER,
         price INTEGER, currency TEXT, stock INTEGER, PRIMARY KEY (date, kind, code, seller, condition, multiple, nth)) WITHOUT ROWID`,
    )
    this.run('INSERT INTO temp.sheet_line SELECT * FROM temp.sheet_row ORDER BY 1, 2, 3, 4, 5, 6, 7')
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
    const past = this.any('SELECT 1 FROM quote_sheet')
    const note = (date: string) => this.noteSheets(date, source, whole)
    const outcomes =
      !past && days.length === 1 ? this.keepFirst(days[0]!, note) : await this.keepDays(days, whole, note)
    this.clear()
    return outcomes
  }

  /** Leave nothing in the temporary tables. */
  private clear(): void {
    for (const table of ['row', 'line', 'seller', 'change', 'gone'])
      this.db.exec(`DROP TABLE IF EXISTS temp.sheet_${table}`)
  }

  private run(sql: string, ...values: unknown[]): void {
    this.db.prepare(sql).run(...values)
  }

  private all<T>(sql: string, ...values: unknown[]): T[] {
    return this.db.prepare(sql).all(...values) as T[]
  }

  private any(sql: string): boolean {
    return this.db.prepare(`${sql} LIMIT 1`).get() !== undefined
  }

  /** Write down that a day's sheets were read. */
  private noteSheets(date: string, source: SheetSource, whole: boolean): void {
    this.run(
      `INSERT INTO quote_sheet (seller, date, source, whole, lines, readAt)
         SELECT j.key, ?, ?, ?, j.value, ? FROM json_each(?) j WHERE true
         ON CONFLICT (seller, date, source) DO UPDATE SET whole = MAX(whole, excluded.whole), readAt = excluded.readAt,
           lines = CASE WHEN excluded.whole = 1 THEN excluded.lines ELSE MAX(lines, excluded.lines) END`,
      date,
      source,
      whole ? 1 : 0,
      new Date().toISOString(),
      JSON.stringify(Object.fromEntries(this.sheets.get(date)!)),
    )
  }

  /**
   * The first lists there ever were, all of one day: nothing needs to be looked up, and one sort is enough. Offers are copied
   * from the quotes, whose checks they have passed; their prices are put in order when all are there.
   */
  private keepFirst(date: string, note: (date: string) => void): SheetOutcome[] {
    this.touched = null
    this.run(
      `INSERT INTO quote (${COLUMNS}) SELECT ${line('l')}, l.date, l.price, l.currency, l.stock FROM temp.sheet_row l ORDER BY ${line('l')}`,
    )
    const byStep = this.db.prepare("SELECT sql FROM sqlite_master WHERE name = 'offer_by_step'").pluck().get() as string
    this.db.exec('DROP INDEX offer_by_step')
    this.db.pragma('ignore_check_constraints = ON')
    try {
      this.run(
        `INSERT INTO offer (date, ${LINE.join(', ')}, price, currency, stock)
           SELECT l.date, ${line('l')}, l.price, l.currency, l.stock FROM quote l`,
      )
    } finally {
      this.db.pragma('ignore_check_constraints = OFF')
    }
    this.db.exec(byStep)
    note(date)
    return [...this.sheets.get(date)!].sort().map(([seller, lines]) => newcomer(seller, date, lines))
  }

  private async keepDays(
    days: readonly string[],
    whole: boolean,
    note: (date: string) => void,
  ): Promise<SheetOutcome[]> {
    if (!this.ordered) this.order()
    const outcomes: SheetOutcome[] = []
    for (const date of days) {
      this.nameSellers(date)
      const sellers = this.all<Named>('SELECT * FROM temp.sheet_seller ORDER BY seller')
      if (sellers.every(({ known }) => !known)) outcomes.push(...this.keepNewcomers(date, sellers))
      else if (sellers.every(({ again, newest }) => newest && !again))
        outcomes.push(...(await this.keepNext(date, whole, sellers)))
      else {
        this.touched = null
        outcomes.push(...this.compare(date, whole, sellers))
        await breath()
        this.holdLater(date, whole)
        if (whole) this.endUnnamed()
        await breath()
        this.writeQuotes(date, whole)
        await breath()
        this.writeOffers(date, whole)
      }
      note(date)
    }
    return outcomes
  }

  /** To whoever never quoted before, all is new; nothing needs to be looked up. */
  private keepNewcomers(date: string, sellers: readonly Named[]): SheetOutcome[] {
    this.run(
      `INSERT INTO quote (${COLUMNS}) SELECT ${line('l')}, l.date, l.price, l.currency, l.stock FROM temp.sheet_line l WHERE l.date = ?`,
      date,
    )
    this.run(
      `INSERT INTO offer (date, ${LINE.join(', ')}, price, currency, stock)
         SELECT l.date, ${line('l')}, l.price, l.currency, l.stock FROM temp.sheet_line l WHERE l.date = ?`,
      date,
    )
    this.touch('SELECT DISTINCT kind, code FROM temp.sheet_line WHERE date = ?', date)
    return sellers.map(({ seller, lines }) => newcomer(seller, date, lines))
  }

  /**
   * The next lists of their sellers, of a day later than any before: the offers are the last quotes but for what was ordered
   * since, so that each line is looked up once, by its offer.
   */
  private async keepNext(date: string, whole: boolean, sellers: readonly Named[]): Promise<SheetOutcome[]> {
    this.db.exec('DROP TABLE IF EXISTS temp.sheet_change; DROP TABLE IF EXISTS temp.sheet_gone')
    this.run(
      `CREATE TEMP TABLE sheet_change AS
         SELECT o.id AS offer, ${line('l')}, l.price, l.currency, l.stock, o.price AS wasPrice,
           iif(o.stock = l.stock, l.stock, (
             SELECT q.stock FROM quote q WHERE ${sameLine('q', 'l')} ORDER BY q.date DESC LIMIT 1)) AS wasStock,
           o.id IS NULL OR o.price <> l.price OR o.stock <> l.stock OR o.currency <> l.currency AS changed
         FROM temp.sheet_line l CROSS JOIN temp.sheet_seller s ON s.seller = l.seller
         LEFT JOIN offer o ON s.known AND ${sameLine('o', 'l')} WHERE l.date = ?`,
      date,
    )
    this.db.exec(
      `CREATE TEMP TABLE sheet_gone AS
         SELECT o.id, ${line('o')}, o.price, o.currency, o.stock FROM temp.sheet_seller s CROSS JOIN offer o ON o.seller = s.seller
         WHERE ${Number(whole)} AND o.id NOT IN (SELECT c.offer FROM temp.sheet_change c WHERE c.offer IS NOT NULL)`,
    )
    await breath()
    const read = this.all<Counted>(
      `SELECT c.seller, ${counted('c', 'c.wasPrice', 'c.wasStock')}
       FROM temp.sheet_change c GROUP BY c.seller`,
    )
    const unnamed = this.all<Gone>(
      'SELECT seller, COUNT(*) AS gone FROM temp.sheet_gone WHERE stock >= multiple GROUP BY seller',
    )
    // Only a whole list, read time and again, says mostly what was known.
    this.run(
      `INSERT INTO quote (${COLUMNS})
         SELECT ${line('c')}, ?, c.price, c.currency, c.stock FROM temp.sheet_change c
         WHERE NOT ${Number(whole)} OR c.offer IS NULL OR c.price <> c.wasPrice OR c.stock <> c.wasStock
         UNION ALL SELECT ${line('g')}, ?, g.price, g.currency, 0 FROM temp.sheet_gone g ORDER BY ${LINE.map((_, i) => i + 1).join(', ')}`,
      date,
      date,
    )
    await breath()
    // What a whole list says again is of its day without being written (`offeredOn`): the lines of a seller lie on every page
    // of a large market.
    if (!whole)
      this.run(
        'UPDATE offer SET date = ? WHERE id IN (SELECT c.offer FROM temp.sheet_change c WHERE NOT c.changed)',
        date,
      )
    this.run(
      `UPDATE offer SET date = ?, price = c.price, currency = c.currency, stock = c.stock
         FROM temp.sheet_change c WHERE offer.id = c.offer AND c.changed`,
      date,
    )
    this.run(
      `INSERT INTO offer (date, ${LINE.join(', ')}, price, currency, stock)
         SELECT ?, ${line('c')}, c.price, c.currency, c.stock FROM temp.sheet_change c WHERE c.offer IS NULL`,
      date,
    )
    this.db.exec('DELETE FROM offer WHERE id IN (SELECT id FROM temp.sheet_gone)')
    this.touch('SELECT kind, code FROM temp.sheet_change WHERE changed UNION SELECT kind, code FROM temp.sheet_gone')
    return outcomesOf(date, sellers, read, unnamed)
  }

  /** The things a statement lists have other offers now. */
  private touch(sql: string, ...values: unknown[]): void {
    for (const { kind, code } of this.all<{ kind: string; code: string }>(sql, ...values))
      this.touched?.add(`${kind} ${code}`)
  }

  /**
   * The sellers of a day's sheets: whether they quoted before, whether this is their newest day, and the next day their
   * whole list was read.
   */
  private nameSellers(date: string): void {
    this.db.exec('DROP TABLE IF EXISTS temp.sheet_seller')
    this.run(
      'CREATE TEMP TABLE sheet_seller (seller TEXT PRIMARY KEY, date TEXT, lines INTEGER, known INTEGER, again INTEGER, newest INTEGER, next TEXT) WITHOUT ROWID',
    )
    this.run(
      `INSERT INTO temp.sheet_seller
         SELECT s.seller, s.date, s.lines,
           EXISTS (SELECT 1 FROM quote_sheet q WHERE q.seller = s.seller),
           EXISTS (SELECT 1 FROM quote_sheet q WHERE q.seller = s.seller AND q.date = s.date),
           NOT EXISTS (SELECT 1 FROM quote_sheet q WHERE q.seller = s.seller AND q.date > s.date),
           (SELECT MIN(q.date) FROM quote_sheet q WHERE q.seller = s.seller AND q.date > s.date AND q.whole = 1)
         FROM (SELECT key AS seller, ? AS date, value AS lines FROM json_each(?)) s`,
      date,
      JSON.stringify(Object.fromEntries(this.sheets.get(date)!)),
    )
  }

  /** What a day's sheets change for the sellers. */
  private compare(date: string, whole: boolean, sellers: readonly Named[]): SheetOutcome[] {
    const read = this.all<Counted>(
      `SELECT l.seller, ${counted('l', 'prev.price', 'prev.stock')}
       FROM temp.sheet_line l CROSS JOIN temp.sheet_seller s ON s.seller = l.seller
       LEFT JOIN quote prev ON s.known AND ${sameLine('prev', 'l')} AND prev.date = ${lastQuote('l', '<= l.date')}
       WHERE l.date = ? GROUP BY l.seller`,
      date,
    )
    const unnamed = whole
      ? this.all<Gone>(
          `SELECT o.seller, COUNT(*) AS gone FROM temp.sheet_seller s CROSS JOIN offer o ON o.seller = s.seller
           WHERE s.newest AND o.stock >= o.multiple AND ${notNamed('o')} GROUP BY o.seller`,
        )
      : []
    return outcomesOf(date, sellers, read, unnamed)
  }

  /** Before a sheet of a day gone by is put in: what the next whole sheet left as it was is written down there. */
  private holdLater(date: string, whole: boolean): void {
    if (!this.any('SELECT 1 FROM temp.sheet_seller WHERE next IS NOT NULL')) return
    // Lines that are new that day were not on the next sheet, or they would have a quote of that day.
    this.run(
      `INSERT INTO quote (${COLUMNS})
         SELECT ${line('l')}, s.next, COALESCE(prev.price, l.price), l.currency, COALESCE(prev.stock, 0)
         FROM temp.sheet_line l CROSS JOIN temp.sheet_seller s ON s.seller = l.seller
         LEFT JOIN quote prev ON ${sameLine('prev', 'l')} AND prev.date = ${lastQuote('l', '< s.next')}
         WHERE l.date = ? AND s.next IS NOT NULL ON CONFLICT DO NOTHING`,
      date,
    )
    if (whole)
      this.run(
        `INSERT INTO quote (${COLUMNS})
           SELECT ${line('q')}, s.next, q.price, q.currency, q.stock
           FROM quote q JOIN temp.sheet_seller s ON s.seller = q.seller
           WHERE s.next IS NOT NULL AND q.date = ${lastQuote('q', '<= s.next')} ON CONFLICT DO NOTHING`,
      )
  }

  /** A whole sheet takes the place of that day's earlier one, and ends what it does not name. */
  private endUnnamed(): void {
    if (this.any('SELECT 1 FROM temp.sheet_seller WHERE again'))
      this.run('DELETE FROM quote WHERE (seller, date) IN (SELECT seller, date FROM temp.sheet_seller WHERE again)')
    this.run(
      `INSERT INTO quote (${COLUMNS})
         SELECT ${line('o')}, s.date, o.price, o.currency, 0 FROM temp.sheet_seller s CROSS JOIN offer o ON o.seller = s.seller
         WHERE s.newest AND NOT s.again AND ${notNamed('o')}`,
    )
    if (this.any('SELECT 1 FROM temp.sheet_seller WHERE NOT newest OR again'))
      this.run(
        `INSERT INTO quote (${COLUMNS})
           SELECT ${line('q')}, s.date, q.price, q.currency, 0 FROM quote q JOIN temp.sheet_seller s ON s.seller = q.seller
           WHERE (NOT s.newest OR s.again) AND q.stock > 0 AND q.date = ${lastQuote('q', '< s.date')} AND ${notNamed('q')}`,
      )
  }

  private writeQuotes(date: string, whole: boolean): void {
    // Only a whole list, read time and again, says mostly what was known.
    const changed = whole
      ? `AND (NOT s.known OR NOT EXISTS (SELECT 1 FROM quote prev WHERE ${sameLine('prev', 'l')} AND prev.date = ${lastQuote('l', '< l.date')} AND prev.price = l.price AND prev.stock = l.stock))`
      : ''
    this.run(
      `INSERT INTO quote (${COLUMNS})
         SELECT ${line('l')}, l.date, l.price, l.currency, l.stock
         FROM temp.sheet_line l CROSS JOIN temp.sheet_seller s ON s.seller = l.seller WHERE l.date = ? ${changed}
         ON CONFLICT (${LINE.join(', ')}, date) DO UPDATE SET price = excluded.price, currency = excluded.currency, stock = excluded.stock`,
      date,
    )
  }

  /** A line's last quote is its offer. */
  private writeOffers(date: string, whole: boolean): void {
    this.run(
      `INSERT INTO offer (date, ${LINE.join(', ')}, price, currency, stock)
         SELECT l.date, ${line('l')}, l.price, l.currency, l.stock
         FROM temp.sheet_line l CROSS JOIN temp.sheet_seller s ON s.seller = l.seller
         WHERE l.date = ? AND (s.newest OR NOT EXISTS (SELECT 1 FROM quote q WHERE ${sameLine('q', 'l')} AND q.date > s.date))
         ON CONFLICT (${LINE.join(', ')}) DO UPDATE SET date = excluded.date, price = excluded.price, currency = excluded.currency, stock = excluded.stock`,
      date,
    )
    if (whole)
      this.run(
        `DELETE FROM offer WHERE id IN (
           SELECT o.id FROM temp.sheet_seller s CROSS JOIN offer o ON o.seller = s.seller
           WHERE ${notNamed('o')} AND (s.newest OR NOT EXISTS (SELECT 1 FROM quote q WHERE ${sameLine('q', 'o')} AND q.date > s.date)))`,
      )
  }
}

/** The driver answers at once: between steps that each take a moment, whoever only reads has a turn. */
const breath = () => new Promise(setImmediate)

const COLUMNS = `${LINE.join(', ')}, date, price, currency, stock`
/** What lines say against what they cost before, and how many there were; a line and the one before have the same multiple. */
const counted = (table: string, price: string, stock: string) => {
  const was = `${stock} >= ${table}.multiple`
  return `COUNT(*) AS lines, SUM(${table}.stock >= ${table}.multiple AND COALESCE(${stock} < ${table}.multiple, 1)) AS fresh,
    SUM(COALESCE(${was} AND ${table}.price > ${price}, 0)) AS dearer, SUM(COALESCE(${was} AND ${table}.price < ${price}, 0)) AS cheaper,
    SUM(COALESCE(${was} AND ${table}.stock < ${table}.multiple, 0)) AS gone`
}
/** The day of a line's last quote before, or up to, some day. */
const lastQuote = (table: string, when: string) =>
  `(SELECT MAX(x.date) FROM quote x WHERE ${sameLine('x', table)} AND x.date ${when})`
/** The sheet of the seller `s` does not name the line. */
const notNamed = (table: string) =>
  `NOT EXISTS (SELECT 1 FROM temp.sheet_line l WHERE l.date = s.date AND ${sameLine('l', table)})`
