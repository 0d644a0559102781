import { describe, expect, test } from '@jest/globals'
import * as fc from 'fast-check'
import type { Placement } from '../catalogue/index.ts'
import { boundsOf, mmPerUnit } from '../mannequin/index.ts'
import { collate } from '../packs/index.ts'
import { boxOf, foldNet, turnedBy, type Panel } from '../net/index.ts'
import { textWidth, type Mark, type Page } from '../show/index.ts'
import { rosterFile, takeOf, worldCatalogue } from '../test/world.ts'
import {
  beginSeries,
  CARTON_PAPER_NAMES,
  CARTON_PAPERS,
  CARTON_SHAPES,
  cartonSheets,
  cartonsOf,
  chaptersOf,
  checkSeries,
  doesNotFitInWords,
  FOLDS,
  innerSizeOf,
  leafletPages,
  leafletSides,
  numbered,
  seriesMembers,
  STRIP_PANELS,
  tooLargeInWords,
  type Series,
} from './index.ts'

const catalogue = worldCatalogue()
const outfits = rosterFile()
  .rosters.find(({ name }) => name === 'Night market')!
  .characters.flatMap(({ name, outfits: own }) =>
    own.map((one) => ({
      id: one.name,
      name: one.name,
      faction: one.faction,
      characterId: name,
      state: 'ready' as const,
      placements: takeOf(one.name),
    })),
  )
const begun = beginSeries({ name: 'Night market', outfits }, 'Toni Ferrant')
const members = seriesMembers(outfits, begun.entries, catalogue)
const inner = innerSizeOf(members, catalogue, 2)!.inner

/** What of a page is written and drawn, as boxes in millimetres of the page with all moves and turns done. */
interface Placed {
  words: string | null
  layer: string | undefined
  box: { left: number; top: number; right: number; bottom: number }
}

function placedOn(marks: readonly Mark[], layer?: string, at = (x: number, y: number) => [x, y] as const): Placed[] {
  const boxed = (points: readonly (readonly [number, number])[]): Placed['box'] => {
    const moved = points.map(([x, y]) => at(x, y))
    const [xs, ys] = [moved.map(([x]) => x), moved.map(([, y]) => y)]
    return { left: Math.min(...xs), right: Math.max(...xs), top: Math.min(...ys), bottom: Math.max(...ys) }
  }
  return marks.flatMap((mark): Placed[] => {
    const own = mark.layer ?? layer
    if (mark.kind === 'group') {
      const { x = 0, y = 0, turn = 0 } = mark
      const angle = (turn * Math.PI) / 180
      return placedOn(mark.marks, own, (px, py) =>
        at(x + px * Math.cos(angle) - py * Math.sin(angle), y + px * Math.sin(angle) + py * Math.cos(angle)),
      )
    }
    if (mark.kind === 'text') {
      const wide = textWidth(mark.value, mark.size)
      const left = mark.x - (mark.anchor === 'middle' ? wide / 2 : mark.anchor === 'end' ? wide : 0)
      const [top, bottom] = [mark.y - mark.size * 0.8, mark.y + mark.size * 0.25]
      return [
        {
          words: mark.value,
          layer: own,
          box: boxed([
            [left, top],
            [left + wide, top],
            [left, bottom],
            [left + wide, bottom],
          ]),
        },
      ]
    }
    if (mark.kind === 'figure')
      return [
        {
          words: null,
          layer: own,
          box: boxed(
            mark.drawing.shapes.flatMap(({ d }) => {
              const { left, right, top, bottom } = boundsOf(d)
              const x = (value: number) => mark.x + value * mark.scale
              const y = (value: number) => mark.y + value * mark.scale
              return [
                [x(left), y(top)],
                [x(right), y(bottom)],
                [x(left), y(bottom)],
                [x(right), y(top)],
              ] as const
            }),
          ),
        },
      ]
    return []
  })
}

const within = (one: Placed['box'], other: Placed['box'], air = 0.4) =>
  one.left >= other.left - air &&
  one.right <= other.right + air &&
  one.top >= other.top - air &&
  one.bottom <= other.bottom + air

describe('a series', () => {
  test('begins with numbers in the order of the shelf, and takes items and companions from what is worn', () => {
    expect(begun.entries.map(({ number }) => number)).toEqual(outfits.map((_, i) => i + 1))
    expect(members.find(({ name }) => name === 'Lune, bread')!.items).toEqual(['Market basket'])
    expect(chaptersOf(members).map(({ faction }) => faction)).toEqual(['Cooks', 'Makers', 'Musicians', 'Wardens'])
    const turned = begun.entries.map((entry, i) => ({ ...entry, number: 12 - i }))
    expect(seriesMembers(outfits, turned, catalogue).map(({ name }) => name)).toEqual(
      [...outfits].reverse().map(({ name }) => name),
    )
    expect(numbered(outfits, turned).map(({ number }) => number)).toEqual(begun.entries.map(({ number }) => number))
  })

  test('is told what it lacks, problems first', () => {
    const said = begun.entries.map((entry) => ({ ...entry, line: 'Says something.' }))
    expect(checkSeries({ ...begun, entries: said }, outfits)).toEqual([])
    const faulty = said.map((entry, i) => ({
      ...entry,
      number: i === 2 ? 2 : i === 5 ? null : i === 6 ? 9 : entry.number,
      line: i === 0 ? ' ' : entry.line,
    }))
    const twin = outfits.map((one, i): (typeof outfits)[number] & { state: 'ready' | 'sourcing' } => ({
      ...one,
      state: i === 3 ? ('sourcing' as never) : one.state,
      placements:
        i === 1
          ? one.placements.map((p): Placement =>
              p.slot === 'head' ? outfits[0]!.placements.find(({ slot }) => slot === 'head')! : p,
            )
          : i === 11
            ? []
            : one.placements,
    }))
    const lacks = checkSeries({ title: ' ', number: '1', entries: faulty }, twin)
    const told = (kind: string) => lacks.filter((lack) => lack.kind === kind).map(({ words }) => words)
    expect(told('title')).toEqual(['The series has no title.'])
    expect(told('bare')).toEqual(['Lamp lighter wears nothing yet and cannot be shown.'])
    expect(told('number')).toEqual(['Roon, the forge has no number.'])
    expect(told('twice')).toEqual([
      'Otto, fish and Lune, bread are both number 2.',
      'Milo, accordion and Amara, songs are both number 9.',
    ])
    expect(told('hole')).toEqual(['There are no numbers 3, 6 and 7.'])
    expect(told('faces')).toEqual(['Ines, noodles and Otto, fish have the same face.'])
    expect(told('line')).toEqual(['Ines, noodles has no line of text.'])
    expect(told('unready')).toEqual(['Not ready, with parts to buy: Sif, lanterns.'])
    expect(lacks.map(({ severity }) => severity)).toEqual([...lacks.map(({ severity }) => severity)].sort().reverse())
  })

  test('with nobody in it lacks everybody; long holes are told by their ends', () => {
    expect(checkSeries({ ...begun, entries: [] }, []).map(({ words }) => words)).toEqual([
      'Nobody is in the series yet. Add characters to the roster first.',
    ])
    const entries = begun.entries.map((entry, i) => ({ ...entry, line: 'x', number: i === 11 ? 90_000 : entry.number }))
    expect(checkSeries({ ...begun, entries }, outfits).map(({ words }) => words)).toEqual([
      'There are no numbers 12 to 89999.',
    ])
  })

  test('may begin with a later number', () => {
    const entries = begun.entries.map((entry) => ({ ...entry, number: entry.number! + 12, line: 'x' }))
    expect(checkSeries({ ...begun, entries }, outfits)).toEqual([])
  })
})

describe('what is inside a carton', () => {
  test('is the largest of the series in every dimension and some air', () => {
    const { inner: found, by } = innerSizeOf(members, catalogue, 2)!
    const of = (name: string) => members.find((member) => member.name === name)!.drawing
    const bounds = of(by.width).shapes.map(({ d }) => boundsOf(d))
    const wide =
      (Math.max(...bounds.map(({ right }) => right)) - Math.min(...bounds.map(({ left }) => left))) * mmPerUnit()
    expect(found.width).toBeGreaterThanOrEqual(wide + 2 - 0.11)
    for (const member of members)
      for (const side of ['width', 'depth', 'height'] as const)
        expect(innerSizeOf([member], catalogue, 2)!.inner[side]).toBeLessThanOrEqual(found[side])
    expect(innerSizeOf([], catalogue, 2)).toBeNull()
  })

  test('follows the depth a mould says', () => {
    const crab = members.find(({ name }) => name === 'Abe, nets')!
    const mould = catalogue.parts.get(crab.placements.find(({ slot }) => slot === 'heldRight')!.part)!.mould
    const deep = {
      ...catalogue,
      moulds: new Map(
        [...catalogue.moulds].map(([code, one]) => [
          code,
          code === mould ? { ...one, traits: { ...one.traits, depth: '41.5' } } : one,
        ]),
      ),
    }
    expect(innerSizeOf([crab], deep, 0)!.inner.depth).toBe(41.5)
  })
})

/** Series with any words and choices. */
const anySeries = fc.record({
  title: fc.constantFrom('Night market', 'A', 'Würzburger Großstadtmarkthallen im Spätherbst', ''),
  side: fc.constantFrom(
    '',
    'Made at home',
    'made at home, for nobody’s profit and everybody’s pleasure, and with great patience over three winters',
  ),
  line: fc.constantFrom(
    '',
    'Slurps are a compliment.',
    'One who has never been seen without the ladle that grandmother carried over the mountains in the winter of the great snow',
  ),
  shape: fc.constantFrom(...CARTON_SHAPES),
  paper: fc.constantFrom(...CARTON_PAPER_NAMES),
  fold: fc.constantFrom(...FOLDS),
  panels: fc.constantFrom(...STRIP_PANELS),
  width: fc.integer({ min: 30, max: 150 }),
  height: fc.integer({ min: 40, max: 297 }),
  marks: fc.boolean(),
  count: fc.integer({ min: 1, max: 12 }),
})

const made = ({
  title,
  side,
  line,
  shape,
  paper,
  fold,
  panels,
  width,
  height,
  marks,
}: typeof anySeries extends fc.Arbitrary<infer T> ? T : never): Series => ({
  ...begun,
  title,
  entries: begun.entries.map((entry) => ({ ...entry, line })),
  carton: { ...begun.carton, shape, paper, side },
  leaflet: { ...begun.leaflet, fold, panels, width, height, marks },
})

/** Of random series those of which everything fits, so that a test says whether it looked at any. */
let whole = 0

describe('cartons', () => {
  test('lie within their sheet, and what stands on a face stays on it, or is told', () => {
    fc.assert(
      fc.property(anySeries, (choices) => {
        const series = made(choices)
        const some = seriesMembers(outfits.slice(0, choices.count), series.entries, catalogue)
        const { pages, net, fit, faults, art } = cartonSheets(series, some, inner, 5)
        if (faults.length === 0) whole++
        expect(fit.count).toBeGreaterThan(0)
        expect(pages).toHaveLength(Math.ceil(5 / fit.count))
        for (const { face, mark } of art.marks) {
          const { outline, name } = net.faces.find((one) => one.name === face)!
          const { x, y, width, height } = boxOf(outline)
          const box = { left: x, top: y, right: x + width, bottom: y + height }
          const told = faults.some(({ where }) => where.endsWith(name) || where.endsWith(`${name} side`))
          for (const one of placedOn([mark]))
            if (!told && !within(one.box, box))
              throw new Error(`${one.words ?? 'a figure'} leaves the ${name}: ${JSON.stringify([one.box, box])}`)
        }
        for (const page of pages)
          for (const one of placedOn(page.marks))
            if (faults.length === 0)
              expect(within(one.box, { left: 0, top: 0, right: page.width, bottom: page.height })).toBe(true)
      }),
      { numRuns: 60 },
    )
    expect(whole).toBeGreaterThan(5)
  })

  test('carry the mark of their pack where nobody looks, whatever their shape', () => {
    for (const shape of CARTON_SHAPES) {
      const { plan } = collate({ ...begun.packs, packs: 2 }, members)
      const series = { ...begun, carton: { ...begun.carton, shape }, packs: { ...begun.packs, packs: 2 } }
      const { pages, copies } = cartonsOf(series, members, catalogue, plan)!
      const without = cartonsOf(series, members, catalogue, null)!
      expect(copies).toBe(2)
      const dots = (page: Page) => JSON.stringify(page.marks).split('#9A927F').length - 1
      // Each dot has an outline, and a filled one its fill.
      expect(dots(pages[0]!) - dots(without.pages[0]!)).toBeGreaterThanOrEqual(
        plan!.bits * Math.min(2, pages.length === 1 ? 2 : 1),
      )
    }
  })

  test('stand in layers, one of each on a sheet, with a ruler of a hundred millimetres', () => {
    const { pages } = cartonSheets(begun, members, inner, 3)
    const layers = pages[0]!.marks.map(({ layer }) => layer)
    expect([...new Set(layers)]).toEqual(['bleed', 'art', 'glue', 'crease', 'cut', 'marks'])
    const [ruler] = pages[0]!.marks.filter((mark) => mark.layer === 'marks' && mark.kind === 'path')
    const [, from, to] = /^M([\d.]+) [\d.]+L([\d.]+) /.exec((ruler as { d: string }).d)!
    expect(Number(to) - Number(from)).toBeCloseTo(100, 6)
  })

  test('too large for their paper are not drawn, and it is said what would do', () => {
    const sheets = cartonSheets(begun, members, { width: 120, depth: 80, height: 150 }, 1)
    expect(sheets.pages).toEqual([])
    expect(tooLargeInWords(sheets)).toMatch(
      /^Flat it is 4\d\d(\.\d)? × 3\d\d(\.\d)? mm with its bleed, and A4 takes 198 × 280 mm\. None of the papers here takes it/,
    )
    const middle = cartonSheets(begun, members, { width: 60, depth: 40, height: 90 }, 1)
    expect(tooLargeInWords(middle)).toMatch(/A3 takes it\.$/)
    expect(CARTON_PAPERS.A3.width).toBe(CARTON_PAPERS.A4.height)
  })

  test('name a text that does not go on its side, and draw all of it', () => {
    const side = 'made at home, for nobody’s profit and everybody’s pleasure '.repeat(5).trim()
    const { faults, art } = cartonSheets(
      { ...begun, carton: { ...begun.carton, side } },
      members,
      { width: 40, depth: 26, height: 40 },
      1,
    )
    const [fault] = faults.filter(({ text }) => text.startsWith('made at home'))
    expect(doesNotFitInWords(fault!)).toMatch(
      /^“made at home, .*…” needs [\d.]+ mm in height, and the right side has [\d.]+ mm\.$/,
    )
    const drawn = placedOn(art.marks.filter(({ face }) => face === 'right').map(({ mark }) => mark)).map(
      ({ words }) => words,
    )
    expect(drawn.join(' ')).toContain(side)
  })
})

describe('leaflets', () => {
  test('show everybody once at one scale, within their panels, or say what does not fit', () => {
    whole = 0
    fc.assert(
      fc.property(anySeries, (choices) => {
        const series = made(choices)
        const some = seriesMembers(outfits.slice(0, choices.count), series.entries, catalogue)
        const { pages, faults, size, scale } = leafletPages(series, some)
        if (faults.length === 0) whole++
        const room = choices.marks ? 12 : 0
        const { sides } = leafletSides(series.leaflet, false)
        const figures = pages.flatMap((page, side) => {
          expect(page.width).toBeCloseTo(size.width + 2 * room, 6)
          return placedOn(page.marks)
            .filter(({ layer }) => layer === 'art')
            .map((one) => {
              const panel = sides[side]!.find(({ x, y, width, height }) =>
                within(one.box, { left: room + x, top: room + y, right: room + x + width, bottom: room + y + height }),
              )
              if (!panel && faults.length === 0) throw new Error(`${one.words ?? 'a figure'} is on no panel`)
              return { ...one, role: panel?.role }
            })
        })
        const shown = figures.filter(({ words, role }) => words === null && role === 'figures')
        if (faults.length === 0) expect(shown).toHaveLength(some.length)
        // Of two figures the taller is drawn taller, in the same measure.
        if (faults.length === 0)
          expect(Math.max(...shown.map(({ box }) => box.bottom - box.top))).toBeGreaterThan(scale * 50)
      }),
      { numRuns: 60 },
    )
    expect(whole).toBeGreaterThan(5)
  })

  const asNet = (sides: ReturnType<typeof leafletSides>, angles: (i: number) => number): Panel[] =>
    sides.sides[0]!.map((panel, i, all) => {
      const { x, y, width, height } = panel
      return {
        id: String(i),
        kind: 'face',
        outline: [
          { x, y },
          { x: x + width, y },
          { x: x + width, y: y + height },
          { x, y: y + height },
        ],
        hinge:
          i === 0
            ? null
            : {
                parent: String(i - 1),
                from: { x, y },
                to: { x, y: y + height },
                angle: angles(i),
                stage: all.length - i,
              },
        turn: panel.turned ? 180 : 0,
      }
    })

  test('fold so that front and back are outside and read upright', () => {
    for (const panels of STRIP_PANELS) {
      const zigzag = leafletSides({ ...begun.leaflet, fold: 'zigzag', panels }, false)
      const movements = foldNet({ panels: asNet(zigzag, (i) => (i % 2 === 1 ? 180 : -180)) }, 1)
      const faces = (i: number) => turnedBy(movements.get(String(i))!, { x: 0, y: 0, z: 1 }).z
      const at = (role: string) => zigzag.sides[0]!.findIndex((panel) => panel.role === role)
      expect(faces(at('front'))).toBeCloseTo(1, 6)
      expect(faces(at('back'))).toBeCloseTo(-1, 6)
      const roll = leafletSides({ ...begun.leaflet, fold: 'roll', panels }, false)
      const outside = roll.sides[0]!
      expect(outside.at(-1)!.role).toBe('front')
      expect(outside.at(-2)!.role).toBe('back')
      // What is rolled in is narrower than what goes round it, and both sides lie on the same folds.
      for (let i = 1; i < panels - 1; i++) expect(outside[i]!.width).toBeGreaterThan(outside[i - 1]!.width)
      expect(roll.sides[1]!.map(({ width }) => width)).toEqual(outside.map(({ width }) => width).reverse())
      expect(outside.reduce((sum, { width }) => sum + width, 0)).toBeCloseTo(roll.width, 9)
    }
  })

  test('folded to quarters have an inner spread that reads upright', () => {
    const { sides } = leafletSides({ ...begun.leaflet, fold: 'quarters' }, false)
    const [front, first, second, back] = sides[0]!
    expect(front!.x).toBeGreaterThan(back!.x)
    // Folded back along the level fold, what stood above is upside down: it was printed so.
    expect([first!.turned, second!.turned, front!.turned, back!.turned]).toEqual([true, true, false, false])
    // Seen from behind, what lies behind the front is at the left.
    expect(first!.x).toBe(front!.x)
  })

  test('tell how a bonus is built, read last', () => {
    const bonus = {
      name: 'A lantern stall',
      pieces: ['2 × Rod', 'Lantern'],
      steps: [
        { text: 'Put the rods side by side.', picture: null },
        { text: 'Hang the lantern between them.', picture: null },
      ],
    }
    for (const fold of FOLDS) {
      const { pages, faults } = leafletPages({ ...begun, leaflet: { ...begun.leaflet, fold } }, members, { bonus })
      const words = pages.flatMap((page: Page) => placedOn(page.marks).map((one) => one.words)).join(' ')
      expect(faults).toEqual([])
      expect(words).toContain('1. Put the rods side by side.')
      expect(words).toContain('2 × Rod, Lantern')
    }
  })
})
