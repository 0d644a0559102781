import { SHELF_KEYS, type ShelfKey } from '../catalogue/index.ts'

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

/** Which of some choices were made, by index; null where none was, which lets all through. */
function chosen<T>(choices: readonly T[], picked: readonly T[] | undefined): Uint8Array | null {
  return picked?.length ? Uint8Array.from(choices, (choice) => Number(picked.includes(choice))) : null
}

/** Years are counted from here; earlier ones count as this. */
const FIRST_YEAR = 1900
const YEARS = 300

/**
 * Filter, count and order parts. `matches` are the rows the words found; null for all. `lead` are rows to come first, such
 * as those whose very name was typed. O(rows); the first question in an order sorts them, O(n log n).
 */
export function findParts(
  columns: PartColumns,
  matches: Uint32Array | null,
  question: PartQuestion,
  { offset = 0, limit = 60, lead }: { offset?: number; limit?: number; lead?: ReadonlySet<number> } = {},
): FoundParts {
  const { shelf, family, year, owned, lowest, inProduction } = columns
  const shelves = chosen(SHELF_KEYS, question.shelves)
  const families = chosen(columns.families, question.families)
  const { yearFrom = 0, yearTo = Infinity, priceTo = null } = question
  const anyYear = yearFrom === 0 && yearTo === Infinity
  const counts = {
    shelves: new Uint32Array(SHELF_KEYS.length),
    families: new Uint32Array(columns.families.length),
    years: new Uint32Array(YEARS),
    owned: 0,
    inProduction: 0,
    prices: new Uint32Array(PRICE_BANDS.length),
  }
  const fitting = new Uint8Array(columns.codes.length)
  let total = 0
  const size = matches?.length ?? columns.codes.length
  // One loop with everything in it: this is the innermost work of the finder and runs over every part at each key.
  for (let i = 0; i < size; i++) {
    const row = matches ? matches[i]! : i
    const [rowShelf, rowFamily, rowYear, price] = [shelf[row]!, family[row]!, year[row]!, lowest[row]!]
    // A row that fails one facet alone still counts for that facet; one that fails two counts nowhere.
    let fails = 0
    let failed = ''
    if (shelves && shelves[rowShelf] === 0) [fails, failed] = [fails + 1, 'shelves']
    if (families && families[rowFamily] === 0) [fails, failed] = [fails + 1, 'families']
    if (!anyYear && (rowYear === 0 || rowYear < yearFrom || rowYear > yearTo)) [fails, failed] = [fails + 1, 'years']
    if (question.owned && owned[row]! <= 0) [fails, failed] = [fails + 1, 'owned']
    if (priceTo !== null && (price < 0 || price > priceTo)) [fails, failed] = [fails + 1, 'prices']
    if (question.inProduction && inProduction[row] === 0) [fails, failed] = [fails + 1, 'inProduction']
    if (fails > 1) continue
    if (fails === 0) {
      fitting[row] = 1
      total++
    }
    const counted = (facet: string) => fails === 0 || failed === facet
    if (counted('shelves')) counts.shelves[rowShelf]!++
    if (counted('families')) counts.families[rowFamily]!++
    if (rowYear > 0 && counted('years')) counts.years[Math.max(0, rowYear - FIRST_YEAR)]!++
    if (owned[row]! > 0 && counted('owned')) counts.owned++
    if (inProduction[row] === 1 && counted('inProduction')) counts.inProduction++
    if (price >= 0 && counted('prices'))
      for (let band = 0; band < PRICE_BANDS.length; band++) if (price <= PRICE_BANDS[band]!) counts.prices[band]!++
  }
  const order = inOrder(columns, question.order ?? 'common')
  const rows: number[] = []
  const end = offset + limit
  const take = (led: boolean, from: number): number => {
    let seen = from
    for (let i = 0; i < order.length && seen < end; i++) {
      const row = order[i]!
      if (fitting[row] === 0 || (lead !== undefined && lead.has(row) !== led)) continue
      if (seen++ >= offset) rows.push(row)
    }
    return seen
  }
  const afterLead = lead ? take(true, 0) : 0
  if (afterLead < end) take(false, afterLead)
  return {
    total,
    rows,
    facets: {
      shelves: Object.fromEntries(SHELF_KEYS.map((key, i) => [key, counts.shelves[i]!]).filter(([, n]) => n)),
      families: Object.fromEntries(columns.families.map((family, i) => [family, counts.families[i]!])),
      years: Object.fromEntries([...counts.years].flatMap((n, i) => (n > 0 ? [[FIRST_YEAR + i, n]] : []))),
      owned: counts.owned,
      inProduction: counts.inProduction,
      prices: [...counts.prices],
    },
  }
}

/** Orders worked out for columns, which live until the catalogue, the drawer or the market changes. */
const orders = new WeakMap<PartColumns, Map<PartOrder, Uint32Array>>()

/** All rows in an order, equals by code. O(n log n) the first time. */
function inOrder(columns: PartColumns, order: PartOrder): Uint32Array {
  const known = orders.get(columns) ?? new Map<PartOrder, Uint32Array>()
  orders.set(columns, known)
  const found = known.get(order)
  if (found) return found
  const dear = 2 ** 31 - 1
  const key: Record<PartOrder, (row: number) => number> = {
    common: (row) => 0xffff - columns.releases[row]!,
    owned: (row) => dear - columns.owned[row]!,
    price: (row) => (columns.lowest[row]! < 0 ? dear : columns.lowest[row]!),
    newest: (row) => 0xffff - columns.year[row]!,
    code: () => 0,
  }
  // Key and row in one number, which sorts many times faster than by a function.
  const shift = 2 ** 21
  const keys = Float64Array.from(columns.codes, (_, row) => key[order](row) * shift + row).sort()
  const made = Uint32Array.from(keys, (value) => value % shift)
  known.set(order, made)
  return made
}
