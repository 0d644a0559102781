import { afterAll, beforeAll, describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import type { DataSource } from 'typeorm'
import type { TableRow } from '@outfit/core/tables'
import { Changes } from '../base/changes.ts'
import { Databases } from '../base/database.ts'
import { startServer, type TestServer } from '../test/testServer.ts'
import { OfferEntity, QuoteEntity } from '../schema/market.ts'
import { MarketService } from './marketService.ts'
import { QuoteService } from './quoteService.ts'

type Line = Omit<TableRow<'offers'>, 'date' | 'seller'>
interface Sheet {
  seller: string
  date: string
  whole: boolean
  lines: Line[]
}

let server: TestServer
let quotes: QuoteService
let database: DataSource
beforeAll(async () => {
  server = await startServer({ world: false })
  quotes = server.service(QuoteService)
  // No sheets are read but these, so the connection that writes may be used as it is.
  database = server.service(Databases).writing
  const seller = (code: string) =>
    `('${code}', '${code}', 'Weir Bank', 'EUR', 0, 0, 3, NULL, 'value', '[{"upTo":null,"price":100}]', NULL, 'none')`
  await database.query(
    `INSERT INTO seller (code, name, country, currency, minimum, handling, arrivesInDays, rating, shippingBasis, shippingBands, notes, standing) VALUES ${seller('a')}, ${seller('b')}`,
  )
})
afterAll(() => server.stop())

/** What things a list changed is told as well, as whoever asks a market does. */
const keep = async (sheet: Sheet) => {
  const { told, changed } = await database.transaction(async (db) => {
    const kept = quotes.begin(db)
    const { seller, date, whole } = sheet
    await kept.collect(sheet.lines.map((line) => ({ seller, date, ...line })))
    const told = await kept.keep({ source: 'table', whole, empty: [{ seller, date }] })
    return { told, changed: kept.changed }
  })
  server.service(Changes).tellOffers(changed)
  return told
}
const clear = async () => {
  for (const table of ['offer', 'quote', 'quote_sheet']) await database.query(`DELETE FROM ${table}`)
}
const part = (code: string, price: number, stock = 5, more: Partial<Line> = {}): Line => ({
  kind: 'part',
  code,
  condition: 'new',
  price,
  currency: 'EUR',
  stock,
  multiple: 1,
  ...more,
})
const sheet = (date: string, lines: Line[], whole = true, seller = 'a'): Sheet => ({ seller, date, whole, lines })

/** What lines cost as of a day, by the words of the service: sheet after sheet, with nothing of its SQL. */
function asOf(sheets: readonly Sheet[], day: string): Record<string, string> {
  const byDay = new Map<string, Sheet[]>()
  // A whole sheet takes the place of all that was read for its day before; a partial one is added to it.
  for (const one of sheets) {
    const key = `${one.date} ${one.seller}`
    byDay.set(key, one.whole ? [one] : [...(byDay.get(key) ?? []), one])
  }
  const state: Record<string, string> = {}
  for (const key of [...byDay.keys()].sort())
    for (const { date, seller, whole, lines } of byDay.get(key)!) {
      if (date > day) continue
      if (whole) for (const line of Object.keys(state)) if (line.startsWith(`${seller} `)) delete state[line]
      const nth = new Map<string, number>()
      for (const { code, condition, multiple, price, stock } of lines) {
        const alike = `${seller} ${code} ${condition} ${multiple}`
        const n = nth.get(alike) ?? 0
        nth.set(alike, n + 1)
        if (stock > 0) state[`${alike} ${n}`] = `${price} × ${stock}`
        else delete state[`${alike} ${n}`]
      }
    }
  return state
}

/** The same as the database has it. */
async function quotedOn(day: string): Promise<Record<string, string>> {
  const all = await database.getRepository(QuoteEntity).find({ order: { date: 'ASC' } })
  const state: Record<string, string> = {}
  for (const { seller, code, condition, multiple, nth, date, price, stock } of all) {
    if (date > day) continue
    const key = `${seller} ${code} ${condition} ${multiple} ${nth}`
    if (stock > 0) state[key] = `${price} × ${stock}`
    else delete state[key]
  }
  return state
}
async function offered(): Promise<Record<string, string>> {
  const all = await database.getRepository(OfferEntity).find()
  return Object.fromEntries(
    all
      .filter(({ stock }) => stock > 0)
      .map(({ seller, code, condition, multiple, nth, price, stock }) => [
        `${seller} ${code} ${condition} ${multiple} ${nth}`,
        `${price} × ${stock}`,
      ]),
  )
}

const day = (n: number) => `2026-02-${String(n).padStart(2, '0')}`
const line = fc.record({
  kind: fc.constant('part' as const),
  code: fc.constantFrom('A', 'B', 'C'),
  condition: fc.constantFrom('new' as const, 'used' as const),
  price: fc.integer({ min: 1, max: 4 }),
  currency: fc.constant('EUR'),
  stock: fc.integer({ min: 0, max: 2 }),
  multiple: fc.constant(1),
})
const anySheet = fc.record({
  seller: fc.constantFrom('a', 'b'),
  date: fc.integer({ min: 1, max: 5 }).map(day),
  whole: fc.boolean(),
  lines: fc.array(line, { maxLength: 4 }),
})

describe('quote sheets', () => {
  test('a whole sheet ends what it does not name, and writes down only what changed', async () => {
    await clear()
    await keep(sheet('2026-01-05', [part('A', 100), part('B', 50), part('C', 70)]))
    const [told] = await keep(sheet('2026-01-12', [part('A', 110), part('B', 50), part('D', 20)]))
    expect(told).toEqual({ seller: 'a', date: '2026-01-12', lines: 3, fresh: 1, dearer: 1, cheaper: 0, gone: 1 })
    expect(await offered()).toEqual({ 'a A new 1 0': '110 × 5', 'a B new 1 0': '50 × 5', 'a D new 1 0': '20 × 5' })
    const [{ n }] = (await database.query('SELECT COUNT(*) AS n FROM quote')) as [{ n: number }]
    // A dearer, C gone, D new; B says nothing new.
    expect(n).toBe(3 + 3)
  })

  test('a partial one speaks of its own lines alone', async () => {
    await clear()
    await keep(sheet('2026-01-05', [part('A', 100), part('B', 50)]))
    const [told] = await keep(sheet('2026-01-12', [part('A', 90)], false))
    expect(told).toMatchObject({ lines: 1, fresh: 0, cheaper: 1, gone: 0 })
    expect(await offered()).toEqual({ 'a A new 1 0': '90 × 5', 'a B new 1 0': '50 × 5' })
  })

  test('the same sheet twice changes nothing, and offers keep their ids', async () => {
    await clear()
    const lines = [part('A', 100), part('A', 130), part('B', 50)]
    await keep(sheet('2026-01-05', lines, false))
    const ids = async () => (await database.getRepository(OfferEntity).find()).map(({ id }) => id).sort()
    const before = await ids()
    expect(before).toHaveLength(3)
    expect((await keep(sheet('2026-01-05', lines, false)))[0]).toMatchObject({
      fresh: 0,
      dearer: 0,
      cheaper: 0,
      gone: 0,
    })
    await keep(sheet('2026-01-12', lines))
    expect(await ids()).toEqual(before)
  })

  test('a sheet that says nothing is for sale empties the offers of its seller, and of nobody else', async () => {
    await clear()
    await keep(sheet('2026-01-05', [part('A', 100)]))
    await keep(sheet('2026-01-05', [part('A', 105)], true, 'b'))
    expect((await keep(sheet('2026-01-12', [])))[0]).toMatchObject({ lines: 0, gone: 1 })
    expect(await offered()).toEqual({ 'b A new 1 0': '105 × 5' })
  })

  test('a sheet of a day gone by is history, and changes neither later days nor offers', async () => {
    await clear()
    await keep(sheet('2026-01-05', [part('A', 100), part('B', 50)]))
    await keep(sheet('2026-01-19', [part('A', 100), part('B', 50)]))
    await keep(sheet('2026-01-12', [part('A', 80), part('C', 9)]))
    expect(await quotedOn('2026-01-12')).toEqual({ 'a A new 1 0': '80 × 5', 'a C new 1 0': '9 × 5' })
    expect(await quotedOn('2026-01-19')).toEqual({ 'a A new 1 0': '100 × 5', 'a B new 1 0': '50 × 5' })
    expect(await offered()).toEqual({ 'a A new 1 0': '100 × 5', 'a B new 1 0': '50 × 5' })
  })

  test('sheets in any order come to what their words say', async () => {
    await fc.assert(
      fc.asyncProperty(fc.array(anySheet, { minLength: 1, maxLength: 6 }), async (sheets) => {
        await clear()
        for (const one of sheets) await keep(one)
        for (const n of [1, 2, 3, 4, 5]) expect(await quotedOn(day(n))).toEqual(asOf(sheets, day(n)))
        expect(await offered()).toEqual(asOf(sheets, day(9)))
      }),
      { numRuns: 200 },
    )
  }, 120_000)

  test('lowest prices follow list by list, and stay the same object where no price changed', async () => {
    const market = server.service(MarketService)
    const lowest = async () => {
      const rows = (await database.query(
        'SELECT code, MIN(price) AS price FROM offer WHERE stock >= multiple GROUP BY code ORDER BY code',
      )) as { code: string; price: number }[]
      return rows.map(({ code, price }) => [code, price])
    }
    await fc.assert(
      fc.asyncProperty(fc.array(anySheet, { minLength: 1, maxLength: 6 }), async (sheets) => {
        await clear()
        server.service(Changes).tell('market')
        await market.lowest()
        for (const one of sheets) {
          await keep(one)
          const now = await market.lowest()
          expect([...now].sort(([a], [b]) => (a < b ? -1 : 1))).toEqual(await lowest())
          expect(
            [...(await market.cheapest())].map(([key, price]) => [key.slice('part '.length), price]).sort(),
          ).toEqual([...now].sort())
        }
      }),
      { numRuns: 60 },
    )
    // The same list again, and one that only says it a day later.
    await clear()
    const lines = [part('A', 100), part('B', 50)]
    await keep(sheet('2026-03-05', lines))
    const first = await market.lowest()
    await keep(sheet('2026-03-06', lines))
    expect(await market.lowest()).toBe(first)
    await keep(sheet('2026-03-07', [part('A', 100), part('B', 51)]))
    expect(await market.lowest()).not.toBe(first)
  }, 120_000)

  test('many days brought in at once come to the same, over whatever was there', async () => {
    const sheets = fc.uniqueArray(anySheet, {
      selector: ({ seller, date }) => `${seller} ${date}`,
      minLength: 1,
      maxLength: 6,
    })
    await fc.assert(
      fc.asyncProperty(fc.option(anySheet), sheets, fc.boolean(), async (before, batch, whole) => {
        await clear()
        if (before) await keep(before)
        await database.transaction(async (db) => {
          const kept = quotes.begin(db)
          for (const { seller, date, lines } of batch)
            await kept.collect(lines.map((one) => ({ seller, date, ...one })))
          await kept.keep({ source: 'market', whole, empty: batch })
        })
        const inOrder = [...batch].sort((a, b) => (a.date < b.date ? -1 : 1)).map((one) => ({ ...one, whole }))
        const all = [...(before ? [before] : []), ...inOrder]
        for (const n of [1, 2, 3, 4, 5]) expect(await quotedOn(day(n))).toEqual(asOf(all, day(n)))
        expect(await offered()).toEqual(asOf(all, day(9)))
      }),
      { numRuns: 150 },
    )
  }, 120_000)
})
