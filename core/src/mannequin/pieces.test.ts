import { describe, expect, test } from '@jest/globals'
import type { Mould, Part, PartKind, Print, Slot } from '../catalogue/index.ts'
import { slotsFor } from '../anatomy/index.ts'
import { worldCatalogue } from '../test/world.ts'
import { cropTo } from './crops.ts'
import { drawFigure, type View } from './drawFigure.ts'
import { LAYER_KINDS } from './layerKinds.ts'
import { boundsOf } from './path.ts'
import { SILHOUETTES } from './silhouettes.ts'
import { svgBody } from './toSvg.ts'

const catalogue = worldCatalogue()
const VIEWS: View[] = ['front', 'back']

/** A figure wearing one mould of a silhouette, with a print if any. */
function wearing(kind: PartKind, silhouette: string, print: Print | null = null, height = 0) {
  const mould: Mould = {
    code: 'M-TRY',
    name: 'Try',
    kind,
    silhouette,
    neckThickness: 0,
    height,
    mass: 1,
    connections: [],
    covers: [],
    traits: {},
  }
  const part: Part = {
    code: 'P-TRY',
    name: 'Try',
    mould: 'M-TRY',
    colours: ['wine', 'brass', 'oat'],
    print: print?.code ?? null,
    year: null,
    photo: null,
    components: [],
  }
  const known = {
    ...catalogue,
    moulds: new Map([['M-TRY', mould]]),
    parts: new Map([['P-TRY', part]]),
    prints: new Map(print ? [[print.code, print]] : []),
  }
  const slot: Slot = slotsFor(kind)[0]!
  const draw = (view: View = 'front') => drawFigure([{ slot, part: 'P-TRY', order: 0, turned: false }], known, { view })
  return { slot, draw }
}

const every = (Object.entries(SILHOUETTES) as [PartKind, readonly string[]][]).flatMap(([kind, list]) =>
  list.map((silhouette): [PartKind, string] => [kind, silhouette]),
)

describe.each(every)('%s %s', (kind, silhouette) => {
  test('shows from the front or the back, and its thumbnail has it in sight from both sides', () => {
    const { slot, draw } = wearing(kind, silhouette)
    const bare = (view: View) => svgBody(drawFigure([], catalogue, { view }).shapes)
    expect(VIEWS.some((view) => svgBody(draw(view).shapes) !== bare(view))).toBe(true)
    for (const view of VIEWS) {
      const drawing = draw(view)
      const own = drawing.shapes.filter((shape) => shape.slot === slot).map(({ d }) => boundsOf(d))
      if (own.length === 0) continue
      const box = {
        left: Math.min(...own.map(({ left }) => left)),
        right: Math.max(...own.map(({ right }) => right)),
        top: Math.min(...own.map(({ top }) => top)),
        bottom: Math.max(...own.map(({ bottom }) => bottom)),
      }
      const crop = cropTo(drawing, slot)
      const seen =
        Math.min(box.right, crop.x + crop.width) > Math.max(box.left, crop.x) &&
        Math.min(box.bottom, crop.y + crop.height) > Math.max(box.top, crop.y)
      expect([view, seen]).toEqual([view, true])
    }
  })
})

describe('from behind', () => {
  test.each(['otter', 'cat'])('no face of the %s shows', (animal) => {
    const { draw } = wearing('beside', animal)
    expect(draw('back').shapes.length).toBeLessThan(draw('front').shapes.length)
  })

  test('aprons are only tied', () => {
    const ties = ['waist-apron', 'long-apron'].map((apron) => svgBody(wearing('waist', apron).draw('back').shapes))
    expect(ties[0]).toBe(ties[1])
  })
})

describe('badges', () => {
  const badge = (kind: PartKind, side: 'front' | 'back'): Print => ({
    code: 'D-TRY',
    name: 'Badge',
    kind,
    front: side === 'front' ? [{ kind: 'mark', shape: 'anchor', colour: 'brass' }] : [],
    back: side === 'back' ? [{ kind: 'mark', shape: 'anchor', colour: 'brass' }] : [],
    traits: {},
  })
  test.each([
    ['headgear', 'deck-cap', 'front'],
    ['neck', 'cape', 'back'],
    ['neck', 'life-vest', 'front'],
    ['held', 'flag', 'front'],
    ['beside', 'barrel', 'front'],
    ['waist', 'belt', 'front'],
  ] as const)('on %s %s show from the %s alone', (kind, silhouette, side) => {
    const with_ = wearing(kind, silhouette, badge(kind, side))
    const without = wearing(kind, silhouette)
    const other = side === 'front' ? 'back' : 'front'
    const svg = (of: typeof without, view: View) => svgBody(of.draw(view).shapes)
    expect(svg(with_, side)).not.toBe(svg(without, side))
    expect(svg(with_, other)).toBe(svg(without, other))
  })

  test('every mark is another picture', () => {
    const shapes = ['star', 'anchor', 'wave', 'lantern', 'leaf', 'heron', 'fish', 'oars']
    const drawn = shapes.map((shape) => {
      const print: Print = { ...badge('headgear', 'front'), front: [{ kind: 'mark', shape, colour: 'brass' }] }
      return svgBody(wearing('headgear', 'deck-cap', print).draw().shapes)
    })
    expect(new Set(drawn).size).toBe(shapes.length)
    expect(LAYER_KINDS.headgear).toEqual(['disc', 'shield', 'mark'])
  })
})

describe('on a riser', () => {
  test('the figure stands higher by its height, in a window higher by as much', () => {
    const flat = drawFigure([], catalogue)
    const { draw } = wearing('feet', 'step-stand', null, 9.6)
    expect(draw().height - flat.height).toBeCloseTo(9.6, 6)
    const rise = flat.window.y - draw().window.y
    expect(rise).toBeGreaterThan(0)
    expect(draw().window.height - flat.window.height).toBeCloseTo(rise, 6)
  })

  test('a riser of no height lifts nothing and is drawn', () => {
    const { draw } = wearing('feet', 'riser-plate', null, 0)
    expect(draw().height).toBe(drawFigure([], catalogue).height)
  })
})

test('heads of every mould keep their print within them', () => {
  const face: Print = {
    code: 'D-TRY',
    name: 'Face',
    kind: 'head',
    front: [{ kind: 'beard', shape: 'full', colour: 'tar' }],
    back: [],
    traits: {},
  }
  for (const silhouette of SILHOUETTES.head!) {
    const clips = wearing('head', silhouette, face)
      .draw()
      .shapes.filter(({ slot, clip }) => slot === 'head' && clip)
    expect([silhouette, clips.length > 0]).toEqual([silhouette, true])
  }
})
