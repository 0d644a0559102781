import { afterAll, beforeAll, describe, expect, test } from '@jest/globals'
import type { ErrandList, TicksKept } from '@outfit/core/errands'
import type { RosterShelf } from '@outfit/core/shelf'
import type { WorkbenchPlan } from '@outfit/core/workbench'
import type { SourcingPlan } from '@outfit/core/sourcing'
import { jobEnd, startServer, type ProblemBody, type TestServer } from '../test/testServer.ts'

let server: TestServer
let roster: RosterShelf
beforeAll(async () => {
  server = await startServer()
  const { rosters } = (await server.get<{ rosters: RosterShelf[] }>('rosters')).body
  roster = rosters.find(({ name }) => name === 'Night market')!
})
afterAll(() => server.stop())

const list = async (of = roster.id) => (await server.get<ErrandList & ProblemBody>(`rosters/${of}/errands`)).body
const say = async (ticks: object[]) =>
  (await server.send<TicksKept & ProblemBody>('PUT', `rosters/${roster.id}/errands/ticks`, { ticks })).body
describe('the list of a roster', () => {
  test('has all its outfits still want, from bins, off donors or at stalls, and each part for whom it is', async () => {
    const { stops } = await list()
    const all = stops.flatMap(({ kind, errands }) => errands.map((errand) => ({ kind, ...errand })))
    const counted = (...kinds: string[]) =>
      all.filter(({ kind }) => kinds.includes(kind)).reduce((sum, { qty }) => sum + qty, 0)
    const plans = await Promise.all(
      roster.outfits.map(async ({ id }) => (await server.get<WorkbenchPlan>(`outfits/${id}/workbench`)).body),
    )
    const open = roster.outfits.filter((_, i) => !plans[i]!.built)
    expect(open.length).toBeGreaterThan(3)
    expect(counted('seller', 'anywhere')).toBe(open.reduce((sum, { toBuy }) => sum + toBuy, 0))
    const worn = open.reduce((sum, { placements }) => sum + placements.length, 0)
    expect(counted('bin', 'donor')).toBe(worn - open.reduce((sum, { toBuy, arriving }) => sum + toBuy + arriving, 0))
    for (const { name, placements } of open)
      for (const { part } of placements) {
        const forWhom = all.filter((one) => one.part === part).flatMap((one) => one.forWhom)
        if (forWhom.length > 0) expect([part, forWhom.includes(name)]).toEqual([part, true])
      }
  })

  test('sends to whoever asks least, and says of what nobody sells', async () => {
    const { stops, pictures } = await list()
    for (const { kind, name, errands } of stops)
      for (const { part, price } of errands) {
        expect(pictures[part]).toMatch(/^<svg /)
        expect([kind, name === '', price === null]).toEqual([kind, kind === 'anywhere', kind !== 'seller'])
        if (kind !== 'seller') continue
        const { offers } = (await server.get<{ offers: { home: number }[] }>(`parts/${part}`)).body
        expect(price).toBe(Math.min(...offers.map(({ home }) => home)))
      }
  })

  test('is there of no roster that is not', async () => {
    expect((await list('nobody')).status).toBe(404)
  })
})

describe('ticks', () => {
  const id = 'bin B1 P-00001'
  const at = (minute: number) => `2026-12-01T10:0${minute}:00.000Z`

  test('of several devices come together, and what differs is told', async () => {
    expect(await say([{ id, got: 1, was: 0, at: at(1) }])).toEqual({
      ticks: [{ id, got: 1, at: at(1) }],
      collisions: [],
    })
    // The other was away, ticked before that, and hears what stays.
    expect(await say([{ id, got: 2, was: 0, at: at(0) }])).toEqual({
      ticks: [{ id, got: 1, at: at(1) }],
      collisions: [{ id, mine: 2, theirs: 1, stays: 1 }],
    })
    expect((await say([{ id, got: 2, was: 1, at: at(2) }])).collisions).toEqual([])
    expect((await list()).ticks).toEqual([{ id, got: 2, at: at(2) }])
  })

  test.each([
    ['ticks[0].got', { id, got: -1, was: 0, at: at(1) }],
    ['ticks[0].at', { id, got: 1, was: 0, at: 'yesterday' }],
    ['ticks[0].id', { id: '', got: 1, was: 0, at: at(1) }],
  ])('with a wrong %s are refused as a whole', async (field, tick) => {
    const before = (await list()).ticks
    expect((await say([{ id, got: 7, was: 2, at: at(9) }, tick].reverse())).errors[0]!.field).toBe(field)
    expect((await list()).ticks).toEqual(before)
  })

  test('go in one press, and with their roster', async () => {
    expect((await server.send('DELETE', `rosters/${roster.id}/errands/ticks`)).status).toBe(204)
    expect((await list()).ticks).toEqual([])
  })
})

test('the list of a plan has its lines stall by stall, in a file and with ticks of its own', async () => {
  const outfit = roster.outfits.find(({ toBuy }) => toBuy > 1)!
  const { job } = (await server.send<{ job: string }>('POST', 'plans', { outfit: outfit.id, seconds: 1 })).body
  expect((await jobEnd(server, job)).state).toBe('done')
  const { plan } = (await server.get<{ plan: SourcingPlan }>(`plans/${job}`)).body
  const told = async () => (await server.get<ErrandList>(`plans/${job}/errands`)).body
  const { stops } = await told()
  expect(stops.map(({ code, errands }) => [code, errands.map(({ qty }) => qty)])).toEqual(
    plan.baskets.map(({ seller, lines }) => [seller, lines.map(({ qty }) => qty)]),
  )
  const spent = stops.flatMap(({ errands }) => errands).reduce((sum, { qty, price }) => sum + qty * price!, 0)
  expect(spent).toBe(plan.baskets.reduce((sum, { goods }) => sum + goods, 0))
  const [{ id } = { id: '' }] = stops[0]!.errands
  await server.send('PUT', `plans/${job}/errands/ticks`, {
    ticks: [{ id, got: 1, was: 0, at: '2026-12-01T10:00:00.000Z' }],
  })
  expect((await told()).ticks).toMatchObject([{ id, got: 1 }])
  expect((await list()).ticks).toEqual([])
  expect(await (await fetch(`${server.url}/api/plans/${job}/errands/list.html`)).text()).toContain(stops[0]!.name)
  expect((await server.send('DELETE', `plans/${job}/errands/ticks`)).status).toBe(204)
  expect((await server.get(`plans/nothing/errands`)).status).toBe(404)
})

test('the file needs nothing else, and says nothing that somebody smuggled into a name', async () => {
  const name = '</script><img src=x onerror=alert(1)>'
  const { id } = (
    await server.send<{ id: string }>('POST', 'rosters', {
      name,
      note: '',
      school: 'open-bench',
      budget: null,
      dueOn: null,
    })
  ).body
  for (const one of [id, roster.id]) {
    const answer = await fetch(`${server.url}/api/rosters/${one}/errands/list.html`)
    const html = await answer.text()
    expect(answer.headers.get('content-disposition')).toMatch(/^attachment/)
    expect(html).not.toMatch(/<img|(src|href)="?(http|\/)/)
    expect(html).toContain("default-src 'none'")
    expect(html.match(/<script>/g)).toHaveLength(1)
  }
})
