import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { drawFigure } from '../mannequin/index.ts'
import { takeOf, worldCatalogue } from '../test/world.ts'
import { faceBox } from './card.ts'
import {
  cornerOf,
  cropCornered,
  cropMoved,
  cropRound,
  cutPhoto,
  firstPhoto,
  photoPoints,
  pointBefore,
  pointMoved,
  quarterTurned,
  slantOf,
  turnedFrame,
  turnedPoint,
  turnedTo,
  withinFrame,
  type CardPhoto,
} from './cardPhoto.ts'
import { extentOf } from './extentOf.ts'

const drawing = drawFigure(takeOf('Odile, skipper'), worldCatalogue())
const share = fc.double({ min: 0, max: 1, noNaN: true })
const size = fc.integer({ min: 40, max: 1600 })
const turns = fc.oneof(fc.double({ min: -15, max: 15, noNaN: true }), fc.constantFrom(-90, 90, 180, -180, 0))
const boxes = fc.tuple(share, share, share, share).map(([x, y, width, height]) => ({
  x: x * 0.9,
  y: y * 0.9,
  width: Math.max(0.01, width * (1 - x * 0.9)),
  height: Math.max(0.01, height * (1 - y * 0.9)),
}))
const far = fc.double({ min: -3, max: 3, noNaN: true })
const anyPhoto: fc.Arbitrary<CardPhoto> = fc.record({
  hash: fc.constant('a'.repeat(64)),
  width: size,
  height: size,
  turn: turns,
  crop: fc.record({ x: far, y: far, width: far.map(Math.abs), height: far.map(Math.abs) }),
  even: share,
  figure: fc.option(boxes),
  points: fc
    .uniqueArray(fc.constantFrom('head', 'torso', 'legRight', 'handLeft'), { maxLength: 4 })
    .chain((slots) => fc.tuple(...slots.map((slot) => fc.record({ slot: fc.constant(slot), x: share, y: share })))),
}) as fc.Arbitrary<CardPhoto>

describe('a photo on a card', () => {
  test('a point turned and turned back is where it was', () => {
    fc.assert(
      fc.property(anyPhoto, share, share, (photo, x, y) => {
        const back = pointBefore(photo, turnedPoint(photo, { x, y }))
        expect(back.x).toBeCloseTo(x, 9)
        expect(back.y).toBeCloseTo(y, 9)
      }),
    )
  })

  test('a quarter turn to the right brings the top to the right', () => {
    const photo = { width: 300, height: 400, turn: 90 }
    const { x, y } = turnedPoint(photo, { x: 0.5, y: 0 })
    expect(x).toBeCloseTo(0.5, 9)
    expect(y).toBeCloseTo(0, 9)
    const { width, height } = turnedFrame(photo)
    expect(width / height).toBeCloseTo(4 / 3, 9)
  })

  test('whatever is asked for, what is cut out lies in the turned photo and is of some size', () => {
    fc.assert(
      fc.property(anyPhoto, (photo) => {
        const frame = turnedFrame(photo)
        const { x, y, width, height } = withinFrame(photo, photo.crop)
        expect(Math.min(width, height)).toBeGreaterThanOrEqual(Math.min(0.05, frame.width, frame.height) - 1e-9)
        expect(Math.min(x - frame.x, y - frame.y)).toBeGreaterThanOrEqual(-1e-9)
        expect(x + width).toBeLessThanOrEqual(frame.x + frame.width + 1e-9)
        expect(y + height).toBeLessThanOrEqual(frame.y + frame.height + 1e-9)
        // What lies in it already stays as it is.
        const again = withinFrame(photo, { x, y, width, height })
        expect(Math.hypot(again.x - x, again.y - y, again.width - width, again.height - height)).toBeLessThan(1e-9)
      }),
    )
  })

  test('closed round the figure, all of it is in the cut, however it is turned', () => {
    fc.assert(
      fc.property(anyPhoto, boxes, (photo, figure) => {
        const crop = cropRound(photo, figure)
        for (const [right, bottom] of [
          [0, 0],
          [1, 0],
          [1, 1],
          [0, 1],
        ] as const) {
          const { x, y } = turnedPoint(photo, {
            x: figure.x + right * figure.width,
            y: figure.y + bottom * figure.height,
          })
          expect(x).toBeGreaterThanOrEqual(crop.x - 1e-9)
          expect(x).toBeLessThanOrEqual(crop.x + crop.width + 1e-9)
          expect(y).toBeGreaterThanOrEqual(crop.y - 1e-9)
          expect(y).toBeLessThanOrEqual(crop.y + crop.height + 1e-9)
        }
      }),
    )
  })

  test('turned a quarter, what is cut out stays what it is; four quarters are none', () => {
    fc.assert(
      fc.property(anyPhoto, share, share, (photo, x, y) => {
        const before = { ...photo, crop: withinFrame(photo, photo.crop) }
        const after = quarterTurned(before)
        const inCut = (one: CardPhoto) => {
          const at = turnedPoint(one, { x, y })
          return [(at.x - one.crop.x) / one.crop.width, (at.y - one.crop.y) / one.crop.height] as const
        }
        const [across, down] = inCut(before)
        const [acrossAfter, downAfter] = inCut(after)
        expect(downAfter).toBeCloseTo(across, 6)
        expect(acrossAfter).toBeCloseTo(1 - down, 6)
        const around = quarterTurned(quarterTurned(quarterTurned(after)))
        expect(Math.abs(((around.turn - before.turn + 540) % 360) - 180)).toBeLessThan(1e-9)
        expect(around.crop.x).toBeCloseTo(before.crop.x, 6)
        expect(around.crop.height).toBeCloseTo(before.crop.height, 6)
      }),
    )
  })

  test('the slant is what is turned beyond quarters; turned to it again nothing changes', () => {
    fc.assert(
      fc.property(anyPhoto, (photo) => {
        const slant = slantOf(photo)
        expect(Math.abs(slant)).toBeLessThanOrEqual(45)
        expect(turnedTo(photo, photo.turn - slant + slant).turn).toBeCloseTo(photo.turn === 180 ? -180 : photo.turn, 9)
      }),
    )
  })

  test('a cut that is moved keeps its size, one of which a corner is moved its opposite one; both stay in the photo', () => {
    fc.assert(
      fc.property(
        anyPhoto,
        far,
        far,
        fc.constantFrom(0 as const, 1),
        fc.constantFrom(0 as const, 1),
        (photo, dx, dy, x, y) => {
          const [crop, frame] = [withinFrame(photo, photo.crop), turnedFrame(photo)]
          const moved = cropMoved(photo, { x: dx, y: dy })
          expect([moved.width, moved.height]).toEqual([crop.width, crop.height])
          expect(withinFrame(photo, moved).x).toBeCloseTo(moved.x, 9)
          // Wherever within the photo and not right at its opposite a corner goes, that stays.
          const opposite = cornerOf(photo, { x: x === 0 ? 1 : 0, y: y === 0 ? 1 : 0 })
          const to = { x: frame.x + Math.abs(dx % 1) * frame.width, y: frame.y + Math.abs(dy % 1) * frame.height }
          fc.pre(Math.abs(to.x - opposite.x) > 0.06 && Math.abs(to.y - opposite.y) > 0.06)
          const cut = cropCornered(photo, { x, y }, to)
          expect(Math.min(Math.abs(cut.x - opposite.x), Math.abs(cut.x + cut.width - opposite.x))).toBeLessThan(1e-9)
          expect(Math.min(Math.abs(cut.y - opposite.y), Math.abs(cut.y + cut.height - opposite.y))).toBeLessThan(1e-9)
        },
      ),
    )
  })

  test('a point that is moved lies there, once for its slot, and never beyond the photo', () => {
    fc.assert(
      fc.property(anyPhoto, share, share, (photo, x, y) => {
        const to = turnedPoint(photo, { x, y })
        const moved = pointMoved(pointMoved(photo, 'head', { x: 9, y: 9 }), 'head', to)
        const [point, ...others] = moved.points.filter(({ slot }) => slot === 'head')
        expect(others).toEqual([])
        expect(point!.x).toBeCloseTo(x, 9)
        expect(point!.y).toBeCloseTo(y, 9)
        for (const one of pointMoved(photo, 'head', { x: 9, y: -9 }).points)
          expect(Math.min(one.x, 1 - one.x, one.y, 1 - one.y)).toBeGreaterThanOrEqual(0)
      }),
    )
  })

  test('points begin where the doll has them, laid over the figure that was found', () => {
    const figure = { x: 0.3, y: 0.1, width: 0.4, height: 0.8 }
    const doll = extentOf(drawing)
    const points = photoPoints(firstPhoto({ hash: '', width: 900, height: 1200 }, figure), drawing)
    expect(points.map(({ slot }) => slot).sort()).toEqual(Object.keys(drawing.anchors).sort())
    for (const { slot, at, moved } of points) {
      expect(moved).toBe(false)
      const anchor = drawing.anchors[slot]!
      expect((at.x - figure.x) / figure.width).toBeCloseTo((anchor.x - doll.x) / doll.width, 9)
      expect((at.y - figure.y) / figure.height).toBeCloseTo((anchor.y - doll.y) / doll.height, 9)
    }
  })

  test('where no figure was found, the cut is taken for it, and points go with it', () => {
    const whole = firstPhoto({ hash: '', width: 900, height: 1200 }, null)
    const head = (photo: CardPhoto) => photoPoints(photo, drawing).find(({ slot }) => slot === 'head')!.at
    const lower = { ...whole, crop: { ...whole.crop, y: 0, height: 0.5 } }
    expect(head(whole).y).toBeLessThan(0.5)
    expect(head(lower).y).toBeGreaterThan(0.5)
    expect(head(lower).y).toBeLessThan(0.75)
  })

  test('a point moved by hand stays on what it shows when the photo is turned and cut anew; the face goes with the head', () => {
    const photo: CardPhoto = {
      ...firstPhoto({ hash: '', width: 900, height: 1200 }, { x: 0.2, y: 0.1, width: 0.5, height: 0.8 }),
      points: [{ slot: 'head', x: 0.6, y: 0.3 }],
    }
    const face = faceBox(drawing)!
    const middle = (one: CardPhoto) => {
      const cut = cutPhoto(one, drawing, face, 'data:')
      return { ...cut.anchors.head!, face: cut.face! }
    }
    const before = middle(photo)
    const usual = middle({ ...photo, points: [] })
    const { crop } = photo
    const there = turnedPoint(photo, { x: 0.6, y: 0.3 })
    expect(before.x).toBeCloseTo(((there.x - crop.x) / crop.height) * 100, 6)
    expect(before.face.x - usual.face.x).toBeCloseTo(before.x - usual.x, 6)
    expect(before.face.y - usual.face.y).toBeCloseTo(before.y - usual.y, 6)
    const turned = { ...photo, turn: 10, crop: { x: -0.3, y: -0.4, width: 0.6, height: 0.8 } }
    const after = middle(turned)
    const back = pointBefore(turned, {
      x: turned.crop.x + (after.x / 100) * turned.crop.height,
      y: turned.crop.y + (after.y / 100) * turned.crop.height,
    })
    expect(back.x).toBeCloseTo(0.6, 6)
    expect(back.y).toBeCloseTo(0.3, 6)
  })

  test('every slot that is worn has its point inside the cut', () => {
    fc.assert(
      fc.property(anyPhoto, (photo) => {
        const { anchors, width, height } = cutPhoto(photo, drawing, faceBox(drawing), 'data:')
        expect(Object.keys(anchors).sort()).toEqual(Object.keys(drawing.anchors).sort())
        for (const { x, y } of Object.values(anchors)) {
          expect(x).toBeGreaterThan(0)
          expect(x).toBeLessThan(width)
          expect(y).toBeGreaterThan(0)
          expect(y).toBeLessThan(height)
        }
      }),
    )
  })
})
