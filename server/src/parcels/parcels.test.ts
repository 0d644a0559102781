import { afterAll, beforeAll, describe, expect, test } from '@jest/globals'
import { DataSource } from 'typeorm'
import { writeTable } from '@outfit/core/tables'
import type { ToldParcel } from '@outfit/core/parcels'
import type { RosterShelf } from '@outfit/core/shelf'
import type { ReportWithParts } from '@outfit/core/sourcing'
import { SheetWriter } from '../market/sheetWriter.ts'
import { OfferEntity } from '../schema/market.ts'
import { jobEnd, startServer, type TestServer } from '../test/testServer.ts'

let server: TestServer
let rosters: RosterShelf[]
beforeAll(async () => {
  server = await startServer()
  rosters = (await server.get<{ rosters: RosterShelf[] }>('rosters')).body.rosters
})
afterAll(() => server.stop())

const parcels = async () => (await server.get<{ parcels: ToldParcel[] }>('parcels')).body.parcels
const outfit = (name: string) => rosters.flatMap((roster) => roster.outfits).find((one) => one.name === name)!
const planFor = async (body: object) => {
  const { job } = (await server.send<{ job: string }>('POST', 'plans', body)).body
  await jobEnd(server, job)
  return { job, report: (await server.get<ReportWithParts>(`plans/${job}`)).body }
}
type Refusal = { detail: string; errors?: { field: string }[] }

test('the sample parcels: one is late and holds outfits up, one came short', async () => {
  const all = await parcels()
  const late = all.filter((parcel) => parcel.late > 0)
  expect(late.length).toBeGreaterThan(0)
  expect(late.flatMap(({ outfits }) => outfits.map(({ name }) => name))).toContain('Wen Sorrel')
  const short = all.flatMap(({ lines }) => lines).filter(({ qty, arrived }) => arrived !== null && arrived < qty)
  expect(short.length).toBeGreaterThan(0)
})

describe('a basket of a plan', () => {
  let job: string
  let report: ReportWithParts
  let ordered: ToldParcel[]

  beforeAll(async () => {
    const bram = outfit('Bram, engines')
    ;({ job, report } = await planFor({ outfit: bram.id }))
    const { status, body } = await server.send<{ parcels: string[] }>('POST', 'parcels', { job })
    expect([status, body.parcels.length]).toEqual([201, report.plan.baskets.length])
    ordered = (await parcels()).filter(({ id }) => body.parcels.includes(id))
  })

  test('becomes a parcel with its lines, awaited by the outfit, due in the days of its seller', () => {
    for (const basket of report.plan.baskets) {
      const parcel = ordered.find(({ seller }) => seller.code === basket.seller)!
      expect(parcel.state).toBe('ordered')
      expect(parcel.lines.map(({ qty }) => qty)).toEqual(basket.lines.map(({ qty }) => qty))
      // Plans round conversions up, so what is paid is never more than planned.
      expect(parcel.home).toBeLessThanOrEqual(basket.goods + basket.shipping + basket.handling)
      expect(parcel.late).toBe(0)
    }
    expect(ordered.flatMap(({ outfits }) => outfits.map(({ name }) => name))).toContain('Bram, engines')
  })

  test('is not planned or ordered twice', async () => {
    const again = await planFor({ outfit: outfit('Bram, engines').id })
    expect(again.report.plan.baskets).toEqual([])
    const { status, body } = await server.send<Refusal>('POST', 'parcels', { job })
    expect([status, body.detail]).toEqual([409, expect.stringContaining('ordered already')])
  })

  test('has an order list as CSV and PDF that adds up', async () => {
    const [parcel] = ordered
    const csv = (await server.get<string>(`parcels/${parcel!.id}/order.csv`)).body
    const total = parcel!.goods + parcel!.shipping + parcel!.handling
    expect(String(csv).trim().split('\n').at(-1)).toContain((total / 100).toFixed(2))
    for (const { code } of parcel!.lines) expect(String(csv)).toContain(code)
    const pdf = await fetch(`${server.url}/api/parcels/${parcel!.id}/order.pdf`)
    expect(
      Buffer.from(await pdf.arrayBuffer())
        .subarray(0, 5)
        .toString(),
    ).toBe('%PDF-')
  })

  test('is sent, gets a number, and is due on another day', async () => {
    const { id } = ordered[0]!
    expect(
      (await server.send('PUT', `parcels/${id}`, { sentOn: '2026-11-24', number: 'B-17', expectedOn: '2026-11-20' }))
        .status,
    ).toBe(204)
    const parcel = (await parcels()).find((one) => one.id === id)!
    expect([parcel.state, parcel.number, parcel.expectedOn]).toEqual(['on-the-way', 'B-17', '2026-11-20'])
    expect(parcel.late).toBeGreaterThan(0)
  })

  test('is checked in line by line: what is good lies in its bin, what is missing is needed again', async () => {
    const parcel = ordered[0]!
    const bin = 'B1'
    const before = (await server.get<{ lying: { part: string; qty: number }[] }>(`bins/${bin}`)).body.lying
    const lines = parcel.lines.map(({ line, qty }) => ({
      line,
      arrived: line === 1 ? qty - 1 : qty,
      damaged: line === 1 ? 1 : 0,
      wrong: 0,
      bin,
    }))
    const extra = { kind: 'part', code: before[0]!.part, qty: 2, condition: 'used', bin }
    const path = `parcels/${parcel.id}/check-in`
    const body = { on: '2026-11-25', lines, extras: [extra] }

    expect((await server.send<Refusal>('POST', path, { ...body, lines: lines.slice(1) })).status).toBe(400)
    const unknown = await server.send<Refusal>('POST', path, {
      ...body,
      lines: lines.map((one) => ({ ...one, bin: 'NOWHERE' })),
    })
    expect(unknown.body.errors![0]!.field).toBe('lines[0].bin')
    expect((await parcels()).find(({ id }) => id === parcel.id)!.arrivedOn).toBeNull()

    const done = await server.send<{ act: string; missing: number }>('POST', path, body)
    expect([done.status, done.body.missing]).toEqual([201, 1])
    const after = (await parcels()).find(({ id }) => id === parcel.id)!
    expect([after.state, after.lines[0]!.damaged, after.lines.at(-1)!.qty, after.lines.at(-1)!.arrived]).toEqual([
      'arrived',
      1,
      0,
      2,
    ])
    const lying = (await server.get<{ lying: { part: string; qty: number }[] }>(`bins/${bin}`)).body.lying
    const count = (list: typeof lying) => list.reduce((sum, { qty }) => sum + qty, 0)
    expect(count(lying)).toBeGreaterThan(count(before))
    expect((await server.send<Refusal>('POST', path, body)).body.detail).toContain('checked in already')

    expect((await server.send('DELETE', path)).status).toBe(204)
    const back = (await parcels()).find(({ id }) => id === parcel.id)!
    expect([back.state, back.lines]).toEqual(['on-the-way', parcel.lines])
    const emptied = (await server.get<{ lying: { part: string; qty: number }[] }>(`bins/${bin}`)).body.lying
    expect(count(emptied)).toBe(count(before))
    expect((await server.send<Refusal>('DELETE', path)).body.detail).toContain('not checked in')
    expect((await server.send('POST', path, body)).status).toBe(201)
    const again = await planFor({ outfit: outfit('Bram, engines').id })
    expect(again.report.plan.baskets.length + again.report.plan.unmet.length).toBeGreaterThan(0)
  })
})

test('an order given up is for sale again, and can be planned again', async () => {
  const odile = outfit('Odile, skipper')
  const first = await planFor({ outfit: odile.id })
  const { seller, lines } = first.report.plan.baskets[0]!
  const { body } = await server.send<{ parcels: string[] }>('POST', 'parcels', { job: first.job, sellers: [seller] })
  expect(body.parcels.length).toBe(1)
  expect((await server.send('DELETE', `parcels/${body.parcels[0]}`)).status).toBe(204)
  expect((await parcels()).find(({ id }) => id === body.parcels[0])!.state).toBe('cancelled')
  const second = await planFor({ outfit: odile.id })
  expect(second.report.plan.total).toBe(first.report.plan.total)
  const stock = (report: ReportWithParts) => report.problem.offers.find(({ id }) => id === lines[0]!.offer)!.qty
  expect(stock(second.report)).toBe(stock(first.report))
  expect((await server.send('DELETE', `parcels/${body.parcels[0]}`)).status).toBe(409)

  // A list that was read since says what there is, also where it says it as it stood.
  const again = await server.send<{ parcels: string[] }>('POST', 'parcels', { job: second.job, sellers: [seller] })
  expect(again.body.parcels).toHaveLength(1)
  const offers = () => server.service(DataSource).getRepository(OfferEntity).findBy({ seller })
  const standing = await offers()
  const date = '2999-01-01'
  const rows = standing.map(({ id: _id, nth: _nth, ...row }) => ({ ...row, date }))
  await server.service(SheetWriter).write({ seller, pages: [writeTable('offers', rows)], reason: null })
  const listed = await server.get<{ offers: { date: string }[] }>(`sellers/${seller}/offers`)
  expect(new Set(listed.body.offers.map((offer) => offer.date))).toEqual(new Set([date]))
  expect((await server.send('DELETE', `parcels/${again.body.parcels[0]}`)).status).toBe(204)
  expect(await offers()).toEqual(standing)
})

test('whole rosters and several outfits are planned, other ways to buy are ordered, and faults are told', async () => {
  const market = rosters.find(({ name }) => name === 'Night market')!
  const { job, report } = await planFor({ roster: market.id, seconds: 2 })
  expect(report.outfits.length).toBe(market.outfits.length)
  expect(report.plan.total).toBeLessThan(report.naive.total)
  const some = await planFor({
    outfits: market.outfits.slice(0, 2).map(({ id }) => id),
    options: { parcels: 1, budget: 300 },
  })
  expect(some.report.plan.status).toBe('impossible')
  expect(some.report.relaxed!.alone.length + some.report.relaxed!.together.length).toBeGreaterThan(0)

  const variant = (await server.send<{ job: string }>('POST', `plans/${job}/variants`, { way: 'fewest' })).body.job
  expect(await jobEnd(server, variant)).toMatchObject({ state: 'done' })
  const { body } = await server.send<{ parcels: string[] }>('POST', 'parcels', { job, variant })
  // What was refused says why.
  expect(body).toMatchObject({ parcels: expect.anything() as never })
  expect(body.parcels.length).toBeLessThanOrEqual(report.plan.baskets.length)

  expect((await server.send('POST', 'plans', {})).status).toBe(400)
  expect((await server.send('POST', 'plans', { outfits: ['NOPE'] })).status).toBe(404)
  expect((await server.send('POST', `plans/${job}/variants`, { way: 'drop', seller: 'nobody' })).status).toBe(400)
  expect((await server.send('POST', 'parcels', { job, sellers: ['nobody'] })).status).toBe(404)
  expect((await server.send('PUT', 'parcels/NOPE', {})).status).toBe(404)
})

test('second choices, new parts only, leftovers sold, sellers left out: each shows in the problem', async () => {
  const { id } = outfit('Storm warden')
  const plain = (await planFor({ outfit: id })).report.problem
  const { problem } = (
    await planFor({
      outfit: id,
      options: { secondChoices: true, condition: 'new', resale: 50, leftOut: [plain.sellers[0]!.id], arriveBy: 9 },
    })
  ).report
  expect(problem.needs.some(({ accept }) => accept.length > 1 && accept[1]!.penalty > 0)).toBe(true)
  expect(problem.resale.length).toBeGreaterThan(0)
  expect(problem.sellers.map((seller) => seller.id)).not.toContain(plain.sellers[0]!.id)
  expect(problem.limits.arriveBy).toBe(9)
  const only = (await planFor({ outfit: id, options: { only: [plain.sellers[0]!.id] } })).report.problem
  expect(only.sellers.map((seller) => seller.id)).toEqual([plain.sellers[0]!.id])
})
