import { afterAll, beforeAll, describe, expect, test } from '@jest/globals'
import { createHash } from 'node:crypto'
import sharp from 'sharp'
import type { RosterShelf } from '@outfit/core/shelf'
import { SHEET_CHOICES, type Recipe } from '@outfit/core/show'
import { pdfText } from '../test/pdfText.ts'
import { startServer, type ProblemBody, type TestServer } from '../test/testServer.ts'

let server: TestServer
let ferry: RosterShelf
beforeAll(async () => {
  server = await startServer()
  const { rosters } = (await server.get<{ rosters: RosterShelf[] }>('rosters')).body
  ferry = rosters.find(({ name }) => name === 'Ferry people')!
})
afterAll(() => server.stop())

const dressed = () => ferry.outfits.filter(({ placements }) => placements.length > 0)
const sheet = (query = '') => fetch(`${server.url}/api/rosters/${ferry.id}/sheet.pdf${query}`)

describe('the breakdown sheet', () => {
  test('as PDF has a cover, so many cards to a page, and the list of all parts with their total', async () => {
    const answer = await sheet()
    expect([answer.status, answer.headers.get('content-type')]).toEqual([200, 'application/pdf'])
    const pages = await pdfText(new Uint8Array(await answer.arrayBuffer()))
    for (const { width, height } of pages) expect([width.toFixed(1), height.toFixed(1)]).toEqual(['210.0', '297.0'])
    const cards = Math.ceil(dressed().length / 4)
    expect(pages[0]!.text).toContain('Ferry people')
    for (const { name } of dressed()) {
      expect(pages[0]!.text).toContain(name.split(/[ ,]/)[0])
      expect(pages.slice(1, 1 + cards).filter(({ text }) => text.includes(name))).toHaveLength(1)
    }
    const index = pages.slice(1 + cards)
    expect(index.length).toBeGreaterThan(0)
    expect(index[0]!.text).toContain('Where from')
    const { lowest } = { lowest: (await server.get<{ prices: Record<string, number> }>(pricesOf())).body.prices }
    const sum = worn().reduce((total, part) => total + (lowest[`part:${part}`] ?? 0), 0)
    // What is sold as one for less costs less than its pieces.
    const [, total] = /€([\d.]+) at the lowest prices of/.exec(index.at(-1)!.text)!
    expect(Number(total)).toBeGreaterThan(0)
    expect(Number(total)).toBeLessThanOrEqual(sum / 100)
    pages.forEach(({ text }, i) => expect(text).toContain(`${i + 1} of ${pages.length}`))
  })

  test('is what was chosen: Letter, two to a page with lead lines, without cover and list, of some outfits', async () => {
    const some = dressed()
      .slice(0, 3)
      .map(({ id }) => id)
    const answer = await sheet(`?paper=Letter&perPage=2&cover=no&index=no&outfits=${some.join()}`)
    const pages = await pdfText(new Uint8Array(await answer.arrayBuffer()))
    expect(pages.map(({ width }) => width.toFixed(1))).toEqual(['215.9', '215.9'])
    const chosen = { ...SHEET_CHOICES, perPage: 8, index: false }
    expect((await server.send('PUT', `rosters/${ferry.id}/sheet`, chosen)).status).toBe(204)
    expect((await server.get(`rosters/${ferry.id}/sheet`)).body).toEqual(chosen)
    await server.send('PUT', `rosters/${ferry.id}/sheet`, SHEET_CHOICES)
  })

  test('is one long picture as SVG and PNG', async () => {
    const { body: svg } = await server.get<string>(`rosters/${ferry.id}/sheet.svg`)
    const [, width, height] = /width="([\d.]+)mm" height="([\d.]+)mm"/.exec(svg)!.map(Number)
    expect(width).toBe(210)
    expect(height! % 297).toBe(0)
    const png = await fetch(`${server.url}/api/rosters/${ferry.id}/sheet.png?index=no`)
    const { format, width: dots = 0, height: high = 0 } = await sharp(Buffer.from(await png.arrayBuffer())).metadata()
    expect(format).toBe('png')
    expect(dots * high).toBeLessThan(61_000_000)
  })

  test('of nobody, of strangers and with odd wishes is refused in words', async () => {
    const { body: made } = await server.send<{ id: string }>('POST', 'rosters', {
      name: 'Empty',
      note: '',
      school: 'exchange-only',
    })
    const empty = await server.get<ProblemBody>(`rosters/${made.id}/sheet.pdf`)
    expect([empty.status, empty.body.detail]).toEqual([
      409,
      'Nobody of this roster is dressed yet, so there is nothing to show.',
    ])
    expect((await server.get('rosters/NOPE/sheet.svg')).status).toBe(404)
    expect((await server.get(`rosters/${ferry.id}/sheet.svg?outfits=NOPE`)).status).toBe(404)
    const odd = await server.get<ProblemBody>(`rosters/${ferry.id}/sheet.svg?perPage=5`)
    expect([odd.status, odd.body.errors[0]!.field]).toEqual([400, 'perPage'])
  })
})

describe('the page to share', () => {
  test('is one small file that asks nothing of any network and runs nothing but its own script', async () => {
    const answer = await fetch(`${server.url}/api/rosters/${ferry.id}/page.html`)
    const html = await answer.text()
    expect(html.length).toBeLessThan(1_500_000)
    expect(answer.headers.get('content-disposition')).toContain('Ferry people.html')
    expect(html).not.toMatch(/(src|href)="(?!data:|#)|url\((?!data:|#)/)
    const [, script] = /<script>([^]*)<\/script>/.exec(html)!
    const hash = createHash('sha256').update(script!).digest('base64')
    expect(html).toContain(`default-src 'none'`)
    expect(html).toContain(`script-src 'sha256-${hash}'`)
    for (const { name } of dressed()) expect(html).toContain(`<h2>${name}</h2>`)
    // Clips stand once, where no filter takes them away.
    const clips = [...html.matchAll(/<clipPath id="(\w+)"/g)].map(([, id]) => id!)
    expect(clips.length).toBeGreaterThan(5)
    expect(new Set(clips).size).toBe(clips.length)
    expect(html.indexOf('<article')).toBeGreaterThan(html.lastIndexOf('<clipPath'))
    for (const [, id] of html.matchAll(/clip-path="url\(#(\w+)\)"/g)) expect(clips).toContain(id)
    const [, recipe] = /data:application\/json;base64,([^"]*)/.exec(html)!
    const { body } = await server.get<Recipe>(`rosters/${ferry.id}/recipe.json`)
    expect(JSON.parse(Buffer.from(recipe!, 'base64').toString())).toEqual(body)
  })
})

test('the recipe holds every figure with what is needed to draw it and where its parts come from', async () => {
  const { body } = await server.get<Recipe>(`rosters/${ferry.id}/recipe.json`)
  expect([body.format, body.version]).toEqual(['outfit.recipe', 1])
  expect(body.outfits.map(({ name }) => name)).toEqual(dressed().map(({ name }) => name))
  expect(body.outfits.flatMap(({ placements }) => placements.map(({ part }) => part.code))).toEqual(worn())
  for (const { part } of body.outfits.flatMap(({ placements }) => placements)) {
    expect(part.mould.silhouette).not.toBe('')
    expect(part.colours.length).toBeGreaterThan(0)
  }
  const sourced = body.outfits.flatMap(({ placements }) => placements.flatMap(({ part }) => part.sources))
  expect(sourced.length).toBeGreaterThan(20)
})

const worn = () => dressed().flatMap(({ placements }) => placements.map(({ part }) => part))
const pricesOf = () => `prices?things=${[...new Set(worn())].map((part) => `part:${part}`).join()}`
