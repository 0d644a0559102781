import { expect, test } from '@jest/globals'
import fc from 'fast-check'
import { pathContains } from './covered.ts'
import { ellipse, rect } from './path.ts'

test('a point is inside a rectangle, or an ellipse, where arithmetic says so', () => {
  const near = fc.double({ min: -30, max: 30, noNaN: true })
  fc.assert(
    fc.property(near, near, (x, y) => {
      if (Math.min(Math.abs(Math.abs(x) - 20), Math.abs(Math.abs(y) - 10)) > 0.01)
        expect(pathContains(rect(-20, -10, 40, 20), x, y)).toBe(Math.abs(x) < 20 && Math.abs(y) < 10)
      const r = Math.hypot(x / 20, y / 10)
      // Curves are cut into straight pieces, which lie a little inside.
      if (Math.abs(r - 1) > 0.03) expect(pathContains(ellipse(0, 0, 20, 10), x, y)).toBe(r < 1)
    }),
  )
})

test('a hole is no inside', () => {
  const ring = rect(-20, -20, 40, 40) + rect(-10, -10, 20, 20)
  expect([pathContains(ring, 0, 0), pathContains(ring, 15, 0), pathContains(ring, 25, 0)]).toEqual([false, true, false])
})
