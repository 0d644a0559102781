import { afterAll, beforeAll, expect, test } from '@jest/globals'
import Database from 'better-sqlite3'
import { strToU8 } from 'fflate'
import { createHash } from 'node:crypto'
import { join } from 'node:path'
import type { IntakeResult, TakenList } from '@outfit/core/intake'
import { seeded } from '@outfit/core/base'
import { startServer, type ProblemBody, type TestServer } from '../test/testServer.ts'

let server: TestServer
beforeAll(async () => {
  server = await startServer()
})
afterAll(() => server.stop())

/** Every row that prices are in, as the database has it, in short. */
function rows(): Record<string, string> {
  const db = new Database(join(server.data, 'outfit.sqlite'), { readonly: true })
  const all = Object.fromEntries(
    ['quote', 'offer', 'quote_sheet', 'seller'].map((table) => [
      table,
      createHash('sha256')
        .update(db.prepare(`SELECT * FROM ${table}`).raw().all().map(String).sort().join('\n'))
        .digest('hex'),
    ]),
  )
  db.close()
  return all
}
const bring = async (name: string, text: string): Promise<string> => {
  const { id } = (await server.sendFile<{ id: string }>(`intake?name=${name}`, strToU8(text))).body
  const { status, body } = await server.send<IntakeResult & ProblemBody>('POST', `intake/${id}/taken`, {
    mode: 'add',
    // Rates of days before the first that is known.
    choices: {
      kind: 'prices',
      rates: { CHF: 1.05, GBP: 1.15, USD: 0.9, JPY: 0.006, PLN: 0.23, SEK: 0.09, DKK: 0.13, CZK: 0.04 },
    },
  })
  expect([status, body.detail]).toEqual([201, undefined])
  return id
}
const back = (id: string) => server.send<ProblemBody>('POST', `intake/${id}/taken-back`)
const HEAD = 'Seller;Code;Price;Currency;Stock;Condition;Date'

/** A list of some sellers, old and new, for parts of the world and one nobody had, on days before, within and after their histories. */
function madeList(seed: number, sellers: readonly { name: string; currency: string }[]): string {
  const chance = seeded(seed)
  const pick = <T>(of: readonly T[]): T => of[Math.floor(chance() * of.length)]!
  const lines = Array.from({ length: 1 + Math.floor(chance() * 12) }, () => {
    const { name, currency } = pick(sellers)
    const part = `P-${String(1 + Math.floor(chance() * 400)).padStart(5, '0')}`
    const digits = currency === 'JPY' ? 0 : 2
    const date = pick(['', '2026-01-03', '2026-06-15', '2026-11-20'])
    const price = (chance() * 40 + 1).toFixed(digits)
    return [name, part, price, currency, Math.floor(chance() * 5), pick(['new', 'used']), date].join(';')
  })
  return `${[HEAD, ...new Set(lines)].join('\n')}\n`
}

test('prices taken back in turn are as they were before each list, row by row', async () => {
  const { sellers } = (await server.get<{ sellers: { name: string; currency: string }[] }>('sellers')).body
  const known = [...sellers, { name: 'Kramkiste', currency: 'EUR' }, { name: 'Zweite Hand', currency: 'EUR' }]
  for (let run = 0; run < (process.env['OUTFIT_LONG'] === '1' ? 20 : 2); run++) {
    const stood: { id: string; before: ReturnType<typeof rows> }[] = []
    let before = rows()
    for (let nth = 0; nth < 3; nth++) {
      const id = await bring(`list-${run}-${nth}.csv`, madeList(100 * run + nth, known))
      stood.push({ id, before })
      const after = rows()
      expect(after).not.toEqual(before)
      before = after
    }
    for (const { id, before } of stood.reverse()) {
      expect([run, (await back(id)).status]).toEqual([run, 204])
      expect(rows()).toEqual(before)
    }
  }
  const { lists } = (await server.get<{ lists: TakenList[] }>('intake')).body
  expect(lists.filter(({ kind, canTakeBack }) => kind === 'prices' && canTakeBack)).toEqual([])
  expect((await back(lists[0]!.id)).body.detail).toMatch(/was taken back already/)
})

test('a list whose seller was read anew since is not taken back, and nothing is changed', async () => {
  const first = await bring('first.csv', `${HEAD}\nKramkiste;P-00031;1.20;EUR;3;used;\n`)
  const second = await bring('second.csv', `${HEAD}\nKramkiste;P-00031;0.90;EUR;2;used;\n`)
  const stood = rows()
  const refused = await back(first)
  expect([refused.status, refused.body.detail]).toEqual([
    409,
    'first.csv cannot be taken back: prices of Kramkiste were read, ordered by or cleared since. Nothing was changed.',
  ])
  expect(rows()).toEqual(stood)
  expect((await back(second)).status).toBe(204)
  expect((await back(first)).status).toBe(204)
  const { sellers } = (await server.get<{ sellers: { name: string }[] }>('sellers')).body
  expect(sellers.map(({ name }) => name)).not.toContain('Kramkiste')
})
