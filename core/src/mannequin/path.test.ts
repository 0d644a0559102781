import { expect, test } from '@jest/globals'
import fc from 'fast-check'
import { boundsOf, ellipse, multiply, rect, rotation, scaling, transformPath, translation } from './path.ts'

const number = fc.integer({ min: -80, max: 80 })

test('an inverse undoes a transform but for rounding to a tenth', () => {
  fc.assert(
    fc.property(number, number, fc.integer({ min: 1, max: 60 }), number, number, (x, y, r, dx, dy) => {
      const d = ellipse(x, y, r)
      const there = transformPath(d, multiply(translation(dx, dy), rotation(90)))
      const back = boundsOf(transformPath(there, multiply(rotation(-90), translation(-dx, -dy))))
      const box = boundsOf(d)
      for (const side of ['left', 'right', 'top', 'bottom'] as const)
        expect(Math.abs(back[side] - box[side])).toBeLessThan(0.3)
    }),
  )
})

test('bounds of shapes are their corners', () => {
  expect(boundsOf(rect(3, 4, 10, 20, 2))).toEqual({ left: 3, top: 4, right: 13, bottom: 24 })
  expect(boundsOf(ellipse(0, 0, 5, 2))).toEqual({ left: -5, top: -2, right: 5, bottom: 2 })
  expect(boundsOf('').left).toBe(Infinity)
})

test('mirroring swaps left and right', () => {
  expect(boundsOf(transformPath(rect(3, 4, 10, 20), scaling(-1, 1)))).toEqual({
    left: -13,
    top: 4,
    right: -3,
    bottom: 24,
  })
})

test('a radius wider than the rectangle is cut down to it', () => {
  expect(boundsOf(rect(0, 0, 4, 4, 99))).toEqual({ left: 0, top: 0, right: 4, bottom: 4 })
})
