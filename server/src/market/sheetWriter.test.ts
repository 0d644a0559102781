import { expect, test } from '@jest/globals'
import { spawnSync } from 'node:child_process'
import { mkdtempSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'

const built = (file: string) => JSON.stringify(new URL(`../../dist/${file}`, import.meta.url).href)

const HEADER = ['date', 'seller', 'kind', 'code', 'condition', 'price', 'currency', 'stock', 'multiple']

/**
 * Lists read and written by the thread, one the database refuses, ones with bad lines, and a write of somebody else between
 * them; prints what came of each.
 */
const WRITES = `
  import { Databases } from ${built('base/database.js')}
  import { Writer } from ${built('base/writer.js')}
  import { ThreadSheetWriter } from ${built('market/sheetWriter.js')}
  const databases = await Databases.open(process.argv[1], { durable: false })
  const writer = new Writer(databases)
  const sheets = new ThreadSheetWriter(writer, databases)
  const seller = "('a', 'A', 'Weir Bank', 'EUR', 0, 0, 3, NULL, 'value', '[{\\"upTo\\":null,\\"price\\":100}]', NULL, 'none')"
  await writer.transaction(async (db) => {
    await db.query('INSERT INTO seller (code, name, country, currency, minimum, handling, arrivesInDays, rating, shippingBasis, shippingBands, notes, standing) VALUES ' + seller)
    await db.query("INSERT INTO release (code, name, kind, year, price, currency, inProduction) VALUES ('A', 'A', 'box', 2020, 100, 'EUR', 1), ('B', 'B', 'box', 2020, 100, 'EUR', 1)")
    await db.query("CREATE TRIGGER no_thirteen BEFORE INSERT ON quote WHEN new.price = 13 BEGIN SELECT RAISE(ABORT, 'never thirteen'); END")
  })
  const page = (date, ...rows) => ['${HEADER.join(',')}', ...rows.map(([code, price]) => [date, 'a', 'release', code, 'new', price, 'EUR', 5, 1].join(','))].join('\\n')
  const list = (pages, reason = null, seller = 'a') => sheets.write({ seller, pages, reason })
  const told = ({ whole, rejected, rejects, kept }) => [whole, kept && [kept.outcome.fresh, kept.outcome.dearer, kept.outcome.gone, kept.changed && [...kept.changed].sort()], ...rejects.map(({ line, column, reason }) => [line, column, reason].join(' '))]
  const said = [told(await list([page('2026-01-05', ['A', 10]), page('2026-01-05', ['B', 20])]))]
  said.push(await list([page('2026-01-12', ['A', 11], ['B', 13])]).catch(({ message }) => message))
  said.push(told(await list([page('2026-01-12', ['C', 11])])))
  const [next] = await Promise.all([
    list([page('2026-01-12', ['A', 12])]),
    writer.transaction((db) => db.query("UPDATE seller SET name = 'Alder' WHERE code = 'a'")),
  ])
  said.push(told(next))
  said.push(told(await list([page('2026-01-19', ['B', 21]), page('2026-01-19', ['C', 5], ['A', 'dear']), 'nothing'])))
  said.push(told(await list([], 'it answered 500')))
  said.push(await databases.reading.query('SELECT s.name, o.code, o.price FROM offer o JOIN seller s ON s.code = o.seller ORDER BY o.code'))
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
    [true, [2, 0, 0, null]],
    'never thirteen',
    [false, null, '1 code code "C" is not known'],
    [true, [0, 1, 1, ['release A', 'release B']]],
    [
      false,
      [1, 0, 0, ['release B']],
      '2 code code "C" is not known',
      '3 price price "dear" is not a whole number',
      ...HEADER.map((column) => `1 ${column} the file has no column "${column}"`),
    ],
    [false, null],
    [
      { name: 'Alder', code: 'A', price: 12 },
      { name: 'Alder', code: 'B', price: 21 },
    ],
  ])
})
