import { afterAll, beforeAll, describe, expect, test } from '@jest/globals'
import type { ImportReport } from '@outfit/core/tables'
import type { BinContents, PartsBox, ToldAct } from '@outfit/core/drawer'
import type { WorkbenchPlan } from '@outfit/core/workbench'
import type { RosterShelf } from '@outfit/core/shelf'
import { startServer, type ProblemBody, type TestServer } from '../test/testServer.ts'

let server: TestServer
beforeAll(async () => {
  server = await startServer()
})
afterAll(() => server.stop())

const bring = async (table: string, csv: string) =>
  (await server.send<ImportReport>('POST', `import/${table}`, { csv })).body
const exported = async (table: string) => (await fetch(`${server.url}/api/export/${table}.csv`)).text()
const box = async () => (await server.get<PartsBox>('drawer')).body
const post = <T = { act: string }>(path: string, body: object) => server.send<T & ProblemBody>('POST', path, body)

describe('bins from a table', () => {
  test('may name a bin that comes later; their places and sizes come along', async () => {
    const report = await bring('bins', 'code,name,parent,x,y,w,h\nN1,Small tray,N2,,,,\nN2,Tall box,,3,20,5,6')
    expect(report).toMatchObject({ taken: 2, rejects: [], written: true })
    const { bins } = await box()
    expect(bins.find(({ code }) => code === 'N1')).toMatchObject({ parent: 'N2', x: null })
    expect(bins.find(({ code }) => code === 'N2')).toMatchObject({ parent: null, x: 3, y: 20, w: 5, h: 6 })
    expect(await exported('bins')).toContain('N1,Small tray,,N2,,,,,')
  })

  test.each([
    ['a bin in a bin there is not', 'N3,Lost,NONE', '2: parent "NONE" is not known'],
    ['a bin in itself', 'N4,Ring,N4', '2: N4 would lie in itself'],
    ['two bins in each other', 'N5,One,N6\nN6,Other,N5', '2: N5 would lie in itself'],
  ])('%s is rejected with its line, and nothing is written', async (_what, rows, fault) => {
    const before = (await box()).bins.length
    const report = await bring('bins', `code,name,parent\n${rows}`)
    expect(`${report.rejects[0]!.line}: ${report.rejects[0]!.reason}`).toBe(fault)
    expect(report.written).toBe(false)
    expect((await box()).bins.length).toBe(before)
  })

  test('a place below nothing is rejected by column', async () => {
    const { rejects } = await bring('bins', 'code,name,x\nN7,Left of it,-1')
    expect(rejects[0]).toMatchObject({ line: 2, column: 'x' })
  })
})

describe('owned parts from a table', () => {
  test('are one act that can be taken back as a whole, with the condition of each', async () => {
    const rows = ['P-00001,B1,2,new,2026-11-01,swap', 'P-00002,B1,1,,2026-11-01,swap']
    expect(await bring('owned', `part,bin,qty,condition,date,reason\n${rows.join('\n')}`)).toMatchObject({ taken: 2 })
    const [act] = (await server.get<{ acts: ToldAct[] }>('drawer/acts')).body.acts
    expect(act).toMatchObject({
      kind: 'imported',
      moves: [
        { condition: 'new', qty: 2 },
        { condition: 'used', qty: 1 },
      ],
    })
    expect(await exported('owned')).toMatch(/P-00001,B1,2,new,\d{4}-\d\d-\d\d,export/)
    expect((await post(`drawer/acts/${act!.id}/reversal`, {})).status).toBe(201)
    expect(await exported('owned')).not.toContain('P-00001,B1,2,new')
  })

  test('in a condition there is not are rejected', async () => {
    const { rejects } = await bring('owned', 'part,bin,qty,condition,date,reason\nP-00001,B1,1,mint,2026-11-01,x')
    expect(rejects[0]).toMatchObject({
      line: 2,
      column: 'condition',
      reason: 'condition "mint" is not one of new, used',
    })
  })
})

describe('the history', () => {
  test('is leafed through page by page, no act twice', async () => {
    for (let i = 0; i < 45; i++)
      await post('drawer/brought-in', {
        things: [{ kind: 'part', code: 'P-00003', qty: 1 }],
        bin: 'B1',
        together: false,
        condition: 'used',
        text: `number ${i}`,
      })
    interface Page {
      acts: ToldAct[]
      more: boolean
    }
    const first = (await server.get<Page>('drawer/acts?part=P-00003')).body
    expect([first.acts.length, first.more, first.acts[0]!.text]).toEqual([40, true, 'number 44'])
    const next = (await server.get<Page>(`drawer/acts?part=P-00003&before=${first.acts.at(-1)!.id}`)).body
    expect([next.acts.at(0)!.text, next.more]).toEqual(['number 4', false])
    expect(new Set([...first.acts, ...next.acts].map(({ id }) => id)).size).toBe(first.acts.length + next.acts.length)
  })

  test('of an act there is not is not found', async () => {
    expect((await post('drawer/acts/NONE/reversal', {})).status).toBe(404)
  })
})

describe('remarks', () => {
  test('stay with the part in its bin, and with the outfit at its workbench', async () => {
    expect(
      (await post('drawer/remarks', { part: 'P-00070', kind: 'misprint', text: 'left brow missing' })).status,
    ).toBe(201)
    const { remarks } = (await server.get<BinContents>('bins/B1')).body
    expect(remarks).toMatchObject([{ part: 'P-00070', kind: 'misprint', text: 'left brow missing' }])
    const { rosters } = (await server.get<{ rosters: RosterShelf[] }>('rosters')).body
    const outfit = rosters[0]!.outfits[0]!.id
    await post('drawer/remarks', { outfit, kind: 'note', text: 'hat sits loose' })
    expect((await server.get<WorkbenchPlan>(`outfits/${outfit}/workbench`)).body.remarks).toMatchObject([
      { kind: 'note', text: 'hat sits loose' },
    ])
  })

  test.each<[string, object, number]>([
    ['on a part there is not', { part: 'P-NONE', kind: 'fault', text: 'x' }, 404],
    ['on an outfit there is not', { outfit: 'NONE', kind: 'fault', text: 'x' }, 404],
    ['of a kind there is not', { part: 'P-00070', kind: 'praise', text: 'x' }, 400],
    ['with a picture that is none', { part: 'P-00070', kind: 'photo', text: '', photo: 'cat.png' }, 400],
  ])('%s are refused', async (_what, body, status) => {
    expect((await post('drawer/remarks', body)).status).toBe(status)
  })
})

describe('where parts lie', () => {
  test('is told for several at once, wherever they are', async () => {
    const { body } = await server.get<{ part: string; bin: string; qty: number }[]>(
      'drawer/where?parts=P-00070,P-00056',
    )
    expect(body).toContainEqual(expect.objectContaining({ part: 'P-00070', bin: 'B1', name: 'Heads, light' }))
    expect(body.every(({ qty }) => qty > 0)).toBe(true)
    expect((await server.get<object[]>('drawer/where')).body).toEqual([])
  })
})

describe('what is on the way', () => {
  test('is told with the part, from whom and when', async () => {
    const { rosters } = (await server.get<{ rosters: RosterShelf[] }>('rosters')).body
    const arriving = rosters
      .flatMap(({ outfits }) => outfits)
      .flatMap(({ placements, from }) => placements.filter((_, i) => from[i] === 'arriving'))
    expect(arriving.length).toBeGreaterThan(0)
    for (const { part } of arriving) {
      const { coming } = (
        await server.get<{ coming: { qty: number; seller: string; expectedOn: string }[] }>(`parts/${part}`)
      ).body
      expect(coming.reduce((sum, { qty }) => sum + qty, 0)).toBeGreaterThan(0)
      expect(coming[0]).toMatchObject({ seller: expect.any(String), expectedOn: expect.stringMatching(/^\d{4}-/) })
    }
  })
})

describe('putting figures together', () => {
  test('names what is not loose, and moves nothing', async () => {
    const before = (await box()).bins.length
    const { status, body } = await post('drawer/put-together', { figure: 'F-0047' })
    expect([status, body.detail]).toEqual([
      409,
      expect.stringMatching(/^Not loose in the drawer: .+\. Nothing was moved\.$/),
    ])
    expect((await box()).bins.length).toBe(before)
    expect((await post('drawer/put-together', { figure: 'F-NONE' })).status).toBe(404)
  })
})

describe('laying out', () => {
  test('is refused as a whole when one bin is not there', async () => {
    const { status } = await server.send('PUT', 'bins', {
      bins: [
        { code: 'B1', x: 9, y: 9, was: { x: 0, y: 0 } },
        { code: 'NONE', x: 1, y: 1, was: { x: 0, y: 0 } },
      ],
    })
    expect(status).toBe(404)
    expect((await box()).bins.find(({ code }) => code === 'B1')).toMatchObject({ x: 0, y: 0 })
  })

  test.each<[string, object, string]>([
    ['a place below nothing', { x: -1 }, 'x'],
    ['a size beyond the ground', { w: 99 }, 'w'],
    ['no name', { name: '' }, 'name'],
    ['something unknown', { colour: 'red' }, 'colour'],
  ])('%s is refused by field', async (_what, change, field) => {
    const { status, body } = await server.send<ProblemBody>('PUT', 'bins/B1', { was: {}, ...change })
    expect([status, body.errors[0]?.field]).toEqual([400, field])
  })

  test('a name that another bin has is refused', async () => {
    const { status, body } = await server.send<ProblemBody>('PUT', 'bins/B1', {
      name: 'Hats',
      was: { name: (await box()).bins.find(({ code }) => code === 'B1')!.name },
    })
    expect([status, body.errors[0]?.field]).toEqual([409, 'name'])
  })
})
