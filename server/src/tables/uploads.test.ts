import { afterAll, beforeAll, describe, expect, test } from '@jest/globals'
import { readdirSync } from 'node:fs'
import { request } from 'node:http'
import { join } from 'node:path'
import { PartEntity, PrintEntity } from '../schema/catalogue.ts'
import { BinEntity } from '../schema/drawer.ts'
import { jobEnd, startServer, type ProblemBody, type TestServer } from '../test/testServer.ts'
import { TABLE_FILE_LIMIT, type ImportReport } from '@outfit/core/tables'
import type { Upload } from './uploadsService.ts'

let server: TestServer
beforeAll(async () => {
  server = await startServer()
})
afterAll(() => server.stop())

const upload = async (csv: string | Uint8Array<ArrayBuffer>) => (await server.sendFile<Upload>('uploads', csv)).body
const kept = () => readdirSync(join(server.data, 'uploads'))

/** Start an import of a file and wait for its end. */
async function bring(csv: string, table: string, options: object = {}) {
  const { upload: id } = await upload(csv)
  const { status, body } = await server.send<{ job: string }>('POST', 'imports', { upload: id, table, ...options })
  expect(status).toBe(202)
  const end = await jobEnd(server, body.job)
  const { result } = (await server.get<{ result: ImportReport }>(`jobs/${body.job}`)).body
  return { id, end, report: result }
}

describe('a file', () => {
  test('is kept with its header and first rows as they stand', async () => {
    const body = await upload('Item No;Title\n7;"Hat; red"\n8;Boot\n')
    expect(body).toMatchObject({
      header: ['Item No', 'Title'],
      rows: [
        ['7', 'Hat; red'],
        ['8', 'Boot'],
      ],
      bytes: 34,
    })
    expect(kept()).toContain(`${body.upload}.csv`)
  })

  test('that is no UTF-8 is refused with its line, and nothing of it stays', async () => {
    const before = kept()
    const broken = Buffer.concat([
      Buffer.from('code,name\nB1,Good\nB2,'),
      Buffer.from([0xe9, 0x74]),
      Buffer.from('\nB3,x'),
    ])
    const { status, body } = await server.sendFile<ProblemBody>('uploads', new Uint8Array(broken))
    expect(status).toBe(400)
    expect(body.errors).toEqual([{ field: 'line 3', message: 'is not UTF-8' }])
    expect(body.detail).toContain('Nothing was kept')
    expect(kept()).toEqual(before)
  })

  test('that is broken only at its very end is refused too', async () => {
    const cut = Buffer.concat([Buffer.from('code,name\nB1,Caf'), Buffer.from([0xc3])])
    expect((await server.sendFile('uploads', new Uint8Array(cut))).status).toBe(400)
  })

  test('that is a picture is no table', async () => {
    const png = new Uint8Array([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a, 0, 0, 0, 13])
    const { status, body } = await server.sendFile<ProblemBody>('uploads', png)
    expect([status, body.errors[0]!.field]).toEqual([400, 'line 1'])
  })

  test('that is empty, or has a quote without an end, is refused', async () => {
    expect((await server.sendFile<ProblemBody>('uploads', '')).body.errors[0]).toEqual({
      field: 'file',
      message: 'is empty',
    })
    const { status, body } = await server.sendFile<ProblemBody>('uploads', 'code,name\nB1,"open')
    expect([status, body.detail.startsWith('Line 2: the file is not CSV')]).toEqual([400, true])
  })

  test('of two gigabytes is refused before it is sent', async () => {
    const bytes = 2 * 1024 ** 3
    expect(bytes).toBeGreaterThan(TABLE_FILE_LIMIT)
    const before = kept()
    const { status, body } = await new Promise<{ status: number; body: ProblemBody }>((resolve, reject) => {
      const call = request(`${server.url}/api/uploads`, {
        method: 'POST',
        headers: { 'Content-Type': 'text/csv', 'Content-Length': bytes },
      })
      call.on('response', (response) => {
        let text = ''
        response.on('data', (chunk) => (text += chunk))
        response.on('end', () => {
          call.destroy()
          resolve({ status: response.statusCode!, body: JSON.parse(text) as ProblemBody })
        })
      })
      call.on('error', reject)
      call.write('code,name\n')
    })
    expect([status, body.errors]).toEqual([413, [{ field: 'file', message: 'is too large' }]])
    expect(kept()).toEqual(before)
  })

  test('nobody keeps cannot be brought in', async () => {
    for (const id of ['01NONE', '../outfit', '..%2Foutfit'])
      expect((await server.send('POST', 'imports', { upload: id, table: 'bins' })).status).toBe(404)
  })
})

describe('an import', () => {
  test('takes any header through a mapping, and a column the file has not may be said to be none', async () => {
    const { report } = await bring('name,Kiste\nAttic,B71\nShed,B72', 'bins', {
      mapping: { code: 'Kiste', name: 'name' },
    })
    expect(report).toMatchObject({ written: true, taken: 2, rejects: [] })
    const without = await bring('code,name\nB73,x', 'bins', { mapping: { code: 'code', name: '' } })
    expect(without.report.rejects).toEqual([{ line: 1, column: 'name', reason: 'the file has no column "name"' }])
  })

  test('that only looks writes nothing and shows the rows as they will be read', async () => {
    const before = await server.count(BinEntity)
    const { id, report } = await bring('code,name\nB80,One\nB81,Two', 'bins', { dry: true })
    expect(report).toMatchObject({
      written: false,
      taken: 2,
      sample: [
        { code: 'B80', name: 'One' },
        { code: 'B81', name: 'Two' },
      ],
    })
    expect(await server.count(BinEntity)).toBe(before)
    expect(kept()).toContain(`${id}.csv`)
    const second = await server.send<{ job: string }>('POST', 'imports', { upload: id, table: 'bins' })
    await jobEnd(server, second.body.job)
    expect(await server.count(BinEntity)).toBe(before + 2)
    expect(kept()).not.toContain(`${id}.csv`)
  })

  test('with a ragged row writes nothing, or all but it when told to', async () => {
    const csv = 'code,name\nB90,One\nB91\nB92,Three,extra\nB93,Four'
    const before = await server.count(BinEntity)
    const strict = await bring(csv, 'bins')
    expect(strict.report).toMatchObject({ written: false, taken: 0, rejected: 2 })
    expect(strict.report.rejects.map(({ line, reason }) => `${line} ${reason}`)).toEqual([
      '3 has 1 cells, the header has 2',
      '4 has 3 cells, the header has 2',
    ])
    expect(await server.count(BinEntity)).toBe(before)
    expect((await bring(csv, 'bins', { strict: false })).report).toMatchObject({ written: true, taken: 2 })
    expect(await server.count(BinEntity)).toBe(before + 2)
  })

  test('of many rows that fails at its last leaves none of the others', async () => {
    const rows = Array.from({ length: 5000 }, (_, i) => `N-${i},Hat ${i},M-DECK,tar`)
    const parts = await server.count(PartEntity)
    const { report } = await bring(['code,name,mould,colours', ...rows, 'N-X,Hat,M-DECK,plaid'].join('\n'), 'parts')
    expect(report).toMatchObject({ written: false, rows: 5001, rejected: 1 })
    expect(report.rejects[0]).toMatchObject({ line: 5002, column: 'colours' })
    expect(await server.count(PartEntity)).toBe(parts)
    const { body } = await server.get<{ total: number }>('parts/find?text=N-4999')
    expect(body.total).toBe(0)
  })

  test('that is stopped leaves nothing', async () => {
    const rows = Array.from({ length: 60_000 }, (_, i) => `Z-${i},Hat ${i},M-DECK,tar`)
    const { upload: id } = await upload(['code,name,mould,colours', ...rows].join('\n'))
    const parts = await server.count(PartEntity)
    const { body } = await server.send<{ job: string }>('POST', 'imports', { upload: id, table: 'parts' })
    await server.send('DELETE', `jobs/${body.job}`)
    expect((await jobEnd(server, body.job)).state).toBe('cancelled')
    expect(await server.count(PartEntity)).toBe(parts)
  })

  test('counts all faults and tells the first', async () => {
    const rows = Array.from({ length: 1500 }, () => 'only-one-cell')
    const { report } = await bring(['code,name', ...rows].join('\n'), 'bins', { dry: true })
    expect([report.rejected, report.rejects.length]).toEqual([1500, 1000])
  })

  test('of what was brought before replaces it, and keeps what the file does not speak of', async () => {
    await bring('code,name,mould,colours,year\nR-1,Old name,M-DECK,tar,2020', 'parts')
    await bring('code,name,mould,colours,year\nR-1,New name,M-DECK,wine,2021', 'parts')
    const { body } = await server.get<{ part: { name: string; colours: string[] } }>('parts/R-1')
    expect(body.part).toMatchObject({ name: 'New name', colours: ['wine'], year: 2021 })
    const found = async (text: string) => (await server.get<{ total: number }>(`parts/find?text=${text}`)).body.total
    expect([await found('R-1+old'), await found('R-1+new')]).toEqual([0, 1])
  })
})

describe('assemblies', () => {
  const atom = (code: string) => `${code},Piece,M-TORSO,oat`
  beforeAll(async () => {
    await bring(['code,name,mould,colours', ...['C-A', 'C-B', 'C-C', 'C-D'].map(atom)].join('\n'), 'parts')
  })

  test('that would contain themselves are rejected with the way round', async () => {
    const { report } = await bring('assembly,slot,part\nC-A,torso,C-B\nC-B,torso,C-C\nC-C,torso,C-A', 'components')
    expect(report).toMatchObject({ written: false, rejected: 3 })
    expect(report.rejects[0]!.reason).toBe('C-A would contain itself: C-A → C-B → C-C → C-A')
    expect((await bring('assembly,slot,part\nC-A,torso,C-A', 'components')).report.rejects[0]!.reason).toBe(
      'C-A would contain itself: C-A → C-A',
    )
  })

  test('in assemblies are rejected, also where the other is known from before', async () => {
    expect((await bring('assembly,slot,part\nC-A,torso,C-B', 'components')).report.written).toBe(true)
    const { report } = await bring('assembly,slot,part\nC-D,torso,C-A', 'components')
    expect(report.rejects).toEqual([
      { line: 2, column: 'part', reason: 'part "C-A" is an assembly; name the parts it comes apart into' },
    ])
    expect((await bring('assembly,slot,part\nC-B,torso,C-A', 'components')).report.rejects[0]!.reason).toContain(
      'would contain itself',
    )
  })

  test('take the level of their slot where the file says none', async () => {
    await bring('assembly,slot,part,level\nC-C,torso,C-B,\nC-C,handLeft,C-D,5\nC-C,handRight,C-D,', 'components')
    const { body } = await server.get<{ part: { components: { slot: string; level: number }[] } }>('parts/C-C')
    expect(Object.fromEntries(body.part.components.map(({ slot, level }) => [slot, level]))).toEqual({
      torso: 3,
      handLeft: 5,
      handRight: 2,
    })
  })
})

describe('parts by their names', () => {
  const csv = 'code,name\nY-1,"Torso with jacket, dark red"\nY-2,Long oar in Copper\nY-3,Gadget'
  const none = { moulds: {}, colours: {} }

  test('are guessed, with what cannot be said so', async () => {
    const { report } = await bring(csv, 'parts', { dry: true, guess: none })
    expect(report).toMatchObject({ taken: 2, rejected: 2 })
    expect(report.rejects.map(({ line, column }) => `${line} ${column}`)).toEqual(['4 mould', '4 colours'])
    expect(report.guesses).toContainEqual(expect.objectContaining({ what: 'mould', words: 'torso', code: 'M-TORSO' }))
  })

  test('and corrected in bulk, with a print that has no recipe yet', async () => {
    const prints = await server.count(PrintEntity)
    const { report } = await bring(csv, 'parts', {
      guess: { moulds: { '': 'M-MUG' }, colours: { '': 'tin', copper: 'brass' } },
    })
    expect(report).toMatchObject({ written: true, taken: 3 })
    expect(await server.count(PrintEntity)).toBe(prints + 1)
    const [torso, oar, mug] = await Promise.all(
      ['Y-1', 'Y-2', 'Y-3'].map(
        async (code) => (await server.get<{ part: object; prints: object[] }>(`parts/${code}`)).body,
      ),
    )
    expect(torso).toMatchObject({
      part: { mould: 'M-TORSO', print: 'D-Y-1' },
      prints: [{ code: 'D-Y-1', front: [], back: [], traits: { garment: 'jacket' } }],
    })
    expect(oar!.part).toMatchObject({ mould: 'M-OAR', colours: ['brass'], print: null })
    expect(mug!.part).toMatchObject({ mould: 'M-MUG', colours: ['tin'] })
  })

  test('without guessing need their columns', async () => {
    expect((await bring(csv, 'parts')).report.rejects.map(({ column }) => column)).toEqual(['mould', 'colours'])
  })
})

describe('mappings', () => {
  const columns = { code: 'Kiste', name: 'Inhalt' }

  test('are remembered by name, replaced under it, and forgotten', async () => {
    const path = 'mappings/bins/My%20spreadsheet'
    expect((await server.send('PUT', path, { columns })).status).toBe(204)
    expect((await server.get('mappings/bins')).body).toEqual([{ name: 'My spreadsheet', columns }])
    await server.send('PUT', path, { columns: { ...columns, name: 'Titel' }, was: columns })
    expect((await server.get('mappings/bins')).body).toEqual([
      { name: 'My spreadsheet', columns: { ...columns, name: 'Titel' } },
    ])
    expect((await server.get('mappings/parts')).body).toEqual([])
    await server.send('DELETE', path)
    expect((await server.get('mappings/bins')).body).toEqual([])
  })

  test('need a table there is and columns', async () => {
    expect((await server.get('mappings/hats')).status).toBe(404)
    expect((await server.send('PUT', 'mappings/hats/x', { columns })).status).toBe(400)
    expect((await server.send<ProblemBody>('PUT', 'mappings/bins/x', {})).body.errors[0]!.field).toBe('columns')
  })
})
