import type { ShelfKey } from './shelves.ts'
import { SHELF_KEYS } from './shelves.ts'

/**
 * What the finder knows of every part, a column a fact, row by row; 60,000 parts take about 2 MB. `shelf` and `family` are
 * indexes into `SHELF_KEYS` and `families`; `year` 0 and `lowest` −1 stand for unknown and for not sold singly; `releases`
 * counts the releases that carry the part.
 */
export interface PartColumns {
  codes: readonly string[]
  families: readonly string[]
  shelf: Uint8Array
  family: Uint8Array
  year: Uint16Array
  inProduction: Uint8Array
  releases: Uint16Array
  owned: Int32Array
  lowest: Int32Array
}

export const PART_ORDERS = ['common', 'owned', 'price', 'newest', 'code'] as const
export type PartOrder = (typeof PART_ORDERS)[number]

/** Upper edges of the price bands of the facet, in minor units of the home currency. */
export const PRICE_BANDS = [50, 100, 200, 500, 1000] as const

export interface PartQuestion {
  shelves?: readonly ShelfKey[]
  families?: readonly string[]
  yearFrom?: number
  yearTo?: number
  owned?: boolean
  /** Sold singly for at most this, in minor units of the home currency. */
  priceTo?: number
  inProduction?: boolean
  order?: PartOrder
}

/** How many parts each choice of a facet would leave, with all other facets as they are. */
export interface PartFacets {
  shelves: Partial<Record<ShelfKey, number>>
  families: Record<string, number>
  years: Record<number, number>
  owned: number
  inProduction: number
  /** Parts sold for at most each of `PRICE_BANDS`. */
  prices: number[]
}

export interface FoundParts {
  total: number
  /** Rows of the columns, in the order asked for, `limit` of them from `offset`. */
  rows: number[]
  facets: PartFacets
}

const FACETS = 6

/**
 * Filter, count and order parts. `matches` are the rows the words found; null for all. `lead` are rows to come first, such
 * as those whose very name was typed. O(n log n) in the matches.
 */
export function findParts(
  columns: PartColumns,
  matches: Uint32Array | null,
  question: PartQuestion,
  { offset = 0, limit = 60, lead }: { offset?: number; limit?: number; lead?: ReadonlySet<number> } = {},
): FoundParts {
  const shelves = question.shelves?.length ? new Set(question.shelves.map((key) => SHELF_KEYS.indexOf(key))) : null
  const families = question.families?.length ? new Set(question.families.map((f) => columns.families.indexOf(f))) : null
  const { yearFrom = 0, yearTo = Infinity, owned = false, priceTo = null, inProduction = false } = question
  const anyYear = yearFrom === 0 && yearTo === Infinity
  const counts = {
    shelves: new Uint32Array(SHELF_KEYS.length),
    families: new Uint32Array(columns.families.length),
    years: new Map<number, number>(),
    owned: 0,
    inProduction: 0,
    prices: PRICE_BANDS.map(() => 0),
  }
  const count = [
    (row: number) => void counts.shelves[columns.shelf[row]!]!++,
    (row: number) => void counts.families[columns.family[row]!]!++,
    (row: number) => {
      const year = columns.year[row]!
      if (year > 0) counts.years.set(year, (counts.years.get(year) ?? 0) + 1)
    },
    (row: number) => void (counts.owned += Number(columns.owned[row]! > 0)),
    (row: number) => {
      const price = columns.lowest[row]!
      if (price >= 0) PRICE_BANDS.forEach((edge, i) => price <= edge && counts.prices[i]!++)
    },
    (row: number) => void (counts.inProduction += columns.inProduction[row]!),
  ]
  const fits = [
    (row: number) => shelves === null || shelves.has(columns.shelf[row]!),
    (row: number) => families === null || families.has(columns.family[row]!),
    (row: number) =>
      anyYear || (columns.year[row]! >= yearFrom && columns.year[row]! <= yearTo && columns.year[row]! > 0),
    (row: number) => !owned || columns.owned[row]! > 0,
    (row: number) => priceTo === null || (columns.lowest[row]! >= 0 && columns.lowest[row]! <= priceTo),
    (row: number) => !inProduction || columns.inProduction[row] === 1,
  ]
  const found: number[] = []
  const size = matches?.length ?? columns.codes.length
  for (let i = 0; i < size; i++) {
    const row = matches ? matches[i]! : i
    // A row that fails one facet alone still counts for that facet; one that fails two counts nowhere.
    let failed = -1
    let fails = 0
    for (let facet = 0; facet < FACETS && fails < 2; facet++)
      if (!fits[facet]!(row)) {
        failed = facet
        fails++
      }
    if (fails === 0) {
      found.push(row)
      for (const add of count) add(row)
    } else if (fails === 1) count[failed]!(row)
  }
  const inOrder = orderOf(columns, question.order ?? 'common', lead)
  return {
    total: found.length,
    rows: found.sort(inOrder).slice(offset, offset + limit),
    facets: {
      shelves: Object.fromEntries(SHELF_KEYS.map((key, i) => [key, counts.shelves[i]!]).filter(([, n]) => n)),
      families: Object.fromEntries(columns.families.map((family, i) => [family, counts.families[i]!])),
      years: Object.fromEntries([...counts.years].sort(([a], [b]) => a - b)),
      owned: counts.owned,
      inProduction: counts.inProduction,
      prices: counts.prices,
    },
  }
}

/** Rows stand in order of code, so that equal ones keep it. */
function orderOf(columns: PartColumns, order: PartOrder, lead: ReadonlySet<number> | undefined) {
  const dear = 2 ** 31
  const key: Record<PartOrder, (row: number) => number> = {
    common: (row) => -columns.releases[row]!,
    owned: (row) => -columns.owned[row]!,
    price: (row) => (columns.lowest[row]! < 0 ? dear : columns.lowest[row]!),
    newest: (row) => -columns.year[row]!,
    code: () => 0,
  }
  const of = key[order]
  const led = (row: number) => (lead?.has(row) ? 0 : 1)
  return (a: number, b: number) => (lead ? led(a) - led(b) : 0) || of(a) - of(b) || a - b
}
