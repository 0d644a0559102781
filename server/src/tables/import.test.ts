import { afterAll, beforeAll, describe, expect, test } from '@jest/globals'
import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { PartEntity } from '../schema/catalogue.ts'
import { BinEntity, MovementEntity } from '../schema/drawer.ts'
import { OfferEntity } from '../schema/market.ts'
import { startServer, WORLD, type TestServer } from '../test/testServer.ts'
import type { ImportReport } from '@outfit/core/tables'

let server: TestServer
beforeAll(async () => {
  server = await startServer()
})
afterAll(() => server.stop())

const bring = async (table: string, csv: string, more: object = {}) =>
  (await server.send<ImportReport>('POST', `import/${table}`, { csv, ...more })).body
const reasons = ({ rejects }: ImportReport) => rejects.map(({ line, reason }) => `${line}: ${reason}`)

test('a new bin and parts in it are taken', async () => {
  expect(await bring('bins', 'code,name\nB90,Attic')).toMatchObject({
    table: 'bins',
    taken: 1,
    rejects: [],
    written: true,
  })
  const movements = await server.count(MovementEntity)
  expect(await bring('owned', 'part,bin,qty,date,reason\nP-00001,B90,3,2026-11-01,found')).toMatchObject({
    taken: 1,
    written: true,
  })
  expect(await server.count(MovementEntity)).toBe(movements + 1)
  const { body } = await server.get<{ bins: { bin: string; qty: number }[] }>('parts/P-00001')
  expect(body.bins).toContainEqual(expect.objectContaining({ bin: 'B90', qty: 3 }))
})

describe('nothing is written when a row is bad', () => {
  test.each([
    [
      'an unknown part',
      'owned',
      'part,bin,qty,date,reason\nP-00001,B1,1,2026-11-01,x\nP-NONE,B1,1,2026-11-01,x',
      ['3: part "P-NONE" is not known'],
    ],
    ['a negative quantity', 'owned', 'part,bin,qty,date,reason\nP-00001,B1,-4,2026-11-01,x', ['2: qty -4 is below 1']],
    [
      'an unknown bin',
      'owned',
      'part,bin,qty,date,reason\nP-00001,B999,1,2026-11-01,x',
      ['2: bin "B999" is not known'],
    ],
    [
      'an unknown seller',
      'offers',
      'date,seller,kind,code,condition,price,currency,stock,multiple\n2026-11-23,nobody,part,P-00001,new,10,EUR,1,1',
      ['2: seller "nobody" is not known'],
    ],
    [
      'a negative price',
      'offers',
      'date,seller,kind,code,condition,price,currency,stock,multiple\n2026-11-23,tin-whistle,part,P-00001,new,-1,EUR,1,1',
      ['2: price -1 is below 0'],
    ],
    [
      'fewer than a pack',
      'offers',
      'date,seller,kind,code,condition,price,currency,stock,multiple\n2026-11-23,tin-whistle,part,P-00001,new,10,EUR,2,4',
      ['2: stock 2 is below the pack size 4'],
    ],
    [
      'money the seller does not take',
      'offers',
      'date,seller,kind,code,condition,price,currency,stock,multiple\n2026-11-23,gull-and-ladder,part,P-00001,new,10,EUR,1,1',
      ['2: gull-and-ladder sells in GBP, not in EUR'],
    ],
    [
      'an offer for nothing known',
      'offers',
      'date,seller,kind,code,condition,price,currency,stock,multiple\n2026-11-23,tin-whistle,figure,F-NONE,new,10,EUR,1,1',
      ['2: code "F-NONE" is not known'],
    ],
    ['a code twice in the file', 'bins', 'code,name\nB91,One\nB91,Two', ['3: "B91" stands in the file twice']],
    [
      'an unknown colour',
      'parts',
      'code,name,mould,colours,print,year\nP-X,Hat,M-CROP,glitter,,2020',
      ['2: colours "glitter" is not known'],
    ],
    [
      'a silhouette nobody can draw',
      'moulds',
      'code,name,kind,silhouette,neckThickness,height,mass,traits\nM-X,Hat,headgear,mystery,0,1,1,',
      ['2: silhouette "mystery" is not known for headgear'],
    ],
    [
      'a layer nobody can draw',
      'prints',
      'code,name,kind,front,back,traits\nD-X,Face,head,"[{""kind"":""sparkle""}]",[],',
      ['2: layer "sparkle" is not known for head'],
    ],
    ['a file with nothing in it', 'bins', '', ['1: the file is empty']],
    ['a file with a header alone', 'bins', 'code,name\n', ['1: the file has a header and no rows']],
    ['a column that is not there', 'bins', 'code\nB92', ['1: the file has no column "name"']],
  ])('%s', async (_name, table, csv, expected) => {
    const before = await Promise.all(
      [PartEntity, BinEntity, MovementEntity, OfferEntity].map((entity) => server.count(entity)),
    )
    const report = await bring(table, csv)
    expect([report.written, report.taken, reasons(report)]).toEqual([false, 0, expected])
    expect(
      await Promise.all([PartEntity, BinEntity, MovementEntity, OfferEntity].map((entity) => server.count(entity))),
    ).toEqual(before)
  })
})

test('when asked to, good rows are taken beside bad ones', async () => {
  const report = await bring('bins', 'code,name\nB93,Good\n,Bad', { strict: false })
  expect([report.written, report.taken, reasons(report)]).toEqual([true, 1, ['3: code is empty']])
})

test('a mapping gives the headers of the file', async () => {
  expect(await bring('bins', 'box,title\nB94,Mapped', { mapping: { code: 'box', name: 'title' } })).toMatchObject({
    taken: 1,
  })
})

test('what is brought again under the same code replaces what was there', async () => {
  const bins = await server.count(BinEntity)
  await bring('bins', 'code,name\nB90,Cellar')
  expect(await server.count(BinEntity)).toBe(bins)
})

test('a table that does not exist and a body without a file are refused', async () => {
  expect((await server.send('POST', 'import/unicorns', { csv: '' })).status).toBe(404)
  const { status, body } = await server.send('POST', 'import/bins', {})
  expect([status, body['errors']]).toEqual([400, [expect.objectContaining({ field: 'csv' })]])
})

test('every row of the sample world was taken', async () => {
  const rows = (name: string) =>
    readFileSync(join(WORLD, `${name}.csv`), 'utf8')
      .trim()
      .split('\n').length - 1
  expect(await server.count(PartEntity)).toBe(rows('parts'))
  expect(await server.count(OfferEntity)).toBe(rows('offers'))
})
