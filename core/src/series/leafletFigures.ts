import { INK } from '../mannequin/index.ts'
import { PAPER, type Mark } from '../show/index.ts'
import { commonScale, standing } from './groupOf.ts'
import type { LeafletChoices } from './leafletChoices.ts'
import { SAFE, type LeafletPanel } from './leafletPanels.ts'
import { chaptersOf, numberedName, type SeriesMember } from './series.ts'
import { setText, type DoesNotFit } from './setText.ts'

interface Room {
  width: number
  height: number
}

/** A box to tick. */
export const box = (x: number, y: number, size: number): Mark => ({
  kind: 'rect',
  x,
  y,
  width: size,
  height: size,
  radius: 0.3,
  stroke: INK,
  line: 0.2,
})

/** Members of a panel, with the faction that heads it. */
interface Share {
  /** Empty where it goes on from the panel before. */
  faction: string
  members: SeriesMember[]
}

/**
 * Who stands on which panel: factions begin panels of their own where there are enough, and get more the more they are;
 * otherwise everybody follows one after the other.
 */
export function dealt(members: readonly SeriesMember[], panels: readonly LeafletPanel[]): Map<LeafletPanel, Share[]> {
  const chapters = chaptersOf(members)
  const shares = new Map<LeafletPanel, Share[]>()
  if (chapters.length > 0 && chapters.length <= panels.length) {
    const given = chapters.map(() => 1)
    for (let left = panels.length - chapters.length; left > 0; left--) {
      const crowd = chapters.map(({ members: own }, i) => (own.length > given[i]! ? own.length / given[i]! : 0))
      const most = crowd.indexOf(Math.max(...crowd))
      if (crowd[most] === 0) break
      given[most]!++
    }
    let at = 0
    for (const [i, { faction, members: own }] of chapters.entries())
      for (let k = 0; k < given[i]!; k++)
        shares.set(panels[at++]!, [
          {
            faction: k === 0 ? faction : '',
            members: own.slice(
              Math.round((k * own.length) / given[i]!),
              Math.round(((k + 1) * own.length) / given[i]!),
            ),
          },
        ])
    return shares
  }
  for (const [i, panel] of panels.entries())
    shares.set(
      panel,
      chaptersOf(
        members.slice(
          Math.round((i * members.length) / panels.length),
          Math.round(((i + 1) * members.length) / panels.length),
        ),
      ),
    )
  return shares
}

/** A figure is printed at most so many times as large as it is. */
const LARGEST = 2

/** Height of the line that heads a panel. */
const HEAD = 6

export interface Layout {
  columns: number
  scale: number
}

/** A cell of a panel: beside a single figure stand its words, under each of several. */
function cellOf({ width, height }: Room, count: number, columns: number) {
  const rows = Math.max(1, Math.ceil(count / columns))
  const cell = { width: width / Math.max(1, Math.min(columns, count)), height: (height - HEAD) / rows }
  const words =
    columns === 1
      ? { width: cell.width * 0.56 - 1, height: cell.height }
      : { width: cell.width - 3, height: Math.min(cell.height * 0.42, 17) }
  const figure =
    columns === 1
      ? { width: cell.width * 0.42, height: cell.height - 1.5 }
      : { width: cell.width - 1.5, height: cell.height - words.height - 1 }
  return { cell, words, figure }
}

/** The number of columns, the same on all panels, in which all figures stand largest at one scale. */
export function layoutOf(shares: ReadonlyMap<LeafletPanel, Share[]>, { lines }: LeafletChoices): Layout {
  const filled = [...shares].filter(([, own]) => own.some(({ members }) => members.length > 0))
  const ways = Array.from({ length: 8 }, (_, i): Layout => {
    const columns = i + 1
    const scale = filled.reduce(
      (least, [{ width, height }, own]) => {
        const everybody = own.flatMap(({ members }) => members)
        const { figure, words } = cellOf(
          { width: width - 2 * SAFE, height: height - 2 * SAFE },
          everybody.length,
          columns,
        )
        // Words need some breadth, whatever it does to the figures.
        return words.width < (lines ? 17 : 11) ? 0 : Math.min(least, commonScale(everybody, figure))
      },
      filled.length > 0 ? LARGEST : Infinity,
    )
    return { columns, scale }
  })
  const best = ways.reduce((most, way) => (way.scale > most.scale * 1.02 ? way : most))
  return Number.isFinite(best.scale) && best.scale > 0 ? best : { columns: 1, scale: 0.1 }
}

export function figuresOf(
  shares: readonly Share[],
  { columns, scale }: Layout,
  { items, lines, ticks }: LeafletChoices,
  room: Room,
  where: string,
  faults: DoesNotFit[],
): Mark[] {
  const everybody = shares.flatMap(({ members }) => members)
  if (everybody.length === 0) return []
  const head = setText(
    shares
      .map(({ faction }) => faction)
      .filter(Boolean)
      .join(' · '),
    { x: 0, y: 0, width: room.width, height: HEAD - 1, size: 4, least: 2, face: 'heading', fill: INK },
    where,
    faults,
  )
  const { cell, words, figure } = cellOf(room, everybody.length, columns)
  return [
    ...head.marks,
    ...everybody.flatMap((member, i): Mark[] => {
      const x = (i % columns) * cell.width
      const y = HEAD + Math.floor(i / columns) * cell.height
      const beside = columns === 1
      const marks = [standing(member, { x, y: y + 0.5, ...figure }, scale)]
      // A fold may run where a cell begins.
      const left = beside ? x + cell.width * 0.44 : x + 1.5
      let top = beside ? y + 0.5 : y + figure.height + 1
      const foot = (beside ? y : y + figure.height + 1) + words.height
      const size = Math.min(3.3, Math.max(2.3, words.width * 0.08))
      if (ticks) marks.push(box(left, top, size))
      const say = (value: string, height: number, em: number, face: 'text' | 'strong', fill: string, inset = 0) => {
        const set = setText(
          value,
          { x: left + inset, y: top, width: words.width - inset, height, size: em, least: 1.6, face, fill },
          `${where}, ${member.name}`,
          faults,
        )
        marks.push(...set.marks)
        top += set.height + (set.height > 0 ? 0.3 : 0)
      }
      const line = lines ? member.line : ''
      const worn = items ? [...member.items, ...member.companions].join(', ') : ''
      say(numberedName(member), (foot - top) * (line || worn ? 0.5 : 1), size, 'strong', INK, ticks ? size + 1 : 0)
      if (line) say(line, (foot - top) * (worn ? 0.62 : 1), size * 0.86, 'text', INK)
      if (worn) say(worn, foot - top, size * 0.8, 'text', PAPER.soft)
      return marks
    }),
  ]
}
