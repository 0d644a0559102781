import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { findParts, PART_ORDERS, PRICE_BANDS, type PartColumns, type PartQuestion } from './findParts.ts'
import { SHELF_KEYS } from '../catalogue/index.ts'

interface Row {
  shelf: number
  family: number
  year: number
  inProduction: boolean
  releases: number
  owned: number
  lowest: number
}
const FAMILIES = ['red', 'blue', 'skin']
const columnsOf = (rows: readonly Row[]): PartColumns => ({
  codes: rows.map((_, i) => `P-${String(i).padStart(5, '0')}`),
  families: FAMILIES,
  shelf: Uint8Array.from(rows, (r) => r.shelf),
  family: Uint8Array.from(rows, (r) => r.family),
  year: Uint16Array.from(rows, (r) => r.year),
  inProduction: Uint8Array.from(rows, (r) => Number(r.inProduction)),
  releases: Uint16Array.from(rows, (r) => r.releases),
  owned: Int32Array.from(rows, (r) => r.owned),
  lowest: Int32Array.from(rows, (r) => r.lowest),
})
const anyRow = fc.record<Row>({
  shelf: fc.nat({ max: SHELF_KEYS.length - 1 }),
  family: fc.nat({ max: 2 }),
  year: fc.constantFrom(0, 2012, 2018, 2024),
  inProduction: fc.boolean(),
  releases: fc.nat({ max: 5 }),
  owned: fc.nat({ max: 2 }),
  lowest: fc.constantFrom(-1, 30, 90, 180, 900, 5000),
})
const anyQuestion = fc.record<PartQuestion>(
  {
    shelves: fc.subarray([...SHELF_KEYS]),
    families: fc.subarray(FAMILIES),
    yearFrom: fc.constantFrom(2012, 2018),
    yearTo: fc.constantFrom(2018, 2024),
    owned: fc.boolean(),
    priceTo: fc.constantFrom(50, 200, 1000),
    inProduction: fc.boolean(),
    order: fc.constantFrom(...PART_ORDERS),
  },
  { requiredKeys: [] },
)
/** The filter by its words, one row at a time. */
const fits = (row: Row, q: PartQuestion) =>
  (!q.shelves?.length || q.shelves.includes(SHELF_KEYS[row.shelf]!)) &&
  (!q.families?.length || q.families.includes(FAMILIES[row.family]!)) &&
  ((q.yearFrom === undefined && q.yearTo === undefined) ||
    (row.year > 0 && row.year >= (q.yearFrom ?? 0) && row.year <= (q.yearTo ?? 9999))) &&
  (!q.owned || row.owned > 0) &&
  (q.priceTo === undefined || (row.lowest >= 0 && row.lowest <= q.priceTo)) &&
  (!q.inProduction || row.inProduction)

const world = fc.tuple(fc.array(anyRow, { maxLength: 60 }), anyQuestion)

describe('finding', () => {
  test('gives just the rows that fit, each once, and their number', () => {
    fc.assert(
      fc.property(world, ([rows, question]) => {
        const { total, rows: found } = findParts(columnsOf(rows), null, question, { limit: 1000 })
        const expected = rows.flatMap((row, i) => (fits(row, question) ? [i] : []))
        expect([...found].sort((a, b) => a - b)).toEqual(expected)
        expect(total).toBe(expected.length)
      }),
    )
  })

  test('a facet counts what each of its choices would leave', () => {
    fc.assert(
      fc.property(world, ([rows, question]) => {
        const { facets } = findParts(columnsOf(rows), null, question)
        const left = (change: PartQuestion) => rows.filter((row) => fits(row, { ...question, ...change })).length
        for (const key of SHELF_KEYS) expect(facets.shelves[key] ?? 0).toBe(left({ shelves: [key] }))
        for (const family of FAMILIES) expect(facets.families[family]).toBe(left({ families: [family] }))
        for (const year of [2012, 2018, 2024])
          expect(facets.years[year] ?? 0).toBe(left({ yearFrom: year, yearTo: year }))
        PRICE_BANDS.forEach((edge, i) => expect(facets.prices[i]).toBe(left({ priceTo: edge })))
        expect(facets.owned).toBe(left({ owned: true }))
        expect(facets.inProduction).toBe(left({ inProduction: true }))
      }),
    )
  })

  test('pages put together are the whole list in its order', () => {
    fc.assert(
      fc.property(world, fc.integer({ min: 1, max: 9 }), ([rows, question], limit) => {
        const columns = columnsOf(rows)
        const whole = findParts(columns, null, question, { limit: 1000 }).rows
        const pages: number[] = []
        for (let offset = 0; offset < whole.length; offset += limit)
          pages.push(...findParts(columns, null, question, { offset, limit }).rows)
        expect(pages).toEqual(whole)
      }),
    )
  })

  test('looks only among the matches, with those that lead first', () => {
    const columns = columnsOf(
      Array.from({ length: 8 }, (_, i) => ({
        shelf: 0,
        family: 0,
        year: 2020,
        inProduction: true,
        releases: i,
        owned: 0,
        lowest: 100 - i,
      })),
    )
    const matches = Uint32Array.from([1, 3, 5, 7])
    expect(findParts(columns, matches, {}).rows).toEqual([7, 5, 3, 1])
    expect(findParts(columns, matches, {}, { lead: new Set([3, 4]) }).rows).toEqual([3, 7, 5, 1])
    expect(findParts(columns, matches, { order: 'code' }).rows).toEqual([1, 3, 5, 7])
    expect(findParts(columns, new Uint32Array(0), {}).total).toBe(0)
  })
})
