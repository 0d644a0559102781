import { afterAll, describe, expect, test } from '@jest/globals'
import { spawnSync } from 'node:child_process'
import { cpSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import Database from 'better-sqlite3'
import type { OutfitDetail } from '@outfit/core/roster'
import type { SampleWorld } from '@outfit/core/sample'
import type { RosterShelf } from '@outfit/core/shelf'
import type { SourcingPlan } from '@outfit/core/sourcing'
import { askJson, DIST, startBuilt } from '../test/builtServer.ts'
import { LONG } from '../test/runs.ts'
import { smallWorld } from '../test/smallWorld.ts'
import { loadedSmallWorld } from '../test/testServer.ts'

const data = mkdtempSync(join(tmpdir(), 'outfit-built-'))
afterAll(() => rmSync(data, { recursive: true, force: true }))
const json = async <T>(url: string, init?: RequestInit): Promise<T> => (await fetch(url, init)).json() as Promise<T>

describe('a killed server', () => {
  test('has every change it acknowledged, time after time', async () => {
    cpSync(await loadedSmallWorld(), data, { recursive: true })
    let expected: { version: number; slots: string[] } | null = null
    for (let round = 0; round < (LONG ? 4 : 3); round++) {
      const { url, end } = await startBuilt(data)
      const { rosters } = await json<{ rosters: RosterShelf[] }>(`${url}/api/rosters`)
      const { id } = rosters[0]!.outfits[0]!
      const outfit = await json<OutfitDetail>(`${url}/api/outfits/${id}`)
      const take = outfit.takes.find(({ chosen }) => chosen)!
      if (expected)
        expect({ version: outfit.version, slots: take.placements.map((p) => p.slot).sort() }).toEqual(expected)
      let { version } = outfit
      let placements = take.placements
      for (let n = 0; n < 3 && placements.length > 1; n++) {
        placements = placements.slice(1)
        const body = JSON.stringify({ version, placements })
        ;({ version } = await json<{ version: number }>(`${url}/api/outfits/${id}/takes/${take.id}`, {
          method: 'PUT',
          headers: { 'Content-Type': 'application/json' },
          body,
        }))
      }
      expected = { version, slots: placements.map((p) => p.slot).sort() }
      await end()
    }
    const db = new Database(join(data, 'outfit.sqlite'))
    expect(db.pragma('integrity_check', { simple: true })).toBe('ok')
    expect(db.pragma('foreign_key_check')).toEqual([])
    db.close()
  })
})

describe('the sample world beside a workspace', () => {
  const empty = mkdtempSync(join(tmpdir(), 'outfit-beside-'))
  afterAll(() => rmSync(empty, { recursive: true, force: true }))
  const until = async <T>(ask: () => Promise<T>, holds: (now: T) => boolean): Promise<T> => {
    for (;;) {
      const now = await ask()
      if (holds(now)) return now
      await new Promise((resolve) => setTimeout(resolve, 100))
    }
  }

  const gone = (address: string) =>
    fetch(`${address}/api/health`).then(
      () => false,
      () => true,
    )

  test('opens at an address of its own, touches nothing, ends with it, and goes with all that was done in it', async () => {
    let { url, end } = await startBuilt(empty, '--samples', smallWorld())
    const now = async (at = url) => (await askJson<SampleWorld>(`${at}/api/sample-world`)).body
    expect(await now()).toEqual({ offered: true, state: 'none', address: null, problem: '', kept: false, back: null })
    expect((await askJson<SampleWorld>(`${url}/api/sample-world`, 'POST')).body.state).toBe('starting')
    // Asked for twice there is still one.
    expect((await askJson(`${url}/api/sample-world`, 'POST')).status).toBe(202)
    const first = (await until(now, ({ state }) => state !== 'starting')).address!
    expect(await now(first)).toMatchObject({ offered: false, state: 'none', back: url })
    const rosters = async (at: string) => (await json<{ rosters: unknown[] }>(`${at}/api/rosters`)).rosters.length
    expect(await rosters(first)).toBe(1)
    expect(await rosters(url)).toBe(0)
    await end()
    await until(() => gone(first), Boolean)
    ;({ url, end } = await startBuilt(empty, '--samples', smallWorld()))
    expect(await now()).toMatchObject({ state: 'none', kept: true })
    await askJson(`${url}/api/sample-world`, 'POST')
    const second = (await until(now, ({ state }) => state !== 'starting')).address!
    expect((await askJson(`${second}/api/sample-world`, 'DELETE')).status).toBe(204)
    expect(await until(now, ({ kept }) => !kept)).toMatchObject({ state: 'none', address: null })
    expect(await gone(second)).toBe(true)
    expect(await rosters(url)).toBe(0)
    await end()
  })

  test('that cannot be read says why, and nothing is left of it once removed', async () => {
    const { url, end } = await startBuilt(empty, '--samples', join(empty, 'nowhere'))
    await askJson(`${url}/api/sample-world`, 'POST')
    const now = async () => (await askJson<SampleWorld>(`${url}/api/sample-world`)).body
    const { state, problem } = await until(now, (one) => one.state !== 'starting')
    expect(state).toBe('none')
    expect(problem).toMatch(/nowhere/)
    expect((await askJson(`${url}/api/sample-world`, 'DELETE')).status).toBe(204)
    expect((await now()).kept).toBe(false)
    await end()
  })
})

describe('a plan that takes long', () => {
  /** Needs of a million units each, of a seller whose minimum nobody reaches: all the solver can be asked. */
  const hard = (seconds: number) => ({
    format: 'outfit.sourcing-problem',
    version: 1,
    currency: 'EUR',
    needs: Array.from({ length: 60 }, (_, i) => ({ id: `n${i}`, qty: 1_000_000, accept: [{ part: `P${i}` }] })),
    sellers: Array.from({ length: 20 }, (_, s) => ({
      id: `S${s}`,
      minimum: 100_000_000,
      shipping: { basis: 'value', bands: [{ upTo: null, price: 300 }] },
    })),
    offers: Array.from({ length: 1200 }, (_, o) => ({
      id: `o${o}`,
      seller: `S${o % 20}`,
      price: 1 + (o % 97),
      qty: 1_000_000,
      yields: [{ part: `P${(o * 7) % 60}`, qty: 1 }],
    })),
    limits: { seconds },
  })
  const easy = { ...hard(5), needs: [], offers: [], sellers: [] }

  test('keeps neither requests nor other plans waiting, and ends in its time', async () => {
    const folder = mkdtempSync(join(tmpdir(), 'outfit-plans-'))
    const { url, end } = await startBuilt(folder)
    const plan = async (problem: object) => {
      const { status, body } = await askJson<{ job: string }>(`${url}/api/plans/problem`, 'POST', { problem })
      expect(status).toBe(202)
      return body.job
    }
    const state = async (job: string) => (await askJson<{ state: string }>(`${url}/api/jobs/${job}`)).body.state
    const long = await plan(hard(20))
    // What is asked meanwhile is answered while it still runs, and so is another plan.
    for (let n = 0; n < 20; n++) expect((await askJson(`${url}/api/health`)).status).toBe(200)
    const short = await plan(easy)
    while ((await state(short)) === 'running') await new Promise((resolve) => setTimeout(resolve, 50))
    expect([await state(short), await state(long)]).toEqual(['done', 'running'])
    expect((await askJson(`${url}/api/jobs/${long}/enough`, 'POST')).status).toBe(204)
    while ((await state(long)) === 'running') await new Promise((resolve) => setTimeout(resolve, 50))
    const { result } = (await askJson<{ result: { plan: SourcingPlan } }>(`${url}/api/jobs/${long}`)).body
    // Told that it is enough, it did not go on to the end of its seconds.
    expect(result.plan.seconds).toBeLessThan(20)
    await end()
    rmSync(folder, { recursive: true, force: true })
  })
})

describe('the plan command', () => {
  const run = (input: string) =>
    spawnSync(process.execPath, [join(DIST, 'planCli.js'), '-'], { input, encoding: 'utf8' })
  const problem = {
    format: 'outfit.sourcing-problem',
    version: 1,
    currency: 'EUR',
    needs: [
      {
        id: 'n1',
        qty: 2,
        accept: [
          { part: 'P1', penalty: 0 },
          { part: 'P7', penalty: 150 },
        ],
      },
    ],
    owned: [{ part: 'P1', qty: 1 }],
    sellers: [
      {
        id: 'S1',
        name: 'One',
        minimum: 100,
        handling: 50,
        arrivesInDays: 5,
        shipping: {
          basis: 'value',
          bands: [
            { upTo: 1500, price: 350 },
            { upTo: null, price: 0 },
          ],
        },
      },
    ],
    offers: [{ id: 'o1', seller: 'S1', price: 120, qty: 4, multiple: 1, weight: 2, yields: [{ part: 'P1', qty: 1 }] }],
    resale: [{ part: 'P9', price: 40 }],
    limits: { parcels: null, arriveBy: null, budget: null, seconds: 5, gap: 0.005 },
  }

  test('prints the plan of the documented example, and nothing else, on standard output', () => {
    const { status, stdout } = run(JSON.stringify(problem))
    expect(status).toBe(0)
    expect(JSON.parse(stdout) as SourcingPlan).toMatchObject({
      format: 'outfit.sourcing-plan',
      version: 1,
      status: 'optimal',
      total: 520,
      bound: 520,
      gap: 0,
      baskets: [{ seller: 'S1', lines: [{ offer: 'o1', qty: 1 }], goods: 120, shipping: 350, handling: 50 }],
      fills: [
        { need: 'n1', part: 'P1', qty: 1, from: 'owned' },
        { need: 'n1', part: 'P1', qty: 1, from: 'o1' },
      ],
      surplus: [],
      unmet: [],
    })
  })

  test.each([
    ['no JSON', '{', /is not JSON/],
    [
      'a missing field',
      JSON.stringify({ ...problem, offers: [{ ...problem.offers[0], price: undefined }] }),
      /^offers\[0\]\.price: is missing$/,
    ],
    [
      'a negative quantity',
      JSON.stringify({ ...problem, owned: [{ part: 'P1', qty: -1 }] }),
      /^owned\[0\]\.qty: must not be negative; it is -1$/,
    ],
    [
      'a quantity no seller comes near',
      JSON.stringify({ ...problem, needs: [{ ...problem.needs[0], qty: 1e308 }] }),
      /^needs\[0\]\.qty: must not be above 1000000; it is 1e\+308$/,
    ],
    [
      'an unknown seller',
      JSON.stringify({ ...problem, offers: [{ ...problem.offers[0], seller: 'S9' }] }),
      /^offers\[0\]\.seller: .*S9/,
    ],
  ])('%s ends with 2 and one line that names it', (_name, input, message) => {
    const { status, stdout, stderr } = run(input)
    expect([status, stdout]).toEqual([2, ''])
    expect(stderr.trim().split('\n')).toHaveLength(1)
    expect(stderr.trim()).toMatch(message)
  })

  test('a file is read by its path; a missing one is told', () => {
    const path = join(data, 'problem.json')
    writeFileSync(path, JSON.stringify(problem))
    const cli = join(DIST, 'planCli.js')
    expect(spawnSync(process.execPath, [cli, path], { encoding: 'utf8' }).status).toBe(0)
    const missing = spawnSync(process.execPath, [cli, join(data, 'none.json')], { encoding: 'utf8' })
    expect([missing.status, missing.stderr]).toEqual([2, expect.stringContaining('none.json')])
    expect(spawnSync(process.execPath, [cli], { encoding: 'utf8' }).status).toBe(2)
  })
})

describe('the roster command', () => {
  const run = (input: string) =>
    spawnSync(process.execPath, [join(DIST, 'rosterCli.js'), '-'], { input, encoding: 'utf8' })
  const head = (id: string, score: number) => ({ id, parts: [{ part: id, qty: 1 }], score, face: id })
  const problem = {
    format: 'outfit.roster-problem',
    version: 1,
    currency: 'EUR',
    worth: 40,
    outfits: ['o1', 'o2'].map((id) => ({
      id,
      slots: [{ id: 'head', candidates: [head('P1', 90_000), head('P2', 80_000)] }],
    })),
    owned: [{ part: 'P1', qty: 2 }],
    sellers: [{ id: 'S1', shipping: { basis: 'count', bands: [{ upTo: null, price: 350 }] } }],
    offers: [{ id: 'f1', seller: 'S1', price: 120, qty: 1, yields: [{ part: 'P2', qty: 1 }] }],
    limits: { faces: 'distinct', seconds: 2 },
  }

  test('prints the plan as JSON, and nothing else, on standard output', () => {
    const { status, stdout, stderr } = run(JSON.stringify(problem))
    expect([status, stderr]).toEqual([0, expect.stringContaining('at least')])
    // Both heads differ, so one is bought: 470, and 10 and 20 points missed.
    expect(JSON.parse(stdout)).toMatchObject({
      format: 'outfit.roster-plan',
      status: 'optimal',
      value: 1670,
      bound: 1670,
      spending: 470,
      baskets: [{ seller: 'S1', lines: [{ offer: 'f1', qty: 1 }], goods: 120, shipping: 350, handling: 0 }],
      surplus: [],
    })
  })

  test.each([
    ['{', /is not JSON/],
    [JSON.stringify({ ...problem, worth: -1 }), /^worth: must not be negative; it is -1$/],
    [JSON.stringify({ ...problem, limits: { faces: 'same' } }), /^limits\.faces: must be "distinct" or null$/],
  ])('ends with 2 and one line for bad input', (input, message) => {
    const { status, stdout, stderr } = run(input)
    expect([status, stdout, stderr.trim()]).toEqual([2, '', expect.stringMatching(message)])
  })
})
