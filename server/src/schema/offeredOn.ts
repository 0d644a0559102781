import type { EntityManager } from 'typeorm'

/**
 * The day an offer was last said: that of its row, which is written where something of it changes, or that of a whole list
 * of its seller read since, which said it again.
 */
export async function offeredOn(db: EntityManager): Promise<(offer: { seller: string; date: string }) => string> {
  const rows = (await db.query(
    'SELECT seller, MAX(date) AS date FROM quote_sheet WHERE whole = 1 GROUP BY seller',
  )) as {
    seller: string
    date: string
  }[]
  const wholes = new Map(rows.map(({ seller, date }) => [seller, date]))
  return ({ seller, date }) => {
    const whole = wholes.get(seller)
    return whole !== undefined && whole > date ? whole : date
  }
}
