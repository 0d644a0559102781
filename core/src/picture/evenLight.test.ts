import { describe, expect, test } from '@jest/globals'
import { seeded } from '../base/index.ts'
import { labOf, type Pixels } from '../colour/index.ts'
import { evenLight, groundLight } from './evenLight.ts'

type Rgb = readonly [number, number, number]
const [WIDTH, HEIGHT] = [150, 200]

/** A ground in some light with a coloured block on it, and grain. */
function photo(light: (x: number, y: number) => number, ground: Rgb, seed = 1, isBlock = true): Pixels {
  const random = seeded(seed)
  const data = new Uint8ClampedArray(WIDTH * HEIGHT * 4)
  for (let y = 0; y < HEIGHT; y++)
    for (let x = 0; x < WIDTH; x++) {
      const inBlock = isBlock && x > 55 && x < 95 && y > 45 && y < 165
      const colour: Rgb = inBlock ? (y < 100 ? [170, 60, 40] : [40, 70, 130]) : ground
      const noise = (random() + random() - 1) * 6
      // Light is multiplied where it is linear; a power of 2.2 is near enough for a test.
      for (let c = 0; c < 3; c++)
        data[(y * WIDTH + x) * 4 + c] =
          255 * ((colour[c]! / 255) ** 2.2 * light(x / WIDTH, y / HEIGHT)) ** (1 / 2.2) + noise
      data[(y * WIDTH + x) * 4 + 3] = 255
    }
  return { data, width: WIDTH, height: HEIGHT }
}

/** Mean colour of a patch. */
function meanAt({ data }: Pixels, left: number, top: number, size = 12): [number, number, number] {
  const sum: [number, number, number] = [0, 0, 0]
  for (let y = top; y < top + size; y++)
    for (let x = left; x < left + size; x++) for (let c = 0; c < 3; c++) sum[c]! += data[(y * WIDTH + x) * 4 + c]!
  return sum.map((value) => value / size ** 2) as [number, number, number]
}
const GROUND_PATCHES = [
  [3, 3],
  [135, 3],
  [70, 15],
  [3, 95],
  [135, 95],
  [3, 185],
  [135, 185],
] as const
const lightnesses = (pixels: Pixels) => GROUND_PATCHES.map(([x, y]) => labOf(...meanAt(pixels, x, y))[0])
const spread = (values: readonly number[]) => Math.max(...values) - Math.min(...values)
/** A lamp near the top left corner. */
const lamp = (x: number, y: number) => 0.35 + 0.65 / (1 + 3 * ((x - 0.3) ** 2 + (y - 0.2) ** 2))
const evened = (pixels: Pixels, share = 1) => evenLight(pixels, groundLight(pixels), share)

/** A figure that takes a share of a picture's width, and nearly as much of its height, on a plain ground or on one of many things. */
function framed(share: number, light: (x: number, y: number) => number, isOfMany: boolean, seed: number): Pixels {
  const random = seeded(seed)
  const data = new Uint8ClampedArray(WIDTH * HEIGHT * 4).fill(255)
  for (let y = 0; y < HEIGHT; y++)
    for (let x = 0; x < WIDTH; x++) {
      const inside = Math.abs(x / WIDTH - 0.5) < share / 2 && Math.abs(y / HEIGHT - 0.52) < 0.1 + share * 0.38
      const tile = 90 + 32 * (((x >> 3) * 7 + (y >> 3) * 13) % 5)
      const ground: Rgb = isOfMany ? [tile, 255 - tile, 120] : [215, 208, 195]
      const colour: Rgb = inside ? [60 + (y >> 4) * 12, 70, 120] : ground
      const noise = (random() + random() - 1) * 6
      for (let c = 0; c < 3; c++)
        data[(y * WIDTH + x) * 4 + c] =
          255 * ((colour[c]! / 255) ** 2.2 * light(x / WIDTH, y / HEIGHT)) ** (1 / 2.2) + noise
    }
  return { data, width: WIDTH, height: HEIGHT }
}

test.each<[string, Rgb, (x: number, y: number) => number]>([
  ['one side, on white', [240, 238, 232], (x) => 1 - 0.5 * x],
  ['a corner, on blue', [90, 130, 190], (x, y) => 1 - 0.35 * x - 0.25 * y],
  ['a lamp close by, on white', [240, 238, 232], lamp],
  ['a lamp close by, on grey', [140, 140, 140], lamp],
  ['a lens that darkens its corners, on green', [150, 180, 120], (x, y) => Math.cos(Math.hypot(x - 0.5, y - 0.5)) ** 4],
])('light from %s is evened out, to where it is light, and colours keep their hue', (_, ground, light) => {
  const taken = photo(light, ground)
  const even = evened(taken)
  const [before, after] = [lightnesses(taken), lightnesses(even)]
  expect(spread(before)).toBeGreaterThan(8)
  expect(spread(after)).toBeLessThan(Math.min(5, spread(before) * 0.35))
  expect(Math.max(...after)).toBeLessThan(Math.max(...before) + 4)
  const hue = (pixels: Pixels) => {
    const [, a, b] = labOf(...meanAt(pixels, 70, 120))
    return Math.atan2(b, a)
  }
  expect(Math.abs(hue(even) - hue(taken))).toBeLessThan(0.12)
})

describe('evening out', () => {
  const side = (x: number) => 1 - 0.5 * x

  test('half the way leaves about half of the fall; none leaves the picture as it is', () => {
    const taken = photo(side, [220, 215, 205])
    const [all, half] = [spread(lightnesses(taken)), spread(lightnesses(evened(taken, 0.5)))]
    expect(half / all).toBeGreaterThan(0.3)
    expect(half / all).toBeLessThan(0.7)
    expect(evened(taken, 0)).toBe(taken)
  })

  test('even light stays as it is', () => {
    const taken = photo(() => 0.8, [200, 190, 180])
    const moved = lightnesses(evened(taken)).map((value, i) => Math.abs(value - lightnesses(taken)[i]!))
    expect(Math.max(...moved)).toBeLessThan(1.5)
  })

  test('where nothing tells the light, the picture stays as it is: no figure, hardly any ground, a ground of many things', () => {
    const bare = photo(side, [200, 190, 180], 2, false)
    const clear = { ...bare, data: bare.data.map((value, i) => (i % 4 === 3 ? 0 : value)) }
    const nothing = [bare, clear, framed(0.95, side, false, 3), framed(0.3, side, true, 3), framed(0.7, lamp, true, 4)]
    expect(nothing.map(groundLight)).toEqual(nothing.map(() => null))
    expect(evenLight(bare, null, 1)).toBe(bare)
  })

  test.each<[string, (x: number, y: number) => number]>([
    ['even', () => 0.8],
    ['from one side', side],
    ['from a lamp close by', lamp],
    ['through a lens', (x, y) => Math.cos(Math.hypot(x - 0.5, y - 0.5)) ** 4],
  ])('light that is %s is told behind the figure, too, where there is no ground to see', (_, light) => {
    for (const [share, seed] of [
      [0.3, 5],
      [0.6, 6],
      [0.8, 7],
    ] as const) {
      const found = groundLight(framed(share, light, false, seed))!
      const away: number[] = []
      for (let y = 0.05; y < 1; y += 0.05)
        for (let x = 0.05; x < 1; x += 0.05) away.push(found(x, y) - Math.log(light(x, y)))
      // What is left is nearly the same everywhere: a seventh of the light, at the dark corners of a lens.
      expect([share, Math.max(...away) - Math.min(...away) < 0.15]).toEqual([share, true])
    }
  })
})
