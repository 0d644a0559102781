import { describe, expect, test } from '@jest/globals'
import { takeOf, worldCatalogue } from '../test/world.ts'
import {
  footing,
  howManyFit,
  linedUp,
  lineUpPage,
  lineUpWidth,
  poseOf,
  roomOf,
  statureLines,
  tallnessOf,
} from './lineUp.ts'
import { pageSvg } from './page.ts'

const catalogue = worldCatalogue()
const member = (name: string) => linedUp({ id: name, name, placements: takeOf(name) }, catalogue)
const crew = ['Wen Sorrel', 'Ilka Dunn', 'Bako Thorne', 'Mirre Vos', 'Pim, cox', 'Odile at twelve'].map(member)
const boat = { name: 'Rowing boat', shape: 'boat' as const, width: 240, height: 32, depth: 36 }

describe('heights', () => {
  test('are the sum of riser, legs, body and headgear, and the height of the drawing', () => {
    for (const one of crew) {
      const { whole, riser, legs, body, headgear } = tallnessOf(one)
      expect(riser + legs + body + headgear).toBeCloseTo(whole)
      expect(whole).toBeCloseTo(one.drawing.height)
    }
    const tall = (name: string) => tallnessOf(member(name))
    expect(tall('Pim, cox').legs).toBeLessThan(tall('Wen Sorrel').legs)
    expect(tall('Ilka Dunn').headgear).toBeGreaterThan(tall('Bako Thorne').headgear)
  })

  test('are held against the year table', () => {
    const lines = statureLines([
      { id: 'a', years: 7, worn: 'short' },
      { id: 'b', years: 7, worn: 'middle' },
      { id: 'c', years: 40, worn: 'raised' },
      { id: 'd', years: null, worn: 'short' },
      { id: 'e', years: 12, worn: null },
    ])
    expect(lines.map(({ inLine }) => inLine)).toEqual([true, false, true, true, true])
    expect(lines.map(({ asked }) => asked)).toEqual(['short', 'short', 'full', null, 'middle'])
  })
})

describe('things for scale', () => {
  test('say how many stand on them', () => {
    expect(howManyFit({ width: footing().width * 3, depth: footing().depth * 2 })).toEqual({
      inRow: 3,
      rows: 2,
      all: 6,
    })
    expect(howManyFit({ width: footing().width - 1, depth: 100 }).all).toBe(0)
    expect(howManyFit({ width: 200, depth: 0 }).all).toBe(0)
    // A narrow bench holds one row: toes may stand over its edge.
    expect(howManyFit({ width: 60, depth: 12 })).toEqual({ inRow: 2, rows: 1, all: 2 })
  })
})

describe('a pose', () => {
  test('in one row keeps the order and lets nobody cross', () => {
    const { placed, width } = poseOf(crew, [boat])
    expect(placed.map(({ id }) => id)).toEqual(crew.map(({ id }) => id))
    let right = 0
    for (const { id, x } of placed) {
      const room = roomOf(crew.find((one) => one.id === id)!.drawing)
      expect(x - room.left).toBeGreaterThan(right)
      right = x + room.right
    }
    expect(width).toBeGreaterThan(right + boat.width)
  })

  test('in tiers stands the tallest behind, and from the clear step on no face is hidden', () => {
    const flat = poseOf(crew, [], { tiers: 3, step: 0 })
    const tall = (id: string) => tallnessOf(crew.find((one) => one.id === id)!).whole
    const rows = [0, 1, 2].map((tier) => flat.placed.filter((one) => one.tier === tier).map(({ id }) => tall(id)))
    expect(rows.map((row) => row.length)).toEqual([2, 2, 2])
    expect(Math.max(...rows[0]!)).toBeLessThanOrEqual(Math.min(...rows[1]!))
    expect(Math.max(...rows[1]!)).toBeLessThanOrEqual(Math.min(...rows[2]!))
    expect(flat.clearStep).toBeGreaterThan(0)
    const clear = poseOf(crew, [], { tiers: 3, step: flat.clearStep })
    expect(clear.height).toBeGreaterThan(flat.height)
    expect(clear.width).toBe(flat.width)
    expect(clear.width).toBeLessThan(poseOf(crew, []).width)
    expect(poseOf([], [], { tiers: 3 }).placed).toEqual([])
  })

  test('is drawn in millimetres with every name, and nothing leaves the picture', () => {
    const pose = poseOf(crew, [boat])
    const svg = pageSvg(lineUpPage({ title: 'Crew & cox', members: crew, objects: [boat], pose, step: 0 }))
    expect(svg).toContain(`width="${lineUpWidth(pose)}mm"`)
    expect(svg).toContain('Crew &amp; cox')
    expect(svg).toContain('room for')
    for (const { name } of crew) expect(svg).toContain(name.split(' ')[0]!)
    const tiers = poseOf(crew, [], { tiers: 2, step: 20 })
    const stepped = pageSvg(lineUpPage({ title: 'C', members: crew, objects: [], pose: tiers, step: 20 }))
    expect(stepped).toContain('Front: ')
    expect(stepped).toContain('Back: ')
    for (const { id, ground } of tiers.placed)
      expect(roomOf(crew.find((one) => one.id === id)!.drawing).top + ground).toBeLessThanOrEqual(tiers.height + 1e-9)
  })
})
