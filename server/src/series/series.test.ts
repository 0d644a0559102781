import { afterAll, beforeAll, describe, expect, test } from '@jest/globals'
import type { Series, SeriesKept } from '@outfit/core/series'
import type { RosterShelf } from '@outfit/core/shelf'
import type { ReportWithParts } from '@outfit/core/sourcing'
import { pdfText } from '../test/pdfText.ts'
import { jobEnd, startServer, type ProblemBody, type TestServer } from '../test/testServer.ts'
import type { PacksLack } from './seriesService.ts'

let server: TestServer
let market: RosterShelf
let other: RosterShelf
const at = (path = '', roster = market.id) => `rosters/${roster}/series${path}`
const kept = async () => (await server.get<SeriesKept>(at())).body

beforeAll(async () => {
  server = await startServer()
  const { rosters } = (await server.get<{ rosters: RosterShelf[] }>('rosters')).body
  market = rosters.find(({ name }) => name === 'Night market')!
  other = rosters.find(({ name }) => name === 'Ferry people')!
})
afterAll(() => server.stop())

const print = async (file: string) => {
  const answer = await fetch(`${server.url}/api/${at(`/print/${file}`)}`)
  return { status: answer.status, bytes: new Uint8Array(await answer.arrayBuffer()) }
}

describe('a series', () => {
  test('comes with the sample world complete, its outfits by id', async () => {
    const { series, sealed } = await kept()
    const ids = new Set(market.outfits.map(({ id }) => id))
    expect(series!.entries).toHaveLength(12)
    for (const { outfit } of series!.entries) expect(ids.has(outfit)).toBe(true)
    for (const outfit of series!.carton.front) expect(ids.has(outfit)).toBe(true)
    expect(sealed).toBeNull()
    expect((await server.get<SeriesKept>(at('', other.id))).body).toEqual({ series: null, sealed: null })
    expect((await server.get(at('', 'nobody'))).status).toBe(404)
  })

  test('is kept as it is said, and refused by field', async () => {
    const { series } = await kept()
    const said: Series = {
      ...series!,
      title: 'Spätmarkt',
      carton: { ...series!.carton, inner: { width: 40, depth: 30, height: 70.5 } },
    }
    expect((await server.send('PUT', at(), said)).status).toBe(204)
    expect((await kept()).series).toEqual(said)
    const faulty = {
      ...said,
      title: 'x'.repeat(81),
      leaflet: { ...said.leaflet, panels: 5 },
      packs: { ...said.packs, packs: 5001 },
    }
    const answer = await server.send<ProblemBody>('PUT', at(), faulty)
    expect([answer.status, answer.body.errors.map(({ field }) => field)]).toEqual([
      400,
      ['title', 'leaflet.panels', 'packs.packs'],
    ])
    expect((await kept()).series).toEqual(said)
    await server.send('PUT', at(), series)
  })

  test('that says less is as usual where it is silent', async () => {
    const { series } = await kept()
    const { inner: _inner, copies: _copies, ...carton } = series!.carton
    const { bonus: _bonus, ...rest } = series!
    expect((await server.send('PUT', at(), { ...rest, carton })).status).toBe(204)
    expect((await kept()).series).toEqual({ ...series!, bonus: null })
    await server.send('PUT', at(), series)
  })

  test('ends, and is nothing to print then', async () => {
    const { series } = await kept()
    expect((await server.send('DELETE', at())).status).toBe(204)
    expect(await kept()).toEqual({ series: null, sealed: null })
    const answer = await server.get<ProblemBody>(at('/print/leaflet.pdf'))
    expect([answer.status, answer.body.detail]).toEqual([409, 'This roster is no series yet. Make it one first.'])
    await server.send('PUT', at(), series)
  })
})

describe('what is printed', () => {
  test('a leaflet of two sides in true millimetres, everybody on it once', async () => {
    const { bytes } = await print('leaflet.pdf')
    const pages = await pdfText(bytes)
    expect(pages.map(({ width, height }) => [width.toFixed(1), height.toFixed(1)])).toEqual([
      ['384.0', '114.0'],
      ['384.0', '114.0'],
    ])
    const words = pages.map(({ text }) => text).join(' ')
    for (const { name } of market.outfits) expect(words).toContain(name)
    expect(words).toContain('not made, sponsored or endorsed by any maker')
    expect(words).toContain('A stall for all of them')
    expect(words).toContain('keep from children under three')
  })

  test('cartons on A4 in layers that a reader can tell apart', async () => {
    const { bytes } = await print('carton.pdf')
    const pages = await pdfText(bytes)
    for (const { width, height } of pages)
      expect([width.toFixed(1), height.toFixed(1)].sort()).toEqual(['210.0', '297.0'])
    const raw = Buffer.from(bytes).toString('latin1')
    for (const layer of ['cut', 'crease', 'bleed', 'art', 'glue', 'marks'])
      expect(raw).toMatch(new RegExp(`/Type /OCG[^>]*/Name \\(${layer}\\)`))
    expect(raw).toContain('/OCProperties')
    const { body: svg } = await server.get<string>(at('/print/carton.svg'))
    for (const layer of ['cut', 'crease', 'bleed', 'art', 'glue']) expect(svg).toContain(`<g id="${layer}">`)
  })

  test('packing list, labels that tell nothing, and the key on pages of its own', async () => {
    const [list, labels, key] = await Promise.all(
      ['packing-list.pdf', 'labels.pdf', 'key.pdf'].map(async (file) =>
        (await pdfText((await print(file)).bytes)).map(({ text }) => text).join(' '),
      ),
    )
    for (const { name } of market.outfits) {
      expect(list).toContain(name)
      expect(key).toContain(name)
      expect(labels).not.toContain(name)
    }
    expect(list!.match(/Berry lantern/g)).toHaveLength(4)
    expect(list).toContain('Pack 24')
  })

  test('all of it in one file', async () => {
    const { bytes } = await print('everything.pdf')
    const pages = await pdfText(bytes)
    const parts = await Promise.all(
      ['leaflet', 'carton', 'labels', 'packing-list', 'key'].map(
        async (file) => (await pdfText((await print(`${file}.pdf`)).bytes)).length,
      ),
    )
    expect(pages).toHaveLength(parts.reduce((sum, count) => sum + count, 0))
  })

  test('page by page, so that it can be told how far it is', async () => {
    const answer = await fetch(`${server.url}/api/${at('/print/everything.pdf')}`)
    const all = Number(answer.headers.get('x-pages'))
    let pieces = 0
    let text = ''
    for await (const piece of answer.body as unknown as AsyncIterable<Uint8Array>) {
      pieces++
      text += Buffer.from(piece).toString('latin1')
    }
    expect(pieces).toBeGreaterThan(1)
    expect(text.split('/Type /Page\n').length - 1).toBe(all)
  })

  test('no carton that is larger than its sheet; it is said what would do', async () => {
    const { series } = await kept()
    await server.send('PUT', at(), {
      ...series!,
      carton: { ...series!.carton, inner: { width: 60, depth: 40, height: 90 } },
    })
    const answer = await server.get<ProblemBody>(at('/print/carton.pdf'))
    expect(answer.status).toBe(409)
    expect(answer.body.detail).toMatch(/^Flat it is .* A3 takes it\.$/)
    await server.send('PUT', at(), series)
  })
})

describe('packs', () => {
  test('say which two things fight, and are sealed as they are', async () => {
    const { series } = await kept()
    await server.send('PUT', at(), { ...series!, packs: { ...series!.packs, packs: 0 } })
    const refused = await server.send<ProblemBody>('POST', at('/seal'))
    expect([refused.status, refused.body.errors.map(({ field }) => field)]).toEqual([409, ['0 packs', '12 figures']])
    expect((await server.get<PacksLack>(at('/lacking'))).body).toMatchObject({
      packs: 0,
      conflicts: [expect.stringContaining('no packs')],
    })
    await server.send('PUT', at(), series)

    expect((await server.send('POST', at('/seal'))).status).toBe(204)
    const { sealed } = await kept()
    expect(sealed!.plan.packs).toHaveLength(24)
    expect((await server.send('POST', at('/seal'))).status).toBe(409)
    // What is chosen later does not change what was packed.
    await server.send('PUT', at(), { ...series!, packs: { ...series!.packs, packs: 12, seed: 9 } })
    expect((await pdfText((await print('packing-list.pdf')).bytes)).map(({ text }) => text).join(' ')).toContain(
      'Pack 24',
    )
    expect((await server.send('PUT', at('/opened'), { opened: [3, 1, 3] })).status).toBe(204)
    expect((await kept()).sealed!.opened).toEqual([1, 3])
    const strange = await server.send<ProblemBody>('PUT', at('/opened'), { opened: [25] })
    expect([strange.status, strange.body.detail]).toEqual([400, 'There is no pack 25. Nothing was written.'])
    // While packs are sealed only this knows who is in which.
    expect((await server.send('DELETE', at())).status).toBe(409)
    const packed = (await kept()).sealed
    expect((await server.send('DELETE', at('/seal'))).status).toBe(204)
    expect((await kept()).sealed).toBeNull()
    expect((await server.send('PUT', at('/seal'))).status).toBe(204)
    expect((await kept()).sealed).toEqual(packed)
    expect((await server.send('PUT', at('/seal'))).status).toBe(409)
    expect((await server.send('DELETE', at('/seal'))).status).toBe(204)
    expect((await server.send('PUT', at('/opened'), { opened: [1] })).status).toBe(409)
    await server.send('PUT', at(), series)
  })

  test('lack what the drawer does not give, and that is planned for', async () => {
    const { body } = await server.get<PacksLack>(at('/lacking'))
    expect(body.packs).toBe(24)
    const { parts } = body
    const berry = parts.find(({ forWhat }) => forWhat.includes('Berry lantern'))
    expect(berry!.qty).toBeLessThanOrEqual(4)
    expect(parts.every(({ qty, name }) => qty > 0 && name !== '')).toBe(true)
    // All of it is planned for, and nothing else.
    const some = parts.slice(0, 6).map(({ part, qty, forWhat }) => ({ part, qty, forWhat }))
    const { job } = (
      await server.send<{ job: string }>('POST', 'plans', { roster: market.id, parts: some, seconds: 2 })
    ).body
    expect(await jobEnd(server, job)).toMatchObject({ state: 'done' })
    const { problem, outfits } = (await server.get<ReportWithParts>(`plans/${job}`)).body
    expect(outfits).toEqual([])
    expect(problem.needs.reduce((sum, { qty }) => sum + qty, 0)).toBe(some.reduce((sum, { qty }) => sum + qty, 0))
    const refused = async (more: object) =>
      (await server.send('POST', 'plans', { roster: market.id, parts: some, ...more })).status
    expect(await refused({ roster: undefined })).toBe(400)
    expect(await refused({ parts: [{ part: 'NOPE', qty: 1, forWhat: [] }] })).toBe(404)
    expect(await refused({ parts: some.map((one) => ({ ...one, qty: 200_000 })) })).toBe(400)
  })
})
