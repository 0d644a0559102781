import { afterAll, beforeAll, describe, expect, test } from '@jest/globals'
import { PLACES } from '@outfit/core/brief'
import type { OutfitDetail } from '@outfit/core/roster'
import type { RosterShelf } from '@outfit/core/shelf'
import {
  readRosterProblem,
  type CastOptions,
  type CastReport,
  type CastTake,
  type CastWho,
} from '@outfit/core/wardrobe'
import { jobEnd, startServer, type ProblemBody, type TestServer } from '../test/testServer.ts'

let server: TestServer
let market: RosterShelf
beforeAll(async () => {
  server = await startServer()
  market = await named('Night market')
})
afterAll(() => server.stop())

const OPTIONS: CastOptions = {
  worth: 40,
  budget: null,
  floor: 0,
  parcels: null,
  arriveBy: null,
  facesDiffer: true,
  donors: true,
  market: true,
}
const named = async (name: string) =>
  (await server.get<{ rosters: RosterShelf[] }>('rosters')).body.rosters.find((roster) => roster.name === name)!
const some = (roster: RosterShelf, count: number): CastWho[] =>
  roster.outfits.slice(0, count).map(({ id }) => ({ outfit: id, keep: [] }))
async function cast(
  who: CastWho[],
  options: Partial<CastOptions> = {},
  seconds = 1,
  roster = market,
): Promise<CastReport & { job: string }> {
  const { status, body } = await server.send<{ job: string }>('POST', `rosters/${roster.id}/casts`, {
    who,
    options: { ...OPTIONS, ...options },
    seconds,
  })
  expect(status).toBe(202)
  expect((await jobEnd(server, body.job)).state).toBe('done')
  return { ...(await server.get<CastReport>(`casts/${body.job}`)).body, job: body.job }
}

describe('a cast of a roster', () => {
  test('is worth no less than what is worn and bought now, all in all, and says what that comes to', async () => {
    const { plans, asTheyAre, now, leftOut, parts } = await cast(some(market, 4))
    const [plan] = plans
    expect([leftOut, plan!.figures.length, now.length]).toEqual([[], 4, 4])
    expect(
      new Set(plan!.figures.map(({ placements }) => placements.find(({ slot }) => slot === 'head')!.part)).size,
    ).toBe(4)
    const all = (spending: number, likeness: number) => spending + ((400_000 - likeness) * OPTIONS.worth) / 1000
    const likeness = plan!.figures.reduce((sum, one) => sum + one.likeness, 0)
    expect(asTheyAre!.unmet).toBe(0)
    expect(all(plan!.spending, likeness)).toBeLessThanOrEqual(all(asTheyAre!.spending, asTheyAre!.likeness) + 1)
    expect(plan!.bound).toBeLessThanOrEqual(plan!.value)
    // Everything that is shown can be drawn.
    const known = new Set(parts.map(({ code }) => code))
    for (const { placements } of [...now, ...plan!.figures])
      for (const { part } of placements) expect(known).toContain(part)
  })

  test('leaves what is kept or held, and leaves out who has no wishes', async () => {
    const [first, second] = some(market, 2)
    const torso = market.outfits[2]!.placements.filter(({ slot }) => slot === 'torso')
    const kept = await cast([
      { ...first!, keep: ['headgear', 'head'] },
      { ...second!, keep: [], held: [{ place: 'torso', placements: torso }] },
    ])
    const wears = (report: CastReport, i: number, slot: string) =>
      report.plans[0]!.figures[i]!.placements.find((one) => one.slot === slot)?.part
    const worn = (i: number, slot: string) => market.outfits[i]!.placements.find((one) => one.slot === slot)?.part
    expect([wears(kept, 0, 'headgear'), wears(kept, 0, 'head')]).toEqual([worn(0, 'headgear'), worn(0, 'head')])
    // What is held is another thing than what is worn now, which is what it is compared with.
    expect([wears(kept, 1, 'torso'), kept.plans[0]!.figures[1]!.changed.includes('torso')]).toEqual([
      worn(2, 'torso'),
      true,
    ])
    expect(kept.now[1]!.placements.find(({ slot }) => slot === 'torso')!.part).toBe(worn(1, 'torso'))
    const school = await named('School regatta')
    const nobody = await cast(some(school, 4), {}, 1, school)
    expect([nobody.plans, nobody.leftOut.length]).toEqual([[], 4])
  })

  test('that cannot be is told with what would do', async () => {
    // Little is left to choose, so that the least money is known soon; a busy machine may take its time.
    const few = [{ outfit: market.outfits[1]!.id, keep: PLACES.filter((place) => place !== 'headgear') }]
    const dear = await cast(few, { budget: 10 }, 20)
    expect(dear.plans[0]).toMatchObject({ status: 'impossible', limit: 'budget' })
    expect(dear.plans[0]!.would).toBeGreaterThan(10)
    const enough = await cast(few, { budget: dear.plans[0]!.would! }, 20)
    expect(enough.plans[0]!.status).not.toBe('impossible')
    // An outfit that stays as it is is as like its brief as it is.
    const stays = [{ outfit: market.outfits[7]!.id, keep: [...PLACES] }]
    const [plan] = (await cast(stays)).plans
    const { likeness } = plan!.figures[0]!
    expect(likeness).toBeLessThan(100_000)
    const low = await cast(stays, { floor: 100 })
    expect(low.plans[0]).toMatchObject({ status: 'impossible', outfit: stays[0]!.outfit, would: likeness })
  })

  test('is a problem that can be taken away, and plans for other worths can be asked for', async () => {
    const who = some(market, 2)
    const { status, body } = await server.send('POST', `rosters/${market.id}/casts/problem`, { who, options: OPTIONS })
    expect(status).toBe(200)
    expect(readRosterProblem(body).outfits.map(({ id }) => id)).toEqual(who.map(({ outfit }) => outfit))
    expect((await server.get('casts/01ARZ3NDEKTSV4RRFFQ69G5FAV')).status).toBe(404)
    const twice = await server.send<ProblemBody>('POST', `rosters/${market.id}/casts`, {
      who: [who[0], who[0]],
      options: OPTIONS,
    })
    expect([twice.status, twice.body.errors[0]!.field]).toEqual([400, 'who[1].outfit'])
    const stranger = [{ outfit: 'nobody', keep: [] }]
    expect((await server.send('POST', `rosters/${market.id}/casts`, { who: stranger, options: OPTIONS })).status).toBe(
      404,
    )
  })

  test('is worn as new takes and taken back in one step, unless somebody changed one since', async () => {
    const outfits = market.outfits.slice(0, 2).map(({ id }, i) => ({
      outfit: id,
      placements: market.outfits[i + 2]!.placements,
    }))
    const path = `rosters/${market.id}/cast-takes`
    const detail = async (i: number) => (await server.get<OutfitDetail>(`outfits/${outfits[i]!.outfit}`)).body
    const before = await detail(0)
    const chosen = ({ takes }: OutfitDetail) => takes.find((take) => take.chosen)!
    const { body } = await server.send<{ takes: CastTake[] }>('PUT', path, { outfits })
    const worn = await detail(0)
    expect([chosen(worn).label, chosen(worn).placements.length]).toEqual(['Cast', outfits[0]!.placements.length])
    expect(worn.takes).toHaveLength(before.takes.length + 1)
    // A second one is called another name.
    const again = await server.send<{ takes: CastTake[] }>('PUT', path, { outfits: outfits.slice(0, 1) })
    expect(again.body.takes[0]!.label).toBe('Cast 2')
    // The first cast cannot be taken back any more, as a whole.
    const late = await server.send<ProblemBody>('DELETE', path, { takes: body.takes })
    expect([late.status, late.body.errors[0]!.field]).toEqual([409, 'takes[0].version'])
    expect((await detail(1)).takes.some(({ label }) => label === 'Cast')).toBe(true)
    expect((await server.send('DELETE', path, again.body)).status).toBe(204)
    expect(chosen(await detail(0)).label).toBe('Cast')
    const takes = [{ ...body.takes[0]!, version: (await detail(0)).version }, body.takes[1]!]
    expect((await server.send('DELETE', path, { takes })).status).toBe(204)
    const after = await detail(0)
    expect([chosen(after).id, after.takes.length]).toEqual([chosen(before).id, before.takes.length])
    // Nothing of a cast is worn that cannot be, nor by somebody of another roster.
    const wrong = [
      outfits[0],
      { ...outfits[1]!, placements: [{ slot: 'head', part: 'P-NONE', order: 0, turned: false }] },
    ]
    expect((await server.send('PUT', path, { outfits: wrong })).status).toBe(400)
    const other = (await named('Brass band')).outfits[0]!.id
    expect((await server.send('PUT', path, { outfits: [outfits[0], { ...outfits[1]!, outfit: other }] })).status).toBe(
      404,
    )
    expect((await detail(0)).takes).toHaveLength(before.takes.length)
  })
})
