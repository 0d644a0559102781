import { afterAll, beforeAll, describe, expect, test } from '@jest/globals'
import type { RosterShelf } from '@outfit/core/shelf'
import {
  settle,
  type ReportWithParts,
  type VariantReport,
  type SourcingPlan,
  type SourcingProblem,
} from '@outfit/core/sourcing'
import { JobEntity } from '../schema/jobs.ts'
import { Writer } from '../base/writer.ts'
import { KEPT_JOBS } from '../jobs/jobsService.ts'
import { NARROWING } from '../market/marketService.ts'
import {
  EndlessPlanRunner,
  PatientPlanRunner,
  jobEnd,
  startServer,
  type ProblemBody,
  type TestServer,
} from '../test/testServer.ts'
import { LONG } from '../test/runs.ts'

let server: TestServer
let outfits: { id: string; name: string }[]
beforeAll(async () => {
  server = await startServer()
  outfits = (await server.get<{ rosters: RosterShelf[] }>('rosters')).body.rosters.flatMap((roster) => roster.outfits)
})
afterAll(() => server.stop())

const startPlan = (outfit: string, seconds?: number) =>
  server.send<{ job: string }>('POST', 'plans', { outfit, seconds })
const reportOf = async (job: string) => (await server.get<ReportWithParts>(`plans/${job}`)).body

/** Outfits planned for: eight from all over the shelves, all in the long form. */
const planned = () => outfits.filter((_, i) => LONG || i % Math.ceil(outfits.length / 8) === 0)

test('demo outfits get a proven plan that re-prices to its total and is not dearer than the naive one', async () => {
  for (const { id } of planned()) {
    // Time enough for the proof on a busy machine too.
    const { status, body } = await startPlan(id, 30)
    expect(status).toBe(202)
    expect(await jobEnd(server, body.job)).toMatchObject({ state: 'done' })
    const { plan, problem, naive, parts } = await reportOf(body.job)
    expect([plan.status, plan.unmet]).toEqual(['optimal', []])
    const units = new Map(plan.baskets.flatMap(({ lines }) => lines.map(({ offer, qty }) => [offer, qty] as const)))
    expect(settle(problem, units).total).toBe(plan.total)
    if (naive.unmet.length === 0 && naive.refused.length === 0) expect(plan.total).toBeLessThanOrEqual(naive.total)
    const known = new Set(parts.map(({ code }) => code))
    for (const offer of problem.offers.filter(({ id: offerId }) => units.has(offerId)))
      for (const { part } of offer.yields) expect(known.has(part)).toBe(true)
  }
})

test('what is on the way in a parcel is not bought again', async () => {
  const { rosters } = (await server.get<{ rosters: RosterShelf[] }>('rosters')).body
  const wen = rosters.flatMap((roster) => roster.outfits).find(({ name }) => name === 'Wen Sorrel')!
  expect([wen.state, wen.arriving]).toEqual(['on-the-way', 2])
  const { body } = await startPlan(wen.id)
  await jobEnd(server, body.job)
  expect((await reportOf(body.job)).plan).toMatchObject({ baskets: [], total: 0, unmet: [] })
})

describe('one plan', () => {
  let job: string
  let report: ReportWithParts
  beforeAll(async () => {
    job = (await startPlan(outfits[0]!.id)).body.job
    await jobEnd(server, job)
    report = await reportOf(job)
  })

  test('asked for again without a change is the same', async () => {
    expect((await startPlan(outfits[0]!.id)).body.job).toBe(job)
  })

  test('can be taken away as JSON and as a shopping list that adds up', async () => {
    expect((await server.get<SourcingPlan>(`plans/${job}/plan.json`)).body).toEqual(report.plan)
    expect((await server.get<SourcingProblem>(`plans/${job}/problem.json`)).body).toEqual(report.problem)
    const answer = await fetch(`${server.url}/api/plans/${job}/shopping.csv`)
    expect(answer.headers.get('content-type')).toBe('text/csv; charset=utf-8')
    expect(answer.headers.get('content-disposition')).toContain('attachment')
    const lines = (await answer.text())
      .trim()
      .split('\n')
      .map((line) => line.split(','))
    const cents = (text: string | undefined) => Math.round(Number(text) * 100)
    const total = lines.at(-1)!
    expect(total[1]).toBe('Total')
    expect(cents(total[5])).toBe(report.plan.total)
    expect(lines.slice(1, -1).reduce((sum, line) => sum + cents(line.at(-1)), 0)).toBe(report.plan.total)
  })
})

describe('problems sent whole', () => {
  const small = {
    format: 'outfit.sourcing-problem',
    version: 1,
    currency: 'EUR',
    needs: [{ id: 'n', qty: 1, accept: [{ part: 'A', penalty: 0 }] }],
    sellers: [{ id: 's', shipping: { basis: 'value', bands: [{ upTo: null, price: 90 }] } }],
    offers: [{ id: 'o', seller: 's', price: 10, qty: 1, yields: [{ part: 'A', qty: 1 }] }],
  }

  test('are solved', async () => {
    const { status, body } = await server.send<{ job: string }>('POST', 'plans/problem', { problem: small })
    expect(status).toBe(202)
    await jobEnd(server, body.job)
    expect((await server.get<SourcingPlan>(`plans/${body.job}/plan.json`)).body).toMatchObject({
      status: 'optimal',
      total: 100,
    })
  })

  test.each([
    ['a missing field', { ...small, offers: [{ ...small.offers[0], price: undefined }] }, 'offers[0].price'],
    ['a negative quantity', { ...small, needs: [{ ...small.needs[0], qty: -3 }] }, 'needs[0].qty'],
    ['an unknown seller', { ...small, offers: [{ ...small.offers[0], seller: 'nobody' }] }, 'offers[0].seller'],
  ])('%s is refused by field and no job is kept', async (_name, problem, field) => {
    const jobs = await server.count(JobEntity)
    const { status, body } = await server.send<ProblemBody>('POST', 'plans/problem', { problem })
    expect([status, body.errors[0]!.field]).toEqual([400, field])
    expect(body.detail).toContain(field)
    expect(await server.count(JobEntity)).toBe(jobs)
  })
})

test('an outfit, take or job that does not exist is told', async () => {
  expect((await startPlan('NOPE')).status).toBe(404)
  expect((await server.send('POST', 'plans', { outfit: outfits[0]!.id, take: 'x' })).status).toBe(404)
  expect((await server.get('plans/NOPE')).status).toBe(404)
  expect((await server.send('DELETE', 'jobs/NOPE')).status).toBe(404)
})

test('a running plan is cancelled, says so, and gives no result', async () => {
  const slow = await startServer({ runner: EndlessPlanRunner })
  try {
    const { body: shelves } = await slow.get<{ rosters: RosterShelf[] }>('rosters')
    const outfit = shelves.rosters[0]!.outfits[0]!.id
    const { body } = await slow.send<{ job: string }>('POST', 'plans', { outfit })
    expect((await slow.get<{ state: string }>(`jobs/${body.job}`)).body.state).toBe('running')
    expect((await slow.get(`plans/${body.job}`)).status).toBe(409)
    expect((await slow.send('DELETE', `jobs/${body.job}`)).status).toBe(204)
    expect(await jobEnd(slow, body.job)).toMatchObject({ state: 'cancelled' })
    expect((await slow.get<ProblemBody>(`plans/${body.job}`)).body.detail).toBe(
      'This plan is cancelled; there is no result to show.',
    )
    const again = await slow.send<{ job: string }>('POST', 'plans', { outfit })
    expect(again.body.job).not.toBe(body.job)
  } finally {
    await slow.stop()
  }
})

test('of finished jobs the newest hundred of a kind are kept', async () => {
  const problem = { format: 'outfit.sourcing-problem', version: 1, currency: 'EUR', needs: [], sellers: [], offers: [] }
  const jobs: string[] = []
  for (let i = 0; i < KEPT_JOBS + 3; i++) {
    const { body } = await server.send<{ job: string }>('POST', 'plans/problem', { problem })
    await jobEnd(server, body.job)
    jobs.push(body.job)
  }
  expect((await server.get(`jobs/${jobs[0]}`)).status).toBe(404)
  expect((await server.get(`jobs/${jobs.at(-1)}`)).status).toBe(200)
})

test('a finished job is kept also where the clock was put back since the others', async () => {
  // As jobs are called in the year 10889.
  await server
    .service(Writer)
    .transaction((db) =>
      db.query(
        `INSERT INTO job (id, kind, state, at, input) WITH n(i) AS (SELECT 1 UNION ALL SELECT i + 1 FROM n WHERE i < ${KEPT_JOBS}) SELECT '7ZZZ' || i, 'sourcing-problem', 'done', '', '{}' FROM n`,
      ),
    )
  const problem = { format: 'outfit.sourcing-problem', version: 1, currency: 'EUR', needs: [], sellers: [], offers: [] }
  const { body } = await server.send<{ job: string }>('POST', 'plans/problem', { problem })
  await jobEnd(server, body.job)
  expect((await server.get(`jobs/${body.job}`)).status).toBe(200)
})

test('a plan that is good enough ends with what it has, honest about the rest', async () => {
  const slow = await startServer({ runner: PatientPlanRunner })
  try {
    const { body: shelves } = await slow.get<{ rosters: RosterShelf[] }>('rosters')
    const { id } = shelves.rosters.flatMap((roster) => roster.outfits).find(({ name }) => name === 'Bram, engines')!
    const { body } = await slow.send<{ job: string }>('POST', 'plans', { outfit: id })
    expect((await slow.get<{ state: string }>(`jobs/${body.job}`)).body.state).toBe('running')
    expect((await slow.send('POST', `jobs/${body.job}/enough`)).status).toBe(204)
    await jobEnd(slow, body.job)
    const { plan, problem } = (await slow.get<ReportWithParts>(`plans/${body.job}`)).body
    expect(plan.unmet).toEqual([])
    expect(plan.bound).toBeLessThanOrEqual(plan.total)
    const units = new Map(plan.baskets.flatMap(({ lines }) => lines.map(({ offer, qty }) => [offer, qty] as const)))
    expect(settle(problem, units).total).toBe(plan.total)
    // Once it has ended there is nothing more to say to it.
    expect((await slow.send('POST', `jobs/${body.job}/enough`)).status).toBe(204)
    expect((await slow.send('POST', 'jobs/NOPE/enough')).status).toBe(404)
  } finally {
    await slow.stop()
  }
})

test('other ways to buy are planned on a finished plan, once each, and say what prices hang on', async () => {
  const bram = outfits.find(({ name }) => name === 'Bram, engines')!
  const { job } = (await startPlan(bram.id)).body
  await jobEnd(server, job)
  const { plan, problem } = await reportOf(job)
  const variant = async (body: object) => {
    const started = await server.send<{ job: string }>('POST', `plans/${job}/variants`, body)
    expect(started.status).toBe(202)
    await jobEnd(server, started.body.job)
    return (await server.get<VariantReport>(`plans/${job}/variants/${started.body.job}`)).body
  }
  for (const way of ['fewest', 'one', 'whole'] as const) {
    const told = await variant({ way })
    expect(told.variant).toEqual({ way })
    if (told.plan!.unmet.length === 0) expect(told.plan!.total).toBeGreaterThanOrEqual(plan.total)
  }
  const [{ seller, lines }] = plan.baskets as [(typeof plan.baskets)[number]]
  const dropped = await variant({ way: 'drop', seller })
  expect(dropped.plan!.baskets.map((basket) => basket.seller)).not.toContain(seller)
  const without = await variant({ way: 'without', offer: lines[0]!.offer })
  expect(without.plan!.baskets.flatMap((basket) => basket.lines).map(({ offer }) => offer)).not.toContain(
    lines[0]!.offer,
  )
  const { sensitivity } = await variant({ way: 'sensitivity' })
  expect(sensitivity!.rises.length).toBeGreaterThan(0)
  for (const { offer, rise } of sensitivity!.rises) {
    expect(problem.offers.some(({ id }) => id === offer)).toBe(true)
    expect(rise === null || rise >= 0).toBe(true)
  }
  const bought = plan.baskets.flatMap((basket) => basket.lines).map(({ offer }) => offer)
  expect(sensitivity!.falls.length).toBeGreaterThan(0)
  for (const { offer, at } of sensitivity!.falls) {
    expect(bought).not.toContain(offer)
    expect(at === null || at <= problem.offers.find(({ id }) => id === offer)!.price).toBe(true)
  }
  const liked = await variant({ way: 'favoured', sellers: ['old-cooperage'] })
  expect(liked.plan!.unmet).toEqual(plan.unmet)
  expect(liked.plan!.baskets.map((basket) => basket.seller)).toContain('old-cooperage')
  expect(liked.plan!.total).toBeGreaterThanOrEqual(plan.total)
  expect((await server.send('POST', `plans/${job}/variants`, { way: 'guess' })).status).toBe(400)
})

test('of a large market only the cheapest alike are looked at, and the report says so', async () => {
  const bram = outfits.find(({ name }) => name === 'Bram, engines')!
  const plan = async () => {
    const { body } = await startPlan(bram.id, 20)
    await jobEnd(server, body.job)
    return reportOf(body.job)
  }
  const all = await plan()
  expect(all.looked.at).toBe(all.looked.of)
  const former = { ...NARROWING }
  Object.assign(NARROWING, { from: 20, part: 4, figure: 1, release: 1 })
  const near = await plan()
  Object.assign(NARROWING, former)
  expect([near.looked.of, near.looked.at < near.looked.of]).toEqual([all.looked.of, true])
  expect(near.problem.offers.length).toBeLessThan(all.problem.offers.length)
  expect(near.plan.unmet).toEqual(all.plan.unmet)
  expect(near.plan.total).toBeGreaterThanOrEqual(all.plan.total)
  // The cheapest of each part is among those.
  expect(near.naive.baskets.flatMap(({ lines }) => lines).length).toBe(
    all.naive.baskets.flatMap(({ lines }) => lines).length,
  )
})
