import { afterAll, beforeAll, describe, expect, test } from '@jest/globals'
import type { RosterShelf } from '@outfit/core/shelf'
import type { AllotmentReport, BuildableList, LeftoversReport, WorkbenchPlan } from '@outfit/core/workbench'
import type { Army } from '@outfit/core/teams'
import { startServer, type ProblemBody, type TestServer } from '../test/testServer.ts'

let server: TestServer
beforeAll(async () => {
  server = await startServer()
})
afterAll(() => server.stop())

const shelves = async () => (await server.get<{ rosters: RosterShelf[] }>('rosters')).body.rosters
const named = async (name: string) => (await shelves()).find((roster) => roster.name === name)!
const outfitNamed = async (name: string) =>
  (await shelves()).flatMap(({ outfits }) => outfits).find((one) => one.name === name)!
const allotment = async (query = '') => (await server.get<AllotmentReport>(`drawer/allotment${query}`)).body
const buildable = async (query = '') => (await server.get<BuildableList>(`drawer/buildable${query}`)).body
const planOf = async (id: string) => (await server.get<WorkbenchPlan>(`outfits/${id}/workbench`)).body

describe('what can be built', () => {
  test('comes nearest first, without what stands; what is complete builds, and what lacks a part does not', async () => {
    const { outfits } = await buildable()
    const standing = (await shelves())
      .flatMap((roster) => roster.outfits)
      .filter(({ state }) => ['built', 'shown'].includes(state))
    expect(standing.length).toBeGreaterThan(0)
    for (const { id } of standing) expect(outfits.some((one) => one.id === id)).toBe(false)
    const lacking = outfits.find(({ lacks }) => lacks.length > 0)!
    expect((await server.send('POST', `outfits/${lacking.id}/built`)).status).toBe(409)
    for (const one of outfits) expect(one.lacks.length === 0).toBe(!one.nearness.startsWith('lacks'))
    const awaiting = outfits.find(({ nearness }) => nearness === 'on-its-way')!
    expect((await server.send('POST', `outfits/${awaiting.id}/built`)).status).toBe(409)
    const roster = outfits[0]!.roster
    expect((await buildable(`?rosters=${roster}`)).outfits.every((one) => one.roster === roster)).toBe(true)
  })
})

describe('the workbench', () => {
  test('takes what the list of what can be built told: the same donors, and from the same others', async () => {
    const { outfits } = await buildable()
    const whole = outfits.filter(({ lacks, coming }) => lacks.length + coming.length === 0)
    expect(new Set(whole.map(({ nearness }) => nearness))).toEqual(new Set(['complete', 'apart', 'before-others']))
    for (const one of whole) {
      const { donors, others, lacks } = await planOf(one.id)
      expect([one.name, donors.map(({ code }) => code).sort(), others, lacks]).toEqual([
        one.name,
        one.donors,
        one.others,
        [],
      ])
    }
  })

  test('tells what comes with a parcel apart from what is lacking, as the list of what can be built does', async () => {
    const { outfits } = await buildable()
    for (const one of outfits) {
      const { lacks, coming } = await planOf(one.id)
      expect([one.name, lacks, coming]).toEqual([one.name, one.lacks, one.coming])
    }
    expect(outfits.some(({ coming }) => coming.length > 0)).toBe(true)
    expect(outfits.some(({ lacks }) => lacks.length > 0)).toBe(true)
  })

  test('gathers every part from a bin or a donor, and finishing moves just those, in one act', async () => {
    const band = await named('Brass band')
    const [first] = band.outfits
    expect((await planOf(first!.id)).built).toBe(true)
    expect((await server.send('DELETE', `outfits/${first!.id}/built`)).status).toBe(200)
    const plan = await planOf(first!.id)
    expect(plan).toMatchObject({ built: false, lacks: [], outfit: { name: first!.name, rosterName: 'Brass band' } })
    const gathered = plan.stops.flatMap(({ parts }) => parts).reduce((sum, { qty }) => sum + qty, 0)
    const offDonors = plan.sources.filter((source) => source?.donor).length
    expect(gathered + offDonors).toBe(plan.placements.length)
    expect(plan.steps.length).toBeGreaterThan(3)
    const { body } = await server.send<{ moved: number }>('POST', `outfits/${first!.id}/built`)
    expect(body.moved).toBe(gathered + offDonors)
    const { acts } = (
      await server.get<{ acts: { id: string; kind: string; moves: { from: string; qty: number }[] }[] }>('drawer/acts')
    ).body
    expect(acts[0]).toMatchObject({ kind: 'built' })
    const bins = new Set(acts[0]!.moves.map(({ from }) => from))
    for (const { bin } of plan.stops) expect(bins.has(bin)).toBe(true)
    // Taken back by the history, it stands no longer; done again, it does.
    const back = await server.send<{ act: string }>('POST', `drawer/acts/${acts[0]!.id}/reversal`)
    expect((await planOf(first!.id)).built).toBe(false)
    await server.send('POST', `drawer/acts/${back.body.act}/reversal`)
    expect((await planOf(first!.id)).built).toBe(true)
  })

  test('of an outfit there is not is not found', async () => {
    expect((await server.get('outfits/none/workbench')).status).toBe(404)
  })
})

describe('who has what', () => {
  test('is proven, never worse than first come, first served, and names what two count on', async () => {
    const report = await allotment()
    expect(report.proven).toBe(true)
    expect(report.spares.toBuy).toBeGreaterThanOrEqual(0)
    for (const { has, lacks } of report.contested) expect([has.length > 0, lacks.length > 0]).toEqual([true, true])
    const toBuy = report.outfits.reduce((sum, { worn, given }) => sum + worn - given, 0)
    expect(toBuy).toBe(report.terms.toBuy)
  })

  test('a part is handed over by a promise, and goes back with it', async () => {
    const before = await allotment()
    const contested = before.contested.find(
      ({ has, lacks }) => has.some(({ why }) => why === 'first') && lacks.length > 0,
    )!
    expect(contested).toBeDefined()
    const [to] = contested.lacks
    const put = (qty: number) => server.send('PUT', `outfits/${to!.id}/promises/${contested.part}`, { qty })
    expect((await put(1)).status).toBe(204)
    const after = (await allotment()).contested.find(({ part }) => part === contested.part)!
    expect(after.has).toContainEqual(expect.objectContaining({ id: to!.id, why: 'promised' }))
    await put(0)
    expect(await allotment()).toEqual(before)
    expect((await server.send('PUT', `outfits/${to!.id}/promises/P-NONE`, { qty: 1 })).status).toBe(404)
  })

  test('follows the order of rosters, which every roster has a place in', async () => {
    const ids = (await shelves()).map(({ id }) => id)
    const turned = [...ids].reverse()
    expect((await server.send('PUT', 'rosters/order', { rosters: turned })).status).toBe(204)
    expect((await shelves()).map(({ id }) => id)).toEqual(turned)
    expect((await allotment()).terms.toBuy).toBeGreaterThan(0)
    const { status, body } = await server.send<ProblemBody>('PUT', 'rosters/order', { rosters: ids.slice(1) })
    expect([status, body.errors[0]?.field]).toEqual([409, 'rosters'])
    await server.send('PUT', 'rosters/order', { rosters: ids })
  })
})

describe('an army', () => {
  const army = (id: string, count: number, alike: number) =>
    server.get<Army & ProblemBody>(`outfits/${id}/army?count=${count}&alike=${alike}`)

  test('of different faces is made of characters of their own, each with a head of its own', async () => {
    const { id, name } = await outfitNamed('Wen Sorrel')
    const { body } = await army(id, 4, 1)
    expect(body.faces).toHaveLength(3)
    expect(new Set(body.faces!.map(({ part }) => part)).size).toBe(3)
    const before = await named('The Heron crew')
    const made = await server.send<{ outfits: string[] }>('POST', `outfits/${id}/army`, { count: 4, alike: 1 })
    expect(made.status).toBe(201)
    const after = await named('The Heron crew')
    expect(after.outfits.length).toBe(before.outfits.length + 3)
    const heads = after.outfits
      .filter((one) => one.id === id || made.body.outfits.includes(one.id))
      .map(({ placements }) => placements.find(({ slot }) => slot === 'head')!.part)
    expect(new Set(heads).size).toBe(4)
    expect(after.outfits.some((one) => one.name === `${name} 4`)).toBe(true)
  })

  test('beyond the faces there are is refused, saying how many there are', async () => {
    const { id } = await outfitNamed('Wen Sorrel')
    const { body } = await army(id, 200, 1)
    expect(body.faces).toBeNull()
    expect(body.most).toBeLessThan(200)
    expect((await server.send('POST', `outfits/${id}/army`, { count: 200, alike: 1 })).status).toBe(409)
    expect((await army(id, 1, 1)).status).toBe(400)
  })
})

describe('leftovers', () => {
  test('are what nobody counts on; for a roster, what was brought in for it', async () => {
    const all = (await server.get<LeftoversReport>('drawer/leftovers')).body
    expect(all.rows.length).toBeGreaterThan(0)
    expect(all.worth).toBe(all.rows.reduce((sum, { worth }) => sum + (worth ?? 0), 0))
    const { id } = await named('Night market')
    expect((await server.get<LeftoversReport>(`drawer/leftovers?roster=${id}`)).body.rows).toEqual([])
    const code = all.rows[0]!.part
    await server.send('POST', 'drawer/brought-in', {
      things: [{ kind: 'part', code, qty: 5 }],
      bin: 'B1',
      together: false,
      condition: 'new',
      text: '',
      roster: id,
    })
    const { rows, roster } = (await server.get<LeftoversReport>(`drawer/leftovers?roster=${id}`)).body
    expect(roster!.name).toBe('Night market')
    expect(new Set(rows.map(({ part }) => part))).toEqual(new Set([code]))
    expect(rows.reduce((sum, { qty }) => sum + qty, 0)).toBe(5)
    expect((await server.get('drawer/leftovers?roster=none')).status).toBe(404)
  })
})

describe('labels', () => {
  const sheet = async (query: string) => {
    const answer = await fetch(`${server.url}/api/drawer/labels.pdf${query}`)
    return { status: answer.status, type: answer.headers.get('content-type'), head: (await answer.text()).slice(0, 5) }
  }
  test('come as a PDF, for all bins or some; an unknown bin is told', async () => {
    expect(await sheet('')).toEqual({ status: 200, type: 'application/pdf', head: '%PDF-' })
    expect((await sheet('?bins=B1,B2')).status).toBe(200)
    expect((await sheet('?bins=B1,NONE')).status).toBe(404)
  })
})
