import { CONNECTIONS, COVERS, FINISHES, PART_KINDS, SLOTS } from '../catalogue/index.ts'
import { MOST, SHIPPING_BASES, STANDINGS } from '../market/index.ts'
import * as cell from './cells.ts'

export const RELEASE_KINDS = ['box', 'blind pack', 'book', 'magazine', 'kiosk gift'] as const
export const OFFER_KINDS = ['part', 'figure', 'release'] as const
export const CONDITIONS = ['new', 'used'] as const

/** Years a part, figure or release may be of. */
export const YEAR = { least: 1900, most: 2100 } as const

type Columns = Record<string, cell.Cell<unknown>>

/**
 * The tables of docs/formats.md and the columns each has. Money is in minor units, mass in grams, length in millimetres.
 */
export const TABLES = {
  colours: { code: cell.text, name: cell.text, hex: cell.hex, family: cell.family, finish: cell.oneOf(...FINISHES) },
  moulds: {
    code: cell.text,
    name: cell.text,
    kind: cell.oneOf(...PART_KINDS),
    silhouette: cell.text,
    neckThickness: cell.decimal(0, 50),
    height: cell.decimal(0, 100),
    mass: cell.decimal(0, 500),
    connections: cell.optional(cell.someOf(...CONNECTIONS)),
    covers: cell.optional(cell.someOf(...COVERS)),
    traits: cell.traits,
  },
  prints: {
    code: cell.text,
    name: cell.text,
    kind: cell.oneOf(...PART_KINDS),
    front: cell.layers,
    back: cell.layers,
    traits: cell.traits,
  },
  parts: {
    code: cell.text,
    name: cell.text,
    mould: cell.text,
    colours: cell.list,
    print: cell.optional(cell.textOrNull),
    year: cell.optional(cell.wholeOrNull(YEAR.least, YEAR.most)),
  },
  components: {
    assembly: cell.text,
    slot: cell.oneOf(...SLOTS),
    part: cell.text,
    level: cell.optional(cell.levelOrNull),
  },
  figures: { code: cell.text, name: cell.text, year: cell.whole(YEAR.least, YEAR.most) },
  'figure-parts': { figure: cell.text, slot: cell.oneOf(...SLOTS), part: cell.text, order: cell.whole(0, 100) },
  releases: {
    code: cell.text,
    name: cell.text,
    kind: cell.oneOf(...RELEASE_KINDS),
    year: cell.whole(YEAR.least, YEAR.most),
    price: cell.whole(0, MOST.money),
    currency: cell.currency,
    inProduction: cell.flag,
  },
  'release-contents': {
    release: cell.text,
    kind: cell.oneOf('part', 'figure'),
    code: cell.text,
    qty: cell.whole(1, MOST.pack),
  },
  'case-contents': { release: cell.text, figure: cell.text, qty: cell.whole(1, MOST.pack) },
  bins: {
    code: cell.text,
    name: cell.text,
    figure: cell.optional(cell.textOrNull),
    parent: cell.optional(cell.textOrNull),
    x: cell.optional(cell.wholeOrNull(0, 10_000)),
    y: cell.optional(cell.wholeOrNull(0, 10_000)),
    w: cell.optional(cell.wholeOrNull(1, 10_000)),
    h: cell.optional(cell.wholeOrNull(1, 10_000)),
    holder: cell.optional(cell.textOrNull),
  },
  owned: {
    part: cell.text,
    bin: cell.text,
    qty: cell.whole(1, MOST.qty),
    condition: cell.optional(cell.oneOfOr('used', ...CONDITIONS)),
    date: cell.date,
    reason: cell.text,
  },
  sellers: {
    code: cell.text,
    name: cell.text,
    country: cell.text,
    currency: cell.currency,
    minimum: cell.whole(0, MOST.money),
    handling: cell.whole(0, MOST.money),
    arrivesInDays: cell.whole(0, 365),
    rating: cell.wholeOrNull(1, 5),
    shippingBasis: cell.oneOf(...SHIPPING_BASES),
    shippingBands: cell.bands,
    notes: cell.optional(cell.textOrNull),
    standing: cell.optional(cell.oneOfOr('none', ...STANDINGS)),
  },
  rates: { date: cell.date, from: cell.currency, to: cell.currency, rate: cell.decimal(0.000001, 1_000_000) },
  offers: {
    date: cell.date,
    seller: cell.text,
    kind: cell.oneOf(...OFFER_KINDS),
    code: cell.text,
    condition: cell.oneOf(...CONDITIONS),
    price: cell.whole(0, MOST.money),
    currency: cell.currency,
    stock: cell.whole(0, MOST.qty),
    multiple: cell.whole(1, MOST.pack),
  },
} satisfies Record<string, Columns>

export type TableName = keyof typeof TABLES
export const TABLE_NAMES = Object.keys(TABLES) as TableName[]

/** A row of a table as read. */
export type TableRow<T extends TableName> = {
  -readonly [C in keyof (typeof TABLES)[T]]: (typeof TABLES)[T][C] extends cell.Cell<infer V> ? V : never
}

/** The columns of a table in the order they are written; `optional` ones may be missing from a file. */
export function columnsOf(table: TableName): { name: string; optional: boolean }[] {
  const columns: Record<string, { optional?: true }> = TABLES[table]
  return Object.entries(columns).map(([name, { optional = false }]) => ({ name, optional }))
}
