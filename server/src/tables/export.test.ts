import { afterAll, beforeAll, describe, expect, test } from '@jest/globals'
import { type ImportReport, readTable, type TableName, TABLE_NAMES } from '@outfit/core/tables'
import { Writable } from 'node:stream'
import { startServer, type TestServer } from '../test/testServer.ts'
import { ExportService } from './exportService.ts'

let full: TestServer
let empty: TestServer
beforeAll(async () => {
  ;[full, empty] = [await startServer(), await startServer({ world: false })]
})
afterAll(async () => {
  await full.stop()
  await empty.stop()
})

const csvOf = async (server: TestServer, table: TableName) => (await server.get<string>(`export/${table}.csv`)).body

test('an empty table is a header', async () => {
  expect(await csvOf(empty, 'bins')).toBe('code,name,figure,parent,x,y,w,h,holder\n')
})

test('a table nobody has is not found', async () => {
  expect((await full.get('export/hats.csv')).status).toBe(404)
  expect((await full.get('export/constructor.csv')).status).toBe(404)
})

test('given up half-way, it ends and lets go of what it reads from', async () => {
  // Whoever reads it takes the first piece and never another.
  const reader = new Writable({ highWaterMark: 1, write: () => setTimeout(() => reader.destroy(), 20) })
  await full.service(ExportService).write('parts', reader)
  expect(reader.destroyed).toBe(true)
})

describe('taken out of one server and brought into another', () => {
  test.each(TABLE_NAMES)('%s is the same', async (table) => {
    const csv = await csvOf(full, table)
    const { rows, rejects } = readTable(table, csv)
    expect(rejects).toEqual([])
    expect(rows.length).toBeGreaterThan(0)
    const { body } = await empty.send<ImportReport>('POST', `import/${table}`, { csv })
    expect(body.rejects).toEqual([])
    expect(body).toMatchObject({ written: true, taken: rows.length })
    // Offers and owned parts get new ids; what they say is compared whatever its order.
    const lines = (text: string) => text.trim().split('\n').sort()
    expect(lines(await csvOf(empty, table))).toEqual(lines(csv))
  })
})

test('a name that would run in a spreadsheet is written as text and read back as it was', async () => {
  await empty.send('POST', 'import/bins', { csv: 'code,name\nB66,=SUM(A1:A9)' })
  const csv = await csvOf(empty, 'bins')
  expect(csv).toContain("'=SUM(A1:A9)")
  const { rows } = readTable('bins', csv)
  expect(rows.map(({ row }) => row)).toContainEqual(
    expect.objectContaining({ code: 'B66', name: '=SUM(A1:A9)', figure: null }),
  )
})
