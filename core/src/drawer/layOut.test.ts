import { expect, test } from '@jest/globals'
import fc from 'fast-check'
import { BOX_WIDTH, freePlace, placesOfBins, type Spot } from './layOut.ts'

const apart = (places: readonly Spot[]) =>
  places.every((a, i) =>
    places.every((b, j) => i === j || a.x + a.w <= b.x || b.x + b.w <= a.x || a.y + a.h <= b.y || b.y + b.h <= a.y),
  )
const field = fc.option(fc.integer({ min: 0, max: 30 }), { nil: null })

test('bins never overlap and never stick out, wherever they were put', () => {
  fc.assert(
    fc.property(fc.array(fc.record({ x: field, y: field, w: field, h: field }), { maxLength: 12 }), (wished) => {
      const bins = wished.map((place, i) => ({ ...place, code: `B${i}`, name: '', figure: null }))
      const places = [...placesOfBins(bins).values()]
      expect(places).toHaveLength(bins.length)
      expect(apart(places)).toBe(true)
      expect(places.every(({ x, y, w }) => x >= 0 && y >= 0 && x + w <= BOX_WIDTH)).toBe(true)
    }),
  )
})

test('a bin stays where it was put while there is room, and goes to the nearest room otherwise', () => {
  const there = { x: 4, y: 0, w: 4, h: 4 }
  expect(freePlace({ x: 9, y: 2, w: 4, h: 4 }, [there])).toEqual({ x: 9, y: 2, w: 4, h: 4 })
  expect(freePlace({ x: 7, y: 0, w: 4, h: 4 }, [there])).toEqual({ x: 8, y: 0, w: 4, h: 4 })
  const bins = [
    { code: 'new', name: '', figure: null },
    { code: 'old', name: '', figure: null, x: 0, y: 0, w: 4, h: 4 },
  ]
  expect(placesOfBins(bins).get('new')).toEqual({ x: 4, y: 0, w: 4, h: 4 })
})

test('thousands of bins are laid out in one go', () => {
  const bins = Array.from({ length: 3000 }, (_, i) => ({ code: `B${i}`, name: '', figure: null }))
  const places = placesOfBins(bins)
  expect(places.get('B0')).toEqual({ x: 0, y: 0, w: 4, h: 4 })
  expect(places.get('B2999')).toEqual({ x: 20, y: 1996, w: 4, h: 4 })
})
