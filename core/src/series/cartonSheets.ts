import {
  creaseLines,
  cutLines,
  headerCard,
  pathOf,
  pillowBox,
  sizeWithBleed,
  tuckCarton,
  type Inner,
  type Net,
} from '../net/index.ts'
import { ellipse, INK } from '../mannequin/index.ts'
import type { Catalogue } from '../catalogue/index.ts'
import type { PackPlan } from '../packs/index.ts'
import { PAPER, type Mark, type Page } from '../show/index.ts'
import { cartonArt, markOn, type CartonArt } from './cartonArt.ts'
import { CARTON_PAPER_NAMES, CARTON_PAPERS, type CartonChoices, type CartonPaper } from './cartonChoices.ts'
import { innerSizeOf, type InnerSize } from './innerSize.ts'
import { packMark } from './packPages.ts'
import type { Series, SeriesMember } from './series.ts'
import type { DoesNotFit } from './setText.ts'

/** What printers leave white at the edge of a sheet, in millimetres. */
const EDGE = 6
/** Between two nets on a sheet. */
const GAP = 4
/** The strip at the foot for the ruler. */
const FOOT = 11
/** A header card is so high on each side. */
const HEADER = 45

/** Layers of a carton, in the order they are drawn; over them lie the marks of the sheet. */
const LAYERS = ['bleed', 'art', 'glue', 'crease', 'cut'] as const

/** The net of a shape for what goes in. */
function cartonNet({ shape, board }: Pick<CartonChoices, 'shape' | 'board'>, inner: Inner): Net {
  if (shape === 'pillow') return pillowBox(inner, board)
  if (shape === 'header') return headerCard(inner, HEADER)
  return tuckCarton(inner, board)
}

/** How a net goes onto a sheet. */
export interface Fit {
  paper: CartonPaper
  /** The sheet as it lies. */
  sheet: { width: number; height: number }
  columns: number
  rows: number
  /** Nets on one sheet; 0 where not even one goes on it. */
  count: number
}

/** As many nets as go onto a sheet of a paper, which is laid the way that takes more. Millimetres. */
export function fitOnSheet(size: { width: number; height: number }, paper: CartonPaper): Fit {
  const { width, height } = CARTON_PAPERS[paper]
  const ways = [
    { width, height },
    { width: height, height: width },
  ].map((sheet): Fit => {
    const across = (room: number, one: number) => Math.max(0, Math.floor((room + GAP + 1e-6) / (one + GAP)))
    const columns = across(sheet.width - 2 * EDGE, size.width)
    const rows = across(sheet.height - EDGE - FOOT, size.height)
    return { paper, sheet, columns, rows, count: columns * rows }
  })
  return ways[1]!.count > ways[0]!.count ? ways[1]! : ways[0]!
}

/** Cartons of a series ready to be printed. */
export interface CartonSheets {
  pages: Page[]
  net: Net
  art: CartonArt
  fit: Fit
  /** The net with what is printed beyond it. */
  size: { width: number; height: number }
  /** Papers of ours on which at least one goes. */
  papers: CartonPaper[]
  faults: DoesNotFit[]
}

/** A mark of a pack for each carton, drawn about 0,0; cartons beyond it have none. */
type PackMarks = readonly Mark[][]

/**
 * Sheets of cartons: as many to a sheet as go, each with its own mark, in layers for printing, creasing and cutting. Where
 * none goes onto the paper there are no pages, and `papers` says which would do. O(marks).
 */
export function cartonSheets(
  series: Pick<Series, 'title' | 'number' | 'credit' | 'privately' | 'carton'>,
  members: readonly SeriesMember[],
  inner: Inner,
  copies: number,
  packMarks: PackMarks = [],
): CartonSheets {
  const { carton } = series
  const net = cartonNet(carton, inner)
  const box = sizeWithBleed(net)
  const art = cartonArt(net, series, members)
  const fit = fitOnSheet(box, carton.paper)
  const pages: Page[] = []
  const base = {
    ...{ net, art, fit, faults: art.faults, size: { width: box.width, height: box.height } },
    papers: CARTON_PAPER_NAMES.filter((paper) => fitOnSheet(box, paper).count > 0),
  }
  if (fit.count === 0) return { ...base, pages }
  const free = {
    x: (fit.sheet.width - fit.columns * box.width - (fit.columns - 1) * GAP) / 2,
    y: EDGE + Math.max(0, (fit.sheet.height - EDGE - FOOT - fit.rows * box.height - (fit.rows - 1) * GAP) / 2),
  }
  const printed: Readonly<Record<string, Mark[]>> = {
    ...linesOf(net),
    bleed: art.colour.map(({ fill, d }): Mark => ({ kind: 'path', d, fill })),
    art: art.marks.map(({ mark }) => mark),
  }
  for (let done = 0; done < copies; done += fit.count) {
    const here = Array.from({ length: Math.min(fit.count, copies - done) }, (_, i) => i)
    const marks = LAYERS.flatMap((layer) =>
      here.map((i): Mark => {
        const own = layer === 'art' ? packMarks[done + i] : undefined
        return {
          ...{ kind: 'group' as const, layer },
          x: free.x + (i % fit.columns) * (box.width + GAP) - box.x,
          y: free.y + Math.floor(i / fit.columns) * (box.height + GAP) - box.y,
          marks: own ? [...printed[layer]!, markOn(net, own)] : printed[layer]!,
        }
      }),
    )
    marks.push(...ruler(fit.sheet).map((mark) => ({ ...mark, layer: 'marks' })))
    pages.push({ title: `${series.title}, cartons`, ...fit.sheet, ground: '#FFFFFF', marks })
  }
  return { ...base, pages }
}

/**
 * The cartons of a series as its choices have them: for what the largest takes or what was typed, as many as there are packs
 * or figures unless said, each with the mark of its pack. Null where nobody is dressed.
 */
export function cartonsOf(
  series: Series,
  members: readonly SeriesMember[],
  catalogue: Catalogue,
  plan: PackPlan | null,
): (CartonSheets & { inner: Inner; copies: number; largest: InnerSize }) | null {
  const { carton, packs } = series
  const largest = innerSizeOf(members, catalogue, carton.clearance)
  if (!largest) return null
  const inner = carton.inner ?? largest.inner
  const copies = carton.copies ?? (packs.packs || members.length)
  const marks = plan?.packs.map(({ code }) => packMark(code, plan.bits)) ?? []
  return { ...cartonSheets(series, members, inner, copies, marks), inner, copies, largest }
}

/** Lines of a net by layer: what is cut, what is creased, what is glued. */
function linesOf(net: Net): Record<'cut' | 'crease' | 'glue', Mark[]> {
  return {
    cut: [
      ...cutLines(net).map((stroke): Mark => ({ kind: 'path', d: pathOf(stroke, false), stroke: INK, width: 0.25 })),
      ...net.holes.map(({ x, y, radius }): Mark => ({
        kind: 'path',
        d: ellipse(x, y, radius),
        stroke: INK,
        width: 0.25,
      })),
    ],
    crease: creaseLines(net).map((stroke): Mark => ({
      kind: 'path',
      d: pathOf(stroke, false),
      stroke: '#D9573F',
      width: 0.25,
      dashes: '2 1.2',
    })),
    glue: net.panels
      .filter(({ kind }) => kind === 'glue')
      .flatMap(({ outline }): Mark[] => {
        const x = (outline[0]!.x + outline[1]!.x) / 2
        const y = (outline[0]!.y + outline.at(-1)!.y) / 2
        return [
          {
            kind: 'group',
            x: x + 0.8,
            y,
            turn: -90,
            marks: [
              { kind: 'text', x: 0, y: 0, size: 2.2, value: 'glue, stays blank', anchor: 'middle', fill: PAPER.soft },
            ],
          },
        ]
      }),
  }
}

/** A line of exactly 100 mm to measure the print by, at the foot of a sheet. */
function ruler(sheet: { width: number; height: number }): Mark[] {
  const x = EDGE + 2
  const y = sheet.height - EDGE
  const tick = (at: number, high: number): Mark => ({
    kind: 'path',
    d: `M${x + at} ${y - high}L${x + at} ${y + high}`,
    stroke: INK,
    width: 0.2,
  })
  return [
    { kind: 'path', d: `M${x} ${y}L${x + 100} ${y}`, stroke: INK, width: 0.2 },
    ...Array.from({ length: 11 }, (_, i) => tick(i * 10, i % 5 === 0 ? 1.6 : 0.9)),
    {
      kind: 'text',
      x: x + 103,
      y: y + 0.9,
      size: 2.4,
      value: '100 mm: measure the print; print at 100 %, not fitted to the page',
      fill: PAPER.soft,
    },
  ]
}

const round = (value: number) => Math.ceil(value * 10) / 10

/** Why a carton does not go onto its paper, and what to do. */
export function tooLargeInWords({ size, fit, papers }: Pick<CartonSheets, 'size' | 'fit' | 'papers'>): string {
  const { width, height } = CARTON_PAPERS[fit.paper]
  const takes = `${round(width - 2 * EDGE)} × ${round(height - EDGE - FOOT)} mm`
  const does =
    papers.length > 0
      ? `${papers.join(' or ')} takes it.`
      : 'None of the papers here takes it; make what is inside smaller.'
  return `Flat it is ${round(size.width)} × ${round(size.height)} mm with its bleed, and ${fit.paper} takes ${takes}. ${does}`
}
