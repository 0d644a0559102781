import { describe, expect, test } from '@jest/globals'
import { colourDifference } from './difference.ts'
import { imagePalette, type Pixels, sampleAt } from './imagePalette.ts'

type Rgba = [number, number, number, number]

/** A picture whose pixel at x, y has the colour a function says. */
function picture(width: number, height: number, at: (x: number, y: number) => Rgba): Pixels {
  const data = new Uint8ClampedArray(width * height * 4)
  for (let y = 0; y < height; y++) for (let x = 0; x < width; x++) data.set(at(x, y), (y * width + x) * 4)
  return { data, width, height }
}
const COPPER: Rgba = [0xa6, 0x4e, 0x2a, 255]
const QUAY: Rgba = [0x24, 0x52, 0x7f, 255]
const OAT: Rgba = [0xe9, 0xde, 0xc3, 255]
const CLEAR: Rgba = [0, 255, 0, 0]
/** A little unevenness, as a photo has, the same each time. */
const grainy = ([r, g, b, a]: Rgba, x: number, y: number): Rgba => {
  const grain = ((x * 7 + y * 13) % 5) - 2
  return [r + grain, g + grain, b + grain, a]
}

describe('the palette of a picture', () => {
  test('names its colours with the share of their area, the largest first', () => {
    const stripes = picture(100, 60, (x, y) => grainy(x < 60 ? OAT : x < 90 ? QUAY : COPPER, x, y))
    const palette = imagePalette(stripes)
    expect(palette).toHaveLength(3)
    for (const [i, [hex, share]] of (
      [
        ['#e9dec3', 0.6],
        ['#24527f', 0.3],
        ['#a64e2a', 0.1],
      ] as const
    ).entries()) {
      expect(colourDifference(palette[i]!.hex, hex)).toBeLessThan(2)
      expect(palette[i]!.share).toBeCloseTo(share, 2)
    }
    expect(imagePalette(stripes)).toEqual(palette)
  })

  test('leaves out what is see-through; of nothing there is none', () => {
    expect(imagePalette(picture(40, 40, (x) => (x < 20 ? CLEAR : COPPER)))).toHaveLength(1)
    expect(imagePalette(picture(8, 8, () => CLEAR))).toEqual([])
    expect(imagePalette({ data: new Uint8ClampedArray(0), width: 0, height: 0 })).toEqual([])
  })

  test('a large picture is looked at through a grid, and its shares stay', () => {
    const large = imagePalette(picture(1600, 1000, (x) => (x < 400 ? QUAY : OAT)))
    expect(large.map(({ share }) => Math.round(share * 100))).toEqual([75, 25])
  })
})

describe('a sample under the pointer', () => {
  test('is the median, so that a stray pixel changes nothing', () => {
    const speck = picture(20, 20, (x, y) => (x === 10 && y === 10 ? [255, 255, 255, 255] : COPPER))
    expect(sampleAt(speck, 10, 10)).toBe('#a64e2a')
  })

  test('is cut at the edges and null where all is see-through', () => {
    expect(
      sampleAt(
        picture(10, 10, () => QUAY),
        0,
        9,
        5,
      ),
    ).toBe('#24527f')
    expect(
      sampleAt(
        picture(10, 10, () => CLEAR),
        4,
        4,
      ),
    ).toBeNull()
  })
})
