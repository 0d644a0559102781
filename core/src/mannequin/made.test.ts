import { describe, expect, test } from '@jest/globals'
import { wearMade, type Wearable } from '../anatomy/index.ts'
import { MADE_AS, type MadeAs, type Placement, type Slot } from '../catalogue/index.ts'
import { partNamed, takeOf, worldCatalogue } from '../test/world.ts'
import { drawDressed } from './drawFigure.ts'
import { boundsOf } from './path.ts'

const catalogue = worldCatalogue()
const at = (part: string, more = {}) => ({ part, x: 0, y: 0, turn: 0, mirrored: false, front: false, ...more })
const MUG = partNamed('Mug', 'Tin').code
const item = (as: MadeAs, pieces: Wearable['pieces'], more: Partial<Wearable> = {}): Wearable => ({
  id: 'x',
  name: 'Thing',
  as,
  pieces,
  ...more,
})
const SLOT: Record<MadeAs, Slot> = {
  held: 'heldRight',
  beside: 'beside',
  back: 'neck',
  shoulders: 'neck',
  lower: 'lower',
}
/** The middle of what is drawn in a slot. */
function middle(placements: readonly Placement[], slot: Slot, view: 'front' | 'back' = 'front') {
  const boxes = drawDressed(placements, catalogue, { view, plinth: false })
    .shapes.filter((shape) => shape.slot === slot)
    .map(({ d }) => boundsOf(d))
  if (boxes.length === 0) return null
  const left = Math.min(...boxes.map((box) => box.left))
  const right = Math.max(...boxes.map((box) => box.right))
  const top = Math.min(...boxes.map((box) => box.top))
  const bottom = Math.max(...boxes.map((box) => box.bottom))
  return { x: (left + right) / 2, y: (top + bottom) / 2, width: right - left, height: bottom - top }
}

describe('something made of several parts is drawn', () => {
  test('each piece where it lies on the board, from where it is held', () => {
    const mug = middle(wearMade([], 'heldRight', item('held', [at(MUG)])), 'heldRight')!
    const moved = middle(wearMade([], 'heldRight', item('held', [at(MUG, { x: 30, y: -50 })])), 'heldRight')!
    expect(moved.x - mug.x).toBeCloseTo(30, 0)
    expect(moved.y - mug.y).toBeCloseTo(-50, 0)
    const rod = partNamed('Round rod', 'Oak').code
    const upright = middle(wearMade([], 'heldRight', item('held', [at(rod)])), 'heldRight')!
    const turned = middle(wearMade([], 'heldRight', item('held', [at(rod, { turn: 90 })])), 'heldRight')!
    expect([turned.width, turned.height].map(Math.round)).toEqual([upright.height, upright.width].map(Math.round))
  })

  test('as a part by itself where one part is all there is, in either hand', () => {
    const parted = (slot: Slot) => drawDressed([{ slot, part: MUG, order: 0, turned: false }], catalogue).shapes
    const made = (slot: Slot) => drawDressed(wearMade([], slot, item('held', [at(MUG)])), catalogue).shapes
    const of = (shapes: ReturnType<typeof parted>, slot: Slot) =>
      shapes.filter((shape) => shape.slot === slot && shape.clip === undefined)
    for (const slot of ['heldRight', 'heldLeft'] as const) {
      const [one, other] = [of(made(slot), slot), of(parted(slot), slot)]
      expect(one.map(({ fill }) => fill)).toEqual(other.map(({ fill }) => fill))
      // Tenths may be rounded once more.
      const numbers = (list: typeof one) => list.flatMap(({ d }) => (d.match(/-?[\d.]+/g) ?? []).map(Number))
      const off = numbers(one).map((number, i) => Math.abs(number - numbers(other)[i]!))
      expect(off.length).toBe(numbers(other).length)
      expect(Math.max(...off)).toBeLessThan(0.21)
    }
  })

  test('mirrored from behind and in the other hand', () => {
    const held = item('held', [at(MUG, { x: -20 })])
    const right = middle(wearMade([], 'heldRight', held), 'heldRight')!
    expect(middle(wearMade([], 'heldRight', held), 'heldRight', 'back')!.x).toBeCloseTo(-right.x, 0)
    expect(middle(wearMade([], 'heldLeft', held), 'heldLeft')!.x).toBeCloseTo(-right.x, 0)
  })

  test('over or under the hand, and behind the figure where it is on its back', () => {
    const order = (placements: readonly Placement[], slot: Slot, other: Slot, view: 'front' | 'back' = 'front') => {
      const slots = drawDressed(placements, catalogue, { view }).shapes.map((shape) => shape.slot)
      return slots.indexOf(slot) < slots.indexOf(other) ? 'under' : 'over'
    }
    const held = (front: boolean) => wearMade([], 'heldRight', item('held', [at(MUG, { front })]))
    expect([order(held(false), 'heldRight', 'handRight'), order(held(true), 'heldRight', 'handRight')]).toEqual([
      'under',
      'over',
    ])
    const back = wearMade([], 'neck', item('back', [at(MUG)]))
    expect([order(back, 'neck', 'torso'), order(back, 'neck', 'torso', 'back')]).toEqual(['under', 'over'])
    const shoulders = wearMade([], 'neck', item('shoulders', [at(MUG)]))
    expect([order(shoulders, 'neck', 'torso'), order(shoulders, 'neck', 'armRight')]).toEqual(['over', 'under'])
  })

  test('a body of one’s own carries the torso as high as it says', () => {
    const height = (high: number) =>
      drawDressed(wearMade(takeOf('Odile, skipper'), 'lower', item('lower', [at(MUG)], { height: high })), catalogue)
    expect(height(40).levels.hip - height(90).levels.hip).toBeCloseTo(50, 5)
    expect(height(40).levels.waist).toBeCloseTo(-40, 5)
    expect(height(90).height).toBeGreaterThan(height(40).height)
  })

  test('two things beside the figure stand on either side of it', () => {
    const cart = item('beside', [at(MUG), at(MUG, { y: -30 })])
    const both = wearMade(wearMade([], 'beside', cart), 'beside', cart)
    const xs = drawDressed(both, catalogue)
      .shapes.filter(({ slot }) => slot === 'beside')
      .map(({ d }) => boundsOf(d).left)
    expect(xs.some((x) => x > 40) && xs.some((x) => x < -40)).toBe(true)
  })

  test('of parts of any kind, in any way of wearing it, with its strings', () => {
    const kinds = new Map([...catalogue.parts.values()].map((part) => [part.mould, part]))
    const bands = [{ name: 'String', colour: 'tar', x: 0, y: 0, toX: 20, toY: 20 }]
    for (const part of kinds.values())
      for (const as of MADE_AS)
        for (const view of ['front', 'back'] as const) {
          const worn = wearMade([], SLOT[as], item(as, [at(part.code)], { bands, height: 50 }))
          const { shapes, anchors } = drawDressed(worn, catalogue, { view })
          const own = shapes.filter(({ slot }) => slot === SLOT[as])
          // The string is two lines; whatever the part is, something of it is seen from the front.
          expect(own.filter(({ fill }) => fill === 'none').length).toBeGreaterThanOrEqual(2)
          if (view === 'front')
            expect([part.mould, own.some(({ fill }) => fill !== 'none')]).toEqual([part.mould, true])
          expect(own.every(({ d }) => !d.includes('NaN'))).toBe(true)
          expect(anchors[SLOT[as]]).toBeDefined()
        }
  })
})
