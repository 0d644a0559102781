import { Injectable } from '@nestjs/common'
import type { EntityManager } from 'typeorm'
import { monotonicFactory } from 'ulid'
import {
  madeMoulds,
  newCode,
  newColour,
  type KnownThings,
  type ListedRow,
  type ReadList,
  type IntakeMode,
  type IntakeResult,
} from '@outfit/core/intake'
import { decimalMoney, homeCurrency, OPEN_TERMS, worthIn } from '@outfit/core/market'
import { Problem } from '../base/problem.ts'
import { componentsIn } from '../tables/componentsIn.ts'
import { QuoteService } from '../market/quoteService.ts'
import { ColourEntity } from '../schema/catalogue.ts'
import { ActEntity, BinEntity, LyingEntity, MovementEntity } from '../schema/drawer.ts'
import type { IntakeUndo } from '../schema/intake.ts'
import { RateEntity, SellerEntity } from '../schema/market.ts'
import { TableFollowers } from '../tables/tableFollowers.ts'
import { writeRows } from '../tables/tableWriter.ts'
import { writeColours, writeSellers } from './entryWriter.ts'
import { pricesBefore } from './priceRows.ts'
import { SetMaker } from './setMaker.ts'
import { ownMoulds, PartMaker, type Palette } from './partMaker.ts'
import { undoOf } from './undoOf.ts'
import { setsAs } from './setsAs.ts'

const ulid = monotonicFactory()

/** What came of a list, with what is needed to take it back. */
type WrittenList = Omit<IntakeResult, 'id'> & {
  undo: IntakeUndo | null
  /** What its lines say besides, where no history tells it. */
  remarks?: { line: number; part: string; text: string }[]
  /** Writes down which rows were changed, once the list has its entry. */
  keepRows?: (list: string) => Promise<void>
}

export interface ListToWrite {
  name: string
  list: ReadList
  known: KnownThings
  mode: IntakeMode
  /** What a unit of a currency is worth in the home currency. */
  rates: Readonly<Record<string, number>>
  today: string
}

/** Where parts go whose list says no place. */
export const UNSORTED = { code: 'B-unsorted', name: 'Not sorted yet' }
const LONGEST_REASON = 1000

/** Writes what a list says: what is new is made, and all of it is moved or offered, in the transaction of the caller. */
@Injectable()
export class ListWriter {
  constructor(
    private readonly followers: TableFollowers,
    private readonly quotes: QuoteService,
  ) {}

  /** Write a list that was read, inside a transaction; what came of it row by row, by which it can be taken back. */
  async write(db: EntityManager, { name, list, known, mode, rates, today }: ListToWrite): Promise<WrittenList> {
    const { rows } = list
    if (list.kind === 'sellers' || list.kind === 'colours') return this.writeEntries(db, list, rates, today)
    const palette = paletteOf(list, known)
    const colours = await this.makeColours(db, list, palette)
    const moulds = [...known.moulds, ...madeMoulds(list.unknown)]
    await ownMoulds(db, new Set(rows.map(({ part }) => part.mould)), moulds)
    const parts = new PartMaker(db, moulds, palette)
    const codes = new Map<ListedRow, string>()
    for (const row of rows) codes.set(row, await parts.codeOf(row.part))
    await this.followers.written(db, 'parts', parts.made)
    const codeOf = (row: ListedRow) => codes.get(row)!
    const sum = {
      rows: rows.length,
      parts: rows.reduce((all, { count }) => all + count, 0),
      sets: { releases: [], figures: [], there: [] },
      entries: { made: [], changed: [], same: 0 },
      undo: null,
    }
    if (list.kind === 'sets') {
      await this.keepRates(db, currenciesIn(rows), firstDay(rows, today), rates)
      const sets = await new SetMaker(db, moulds, today).make(rows, codeOf)
      const { releases, figures } = sets
      return {
        ...sum,
        act: null,
        made: { parts: parts.made.length, bins: 0, sellers: 0, colours },
        sets,
        remarks: remarksOf(rows, codeOf),
        undo: releases.length === 0 ? null : undoOf({ releases, figures, as: await setsAs(db, sets) }),
      }
    }
    if (list.kind === 'prices') {
      await this.keepRates(db, currenciesIn(rows), firstDay(rows, today), rates)
      const keepRows = await pricesBefore(db, [...new Set(rows.flatMap(({ seller }) => seller ?? []))])
      const sellers = await this.offer(db, list, codeOf, today)
      const made = { parts: parts.made.length, bins: 0, sellers: sellers.length, colours }
      return {
        ...sum,
        act: null,
        made,
        undo: undoOf({ sellers: { made: sellers, changed: [] } }),
        remarks: remarksOf(rows, codeOf),
        keepRows,
      }
    }
    const bins = await this.makeBins(db, list)
    const act = await this.move(db, { name, rows, codeOf, mode, today })
    return { ...sum, act, made: { parts: parts.made.length, bins, sellers: 0, colours } }
  }

  /** Sellers or colours: those there are take what the list says, others are made. */
  private async writeEntries(
    db: EntityManager,
    { kind, entries: listed }: ReadList,
    rates: Readonly<Record<string, number>>,
    today: string,
  ): Promise<WrittenList> {
    const sellers = listed.filter((entry) => entry.what === 'seller')
    const colours = listed.filter((entry) => entry.what === 'colour')
    await this.keepRates(db, [...new Set(sellers.map(({ currency }) => currency))], today, rates)
    const written = kind === 'sellers' ? await writeSellers(db, sellers) : await writeColours(db, colours)
    const { made, changed, same } = written
    return {
      act: null,
      rows: listed.length,
      parts: 0,
      made: { parts: 0, bins: 0, sellers: 0, colours: 0, [kind]: made.length },
      sets: { releases: [], figures: [], there: [] },
      entries: { made: made.map(({ name }) => name), changed: changed.map(({ now }) => now.name), same },
      undo: made.length + changed.length === 0 ? null : undoOf({ [kind]: { made, changed } }),
    }
  }

  /** Colours of the starter shelf that are spoken of become the workspace's own, as do new ones. */
  private async makeColours(db: EntityManager, { rows }: ReadList, palette: Palette): Promise<number> {
    const there = new Set((await db.find(ColourEntity, { select: { code: true } })).map(({ code }) => code))
    const wanted = [...new Set(rows.map(({ part }) => part.colour))].filter((code) => !there.has(code))
    await writeRows(
      db,
      ColourEntity,
      wanted.map((code) => palette.get(code)!),
    )
    return wanted.length
  }

  private async makeBins(db: EntityManager, { rows, unknown }: ReadList): Promise<number> {
    const used = new Set(rows.map(({ bin }) => bin))
    const made = unknown.flatMap(({ what, words, answer }) =>
      what === 'bin' && 'make' in answer && used.has(newCode('bin', answer.make))
        ? [{ code: newCode('bin', answer.make), name: words }]
        : [],
    )
    if (rows.some(({ bin }) => bin === null)) made.push(UNSORTED)
    let count = 0
    for (const bin of made)
      if (!(await db.existsBy(BinEntity, { code: bin.code }))) {
        await db.insert(BinEntity, { ...bin, figure: null, outfit: null, parent: null, holder: null })
        count += 1
      }
    return count
  }

  /** Move what the rows say into its bins, or so much that there is what they say. */
  private async move(
    db: EntityManager,
    {
      name,
      rows,
      codeOf,
      mode,
      today,
    }: {
      name: string
      rows: readonly ListedRow[]
      codeOf: (row: ListedRow) => string
      mode: IntakeMode
      today: string
    },
  ): Promise<string | null> {
    const act = ulid()
    const movements: Omit<MovementEntity, 'act'>[] = []
    const piecesOf = await componentsIn(db, rows.map(codeOf))
    const wanted = new Map<string, { part: string; bin: string; condition: 'new' | 'used'; qty: number }>()
    for (const row of rows)
      for (const [part, times] of piecesOf(codeOf(row))) {
        const bin = row.bin ?? UNSORTED.code
        const condition = row.condition ?? 'used'
        const key = `${part} ${bin} ${condition}`
        const qty = row.count * times
        wanted.set(key, { part, bin, condition, qty: (wanted.get(key)?.qty ?? 0) + qty })
        if (mode === 'add' && qty > 0)
          movements.push({
            id: ulid(),
            at: row.date ?? today,
            part,
            from: null,
            to: bin,
            qty,
            condition,
            reason: reasonOf(name, row),
          })
      }
    if (mode === 'set')
      for (const { part, bin, condition, qty } of wanted.values()) {
        const there = (await db.findOneBy(LyingEntity, { part, bin, condition }))?.qty ?? 0
        const more = qty - there
        if (more !== 0)
          movements.push({
            id: ulid(),
            at: today,
            part,
            from: more < 0 ? bin : null,
            to: more < 0 ? null : bin,
            qty: Math.abs(more),
            condition,
            reason: `${name}: ${qty} instead of ${there}`,
          })
      }
    if (movements.length === 0) return null
    await db.insert(ActEntity, {
      id: act,
      at: today,
      kind: 'imported',
      text: name,
      reverses: null,
      roster: null,
      photo: null,
    })
    await writeRows(
      db,
      MovementEntity,
      movements.map((movement) => ({ ...movement, act })),
    )
    return act
  }

  /** A price in money of no known worth would mean nothing anywhere; it holds from the day the list begins with. */
  private async keepRates(
    db: EntityManager,
    currencies: readonly string[],
    date: string,
    rates: Readonly<Record<string, number>>,
  ): Promise<void> {
    for (const currency of await unratedIn(db, currencies, date)) {
      const rate = rates[currency]
      if (rate === undefined)
        throw new Problem(400, `Say what 1 ${currency} is worth in ${homeCurrency()}. Nothing was written.`, [
          { field: `rates.${currency}`, message: 'is missing' },
        ])
      await db.insert(RateEntity, { date, from: currency, to: homeCurrency(), rate })
    }
  }

  /** Offer what the rows say; the sellers that were new. */
  private async offer(
    db: EntityManager,
    { rows, unknown }: ReadList,
    codeOf: (row: ListedRow) => string,
    today: string,
  ): Promise<SellerEntity[]> {
    const names = new Map(
      unknown.flatMap(({ what, words, answer }) =>
        what === 'seller' && 'make' in answer ? [[newCode('seller', answer.make), words]] : [],
      ) as [string, string][],
    )
    const anonymous = rows.find(({ seller }) => seller === null)
    if (anonymous)
      throw new Problem(400, 'Say whose prices these are. Nothing was written.', [
        { field: 'same.seller', message: 'is missing' },
      ])
    const made: SellerEntity[] = []
    for (const seller of new Set(rows.map((row) => row.seller!))) {
      const own = rows.filter((row) => row.seller === seller)
      const { currency } = own[0]!.price!
      const there = await db.findOneBy(SellerEntity, { code: seller })
      const wrong = own.find(({ price }) => price!.currency !== (there?.currency ?? currency))
      if (wrong)
        throw new Problem(
          400,
          `Line ${wrong.line}: ${there?.name ?? seller} sells in ${there?.currency ?? currency}, not in ${wrong.price!.currency}. Nothing was written.`,
          [{ field: `line ${wrong.line}`, message: 'is in another currency' }],
        )
      if (there) continue
      await db.insert(SellerEntity, {
        code: seller,
        name: names.get(seller) ?? seller,
        country: '',
        currency,
        minimum: 0,
        handling: 0,
        arrivesInDays: 7,
        rating: null,
        shippingBasis: 'value',
        shippingBands: [{ upTo: null, price: 0 }],
        notes: OPEN_TERMS,
        standing: 'none',
      })
      made.push({ ...(await db.findOneByOrFail(SellerEntity, { code: seller })) })
    }
    const sheets = this.quotes.begin(db)
    await sheets.collect(
      rows.map((row) => ({
        date: row.date ?? today,
        seller: row.seller!,
        kind: 'part' as const,
        code: codeOf(row),
        condition: row.condition ?? 'new',
        price: row.price!.minor,
        currency: row.price!.currency,
        stock: row.count,
        multiple: row.pack,
      })),
    )
    await sheets.keep({ source: 'table', whole: false })
    return made
  }
}

/** The first day a list says something of. */
const firstDay = (rows: readonly ListedRow[], today: string): string =>
  rows.reduce((first, { date }) => (date !== null && date < first ? date : first), today)

const currenciesIn = (rows: readonly ListedRow[]): string[] => [
  ...new Set(rows.flatMap(({ price }) => price?.currency ?? [])),
]

/** Of some currencies those the rate table has no rate for that holds on a day. */
async function unratedIn(db: EntityManager, currencies: readonly string[], day: string): Promise<string[]> {
  const worth = worthIn(homeCurrency(), await db.find(RateEntity))
  return currencies.filter((currency) => worth(1, currency, day) === null).sort()
}

/** Currencies a list speaks of that no rate is known for on its first day. */
export function unratedOf(db: EntityManager, { kind, rows, entries }: ReadList, today: string): Promise<string[]> {
  if (kind === 'prices' || kind === 'sets') return unratedIn(db, currenciesIn(rows), firstDay(rows, today))
  const sellers = entries.flatMap((entry) => (entry.what === 'seller' ? entry.currency : []))
  return unratedIn(db, [...new Set(sellers)], today)
}

/** What no column is for, line by line. */
const remarksOf = (rows: readonly ListedRow[], codeOf: (row: ListedRow) => string) =>
  rows.flatMap((row) =>
    row.remark === '' ? [] : [{ line: row.line, part: codeOf(row), text: row.remark.slice(0, LONGEST_REASON) }],
  )

/** Why a part came, in the words of its row: where it stands, what was paid, and what no column is for. */
function reasonOf(name: string, { line, price, remark }: ListedRow): string {
  const paid = price ? `paid ${decimalMoney(price.minor, price.currency)} ${price.currency} each` : ''
  return [`${name}, line ${line}`, paid, remark].filter(Boolean).join('; ').slice(0, LONGEST_REASON)
}

/** Every colour rows may be of: those there are, of the workspace or the starter shelf, and those a list brings. */
function paletteOf({ unknown }: ReadList, { palette }: KnownThings): Palette {
  const all = new Map(palette.map((colour) => [colour.code, colour]))
  for (const { what, words, answer } of unknown)
    if (what === 'colour' && 'make' in answer) {
      const colour = newColour(words, answer.make, palette)
      all.set(colour.code, colour)
    }
  return all
}
