import { afterAll, beforeAll, expect, test } from '@jest/globals'
import { readdirSync, readFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import type { ListedEntry, ListedRow, LookedAt } from '@outfit/core/intake'
import { startServer, type TestServer } from '../test/testServer.ts'

const FOLDER = fileURLToPath(new URL('fixtures', import.meta.url))
/** What each file says: its kind, then its rows, in the words of `rowSays` and `entrySays`. */
const SAYS = JSON.parse(readFileSync(`${FOLDER}/says.json`, 'utf8')) as Record<string, string[]>

let server: TestServer
beforeAll(async () => {
  server = await startServer({ world: false })
})
afterAll(() => server.stop())

const rowSays = ({ count, part, bin, price, condition, date, seller, pack, set, figure, year, remark }: ListedRow) =>
  [
    count,
    part.mould,
    part.colour,
    bin,
    price && `${price.currency} ${price.minor}`,
    condition,
    date,
    seller,
    pack > 1 && `x${pack}`,
    set && `in ${set}`,
    year,
    figure && `on ${figure}`,
    remark && `(${remark})`,
  ]
    .filter(Boolean)
    .join(' ')

function entrySays(entry: ListedEntry): string {
  if (entry.what === 'colour') return `${entry.name} ${entry.hex} ${entry.finish}`
  const { name, country, currency, minimum, shipping, handling, arrivesInDays, rating, notes } = entry
  return [
    name,
    country,
    currency,
    minimum !== null && `min ${minimum}`,
    shipping && `ship ${shipping.bands.map(({ upTo, price }) => `${upTo ?? 'any'}=${price}`).join(' ')}`,
    shipping && shipping.basis !== 'value' && `by ${shipping.basis}`,
    handling !== null && `fee ${handling}`,
    arrivesInDays !== null && `days ${arrivesInDays}`,
    rating && `stars ${rating}`,
    notes && `(${notes})`,
  ]
    .filter(Boolean)
    .join(' ')
}

test('there is a file of each kind in each language, and each is told of', () => {
  const files = readdirSync(FOLDER).filter((name) => name !== 'says.json')
  expect(files.length).toBeGreaterThanOrEqual(40)
  expect(files.sort()).toEqual(Object.keys(SAYS).sort())
})

test.each(Object.entries(SAYS))('%s is read as a person reads it, with nothing to set right', async (name, says) => {
  const bytes = new Uint8Array(readFileSync(`${FOLDER}/${name}`))
  const { id } = (await server.sendFile<{ id: string }>(`intake?name=${name}`, bytes)).body
  const { kind, sample, faults, left, sum } = (await server.send<LookedAt>('POST', `intake/${id}/look`, {})).body
  const rows = sample.flatMap(({ row, entry }) => (row ? rowSays(row) : entry ? entrySays(entry) : []))
  const wrong = faults.map(({ line, field, reason }) => `${line} ${field} ${reason}`)
  expect([kind, ...rows, ...wrong, ...(left.length > 0 ? [`left ${left.join(' ')}`] : [])]).toEqual(says)
  expect(sum.rows).toBe(rows.length)
})
