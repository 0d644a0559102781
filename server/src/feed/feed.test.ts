import { afterAll, beforeAll, describe, expect, test } from '@jest/globals'
import { createServer, type Server } from 'node:http'
import type { AddressInfo } from 'node:net'
import type { TableRow } from '@outfit/core/tables'
import type { Answered, Refreshed } from '@outfit/core/feed'
import { jobEnd, startServer, WORLD, type TestServer } from '../test/testServer.ts'
import { JobsService } from '../jobs/jobsService.ts'
import { HttpFeed } from './httpFeed.ts'
import { MarketClock } from './marketClock.ts'
import { FeedFault } from './marketFeed.ts'
import { USUAL_PATIENCE } from './patience.ts'
import { readStandIn, StandInMarket, type StandInWorld } from './standInMarket.ts'

const never = new AbortController().signal
const offer = (seller: string, n: number): TableRow<'offers'> => ({
  date: '2026-03-02',
  seller,
  kind: 'part',
  code: `P-${n}`,
  condition: 'new',
  price: 100 + n,
  currency: 'EUR',
  stock: 4,
  multiple: 2,
})
const world = (moods: StandInWorld['moods'] = {}): StandInWorld => ({
  seed: 5,
  day: '2026-03-02',
  weeks: 10,
  moods,
  offers: Array.from({ length: 300 }, (_, n) => offer('a', n)).concat(offer('b', 1)),
})
/** A feed to a stand-in market on a day, and how to end it. */
const feedOf = (moods: StandInWorld['moods'] = {}, day = '2026-03-02') => {
  const market = new StandInMarket(world(moods), () => day)
  return { market, feed: new HttpFeed('made up', () => market.url()) }
}
const faultOf = (asked: Promise<unknown>): Promise<FeedFault> =>
  asked.then(
    () => {
      throw new Error('It came.')
    },
    (error: unknown) => error as FeedFault,
  )

describe('the stand-in market', () => {
  test('gives whole lists page by page, on its own day as they are', async () => {
    const { market, feed } = feedOf()
    expect(await feed.sellers(never)).toEqual(['a', 'b'])
    const lines: string[] = []
    let cursor: string | null = null
    let pages = 0
    do {
      const page: { csv: string; next: string | null } = await feed.page('a', cursor, never)
      lines.push(...page.csv.split('\n').slice(1))
      cursor = page.next
      pages += 1
    } while (cursor)
    market.stop()
    expect([pages, lines.length]).toEqual([3, 300])
    expect(lines[7]).toBe('2026-03-02,a,part,P-7,new,107,EUR,4,2')
  })

  test('drifts from day to day, dated by the day it is asked', async () => {
    const { market, feed } = feedOf({}, '2026-04-20')
    const { csv } = await feed.page('a', null, never)
    market.stop()
    const rows = csv.split('\n').slice(1)
    expect(rows.every((row) => row.startsWith('2026-04-20,a,'))).toBe(true)
    expect(rows.some((row) => !row.includes(`,${100 + Number(/P-(\d+)/.exec(row)![1])},EUR`))).toBe(true)
  })

  test.each([
    ['busy', 'it answered 503', true],
    ['cut', 'the connection broke off', true],
  ] as const)('is %s when its mood is', async (mood, message, passing) => {
    const { market, feed } = feedOf({ a: { [mood]: 100 } })
    const fault = await faultOf(feed.page('a', null, never))
    market.stop()
    expect([fault.message, fault.passing]).toEqual([message, passing])
    expect(fault.waitMs).toBe(mood === 'busy' ? 1000 : null)
  })

  test('does not answer when its mood is silent; who waits gives up by himself', async () => {
    const { market, feed } = feedOf({ a: { silent: 100 } })
    const fault = await faultOf(feed.page('a', null, AbortSignal.timeout(60)))
    market.stop()
    expect([fault.message, fault.passing]).toEqual(['it did not answer in time', true])
  })

  test('garbles lines, and knows only its own sellers', async () => {
    const { market, feed } = feedOf({ a: { garbled: 100 } })
    const { csv } = await feed.page('a', null, never)
    const fault = await faultOf(feed.page('nobody', null, never))
    market.stop()
    const cells = csv
      .split('\n')
      .slice(1)
      .map((row) => row.split(','))
    expect(cells.every((row) => row.length < 9 || row[5] === '-1' || row[6] === '???')).toBe(true)
    expect([fault.message, fault.passing]).toEqual(['it has no such list', false])
  })

  test('had weeks before, without the lists that did not come', () => {
    const weeks = (moods: StandInWorld['moods']) =>
      new StandInMarket(world(moods), () => '2026-03-02').past().filter(({ seller }) => seller === 'a')
    expect(weeks({}).map(({ date }) => date)).toEqual(
      Array.from({ length: 10 }, (_, i) => new Date(Date.UTC(2026, 2, 2 - 7 * (10 - i))).toISOString().slice(0, 10)),
    )
    expect(weeks({ a: { silent: 90 } }).length).toBeLessThan(10)
  })

  test('is none where the world has none', () => {
    expect(readStandIn('/nowhere')).toBeNull()
    expect(readStandIn(WORLD)).toMatchObject({ day: '2026-11-23', weeks: 25 })
  })
})

describe('asking the market', () => {
  interface Told {
    code: string
    offers: number
    newest: string
  }
  let server: TestServer
  beforeAll(async () => {
    server = await startServer({ market: WORLD, patience: { page: 1900, pause: 10 } })
  })
  afterAll(async () => {
    await server.stop()
  })
  const refresh = async (body: object = {}) => {
    const { status, body: told } = await server.send<{ job: string }>('POST', 'market/refresh', body)
    expect(status).toBe(202)
    return { job: told.job, end: await jobEnd(server, told.job) }
  }
  const last = async () => (await server.get<{ market: string; last: Refreshed }>('market')).body.last
  const seller = async (code: string) =>
    (await server.get<{ sellers: Told[] }>('sellers')).body.sellers.find((one) => one.code === code)!
  const today = new Date().toISOString().slice(0, 10)

  test('brings what came, names what did not, and leaves that standing', async () => {
    const before = await seller('marrow-lane')
    expect((await refresh()).end.state).toBe('done')
    const byCode = new Map((await last()).sellers.map((one): [string, Answered] => [one.seller, one]))
    expect([...byCode.keys()]).toHaveLength(9)
    expect(byCode.get('tin-whistle')).toMatchObject({ state: 'whole', reason: null, rejected: 0 })
    expect(byCode.get('tin-whistle')!.lines).toBeGreaterThan(300)
    expect((await seller('tin-whistle')).newest).toBe(today)
    // Its list never came, after as many tries as are made.
    expect(byCode.get('marrow-lane')).toMatchObject({
      state: 'silent',
      reason: 'it did not answer in time',
      requests: USUAL_PATIENCE.tries,
      lines: 0,
    })
    expect(await seller('marrow-lane')).toEqual(before)
  }, 60_000)

  test('of a garbled list what can be read holds, and the rest stays as it was', async () => {
    const shed = (await last()).sellers.find((one) => one.seller === 'almanac-shed')!
    expect(shed).toMatchObject({ state: 'partial', reason: 'some lines could not be read' })
    expect(shed.rejected).toBe(shed.rejects.length)
    expect(shed.rejects.map(({ reason }) => reason).join('; ')).toMatch(/is below 0|cells, the header has/)
    // No line that could not be read is gone for it.
    const world = readStandIn(WORLD)!
    const offered = world.offers.filter((one) => one.seller === 'almanac-shed').length
    expect((await seller('almanac-shed')).offers).toBeGreaterThanOrEqual(offered)
  })

  test('asks some alone, and not who is blocked', async () => {
    const body = { ...(await server.get<{ sellers: object[] }>('sellers')).body }
    const {
      code: _code,
      offers: _offers,
      newest: _newest,
      ...terms
    } = (body.sellers as (Told & Record<string, unknown>)[]).find((one) => one.code === 'rope-walk')!
    await server.send('PUT', 'sellers/rope-walk', { ...terms, standing: 'blocked', was: terms })
    await refresh({ sellers: ['rope-walk', 'old-cooperage'] })
    expect((await last()).sellers.map(({ seller: code, state }) => [code, state])).toEqual([
      ['old-cooperage', 'whole'],
      ['rope-walk', 'blocked'],
    ])
    // The same list on the same day says nothing new.
    const [cooperage] = (await last()).sellers as [Answered]
    expect([cooperage.fresh, cooperage.dearer, cooperage.cheaper, cooperage.gone]).toEqual([0, 0, 0, 0])
  })

  test('refuses what is no list of sellers', async () => {
    const { status } = await server.send('POST', 'market/refresh', { sellers: 'all' })
    expect(status).toBe(400)
  })

  test('is asked by itself as often as is said, not in quiet hours, and not twice', async () => {
    const clock = server.service(MarketClock)
    const at = (time: string, day: number) => new Date(`2099-12-0${day}T${time}:00`)
    expect(await clock.look(at('12:00', 1))).toBeNull()
    const asks = { every: 'daily', quietFrom: '22:00', quietTo: '07:00' }
    expect((await server.send('PUT', 'settings', { asks })).status).toBe(200)
    expect(await clock.look(at('23:00', 1))).toBeNull()
    const job = (await clock.look(at('12:00', 2)))!
    expect(await clock.look(at('12:05', 2))).toBeNull()
    const cancel = (id: string) => server.service(JobsService).cancel(id)
    await cancel(job)
    expect((await jobEnd(server, job)).state).toBe('cancelled')
    expect(await clock.look(at('11:55', 3))).toBeNull()
    const next = (await clock.look(at('12:00', 3)))!
    await cancel(next)
    expect((await jobEnd(server, next)).state).toBe('cancelled')
    await server.send('PUT', 'settings', { asks: { ...asks, every: 'never' } })
    expect(await clock.look(at('12:00', 4))).toBeNull()
  })

  test('is of the service chosen in the settings, once there is one', async () => {
    const market = new StandInMarket({ ...world(), offers: [offer('tin-whistle', 1)] }, () => '2026-03-02')
    const name = async () => (await server.get<{ market: string }>('market')).body.market
    const started = await name()
    const address = await market.url()
    expect((await server.send('PUT', 'settings', { marketService: `${address}/` })).status).toBe(200)
    expect(await name()).toBe(new URL(address).host)
    await refresh()
    expect((await last()).sellers.map(({ seller: code, rejected }) => [code, rejected])).toEqual([['tin-whistle', 1]])
    expect((await server.send('PUT', 'settings', { marketService: '' })).status).toBe(200)
    expect(await name()).toBe(started)
    market.stop()
  })
})

describe('a market that is not as it should be', () => {
  let service: Server
  let server: TestServer
  let answer: (path: string) => string | null = () => null
  /** The `Link` header of every list. */
  let link = ''
  beforeAll(async () => {
    service = createServer((request, response) => {
      const body = answer(request.url ?? '')
      if (link && request.url !== '/sellers') response.setHeader('Link', link)
      if (body !== null) response.end(body)
    })
    await new Promise<void>((resolve) => service.listen(0, '127.0.0.1', resolve))
    server = await startServer({
      market: `http://127.0.0.1:${(service.address() as AddressInfo).port}`,
      patience: { page: 2000, pause: 5, pages: 20 },
    })
  })
  afterAll(async () => {
    service.closeAllConnections()
    service.close()
    await server.stop()
  })
  const start = async () => (await server.send<{ job: string }>('POST', 'market/refresh', {})).body.job
  const last = async () => (await server.get<{ last: Refreshed | null }>('market')).body.last

  test('an answer that names no sellers fails with the reason, and writes nothing', async () => {
    answer = () => '<html>Welcome</html>'
    expect(await jobEnd(server, await start())).toMatchObject({
      state: 'failed',
      detail: expect.stringContaining('its list of sellers could not be read'),
    })
    expect(await last()).toBeNull()
  })

  test('lines of others, of unknown codes and of no known money are told with line and reason', async () => {
    const header = 'date,seller,kind,code,condition,price,currency,stock,multiple'
    answer = (path) =>
      path === '/sellers'
        ? '{"sellers":["tin-whistle","someone"]}'
        : [
            header,
            '2027-01-04,tin-whistle,part,P-00002,new,150,EUR,3,1',
            '2027-01-04,lock-nine,part,P-00002,new,150,EUR,3,1',
            '2027-01-04,tin-whistle,part,P-NONE,new,150,EUR,3,1',
            '2027-01-04,tin-whistle,part,P-00003,new,150,GBP,3,1',
            '2027-01-04,tin-whistle,part,P-00004,new,150,EUR,1,2',
          ].join('\n')
    await jobEnd(server, await start())
    const [whistle, someone] = (await last())!.sellers as [Answered, Answered]
    expect([someone.seller, someone.state]).toEqual(['someone', 'strange'])
    expect(whistle).toMatchObject({ state: 'partial', lines: 1, rejected: 4 })
    expect(whistle.rejects.map(({ line, reason }) => [line, reason])).toEqual([
      [2, '"lock-nine" stands in the list of tin-whistle'],
      [3, 'code "P-NONE" is not known'],
      [4, 'tin-whistle sells in EUR, not in GBP'],
      [5, 'stock 1 is below the pack size 2'],
    ])
  })

  test('pages that go round in a circle are left, with what they said', async () => {
    const header = 'date,seller,kind,code,condition,price,currency,stock,multiple'
    answer = (path) => {
      if (path === '/sellers') return '{"sellers":["tin-whistle"]}'
      return path.endsWith('page=1')
        ? `${header}\n2027-01-05,tin-whistle,part,P-00002,new,151,EUR,3,1`
        : `${header}\n2027-01-05,tin-whistle,part,P-00003,new,150,EUR,3,1`
    }
    link = '</sheets/tin-whistle?page=1>; rel="next"'
    await jobEnd(server, await start())
    link = ''
    expect((await last())!.sellers[0]).toMatchObject({
      state: 'partial',
      reason: 'its pages go round in a circle',
      requests: 2,
      lines: 2,
    })
  })

  test('pages without end are given up, with what they said', async () => {
    const header = 'date,seller,kind,code,condition,price,currency,stock,multiple'
    let pages = 0
    answer = (path) => {
      if (path === '/sellers') return '{"sellers":["tin-whistle"]}'
      link = `</more/${++pages}>; rel="next"`
      return `${header}\n2027-02-0${1 + (pages % 9)},tin-whistle,part,P-00002,new,150,EUR,3,1`
    }
    await jobEnd(server, await start())
    const [whistle] = (await last())!.sellers as [Answered]
    expect(whistle).toMatchObject({ state: 'partial', reason: 'its list goes on after 20 pages' })
    expect(pages).toBe(20)
    link = ''
  })

  test('an answer without end is given up', async () => {
    const header = 'date,seller,kind,code,condition,price,currency,stock,multiple\n'
    answer = (path) => (path === '/sellers' ? '{"sellers":["tin-whistle"]}' : header + 'x'.repeat(33 * 1024 * 1024))
    await jobEnd(server, await start())
    expect((await last())!.sellers[0]).toMatchObject({ state: 'silent', reason: 'its answer is too long', requests: 1 })
  })

  test('can be left waiting', async () => {
    answer = (path) => (path === '/sellers' ? '{"sellers":["tin-whistle"]}' : null)
    const job = await start()
    await server.send('DELETE', `jobs/${job}`)
    expect((await jobEnd(server, job)).state).toBe('cancelled')
  })
})

test('without a market nothing is asked', async () => {
  const server = await startServer({ world: false })
  const { status, body } = await server.send<{ detail: string }>('POST', 'market/refresh', {})
  await server.stop()
  expect([status, body.detail]).toEqual([409, expect.stringContaining('No market is connected')])
})
