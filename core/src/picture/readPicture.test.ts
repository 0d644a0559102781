import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { colourDifference, type Pixels } from '../colour/index.ts'
import { drawFigure, FIGURE_WINDOW, toSvg } from '../mannequin/index.ts'
import { drawn, photographed, portrait, type Portrait } from '../test/pictures.ts'
import { figureNamed, worldCatalogue, worldFigures } from '../test/world.ts'
import { dollOutline } from './doll.ts'
import {
  figuresInBoxes,
  findFigures,
  readPicture,
  usualOutline,
  WHOLE_PICTURE,
  LANDMARKS,
  type Landmark,
  type PictureReading,
  type Zone,
} from './index.ts'

const LONG = process.env['OUTFIT_LONG'] === '1'
const catalogue = worldCatalogue()

/** Of how many of some things something does not hold, as a share, with what they were. */
function missed<T>(things: readonly T[], holds: (thing: T) => boolean): { share: number; things: T[] } {
  const wrong = things.filter((thing) => !holds(thing))
  return { share: wrong.length / things.length, things: wrong.slice(0, 5) }
}

const seeds = Array.from({ length: LONG ? 300 : 10 }, (_, i) => 5000 + i)
const ZONES_OF: readonly (readonly [Zone, (portrait: Portrait) => string])[] = [
  ['hair', ({ hair }) => hair],
  ['face', ({ skin }) => skin],
  ['torso', ({ top }) => top],
  ['handRight', ({ gloves, skin }) => gloves ?? skin],
  ['handLeft', ({ gloves, skin }) => gloves ?? skin],
  ['legRight', ({ legs }) => legs],
  ['legLeft', ({ legs }) => legs],
  ['bootRight', ({ boots }) => boots],
  ['bootLeft', ({ boots }) => boots],
]

describe.each([
  ['painted', (pixels: Pixels) => pixels],
  ['photographed', (pixels: Pixels, seed: number) => photographed(pixels, seed)],
])('people nobody tuned it on, %s', (_how, as) => {
  const read = seeds.map((seed) => {
    const of = portrait(seed)
    return { seed, of, reading: readPicture(as(drawn(of.svg, 420), seed)) }
  })
  const found = read.flatMap(({ reading, ...rest }) => (reading ? [{ ...rest, reading }] : []))

  test('are found, with crown, chin, hip and soles where they are', () => {
    expect(found).toHaveLength(read.length)
    for (const level of ['crown', 'chin', 'hip', 'soles'] as const)
      expect(
        missed(found, ({ of, reading }) => Math.abs(reading.outline[level].y - of.levels[level]) < 0.05).share,
      ).toBeLessThanOrEqual(0.03)
  })

  test('show the colours of every zone', () => {
    const seen = found.flatMap(({ seed, of, reading }) =>
      ZONES_OF.map(([zone, colourOf]) => ({
        seed,
        zone,
        wanted: colourOf(of),
        colour: reading.zones[zone]?.[0]?.hex ?? null,
      })),
    )
    const { share, things } = missed(
      seen,
      ({ wanted, colour }) => colour !== null && colourDifference(wanted, colour) < 10,
    )
    expect({ share, things: share > 0.02 ? things : [] }).toEqual({ share: expect.any(Number), things: [] })
  })

  test('show gloves, sleeves and boots', () => {
    expect(missed(found, ({ of, reading }) => reading.gloved === (of.gloves !== null)).share).toBeLessThanOrEqual(0.07)
    const bare = found.filter(({ of }) => of.gloves === null)
    expect(missed(bare, ({ of, reading }) => reading.sleeves === of.sleeves).share).toBeLessThanOrEqual(0.1)
    expect(missed(found, ({ of, reading }) => reading.boots === of.boot).share).toBeLessThanOrEqual(0.07)
  })
})

describe('dolls as they are drawn', () => {
  const pictureOf = (placements: Parameters<typeof drawFigure>[0], ground: string) => {
    const drawing = drawFigure(placements, catalogue, { plinth: false })
    const { x, y, width, height } = FIGURE_WINDOW
    const rect = `<rect x="${x}" y="${y}" width="${width}" height="${height}" fill="${ground}"/>`
    return { drawing, pixels: drawn(toSvg(drawing).replace(/(<svg[^>]*>)/, `$1${rect}`), 420) }
  }

  test('have their landmarks where the drawing has them', () => {
    const figures = [...worldFigures()].filter((_, i) => i % (LONG ? 1 : 9) === 0)
    const levels = figures.flatMap(([code, placements]) => {
      const { drawing, pixels } = pictureOf(placements, '#bcd0c4')
      const reading = readPicture(pixels)
      const real = dollOutline(drawing)
      return (['crown', 'chin', 'hip', 'soles'] as const).map((level) => ({
        code,
        level,
        away: reading === null ? 1 : Math.abs(reading.outline[level].y - real[level].y),
      }))
    })
    const { share, things } = missed(levels, ({ away }) => away < 0.05)
    expect({ share: share <= 0.03, things: share > 0.03 ? things : [] }).toEqual({ share: true, things: [] })
  })

  test('are read the same cut out, without any ground', () => {
    const drawing = drawFigure(figureNamed('Ferry skipper'), catalogue, { plinth: false })
    const cutOut = readPicture(drawn(toSvg(drawing), 420))!
    const onGround = readPicture(pictureOf(figureNamed('Ferry skipper'), '#c9b8d8').pixels)!
    const main = ({ zones }: PictureReading) => Object.entries(zones).map(([zone, [first]]) => [zone, first!.hex])
    for (const [i, [zone, hex]] of main(cutOut).entries()) {
      const [other, seen] = main(onGround)[i]!
      expect(other).toBe(zone)
      expect(colourDifference(hex!, seen!)).toBeLessThan(3)
    }
  })
})

describe('what is not so plain', () => {
  const one = portrait(7001)

  test('of several people each is found, from left to right, with how high they are for the tallest', () => {
    const inner = (seed: number) => portrait(seed).svg.replace(/<svg[^>]*>|<\/svg>|<rect[^>]*>/g, '')
    const ids = (svg: string, n: number) => svg.replace(/id="(\w)"/g, `id="$1${n}"`).replace(/#(\w)\)/g, `#$1${n})`)
    const scales = [1, 0.62, 0.85]
    const group =
      `<svg xmlns="http://www.w3.org/2000/svg" width="1440" height="720" viewBox="0 0 1440 720"><rect width="1440" height="720" fill="#ffffff"/>` +
      scales
        .map(
          (scale, i) =>
            `<g transform="translate(${i * 470} ${720 - 720 * scale}) scale(${scale})">${ids(inner(7010), i)}</g>`,
        )
        .join('') +
      '</svg>'
    const pixels = drawn(group, 1200)
    const figures = findFigures(pixels)
    expect(figures).toHaveLength(3)
    figures.forEach(({ height }, i) => expect(Math.abs(height - scales[i]!)).toBeLessThan(0.03))
    // The same in boxes drawn by hand, in whatever order and however much room they leave.
    const drawnBoxes = [2, 0, 1].map((i) => ({ x: i / 3 + 0.005, y: 0, width: 0.32, height: 1 }))
    const byHand = figuresInBoxes(pixels, drawnBoxes)
    expect(byHand.map(({ box }) => box.x)).toEqual(drawnBoxes.map(({ x }) => x).sort())
    byHand.forEach(({ height }, i) => expect(Math.abs(height - scales[i]!)).toBeLessThan(0.03))
    const all = figures.map(({ box }) => readPicture(pixels, { box })!)
    for (const { zones } of all) expect(colourDifference(zones.torso![0]!.hex, portrait(7010).top)).toBeLessThan(10)
  })

  test('on a busy ground nobody is made up; with points laid by hand its colours are read', () => {
    const busy = drawn(
      one.svg.replace(
        /(<rect[^>]*>)/,
        `$1${Array.from({ length: 240 }, (_, i) => `<circle cx="${(i * 97) % 480}" cy="${(i * 61) % 720}" r="22" fill="hsl(${(i * 47) % 360} 80% ${30 + ((i * 13) % 50)}%)"/>`).join('')}`,
      ),
      420,
    )
    expect(findFigures(busy)).toEqual([])
    expect(readPicture(busy)).toBeNull()
    const clear = readPicture(drawn(one.svg, 420))!
    const { zones } = readPicture(busy, { outline: clear.outline })!
    for (const [zone, colour] of [
      ['hair', one.hair],
      ['face', one.skin],
      ['torso', one.top],
      ['legRight', one.legs],
    ] as const)
      expect([zone, colourDifference(zones[zone]![0]!.hex, colour) < 10]).toEqual([zone, true])
  })

  test('usual points lie in their box, from crown to soles', () => {
    const box = { x: 0.25, y: 0.1, width: 0.5, height: 0.8 }
    const { crown, chin, hip, soles, shoulderRight, shoulderLeft } = usualOutline(box, 0.66)
    expect(crown.y).toBeGreaterThan(box.y)
    expect(soles.y).toBeLessThan(box.y + box.height)
    expect(crown.y < chin.y && chin.y < hip.y && hip.y < soles.y).toBe(true)
    expect(shoulderRight.x < crown.x && crown.x < shoulderLeft.x).toBe(true)
  })

  test('points may be put anywhere, across each other too: something is read, or nothing, and every number is one', () => {
    const pixels = drawn(one.svg, 200)
    const share = fc.double({ min: 0, max: 1, noNaN: true })
    const point = fc.record({ x: share, y: share })
    const anywhere = fc.record(
      Object.fromEntries(LANDMARKS.map((key) => [key, point])) as Record<Landmark, typeof point>,
    )
    fc.assert(
      fc.property(anywhere, (outline) => {
        const { zones, heads } = readPicture(pixels, { outline })!
        expect(Number.isFinite(heads)).toBe(true)
        for (const colours of Object.values(zones))
          for (const { hex, share: part } of colours) {
            expect(hex).toMatch(/^#[0-9a-f]{6}$/)
            expect(part).toBeGreaterThan(0)
          }
      }),
      { numRuns: LONG ? 500 : 50 },
    )
  })

  test.each([
    ['nothing at all', { data: new Uint8ClampedArray(4), width: 1, height: 1 }],
    ['one colour', { data: new Uint8ClampedArray(60 * 40 * 4).fill(255), width: 60, height: 40 }],
    ['all clear', { data: new Uint8ClampedArray(60 * 40 * 4), width: 60, height: 40 }],
    ['a line of pixels', { data: new Uint8ClampedArray(900 * 4).fill(255), width: 900, height: 1 }],
  ])('of %s nothing is read, with or without an outline', (_what, pixels) => {
    expect(readPicture(pixels)).toBeNull()
    const reading = readPicture(pixels, { outline: usualOutline(WHOLE_PICTURE, 1) })
    for (const value of Object.values(reading!.outline)) expect(Number.isFinite(value.y)).toBe(true)
    expect(reading!.gloved).not.toBe(true)
  })
})
