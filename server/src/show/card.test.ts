import { afterAll, beforeAll, describe, expect, test } from '@jest/globals'
import type { OutfitDetail } from '@outfit/core/roster'
import type { RosterShelf } from '@outfit/core/shelf'
import { CARD_CHOICES } from '@outfit/core/show'
import { pdfText } from '../test/pdfText.ts'
import { startServer, type ProblemBody, type TestServer } from '../test/testServer.ts'

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

  test('as PDF is one page in true millimetres whose text can be selected, the same as in the SVG', async () => {
    const answer = await fetch(`${server.url}/api/outfits/${outfit.id}/card.pdf?size=A6&prices=yes`)
    expect(answer.headers.get('content-type')).toBe('application/pdf')
    const pages = await pdfText(new Uint8Array(await answer.arrayBuffer()))
    expect(pages.map(({ width, height }) => [width.toFixed(1), height.toFixed(1)])).toEqual([['105.0', '148.0']])
    const { body: svg } = await server.get<string>(`outfits/${outfit.id}/card.svg?size=A6&prices=yes`)
    const texts = [...svg.matchAll(/<text [^>]*>([^<]*)<\/text>/g)].map(([, words]) => words!)
    expect(texts.length).toBeGreaterThan(20)
    const plain = (words: string) => words.replace(/&amp;/g, '&').replace(/\s/g, '')
    for (const words of texts) expect(plain(pages[0]!.text)).toContain(plain(words))
  })

  test('shows what was chosen for it, kept with the outfit, or asked for this once', async () => {
    expect((await server.get(`outfits/${outfit.id}/card`)).body).toEqual(CARD_CHOICES)
    const chosen = { ...CARD_CHOICES, size: 'square', sources: false, note: 'She steers <by ear>.' }
    expect((await server.send('PUT', `outfits/${outfit.id}/card`, chosen)).status).toBe(204)
    expect((await server.get(`outfits/${outfit.id}/card`)).body).toEqual(chosen)
    const { body: kept } = await server.get<string>(`outfits/${outfit.id}/card.svg`)
    expect(kept).toContain('width="150mm" height="150mm"')
    expect(kept).toContain('She steers &lt;by ear>.')
    expect(kept).not.toContain('Ferry Landing')
    const { body: once } = await server.get<string>(`outfits/${outfit.id}/card.svg?sources=yes&size=wide&view=back`)
    expect(once).toContain('width="190mm"')
    expect(once).toContain('Ferry Landing')
    await server.send('PUT', `outfits/${outfit.id}/card`, CARD_CHOICES)
  })

  test.each([
    [{ note: 'x'.repeat(301) }, 'note'],
    [{ size: 'A0' }, 'size'],
    [{ lines: 'yes' }, 'lines'],
  ])('refuses %j by its field', async (wrong, field) => {
    const { status, body } = await server.send<ProblemBody>('PUT', `outfits/${outfit.id}/card`, {
      ...CARD_CHOICES,
      ...wrong,
    })
    expect([status, body.errors[0]!.field]).toEqual([400, field])
  })

  test('of what does not exist is told', async () => {
    expect((await server.get('outfits/NOPE/card.svg')).status).toBe(404)
    expect((await server.get(`outfits/${outfit.id}/card.png?take=x`)).status).toBe(404)
    expect((await server.get(`outfits/${outfit.id}/card.svg?colour=red`)).status).toBe(400)
    expect((await server.get(`outfits/${outfit.id}/card.gif`)).status).toBe(400)
    expect((await server.send('PUT', 'outfits/NOPE/card', CARD_CHOICES)).status).toBe(404)
  })
})
