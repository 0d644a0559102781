import { afterAll, beforeAll, describe, expect, test } from '@jest/globals'
import type { OutfitDetail } from '@outfit/core/roster'
import type { RosterShelf } from '@outfit/core/shelf'
import { CARD_CHOICES, firstPhoto, turnedFrame, type CardPhoto } from '@outfit/core/show'
import sharp from 'sharp'
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

  describe('with a photo of the built figure', () => {
    /** A picture half light, half dark, with a red block as the figure; turned by EXIF where asked for. */
    const picture = (orientation?: number) => {
      const pixels = Buffer.alloc(300 * 400 * 3)
      for (let y = 0; y < 400; y++)
        for (let x = 0; x < 300; x++) {
          const inside = x > 110 && x < 190 && y > 80 && y < 330
          pixels.set(inside ? [190, 40, 40] : [230 - x / 3, 225 - x / 3, 215 - x / 3], (y * 300 + x) * 3)
        }
      const taken = sharp(pixels, { raw: { width: 300, height: 400, channels: 3 } }).jpeg()
      return (orientation ? taken.withMetadata({ orientation }) : taken).toBuffer()
    }
    const keep = async (bytes: Buffer) =>
      (await server.sendFile<{ hash: string; width: number; height: number }>('photos', bytes as never)).body
    const found = { x: 0.37, y: 0.2, width: 0.26, height: 0.63 }
    /** The pictures of pixels in an SVG, decoded. */
    const picturesIn = (svg: string) =>
      Promise.all(
        [...svg.matchAll(/href="data:image\/jpeg;base64,([^"]+)"/g)].map(([, data]) =>
          sharp(Buffer.from(data!, 'base64')).raw().toBuffer({ resolveWithObject: true }),
        ),
      )

    test('the photo stands in for the drawing in every file, with the same words and lines', async () => {
      const photo = firstPhoto(await keep(await picture()), found)
      const drawn = (await server.get<string>(`outfits/${outfit.id}/card.svg`)).body
      const chosen = { ...CARD_CHOICES, picture: 'photo', photo }
      expect((await server.send('PUT', `outfits/${outfit.id}/card`, chosen)).status).toBe(204)
      expect((await server.get(`outfits/${outfit.id}/card`)).body).toEqual(chosen)
      const { body: svg } = await server.get<string>(`outfits/${outfit.id}/card.svg`)
      const [shown] = await picturesIn(svg)
      const { width, height } = shown!.info
      expect(width / height).toBeCloseTo((photo.crop.width / photo.crop.height) as number, 1)
      // The figure is in the middle of what was cut out.
      const at = (Math.round(height / 2) * width + Math.round(width / 2)) * 3
      expect(shown!.data[at]!).toBeGreaterThan(shown!.data[at + 1]! + 80)
      const texts = (of: string) => [...of.matchAll(/<text [^>]*>([^<]*)<\/text>/g)].map(([, words]) => words).sort()
      expect(texts(svg)).toEqual(texts(drawn))
      expect(await picturesIn(drawn)).toEqual([])
      const pdf = await fetch(`${server.url}/api/outfits/${outfit.id}/card.pdf`)
      const [page] = await pdfText(new Uint8Array(await pdf.arrayBuffer()))
      expect(page!.text.replace(/\s/g, '')).toContain('Corkvest')
      const png = await sharp(
        Buffer.from(await (await fetch(`${server.url}/api/outfits/${outfit.id}/card.png`)).arrayBuffer()),
      )
        .raw()
        .toBuffer({ resolveWithObject: true })
      const middle =
        (Math.round(png.info.height / 2) * png.info.width + Math.round(png.info.width / 2)) * png.info.channels
      expect(png.data[middle]!).toBeGreaterThan(png.data[middle + 1]! + 80)
      // The drawing is one choice away, the photo stays.
      const back = (await server.get<string>(`outfits/${outfit.id}/card.svg?picture=drawing`)).body
      expect(await picturesIn(back)).toEqual([])
      await server.send('PUT', `outfits/${outfit.id}/card`, CARD_CHOICES)
    })

    test('turned by its EXIF it is upright; turned, cut and evened out it is what was asked for this once', async () => {
      const kept = await keep(await picture(6))
      expect([kept.width, kept.height]).toEqual([400, 300])
      const photo = { ...firstPhoto(kept, null), turn: -90 }
      const asked = (more: object) =>
        `outfits/${outfit.id}/card.svg?picture=photo&photo=${encodeURIComponent(JSON.stringify({ ...photo, ...more }))}`
      const upright = { crop: turnedFrame(photo) }
      const [taken] = await picturesIn((await server.get<string>(asked(upright))).body)
      const { width, height } = taken!.info
      expect([width, height]).toEqual([300, 400])
      const light = ({ data }: { data: Buffer }, x: number) => data[(20 * width + x) * 3]!
      expect(light(taken!, 10) - light(taken!, 290)).toBeGreaterThan(60)
      const [even] = await picturesIn((await server.get<string>(asked({ ...upright, even: 1 }))).body)
      expect(Math.abs(light(even!, 10) - light(even!, 290))).toBeLessThan(14)
    })

    test('whose light cannot be told says so', async () => {
      const ask = (photo: CardPhoto) =>
        server.get<{ told: boolean }>(
          `outfits/${outfit.id}/card/light?photo=${encodeURIComponent(JSON.stringify(photo))}`,
        )
      const photo = firstPhoto(await keep(await picture()), found)
      expect((await ask(firstPhoto(photo, null))).body).toEqual({ told: true })
      const bare = await sharp({ create: { width: 200, height: 300, channels: 3, background: '#777' } })
        .png()
        .toBuffer()
      expect((await ask(firstPhoto(await keep(bare), null))).body).toEqual({ told: false })
      expect((await ask({ ...photo, hash: 'f'.repeat(64) })).status).toBe(400)
      expect((await server.get(`outfits/${outfit.id}/card/light`)).status).toBe(400)
    })

    test.each<[string, (photo: CardPhoto) => object, string]>([
      ['of a photo that is not kept', (photo) => ({ ...photo, hash: 'f'.repeat(64) }), 'photo.hash'],
      ['of another size', (photo) => ({ ...photo, width: 7 }), 'photo.hash'],
      [
        'with a cut of nothing',
        (photo) => ({ ...photo, crop: { x: 0, y: 0, width: 0, height: 1 } }),
        'photo.crop.width',
      ],
      [
        'with a point of no slot',
        (photo) => ({ ...photo, points: [{ slot: 'wing', x: 0, y: 0 }] }),
        'photo.points[0].slot',
      ],
      ['that is no photo', () => ({ hash: 'x' }), 'photo.hash'],
    ])('%s is refused by its field', async (_, change, field) => {
      const photo = firstPhoto(await keep(await picture()), found)
      const { status, body } = await server.send<ProblemBody>('PUT', `outfits/${outfit.id}/card`, {
        ...CARD_CHOICES,
        photo: change(photo),
      })
      expect(status).toBe(400)
      expect(body.errors.map((one) => one.field)).toContain(field)
    })

    test('what is no JSON is refused where it is asked for', async () => {
      expect((await server.get(`outfits/${outfit.id}/card.svg?photo=%7B`)).status).toBe(400)
    })
  })

  describe('beside something else', () => {
    const card = async (query: string) => (await server.get<string>(`outfits/${outfit.id}/card.svg?${query}`)).body
    const texts = (svg: string) => [...svg.matchAll(/<text [^>]*>([^<]*)<\/text>/g)].map(([, words]) => words!)

    test('another take: what was exchanged, what each costs, and what it comes to', async () => {
      const [a, b] = outfit.takes
      const words = texts(await card(`beside=${a!.id}&prices=yes`))
      for (const one of ['Take A', 'Take B', 'Headgear', 'Long waves, Copper', 'Swept pony tail, Copper'])
        expect(words).toContain(one)
      expect(words.filter((one) => /^5 of 10 places exchanged: €\d+\.\d\d (more|less)\.$/.test(one))).toHaveLength(1)
      // The other way round it is as much less.
      const back = texts(await card(`take=${a!.id}&beside=${b!.id}&prices=yes`))
      const verdict = (of: string[]) => /exchanged: (€[\d.]+) (more|less)/.exec(of.join(' '))!.slice(1)
      expect(verdict(back)).toEqual([verdict(words)[0], verdict(words)[1] === 'more' ? 'less' : 'more'])
      expect(texts(await card(`beside=${a!.id}`)).join()).not.toContain('€')
    })

    test('a released figure, kept with the outfit', async () => {
      const { body: figures } = await server.get<{ code: string; name: string }[]>('figures?text=Ferry%20skipper')
      const chosen = { ...CARD_CHOICES, beside: `figure:${figures[0]!.code}` }
      expect((await server.send('PUT', `outfits/${outfit.id}/card`, chosen)).status).toBe(204)
      const words = texts(await card('size=A5'))
      for (const one of ['Ferry skipper, as sold', 'Deck cap, Quay Blue', 'Otter, Peat', 'nothing'])
        expect(words).toContain(one)
      await server.send('PUT', `outfits/${outfit.id}/card`, CARD_CHOICES)
    })

    test('the photo of the built figure is the one that is shown', async () => {
      const bytes = await sharp({ create: { width: 90, height: 120, channels: 3, background: '#AA8866' } })
        .png()
        .toBuffer()
      const { body: kept } = await server.sendFile<{ hash: string; width: number; height: number }>(
        'photos',
        bytes as never,
      )
      const photo = encodeURIComponent(JSON.stringify(firstPhoto(kept, null)))
      const svg = await card(`beside=${outfit.takes[0]!.id}&picture=photo&photo=${photo}`)
      expect(svg.match(/<image /g)).toHaveLength(1)
    })

    test.each(['NOPE', 'figure:NOPE'])(
      'what is gone (%s) is left out: the card shows the take alone',
      async (beside) => {
        expect(texts(await card(`beside=${beside}`))).toEqual(texts(await card('')))
      },
    )
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
