import type { EntityManager, EntityTarget, ObjectLiteral } from 'typeorm'
import type { ListedColour, ListedSeller } from '@outfit/core/intake'
import { OPEN_TERMS } from '@outfit/core/market'
import { ColourEntity } from '../schema/catalogue.ts'
import type { Written } from '../schema/intake.ts'
import { SellerEntity } from '../schema/market.ts'
import { writeRows } from '../tables/tableWriter.ts'

/** Days a parcel takes of a seller that says nothing of it. */
const USUAL_DAYS = 7
const OPEN_DAYS = `How long parcels take is not told: ${USUAL_DAYS} days are taken.`

/** A seller there is with what a list says of them, or a new one, whose terms are open where the list says nothing. */
function sellerOf(entry: ListedSeller, there: SellerEntity | undefined): SellerEntity {
  const { code, name, currency, country, minimum, handling, arrivesInDays, rating, shipping, notes } = entry
  const before = there?.notes === OPEN_TERMS && shipping !== null ? null : (there?.notes ?? null)
  const open = there
    ? []
    : [...(shipping ? [] : [OPEN_TERMS]), ...(shipping && arrivesInDays === null ? [OPEN_DAYS] : [])]
  return {
    code,
    name,
    currency,
    country: country ?? there?.country ?? '',
    minimum: minimum ?? there?.minimum ?? 0,
    handling: handling ?? there?.handling ?? 0,
    arrivesInDays: arrivesInDays ?? there?.arrivesInDays ?? USUAL_DAYS,
    rating: rating ?? there?.rating ?? null,
    shippingBasis: shipping?.basis ?? there?.shippingBasis ?? 'value',
    shippingBands: shipping?.bands ?? there?.shippingBands ?? [{ upTo: null, price: 0 }],
    notes: [notes ?? before, ...open].filter(Boolean).join('; ') || null,
    standing: there?.standing ?? 'none',
  }
}

const colourOf = ({ code, name, hex, family, finish }: ListedColour): ColourEntity => ({
  code,
  name,
  hex,
  family,
  finish,
})

/** Rows with their fields in one order, so that equal ones are equal as text. */
export const asText = (row: object): string =>
  JSON.stringify(Object.entries(row).toSorted(([a], [b]) => (a < b ? -1 : 1)))

async function written<Row extends ObjectLiteral & { code: string }>(
  db: EntityManager,
  entity: EntityTarget<Row>,
  rows: readonly { code: string; row: (there: Row | undefined) => Row }[],
): Promise<Written<Row> & { same: number }> {
  const there = new Map((await db.find(entity)).map((row) => [row.code, { ...row }]))
  const made: Row[] = []
  const changed: { was: Row; now: Row }[] = []
  for (const { code, row } of rows) {
    const was = there.get(code)
    const now = row(was)
    if (!was) made.push(now)
    else if (asText(was) !== asText(now)) changed.push({ was, now })
  }
  await writeRows(db, entity, [...made, ...changed.map(({ now }) => now)])
  return { made, changed, same: rows.length - made.length - changed.length }
}

/** Write sellers of a list: new ones, and what is newer of those there are. */
export const writeSellers = (db: EntityManager, entries: readonly ListedSeller[]) =>
  written(
    db,
    SellerEntity,
    entries.map((entry) => ({ code: entry.code, row: (there) => sellerOf(entry, there) })),
  )

/** Write colours of a list: new ones, and what is newer of those there are. */
export const writeColours = (db: EntityManager, entries: readonly ListedColour[]) =>
  written(
    db,
    ColourEntity,
    entries.map((entry) => ({ code: entry.code, row: () => colourOf(entry) })),
  )
