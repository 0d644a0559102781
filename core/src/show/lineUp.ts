import { atFullSize, formatLength } from '../base/index.ts'
import { statureAt, type Stature } from '../brief/index.ts'
import { mouldOf, partWorn, type Catalogue, type Placement } from '../catalogue/index.ts'
import { statureWorn } from '../fitting/index.ts'
import { boundsOf, drawFigure, hundredth, INK, MEASURES, mmPerUnit, type Drawing } from '../mannequin/index.ts'
import { PAPER, type Mark, type Page, type TextMark } from './page.ts'
import { textWidth } from './textWidth.ts'

/** Outlines an object for scale may have; all are ours and plain. */
export const OBJECT_SHAPES = ['boat', 'stall', 'animal', 'block'] as const
export type ObjectShape = (typeof OBJECT_SHAPES)[number]

/** Most things that are placed beside figures. */
export const MOST_OBJECTS = 12

/** Something placed beside figures for scale, in millimetres. */
export interface ScaleObject {
  name: string
  shape: ObjectShape
  width: number
  height: number
  /** From front to back where figures stand or sit; 0 where nobody can. */
  depth: number
}

/** A figure in a line-up. */
export interface LinedUp {
  id: string
  name: string
  drawing: Drawing
  /** From the ground to the hips, riser included, in millimetres. */
  legs: number
  riser: number
}

/** How tall a figure stands and what of, in millimetres; the parts sum to the whole. */
export interface Tallness {
  whole: number
  riser: number
  legs: number
  /** Hips, torso, neck and head. */
  body: number
  /** What the headgear adds above the skull. */
  headgear: number
}

/** A figure made ready to line up. */
export function linedUp(
  { id, name, placements }: { id: string; name: string; placements: readonly Placement[] },
  catalogue: Catalogue,
): LinedUp {
  const feet = placements.find(({ slot }) => slot === 'feet')
  const plate = feet && partWorn(feet, catalogue)
  return {
    id,
    name,
    drawing: drawFigure(placements, catalogue, { plinth: false }),
    legs: statureWorn(placements, catalogue)?.millimetres ?? 0,
    riser: plate ? mouldOf(catalogue, plate).height : 0,
  }
}

const body = () =>
  (MEASURES.hips.height + MEASURES.torso.height + MEASURES.neck.height + MEASURES.head.height) * mmPerUnit()
const chin = () => (MEASURES.hips.height + MEASURES.torso.height + MEASURES.neck.height) * mmPerUnit()

/** How tall a figure stands, by what. */
export function tallnessOf({ drawing, legs, riser }: Pick<LinedUp, 'drawing' | 'legs' | 'riser'>): Tallness {
  const headgear = Math.max(0, drawing.height - legs - body())
  return { whole: legs + body() + headgear, riser, legs: legs - riser, body: body(), headgear }
}

/**
 * Ground a figure takes up, in millimetres: the width from elbow to elbow with arms hanging, and a sole from toe to heel
 * with a little air.
 */
export const footing = () => ({
  width: Math.ceil((MEASURES.torso.hem + MEASURES.arm.width) * mmPerUnit()),
  depth: Math.ceil(atFullSize(16)),
})

/** How many figures stand on a ground, in rows one behind the other. */
export function howManyFit({ width, depth }: Pick<ScaleObject, 'width' | 'depth'>): {
  inRow: number
  rows: number
  all: number
} {
  const inRow = Math.floor(width / footing().width)
  const rows = depth > 0 ? Math.max(depth >= footing().depth * 0.75 ? 1 : 0, Math.floor(depth / footing().depth)) : 0
  return { inRow, rows, all: inRow * rows }
}

/** Whether a figure stands as tall as its age asks. */
export interface StatureLine {
  id: string
  years: number | null
  /** By the year table; null where no age is known. */
  asked: Stature | null
  worn: Stature | null
  inLine: boolean
}

/** Statures against ages: who is out of line with the year table. Plates under full legs make nobody older. */
export function statureLines(
  members: readonly { id: string; years: number | null; worn: Stature | null }[],
): StatureLine[] {
  return members.map(({ id, years, worn }) => {
    const asked = years === null ? null : statureAt(years)
    const plain = worn === 'raised' ? 'full' : worn
    return { id, years, asked, worn, inLine: asked === null || worn === null || asked === plain }
  })
}

export interface Placed {
  id: string
  /** Middle of the figure, and the ground it stands on above the floor, in millimetres. */
  x: number
  ground: number
  tier: number
}

/** How a group stands: one row, or tiers one behind the other, tallest behind. Millimetres throughout. */
export interface Pose {
  placed: Placed[]
  objects: { at: number; x: number }[]
  width: number
  height: number
  /** Widths of the tiers from the front. */
  tierWidths: number[]
  /** The smallest step at which no face is hidden behind whoever stands in front, were they straight behind each other. */
  clearStep: number
}

const GAP = 6

/** What a drawing takes up round the middle of its soles, so that held things neither cross nor leave the picture. */
export function roomOf({ shapes }: Drawing): { left: number; right: number; top: number } {
  let [left, right, top] = [0, 0, 0]
  for (const { d } of shapes) {
    const bounds = boundsOf(d)
    left = Math.min(left, bounds.left)
    right = Math.max(right, bounds.right)
    top = Math.min(top, bounds.top)
  }
  return { left: -left * mmPerUnit(), right: right * mmPerUnit(), top: -top * mmPerUnit() }
}

/**
 * Where everybody stands. In tiers the tallest stand behind, each tier as full as the others, the tallest of a tier in its
 * middle; objects stand at the right. `step` is the rise from one tier to the next in millimetres. O(n log n).
 */
export function poseOf(
  members: readonly LinedUp[],
  objects: readonly ScaleObject[],
  { tiers = 1, step = 20 }: { tiers?: number; step?: number } = {},
): Pose {
  const count = Math.max(1, Math.min(tiers, members.length || 1))
  const tall = (member: LinedUp) => tallnessOf(member).whole
  const sorted = count === 1 ? [...members] : [...members].sort((a, b) => tall(a) - tall(b))
  const rows = Array.from({ length: count }, (_, t) =>
    sorted.slice(Math.round((t * sorted.length) / count), Math.round(((t + 1) * sorted.length) / count)),
  ).map((row) => (count === 1 ? row : tallestInTheMiddle(row, tall)))
  const widths = rows.map((row) => row.reduce((sum, { drawing }) => sum + spread(drawing), 0) + GAP * (row.length + 1))
  const crowd = Math.max(...widths)
  const placed = rows.flatMap((row, tier) => {
    let x = (crowd - widths[tier]!) / 2 + GAP
    return row.map(({ id, drawing }): Placed => {
      const { left } = roomOf(drawing)
      const at = x + left
      x += spread(drawing) + GAP
      return { id, x: at, ground: tier * step, tier }
    })
  })
  let right = crowd
  const beside = objects.map(({ width }, at) => {
    const x = right + GAP
    right = x + width + GAP
    return { at, x }
  })
  const tops = rows.map((row) => Math.max(0, ...row.map(tall)))
  const chins = rows.map((row) => Math.min(Infinity, ...row.map(({ legs }) => legs + chin())))
  const clearStep = Math.max(0, ...tops.slice(0, -1).map((top, t) => Math.ceil(top - chins[t + 1]!)))
  return {
    placed,
    objects: beside,
    width: right,
    height: Math.max(
      ...rows.flatMap((row, t) => row.map(({ drawing }) => roomOf(drawing).top + t * step)),
      ...objects.map(({ height }) => height),
      60,
    ),
    tierWidths: widths,
    clearStep,
  }
}

const spread = (drawing: Drawing) => {
  const { left, right } = roomOf(drawing)
  return left + right
}

function tallestInTheMiddle(row: readonly LinedUp[], tall: (member: LinedUp) => number): LinedUp[] {
  const [left, right]: LinedUp[][] = [[], []]
  for (const [i, member] of [...row].sort((a, b) => tall(a) - tall(b)).entries())
    (i % 2 === 0 ? left! : right!).push(member)
  return [...left!, ...right!.reverse()]
}

const OBJECT_PATHS: Readonly<Record<ObjectShape, (w: number, h: number) => string>> = {
  boat: (w, h) =>
    `M0 ${-h}L${w * 0.06} ${-h * 0.3}Q${w * 0.1} 0 ${w * 0.2} 0H${w * 0.8}Q${w * 0.94} 0 ${w} ${-h}Q${w * 0.5} ${-h * 0.7} 0 ${-h}Z`,
  stall: (w, h) =>
    `M${w * 0.06} 0V${-h * 0.78}H0L${w * 0.1} ${-h}H${w * 0.9}L${w} ${-h * 0.78}H${w * 0.94}V0H${w * 0.88}V${-h * 0.4}H${w * 0.12}V0Z`,
  animal: (w, h) =>
    `M${w * 0.1} 0V${-h * 0.5}Q0 ${-h * 0.9} ${w * 0.16} ${-h}Q${w * 0.32} ${-h} ${w * 0.34} ${-h * 0.72}H${w * 0.86}Q${w} ${-h * 0.7} ${w * 0.94} 0H${w * 0.8}V${-h * 0.36}H${w * 0.26}V0Z`,
  block: (w, h) => `M0 0V${-h}H${w}V0Z`,
}

/** The picture's margins in millimetres. */
const MARGIN = { side: 14, top: 18, foot: 20 } as const

/** Width of the picture of a pose, in millimetres. */
export const lineUpWidth = ({ width }: Pose) => hundredth(width + 2 * MARGIN.side)

/** A line-up: figures at their own height before a rule in centimetres. */
export function lineUpPage({
  title,
  members,
  objects,
  pose,
  step,
}: {
  title: string
  members: readonly LinedUp[]
  objects: readonly ScaleObject[]
  pose: Pose
  step: number
}): Page {
  const width = lineUpWidth(pose)
  const named = Math.max(0, ...pose.tierWidths.map((_, t) => t)) === 0
  const floor = MARGIN.top + pose.height
  // Words stay readable when a wide picture is looked at as a whole.
  const k = Math.min(1.7, Math.max(1, width / 260))
  const height = hundredth(floor + k * (MARGIN.foot + (named ? 0 : 4 * pose.tierWidths.length)))
  const byId = new Map(members.map((member) => [member.id, member]))
  const text = (x: number, y: number, mm: number, value: string, more: Partial<TextMark> = {}): TextMark => ({
    kind: 'text',
    x,
    y,
    size: mm * k,
    value,
    ...more,
  })
  const middle = { anchor: 'middle', fill: PAPER.soft } as const
  const rule = Array.from({ length: Math.floor(pose.height / 10) + 1 }, (_, cm): Mark[] => {
    const y = floor - cm * 10
    return [
      {
        kind: 'path',
        d: `M${MARGIN.side - 4} ${hundredth(y)}H${width - MARGIN.side / 2}`,
        stroke: PAPER.line,
        width: 0.25,
        dashes: '1 1.2',
      },
      text(2, y + 1, 2.6, `${cm * 10}`, { fill: PAPER.soft }),
    ]
  })
  const steps = pose.tierWidths
    .map((_, tier) => tier)
    .filter((tier) => tier > 0)
    .reverse()
    .map((tier): Mark => ({
      kind: 'rect',
      x: MARGIN.side,
      y: floor - tier * step,
      width: Math.max(...pose.tierWidths),
      height: step,
      fill: tier % 2 ? '#D9C29A' : '#CDB388',
      stroke: '#A98C5C',
      line: 0.3,
    }))
  const things = pose.objects.flatMap(({ at, x }): Mark[] => {
    const { name, shape, width: w, height: h, depth } = objects[at]!
    const { all } = howManyFit({ width: w, depth })
    const centre = MARGIN.side + x + w / 2
    return [
      {
        kind: 'path',
        d: OBJECT_PATHS[shape](w, h),
        x: MARGIN.side + x,
        y: floor,
        fill: '#B9A27A',
        stroke: INK,
        width: 0.35,
      },
      text(centre, floor + 4.5 * k, 2.8, fitted(name, 2.8 * k, w + 2 * GAP), { anchor: 'middle' }),
      text(centre, floor + 13 * k, 2.5, `${w} × ${h} mm${all > 0 ? `, room for ${all}` : ''}`, middle),
    ]
  })
  const figures = [...pose.placed]
    .sort((a, b) => b.tier - a.tier)
    .map(({ id, x, ground }): Mark => ({
      kind: 'figure',
      drawing: byId.get(id)!.drawing,
      x: MARGIN.side + x,
      y: floor - ground,
      scale: mmPerUnit(),
    }))
  const labels = named
    ? pose.placed.flatMap(({ id, x }, i): Mark[] => {
        const { name, drawing, legs, riser } = byId.get(id)!
        const at = MARGIN.side + x
        return [
          text(at, floor + k * (4.5 + (i % 2) * 4), 2.8, fitted(name, 2.8 * k, 2 * spread(drawing)), {
            anchor: 'middle',
          }),
          text(at, floor + 13 * k, 2.5, formatLength(tallnessOf({ drawing, legs, riser }).whole, 1), middle),
        ]
      })
    : pose.tierWidths.map((_, tier): Mark => {
        const row = pose.placed.filter((one) => one.tier === tier).map(({ id }) => byId.get(id)!.name)
        const words = `${tier === 0 ? 'Front' : tier === pose.tierWidths.length - 1 ? 'Back' : `Row ${tier + 1}`}: ${row.join(', ')}`
        return text(MARGIN.side, floor + k * (5 + 4 * tier), 2.8, fitted(words, 2.8 * k, width - 2 * MARGIN.side))
      })
  const marks: Mark[] = [
    ...rule.flat(),
    {
      kind: 'path',
      d: `M${MARGIN.side - 4} ${hundredth(floor)}H${width - MARGIN.side / 2}`,
      stroke: INK,
      width: 0.5,
    },
    { kind: 'text', x: MARGIN.side, y: 10, size: 6, value: title, heading: true },
    ...steps,
    ...things,
    ...figures,
    ...labels,
  ]
  return { title, width, height, marks }
}

/** A text cut to a width with an ellipsis. */
function fitted(value: string, size: number, width: number): string {
  let cut = value
  while (textWidth(cut, size) > width && cut.length > 2) cut = `${cut.replace(/…$/, '').slice(0, -1)}…`
  return cut
}
