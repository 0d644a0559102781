import { readableOn } from '../colour/index.ts'
import { INK } from '../mannequin/index.ts'
import { BLEED } from '../net/index.ts'
import type { BonusBuild } from '../packs/index.ts'
import { movedBy, PAPER, type Mark, type Page } from '../show/index.ts'
import { groupOf } from './groupOf.ts'
import { box, dealt, figuresOf, layoutOf } from './leafletFigures.ts'
import { cropMarks, pencil } from './leafletMarks.ts'
import { leafletSides, SAFE, type LeafletPanel } from './leafletPanels.ts'
import type { LeafletChoices } from './leafletChoices.ts'
import {
  asideOf,
  inFront,
  numberedName,
  seriesInWords,
  SMALL_PARTS,
  times,
  type Series,
  type SeriesMember,
} from './series.ts'
import { setText, type DoesNotFit } from './setText.ts'

/** Room for marks beyond the bleed, in millimetres. */
const MARKS = 9
/** Figures lower than this are hardly told apart. */
const LEAST_FIGURE = 9

/** How a bonus is built, as it stands in a leaflet. */
export interface BonusTold {
  name: string
  /** "2 × Round plate, moss". */
  pieces: string[]
  steps: { text: string; picture: string | null }[]
}

/** What a leaflet tells of a bonus build; `pictureOf` says where the picture of a step is. */
export const bonusTold = (bonus: BonusBuild | null, pictureOf: (photo: string) => string | null): BonusTold | null =>
  bonus && {
    name: bonus.name,
    pieces: bonus.pieces.map(({ name, qty }) => times(qty, name)),
    steps: bonus.steps.map(({ text, photo }) => ({ text, picture: photo === null ? null : pictureOf(photo) })),
  }

export interface Leaflet {
  /** Both sides of the sheet. */
  pages: Page[]
  faults: DoesNotFit[]
  /** Trimmed, in millimetres. */
  size: { width: number; height: number }
  /** Folded. */
  folded: { width: number; height: number }
  /** How tall a full millimetre of a figure is printed. */
  scale: number
}

/**
 * The leaflet of a series: front with the title, everybody by faction at one scale, what each is, how the bonus is built, and
 * that it is made by a private person. What is written and does not fit is told in `faults`. `guides` draws folds and the
 * safe area in pencil, for the screen. O(members × layouts tried).
 */
export function leafletPages(
  series: Pick<Series, 'title' | 'number' | 'credit' | 'privately' | 'leaflet' | 'carton'>,
  members: readonly SeriesMember[],
  { bonus = null, guides = false }: { bonus?: BonusTold | null; guides?: boolean } = {},
): Leaflet {
  const { leaflet } = series
  const { width, height, sides, folds } = leafletSides(leaflet, bonus !== null)
  const faults: DoesNotFit[] = []
  const room = leaflet.marks ? BLEED + MARKS : 0
  const all = sides.flat()
  const shares = dealt(
    members,
    all.filter(({ role }) => role === 'figures'),
  )
  const { columns, scale } = layoutOf(shares, leaflet)
  let index = 0
  const pages = sides.map((panels, side): Page => {
    const ground: Mark[] = []
    const marks: Mark[] = []
    for (const panel of panels) {
      const tint =
        panel.role === 'front' || panel.role === 'back'
          ? panel.role === 'front'
            ? series.carton.colour
            : asideOf(series.carton)
          : '#FFFCF4'
      ground.push(groundOf(panel, { width, height }, leaflet.marks ? BLEED : 0, tint))
      const inner = { width: panel.width - 2 * SAFE, height: panel.height - 2 * SAFE }
      const where = `panel ${all.indexOf(panel) + 1}`
      const ink = readableOn(tint)
      const drawn = (): Mark[] => {
        switch (panel.role) {
          case 'front':
            return frontOf(series, members, inner, where, faults, ink)
          case 'back':
            return backOf(series, members, inner, where, faults, ink)
          case 'bonus':
            return bonus ? bonusOf(bonus, inner, where, faults) : []
          case 'index':
            return indexOf(members, leaflet, inner, index++ === 0 ? 0 : 1, bonus === null, where, faults)
          case 'figures':
            return figuresOf(shares.get(panel) ?? [], { columns, scale }, leaflet, inner, where, faults)
        }
      }
      marks.push(placed(panel, drawn()))
    }
    const moved = (own: Mark[], layer: string): Mark => ({ kind: 'group', layer, x: room, y: room, marks: own })
    const upright = side === 0 ? folds.x : folds.x.map((x) => width - x)
    return {
      title: `${series.title}, leaflet`,
      width: width + 2 * room,
      height: height + 2 * room,
      ground: '#FFFFFF',
      marks: [
        moved(ground, 'bleed'),
        moved(marks, 'art'),
        ...(guides ? [moved(pencil(panels, { width, height }, upright, folds.y), 'guides')] : []),
        ...(leaflet.marks ? [moved(cropMarks({ width, height }, upright, folds.y), 'marks')] : []),
      ],
    }
  })
  const tallest = Math.max(0, ...members.map(({ drawing }) => drawing.height))
  if (members.length > 0 && scale * tallest < LEAST_FIGURE)
    faults.push({
      where: 'the leaflet',
      text: `${members.length} figures`,
      needs: { width: 0, height: LEAST_FIGURE },
      room: { width: 0, height: scale * tallest },
    })
  const [front] = all.filter(({ role }) => role === 'front')
  return {
    pages,
    faults,
    scale,
    size: { width, height },
    folded: { width: front!.width, height: front!.height },
  }
}

/** Marks of a panel where it lies, turned if it is. */
const placed = ({ x, y, width, height, turned }: LeafletPanel, marks: Mark[]): Mark => ({
  kind: 'group',
  x: x + width / 2,
  y: y + height / 2,
  turn: turned ? 180 : 0,
  marks: [{ kind: 'group', x: SAFE - width / 2, y: SAFE - height / 2, marks }],
})

/** The ground of a panel, led beyond the sheet where the panel ends with it. */
function groundOf(
  { x, y, width, height }: LeafletPanel,
  sheet: { width: number; height: number },
  bleed: number,
  fill: string,
): Mark {
  const left = x < 1e-6 ? bleed : 0
  const right = x + width > sheet.width - 1e-6 ? bleed : 0
  const above = y < 1e-6 ? bleed : 0
  const below = y + height > sheet.height - 1e-6 ? bleed : 0
  return { kind: 'rect', x: x - left, y: y - above, width: width + left + right, height: height + above + below, fill }
}

interface Room {
  width: number
  height: number
}

function frontOf(
  series: Pick<Series, 'title' | 'number' | 'carton'>,
  members: readonly SeriesMember[],
  { width, height }: Room,
  where: string,
  faults: DoesNotFit[],
  fill: string,
): Mark[] {
  const title = setText(
    series.title,
    { x: 0, y: 0, width, height: height * 0.36, size: Math.min(16, width * 0.2), least: 4, face: 'heading', fill },
    where,
    faults,
  )
  const about = setText(
    seriesInWords(series, members.length),
    { x: 0, y: title.height + 1, width, height: height * 0.12, size: 3.4, fill },
    where,
    faults,
  )
  const top = title.height + about.height + 4
  return [
    ...groupOf(inFront(series.carton, members), { x: 0, y: top, width, height: height - top }),
    ...title.marks,
    ...about.marks,
  ]
}

function backOf(
  series: Pick<Series, 'title' | 'number' | 'credit' | 'privately'>,
  members: readonly SeriesMember[],
  { width, height }: Room,
  where: string,
  faults: DoesNotFit[],
  fill: string,
): Mark[] {
  const title = setText(
    series.title,
    { x: 0, y: 0, width, height: height * 0.25, size: 6, least: 2.4, face: 'heading', fill },
    where,
    faults,
  )
  const credits = [
    ...new Set([series.credit, ...members.map(({ credit }) => credit)].map((one) => one.trim()).filter(Boolean)),
  ]
  const said: [string, number, number, 'text' | 'strong'][] = [
    [credits.join(', '), height * 0.22, 2.8, 'text'],
    [series.privately, height * 0.3, 2.6, 'text'],
    [SMALL_PARTS, height * 0.2, 2.6, 'strong'],
  ]
  const sets = said.map(([value, high, size, face]) =>
    setText(value, { x: 0, y: 0, width, height: high, size, least: 1.7, face, fill }, where, faults),
  )
  // It stands at the foot, as small print does.
  let y = height - sets.reduce((sum, set) => sum + set.height + (set.height > 0 ? 2 : 0), 0)
  return [
    ...title.marks,
    ...sets.flatMap((set): Mark[] => {
      const top = y
      y += set.height + (set.height > 0 ? 2 : 0)
      return movedBy(set.marks, 0, top)
    }),
  ]
}

function bonusOf(
  { name, pieces, steps }: BonusTold,
  { width, height }: Room,
  where: string,
  faults: DoesNotFit[],
): Mark[] {
  const head = setText(
    name,
    { x: 0, y: 0, width, height: height * 0.14, size: 4.4, least: 2.4, face: 'heading', fill: INK },
    where,
    faults,
  )
  const list = setText(
    pieces.join(', '),
    { x: 0, y: head.height + 1, width, height: height * 0.3, size: 2.4, least: 1.7, fill: PAPER.soft },
    where,
    faults,
  )
  const top = head.height + list.height + 3
  const each = (height - top) / Math.max(1, steps.length)
  return [
    ...head.marks,
    ...list.marks,
    ...steps.flatMap(({ text, picture }, i): Mark[] => {
      const y = top + i * each
      const wide = picture ? Math.min(width * 0.42, each - 1) : 0
      const beside = wide > 0 ? wide + 2 : 0
      return [
        ...(picture && wide > 2
          ? [{ kind: 'image' as const, x: 0, y, width: wide, height: wide, href: picture, cover: true }]
          : []),
        ...setText(
          `${i + 1}. ${text}`,
          { x: beside, y, width: width - beside, height: each - 0.6, size: 2.8, least: 1.7, fill: INK },
          where,
          faults,
        ).marks,
      ]
    }),
  ]
}

/** Boxes to tick with numbers and names, in one or two lists. */
function indexOf(
  members: readonly SeriesMember[],
  { ticks }: LeafletChoices,
  { width, height }: Room,
  part: 0 | 1,
  split: boolean,
  where: string,
  faults: DoesNotFit[],
): Mark[] {
  const half = split ? Math.ceil(members.length / 2) : members.length
  const own = part === 0 ? members.slice(0, half) : members.slice(half)
  const head =
    part === 0
      ? setText(
          'Which are there?',
          { x: 0, y: 0, width, height: 9, size: 5, face: 'heading', fill: INK },
          where,
          faults,
        )
      : { marks: [] as Mark[], height: 6 }
  const row = Math.min(11, (height - head.height - 2) / Math.max(1, own.length))
  const size = Math.min(4.6, row * 0.55)
  return [
    ...head.marks,
    ...own.flatMap((member, i): Mark[] => {
      const y = head.height + 2 + i * row
      return [
        ...(ticks ? [box(0, y + row / 2 - size / 2, size)] : []),
        ...setText(
          numberedName(member),
          {
            x: ticks ? size + 2 : 0,
            y: y + row / 2 - size * 0.55,
            width: width - size - 2,
            height: row,
            size,
            least: 1.6,
            fill: INK,
          },
          where,
          faults,
        ).marks,
      ]
    }),
  ]
}
