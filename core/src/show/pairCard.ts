import { INK } from '../mannequin/index.ts'
import type { CardChoices, CardEntry } from './card.ts'
import {
  asLargeAsFits,
  cardFrame,
  footMarks,
  headMarks,
  pictureExtent,
  pictureMarks,
  type CardFrame,
  type CardPicture,
  type CardWords,
} from './cardFrame.ts'
import type { Box, Point } from './leads.ts'
import { PAPER, type Mark, type Page } from './page.ts'
import { wrapText } from './textWidth.ts'

/** One of the two that stand side by side on a card. */
export interface PairSide extends CardPicture {
  /** "Take A", "Ferry skipper, as sold". */
  label: string
  /** Said under it, such as likeness and price. */
  facts: string[]
}

/** What was exchanged at one place; nothing where one of the two wears nothing there. */
export interface PairRow {
  place: string
  before: CardEntry[]
  after: CardEntry[]
  /** What each costs at lowest single prices, in words. */
  prices: { before: string; after: string }
}

export interface PairContent extends CardWords {
  sides: readonly [before: PairSide, after: PairSide]
  rows: PairRow[]
  /** What it comes to, such as how much less one of them costs. */
  verdict: string
}

interface LaidRow {
  row: PairRow
  /** Each with its lines; a line has a swatch where it is the first of an entry. */
  before: RowLine[]
  after: RowLine[]
  height: number
}
interface RowLine {
  words: string
  hex: string | null
}

interface PairLayout extends CardFrame {
  /** Where figures and rows stand. */
  figures: Box
  list: Box
  rows: LaidRow[]
  /** Rows there was no room for. */
  left: number
  verdict: string[]
  fits: boolean
}

/** A card of two takes, or of a take and what is sold: the two at one height, and numbered what was exchanged between them. */
export function pairPage(content: PairContent, choices: CardChoices, size: { width: number; height: number }): Page {
  // Of many rows the last are told before figures are made any smaller than this.
  const [half, less] = [0.5, 0.36].map((share) =>
    asLargeAsFits(size.width, (k) => layOutPair(content, choices, { ...size, k, share })),
  )
  const layout = half!.fits ? half! : less!
  const marks = [
    ...headMarks(layout),
    ...sideMarks(content, layout),
    ...rowMarks(layout, content),
    ...footMarks(layout),
  ]
  const [before, after] = content.sides
  return {
    title: `${content.title}: ${before.label} beside ${after.label}`,
    width: size.width,
    height: size.height,
    marks,
  }
}

function layOutPair(
  content: PairContent,
  choices: CardChoices,
  { share, ...size }: { width: number; height: number; k: number; share: number },
): PairLayout {
  const frame = cardFrame(content, size)
  const { width, margin, top, bottom, line, small } = frame
  const inner = { width: width - 2 * margin, height: bottom - top - 2 }
  // Beside the figures where the card is wide, below them where it is high.
  const isWide = inner.width > inner.height * 1.15
  const figures = {
    x: margin,
    y: top,
    width: isWide ? inner.width * share : inner.width,
    height: isWide ? inner.height : inner.height * share,
  }
  const list = isWide
    ? {
        x: margin + inner.width * (share + 0.04),
        y: top + 1,
        width: inner.width * (0.96 - share),
        height: inner.height - 1,
      }
    : { x: margin, y: top + figures.height + 2, width: inner.width, height: inner.height - figures.height - 2 }
  const verdict = content.verdict ? wrapText(content.verdict, frame.text, list.width * STRONG, 2) : []
  const room = list.height - verdict.length * line * 1.1 - line - small * 1.7
  const laid = content.rows.map((row) => layOutRow(row, choices, frame, list.width))
  let used = 0
  let fitting = 0
  for (const { height } of laid) {
    if (used + height > room) break
    used += height
    fitting++
  }
  const fits = fitting === laid.length
  // Rows that do not fit are counted in a line of their own.
  while (!fits && fitting > 0 && used + line > room) used -= laid[--fitting]!.height
  return { ...frame, figures, list, rows: laid.slice(0, fitting), left: laid.length - fitting, verdict, fits }
}

const NOTHING: RowLine = { words: 'nothing', hex: null }

function layOutRow(row: PairRow, { colours }: CardChoices, { small, line, text }: CardFrame, width: number): LaidRow {
  const room = columnOf(width) - swatchRoom(small)
  const linesOf = (entries: readonly CardEntry[]) =>
    entries.flatMap(({ name, qty, colour }): RowLine[] => {
      const words = `${qty > 1 ? `${qty} × ` : ''}${name}${colours ? `, ${colour.name}` : ''}`
      return wrapText(words, small, room).map((one, i) => ({ words: one, hex: i === 0 && colours ? colour.hex : null }))
    })
  const [before, after] = [linesOf(row.before), linesOf(row.after)]
  const lines = Math.max(1, before.length, after.length) + (row.prices.before || row.prices.after ? 1 : 0)
  return {
    row,
    before: before.length > 0 ? before : [NOTHING],
    after: after.length > 0 ? after : [NOTHING],
    height: text * 1.25 + lines * line * STEP + small * 0.9,
  }
}

/** Width of what is said of each of the two within a row, and where each begins. */
const columnOf = (width: number) => width * 0.48
const columnsOf = ({ x, width }: Box) => [x, x + width - columnOf(width)] as const
const swatchRoom = (small: number) => small * 1.3
/** Bold letters are so much wider than what is reckoned for all of them. */
const STRONG = 0.92
/** Lines of a row stand closer than those of labels. */
const STEP = 0.82
/** Above the first row stand the names of the two. */
const headHeight = ({ rows, small }: Pick<PairLayout, 'rows' | 'small'>) => (rows.length > 0 ? small * 1.7 : 0)

/** The two on one ground at one scale, as high as the room allows, with numbers at what was exchanged. */
function sideMarks({ sides, rows }: PairContent, { figures, small, text, line, rows: shown }: PairLayout): Mark[] {
  const facts = Math.max(...sides.map((side) => side.facts.length))
  const words = line * (1 + facts) + 2
  const room = { width: figures.width / 2 - 3, height: figures.height - words - 2 }
  const extents = sides.map(pictureExtent)
  const scales = sides.map((_, i) => Math.min(room.width / extents[i]!.width, room.height / extents[i]!.height))
  // Drawings have one scale, so that heights compare; a photo has none to keep to.
  const drawn = Math.min(...scales.filter((_, i) => !sides[i]!.photo))
  const tallest = Math.max(...sides.map((side, i) => extents[i]!.height * (side.photo ? scales[i]! : drawn)))
  // In the middle of the room, where the width leaves them lower than that is high.
  const ground = figures.y + 1 + (room.height + tallest) / 2
  return sides.flatMap((side, i): Mark[] => {
    const extent = extents[i]!
    const scale = side.photo ? scales[i]! : drawn
    const middle = figures.x + (figures.width / 4) * (1 + 2 * i)
    const at = {
      scale,
      x: middle - (extent.x + extent.width / 2) * scale,
      y: ground - (extent.y + extent.height) * scale,
    }
    const numbered = rows
      .slice(0, shown.length)
      .flatMap((row, n) =>
        (i === 0 ? row.before : row.after).flatMap(({ anchors }) =>
          anchors.map((anchor) => discMarks({ x: at.x + anchor.x * scale, y: at.y + anchor.y * scale }, n + 1, small)),
        ),
      )
    const centred = { kind: 'text' as const, x: middle, anchor: 'middle' as const }
    const below = ground + line * 1.05
    const told = (value: string, size: number) => wrapText(value, size, (figures.width / 2 - 2) * STRONG, 1)[0]!
    return [
      ...pictureMarks(side, at),
      ...numbered.flat(),
      { ...centred, y: below, size: text, value: told(side.label, text), strong: true },
      ...side.facts.map((fact, n): Mark => ({
        ...centred,
        y: below + line * (n + 1),
        size: small,
        value: told(fact, small),
      })),
    ]
  })
}

/** A number in a small disc. */
function discMarks({ x, y }: Point, number: number, size: number): Mark[] {
  const words: Mark = {
    kind: 'text',
    x,
    y: y + size * 0.28,
    size: size * 0.8,
    value: `${number}`,
    strong: true,
    anchor: 'middle',
  }
  return [{ kind: 'dot', x, y, radius: size * 0.62, fill: '#FFFBF2', line: 0.25 }, words]
}

/** What was exchanged, row by row under the two names, and what it comes to. */
function rowMarks(layout: PairLayout, { sides }: PairContent): Mark[] {
  const { list, rows, left, verdict, text, small, line } = layout
  const columns = columnsOf(list)
  const plain = { kind: 'text' as const, size: small, fill: PAPER.soft }
  const heads = rows.length === 0 ? [] : sides
  const marks: Mark[] = heads.map(({ label }, i) => ({
    ...plain,
    x: columns[i]! + swatchRoom(small),
    y: list.y + small,
    value: wrapText(label, small, columnOf(list.width) - swatchRoom(small), 1)[0]!,
  }))
  let y = list.y + headHeight(layout)
  for (const [n, row] of rows.entries()) {
    marks.push(...oneRow(row, n + 1, y, layout))
    y += row.height
  }
  if (left > 0) {
    marks.push({ ...plain, x: list.x, y: y + line * 0.8, value: `and ${left} more` })
    y += line
  }
  // What it comes to stands at the end of the list.
  const last = y + line * 0.9
  return [
    ...marks,
    ...verdict.map((value, i): Mark => ({
      kind: 'text',
      x: list.x,
      y: last + line * 1.1 * i,
      size: text,
      value,
      strong: true,
    })),
  ]
}

function oneRow({ row, before, after }: LaidRow, number: number, y: number, layout: PairLayout): Mark[] {
  const { list, text, small, line } = layout
  const columns = columnsOf(list)
  const first = y + text * 1.15
  const lineAt = (i: number) => first + small * 0.25 + line * STEP * (i + 1)
  const path = `M${list.x.toFixed(2)} ${y.toFixed(2)}h${list.width.toFixed(2)}`
  const sides = [
    { lines: before, price: row.prices.before },
    { lines: after, price: row.prices.after },
  ]
  const below = Math.max(before.length, after.length)
  return [
    { kind: 'path', d: path, stroke: PAPER.line, width: 0.2 },
    ...discMarks({ x: list.x + small * 0.65, y: first - text * 0.3 }, number, small),
    { kind: 'text', x: list.x + small * 1.8, y: first, size: text, value: row.place, strong: true },
    ...sides.flatMap(({ lines, price }, side): Mark[] => {
      const x = columns[side]!
      const words = { kind: 'text' as const, x: x + swatchRoom(small), size: small }
      return [
        ...lines.flatMap(({ words: value, hex }, i): Mark[] => [
          ...(hex ? [swatch(x, lineAt(i), small, hex)] : []),
          { ...words, y: lineAt(i), value },
        ]),
        ...(price ? [{ ...words, y: lineAt(below), value: price, fill: PAPER.soft }] : []),
      ]
    }),
  ]
}

const swatch = (x: number, base: number, size: number, hex: string): Mark => ({
  kind: 'rect',
  x,
  y: base - size * 0.75,
  width: size * 0.85,
  height: size * 0.85,
  radius: size * 0.2,
  fill: hex,
  stroke: INK,
  line: 0.2,
})
