import { expect, test } from '@jest/globals'
import { spawnSync } from 'node:child_process'
import { mkdtempSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'

const built = (file: string) => JSON.stringify(new URL(`../../dist/${file}`, import.meta.url).href)

/** Lists written by the thread, one that cannot be, and a write of somebody else between them; prints what came of each. */
const WRITES = `
  import { Databases } from ${built('base/database.js')}
  import { Writer } from ${built('base/writer.js')}
  import { ThreadSheetWriter } from ${built('market/sheetWriter.js')}
  const databases = await Databases.open(process.argv[1], { durable: false })
  const writer = new Writer(databases)
  const sheets = new ThreadSheetWriter(writer, databases)
  const seller = "('a', 'A', 'Weir Bank', 'EUR', 0, 0, 3, NULL, 'value', '[{\\"upTo\\":null,\\"price\\":100}]', NULL, 'none')"
  await writer.transaction((db) => db.query('INSERT INTO seller (code, name, country, currency, minimum, handling, arrivesInDays, rating, shippingBasis, shippingBands, notes, standing) VALUES ' + seller))
  const row = (code, price) => ({ kind: 'part', code, condition: 'new', price, currency: 'EUR', stock: 5, multiple: 1 })
  const list = (seller, date, ...rows) => sheets.write({ seller, date, source: 'market', whole: true, rows: rows.map((one) => ({ ...one, seller, date })) })
  const told = ({ outcome, changed }) => [outcome.fresh, outcome.dearer, outcome.gone, changed && [...changed].sort()]
  const said = [told(await list('a', '2026-01-05', row('A', 10), row('B', 20)))]
  said.push(await list('nobody', '2026-01-05', row('A', 10)).catch(({ code }) => code))
  const [next] = await Promise.all([
    list('a', '2026-01-12', row('A', 12)),
    writer.transaction((db) => db.query("UPDATE seller SET name = 'Alder' WHERE code = 'a'")),
  ])
  said.push(told(next))
  said.push(await databases.reading.query('SELECT s.name, o.code, o.price FROM offer o JOIN seller s ON s.code = o.seller'))
  console.log(JSON.stringify(said))
  await sheets.onModuleDestroy()
  await databases.onApplicationShutdown()
`

test('lists are written on a thread of their own, all of each or nothing, in turn with what else is written', () => {
  const data = mkdtempSync(join(tmpdir(), 'outfit-sheets-'))
  const { stdout, stderr } = spawnSync(process.execPath, ['--input-type=module', '--eval', WRITES, data], {
    encoding: 'utf8',
  })
  expect(stderr).toBe('')
  expect(JSON.parse(stdout)).toEqual([
    // Of the first lists there are nobody asks what they changed.
    [2, 0, 0, null],
    'SQLITE_CONSTRAINT_FOREIGNKEY',
    [0, 1, 1, ['part A', 'part B']],
    [{ name: 'Alder', code: 'A', price: 12 }],
  ])
})
