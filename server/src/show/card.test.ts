import { afterAll, beforeAll, describe, expect, test } from '@jest/globals'
import type { OutfitDetail } from '@outfit/core/roster'
import type { RosterShelf } from '@outfit/core/shelf'
import { startServer, type TestServer } from '../test/testServer.ts'

let server: TestServer
let outfit: OutfitDetail
beforeAll(async () => {
  server = await startServer()
  const { body } = await server.get<{ rosters: RosterShelf[] }>('rosters')
  outfit = (await server.get<OutfitDetail>(`outfits/${body.rosters[0]!.outfits[0]!.id}`)).body
})
afterAll(() => server.stop())

describe('the card', () => {
  test('as SVG is a download with its fonts inside and nothing from elsewhere', async () => {
    const answer = await fetch(`${server.url}/api/outfits/${outfit.id}/card.svg`)
    const svg = await answer.text()
    expect(answer.headers.get('content-type')).toBe('image/svg+xml; charset=utf-8')
    expect(answer.headers.get('content-disposition')).toContain('Odile')
    expect(svg.match(/@font-face/g)!.length).toBeGreaterThanOrEqual(2)
    expect(svg).not.toMatch(/(href|src)="?http|url\(http/)
    expect(svg).toContain('Odile, skipper')
    expect(svg).toContain('from Ferry Landing, 2021')
    expect(svg).toContain('take B')
    // Its oar comes in a newer blind pack too, by chance; the otter comes in that alone.
    const sourceOf = (name: string) => new RegExp(`${name}<.*?>(from [^<]*)<`, 's').exec(svg)?.[1]
    expect(sourceOf('Long oar')).toBe('from Regatta Stand, 2019')
    expect(sourceOf('Otter')).toBe('from Quayside Faces, 2026')
  })

  test('of a named take shows that take', async () => {
    const [a] = outfit.takes
    const { body } = await server.get<string>(`outfits/${outfit.id}/card.svg?take=${a!.id}`)
    expect(body).toContain('take A')
  })

  test('as PNG has 300 dots to the inch', async () => {
    const answer = await fetch(`${server.url}/api/outfits/${outfit.id}/card.png`)
    const bytes = Buffer.from(await answer.arrayBuffer())
    expect(answer.headers.get('content-type')).toBe('image/png')
    expect(bytes.subarray(1, 4).toString()).toBe('PNG')
    expect([bytes.readUInt32BE(16), bytes.readUInt32BE(20)]).toEqual([
      Math.round((190 / 25.4) * 300),
      Math.round((130 / 25.4) * 300),
    ])
  })

  test('of what does not exist is told', async () => {
    expect((await server.get('outfits/NOPE/card.svg')).status).toBe(404)
    expect((await server.get(`outfits/${outfit.id}/card.png?take=x`)).status).toBe(404)
    expect((await server.get(`outfits/${outfit.id}/card.svg?colour=red`)).status).toBe(400)
  })
})
