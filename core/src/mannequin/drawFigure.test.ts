import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import type { Part, Placement, Slot } from '../catalogue/index.ts'
import { anyOutfit, partNamed, takeOf, worldCatalogue } from '../test/world.ts'
import { cropTo } from './crops.ts'
import { drawFigure, type View } from './drawFigure.ts'
import { FIGURE_WINDOW, mmPerUnit } from './geometry.ts'
import { LAYER_KINDS } from './layerKinds.ts'
import { boundsOf } from './path.ts'
import { SILHOUETTES } from './silhouettes.ts'
import { svgBody, toSvg } from './toSvg.ts'

const catalogue = worldCatalogue()
const views: View[] = ['front', 'back']
const placed = (slot: Slot, part: string, turned = false): Placement => ({ slot, part, order: 0, turned })
const legs = (length: 'F' | 'M' | 'S') =>
  (['R', 'L'] as const).map((side) => {
    const part = [...catalogue.parts.values()].find((p) => p.mould === `M-LEG${side}${length}`)!
    return placed(side === 'R' ? 'legRight' : 'legLeft', part.code)
  })

test('the bare doll stands as tall as is asked for, until it wears legs', () => {
  const height = (placements: Placement[], stature?: string) => drawFigure(placements, catalogue, { stature }).height
  const [short, middle, full, raised, unsaid] = ['short', 'middle', 'full', 'raised', undefined].map((stature) =>
    height([], stature),
  )
  expect(short!).toBeLessThan(middle!)
  expect(middle!).toBeLessThan(full!)
  expect([raised, unsaid]).toEqual([full, full])
  for (const length of ['F', 'M', 'S'] as const) expect(height(legs(length), 'short')).toBe(height(legs(length)))
})

test('every drawing of any legal outfit is finite, inside its window and always the same', () => {
  fc.assert(
    fc.property(anyOutfit(), fc.constantFrom(...views), (outfit, view) => {
      const drawing = drawFigure(outfit, catalogue, { view })
      const { x, y, width, height } = drawing.window
      // One look at all shapes of a drawing: hundreds of single ones take far longer than drawing it.
      const faults = drawing.shapes.filter(({ d, fill, clip, strokeWidth = 0, opacity = 1 }) => {
        const whole = boundsOf(d)
        const cut = clip ? boundsOf(clip) : whole
        const box = {
          left: Math.max(whole.left, cut.left),
          top: Math.max(whole.top, cut.top),
          right: Math.min(whole.right, cut.right),
          bottom: Math.min(whole.bottom, cut.bottom),
        }
        const half = strokeWidth / 2
        const inside =
          box.left - half >= x &&
          box.right + half <= x + width &&
          box.top - half >= y &&
          box.bottom + half <= y + height
        const isFinite = !/NaN|Infinity|undefined/.test(d) && /^(none|#[0-9a-fA-F]{6})$/.test(fill) && opacity > 0
        return !inside || !isFinite
      })
      expect(faults).toEqual([])
      expect(drawFigure(outfit, catalogue, { view })).toEqual(drawing)
    }),
    { numRuns: 150 },
  )
})

test('anchors sit on what is worn, in the window, and change sides with the view', () => {
  fc.assert(
    fc.property(anyOutfit(), (outfit) => {
      const front = drawFigure(outfit, catalogue)
      const back = drawFigure(outfit, catalogue, { view: 'back' })
      const worn = new Set(outfit.map((p) => p.slot))
      for (const [slot, at] of Object.entries(front.anchors)) {
        expect(worn.has(slot as Slot)).toBe(true)
        expect(Math.abs(at.x)).toBeLessThanOrEqual(FIGURE_WINDOW.width / 2)
        expect(at.y).toBeGreaterThanOrEqual(FIGURE_WINDOW.y)
        expect(back.anchors[slot as Slot]!.x).toBeCloseTo(-at.x, 6)
      }
    }),
  )
})

describe('stature', () => {
  const heightWith = (length: 'F' | 'M' | 'S') => drawFigure(legs(length), catalogue).height

  test('legs set the height, in millimetres', () => {
    expect(heightWith('S')).toBeLessThan(heightWith('M'))
    expect(heightWith('M')).toBeLessThan(heightWith('F'))
    expect(heightWith('F')).toBeCloseTo(264 * mmPerUnit(), 6)
  })

  test('headgear adds its height, a piece round the neck lifts the head by its thickness', () => {
    const bun = partNamed('High bun', 'Copper')
    const vest = partNamed('Cork vest', 'Amber')
    const plain = drawFigure(legs('F'), catalogue).height
    expect(drawFigure([...legs('F'), placed('headgear', bun.code)], catalogue).height - plain).toBeCloseTo(7.3, 6)
    expect(drawFigure([...legs('F'), placed('neck', vest.code)], catalogue).height - plain).toBeCloseTo(1.4, 6)
  })
})

describe('what is seen', () => {
  const head = partNamed('Calm / out of breath', 'Fawn')
  const svg = (placements: Placement[], view: View = 'front') =>
    svgBody(drawFigure(placements, catalogue, { view }).shapes)

  test('a turned head shows in front what it had behind', () => {
    const usual = placed('head', head.code)
    const turned = placed('head', head.code, true)
    expect(svg([turned])).not.toBe(svg([usual]))
  })

  test('every mould of the sample world changes the drawing, from both sides or at least one', () => {
    const same: string[] = []
    for (const part of catalogue.parts.values()) {
      const mould = catalogue.moulds.get(part.mould)!
      const slot = (
        {
          headgear: 'headgear',
          neck: 'neck',
          waist: 'waist',
          lower: 'lower',
          held: 'heldRight',
          beside: 'beside',
        } as Partial<Record<string, Slot>>
      )[mould.kind]
      if (!slot) continue
      expect(SILHOUETTES[mould.kind]).toContain(mould.silhouette)
      if (views.every((view) => svg([placed(slot, part.code)], view) === svg([], view))) same.push(mould.code)
    }
    expect(same).toEqual([])
  })

  test('every print of the sample world uses layers the mannequin knows, and shows', () => {
    const bare: string[] = []
    for (const print of catalogue.prints.values())
      for (const layer of [...print.front, ...print.back])
        if (!LAYER_KINDS[print.kind]?.includes(layer.kind)) bare.push(`${print.code} ${layer.kind}`)
    expect(bare).toEqual([])
    for (const slot of ['torso', 'head'] as const) {
      const printed = [...catalogue.parts.values()].filter(
        (p) => p.print && p.mould === (slot === 'torso' ? 'M-TORSO' : 'M-HEAD'),
      )
      for (const part of printed) {
        const blank: Part = { ...part, code: 'P-BLANK', print: null }
        const withBlank = { ...catalogue, parts: new Map([...catalogue.parts, ['P-BLANK', blank]]) }
        const drawn = svgBody(drawFigure([placed(slot, 'P-BLANK')], withBlank).shapes)
        expect([part.code, drawn === svg([placed(slot, part.code)])]).toEqual([part.code, false])
      }
    }
  })

  test('clear and metal parts look different from solid ones of the same hue', () => {
    const oar = partNamed('Long oar', 'Coral')
    const finishes = (['solid', 'clear', 'metal', 'pearl', 'glow'] as const).map((finish) => {
      const colour = { ...catalogue.colours.get(oar.colours[0]!)!, finish }
      const coloured = { ...catalogue, colours: new Map([...catalogue.colours, [colour.code, colour]]) }
      return svgBody(drawFigure([placed('heldRight', oar.code)], coloured).shapes)
    })
    expect(new Set(finishes).size).toBe(5)
  })

  test('a part that is not in the catalogue leaves the doll bare', () => {
    expect(svg([placed('head', 'P-NONE')])).toBe(svg([]))
  })
})

test('a thumbnail shows the surroundings of a worn slot, and all when the slot is empty', () => {
  const drawing = drawFigure(takeOf('Odile, skipper'), catalogue)
  const crop = cropTo(drawing, 'headgear')
  const { x, y } = drawing.anchors.headgear!
  expect(crop.width).toBeLessThan(FIGURE_WINDOW.width)
  expect(x > crop.x && x < crop.x + crop.width && y > crop.y && y < crop.y + crop.height).toBe(true)
  expect(cropTo(drawing, 'waist')).toEqual(FIGURE_WINDOW)
})

test('a document carries its title as text, safely, and clips that are defined', () => {
  const svg = toSvg(drawFigure(takeOf('Bram'), catalogue), { title: 'Bram & <friends>' })
  expect(svg).toContain('<title>Bram &amp; &lt;friends></title>')
  const used = [...svg.matchAll(/url\(#(\w+)\)/g)].map(([, id]) => id)
  expect(used.length).toBeGreaterThan(0)
  for (const id of used) expect(svg).toContain(`<clipPath id="${id}">`)
})
