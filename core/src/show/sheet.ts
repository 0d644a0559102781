import { extentOf } from './extentOf.ts'
import { CARD_CHOICES, cardPage, type CardContent, type CardEntry } from './card.ts'
import { movedBy, PAPER, type Mark, type Page, type TextMark } from './page.ts'
import { wrapText } from './textWidth.ts'

/** Paper in millimetres. */
export const PAPER_SIZES = {
  A4: { width: 210, height: 297 },
  Letter: { width: 215.9, height: 279.4 },
} as const
export type PaperSize = keyof typeof PAPER_SIZES
export const PAPER_SIZE_NAMES = Object.keys(PAPER_SIZES) as PaperSize[]

/** How many cards a page may have, in columns and rows. */
export const CELLS = { 2: [1, 2], 4: [2, 2], 6: [2, 3], 8: [2, 4] } as const
export type PerPage = keyof typeof CELLS
export const PER_PAGE = [2, 4, 6, 8] as const satisfies readonly PerPage[]

/** Most outfits on a sheet; a roster with more is shown by some of its outfits. */
export const MOST_ON_SHEET = 60

export interface SheetChoices {
  paper: PaperSize
  perPage: PerPage
  cover: boolean
  /** The list of all parts, with where they come from. */
  index: boolean
  colours: boolean
  sources: boolean
  prices: boolean
  altered: boolean
  note: string
  credits: string
}

export const SHEET_CHOICES: SheetChoices = {
  paper: 'A4',
  perPage: 4,
  cover: true,
  index: true,
  colours: true,
  sources: true,
  prices: true,
  altered: true,
  note: '',
  credits: '',
}

/** A part of the index: how many all outfits wear, and the lowest price of one, in words. */
export interface IndexLine {
  name: string
  colour: { name: string; hex: string }
  qty: number
  source: string
  price: string
  sum: string
}

export interface SheetContent {
  title: string
  /** Facts of the whole, a line each: how many figures, parts and sources, and what they cost. */
  facts: string[]
  footer: string
  cards: { faction: string; card: CardContent }[]
  lines: IndexLine[]
  /** What all lines cost, in words; empty without prices. */
  total: string
}

const MARGIN = 10
const GAP = 6
const FOOT = 8

type Words = Omit<TextMark, 'kind' | 'x' | 'y' | 'size' | 'value'>
const text = (x: number, y: number, size: number, value: string, more: Words = {}): TextMark => ({
  kind: 'text',
  x,
  y,
  size,
  value,
  ...more,
})

/** A breakdown sheet page by page: a cover, the cards, and the index of parts. */
export function sheetPages(content: SheetContent, choices: SheetChoices): Page[] {
  const { width, height } = PAPER_SIZES[choices.paper]
  const pages = [
    ...(choices.cover ? [cover(content, choices)] : []),
    ...cardPages(content, choices),
    ...(choices.index ? indexPages(content, choices) : []),
  ]
  return pages.map((marks, i) => ({
    title: `${content.title}, page ${i + 1} of ${pages.length}`,
    width,
    height,
    marks: [
      ...marks,
      text(MARGIN, height - 5, 2.7, wrapText(content.footer, 2.7, width - 2 * MARGIN - 20, 1)[0]!, {
        fill: PAPER.soft,
      }),
      text(width - MARGIN, height - 5, 2.7, `${i + 1} of ${pages.length}`, { fill: PAPER.soft, anchor: 'end' }),
    ],
  }))
}

/** The title, all figures at their relative height by faction, and what there is to say of the whole. */
function cover(content: SheetContent, { paper, note, credits }: SheetChoices): Mark[] {
  const { width, height } = PAPER_SIZES[paper]
  const inner = width - 2 * MARGIN
  const marks: Mark[] = []
  let y = MARGIN + 14
  for (const line of wrapText(content.title, 13, inner)) {
    marks.push(text(MARGIN, y, 13, line, { heading: true }))
    y += 14
  }
  for (const line of note ? wrapText(note, 4, inner, 4) : []) {
    marks.push(text(MARGIN, y, 4, line))
    y += 5.6
  }
  const facts = [...content.facts, ...(credits ? [credits] : [])].flatMap((fact) => wrapText(fact, 4, inner, 2))
  const floor = height - MARGIN - FOOT - facts.length * 5.6 - 4
  marks.push(...standing(content.cards, { x: MARGIN, y: y + 2, width: inner, height: floor - y - 8 }))
  facts.forEach((fact, i) => marks.push(text(MARGIN, floor + 5.6 * (i + 1), 4, fact, i === 0 ? { strong: true } : {})))
  return marks
}

const NAMES = 7
const HEADING = 7

/** Air between the last figure of a faction and the first of the next. */
const BETWEEN = 5

/** Figures at one scale in rows, each faction under its name where it begins, as large as the room allows. */
function standing(cards: SheetContent['cards'], room: { x: number; y: number; width: number; height: number }): Mark[] {
  if (cards.length === 0) return []
  const extents = new Map(cards.map(({ card }) => [card, extentOf(card.drawing)]))
  const tallest = Math.max(...[...extents.values()].map(({ height }) => height))
  const rowsAt = (scale: number) => {
    const rows: { card: CardContent; faction: string | null; x: number; wide: number }[][] = [[]]
    let x = 0
    let known: string | null = null
    for (const { faction, card } of cards) {
      const wide = Math.max(extents.get(card)!.width * scale + 3, 15)
      const begins = faction !== known
      if (begins && x > 0) x += BETWEEN
      if (x > 0 && x + wide > room.width) {
        rows.push([])
        x = 0
      }
      rows.at(-1)!.push({ card, faction: begins ? faction : null, x, wide })
      known = faction
      x += wide
    }
    return rows
  }
  const named = (row: ReturnType<typeof rowsAt>[number]) => row.some(({ faction }) => faction)
  const used = (scale: number) =>
    rowsAt(scale).reduce((sum, row) => sum + tallest * scale + NAMES + (named(row) ? HEADING : 0), 0)
  let scale = Math.min(90 / tallest, room.width / Math.max(...[...extents.values()].map((e) => e.width)))
  while (used(scale) > room.height && scale * tallest > 8) scale *= 0.96
  const marks: Mark[] = []
  let y = room.y
  for (const row of rowsAt(scale)) {
    if (named(row)) y += HEADING
    const ground = y + tallest * scale
    marks.push({
      kind: 'path',
      d: `M0 0H${Math.round(room.width)}`,
      x: room.x,
      y: ground,
      stroke: PAPER.line,
      width: 0.3,
    })
    for (const [i, { card, faction, x, wide }] of row.entries()) {
      const { x: left, width, y: top, height } = extents.get(card)!
      const middle = room.x + x + wide / 2
      marks.push({
        kind: 'figure',
        drawing: card.drawing,
        x: middle - (left + width / 2) * scale,
        y: ground - (top + height) * scale,
        scale,
      })
      wrapText(card.title, 2.5, wide - 0.5, 2).forEach((line, n) =>
        marks.push(text(middle, ground + 3 + n * 2.8, 2.5, line, { anchor: 'middle' })),
      )
      if (!faction) continue
      const next = row.slice(i + 1).find((one) => one.faction !== null)
      const [name] = wrapText(faction, 3.6, (next?.x ?? room.width) - x - 1, 1)
      marks.push(text(room.x + x, y - 2.4, 3.6, name!, { strong: true }))
    }
    y = ground + NAMES
  }
  return marks
}

function cardPages({ cards }: SheetContent, choices: SheetChoices): Mark[][] {
  const { width, height } = PAPER_SIZES[choices.paper]
  const [columns, rows] = CELLS[choices.perPage]
  const cell = {
    width: (width - 2 * MARGIN - (columns - 1) * GAP) / columns,
    height: (height - 2 * MARGIN - FOOT - (rows - 1) * GAP) / rows,
  }
  const pages: Mark[][] = []
  cards.forEach(({ card }, i) => {
    const at = i % choices.perPage
    if (at === 0) pages.push([])
    const x = MARGIN + (at % columns) * (cell.width + GAP)
    const y = MARGIN + Math.floor(at / columns) * (cell.height + GAP)
    const marks =
      columns === 1 ? cardPage(card, { ...CARD_CHOICES, ...choices }, cell).marks : listed(card, choices, cell)
    pages
      .at(-1)!
      .push(
        { kind: 'rect', x, y, ...cell, radius: 2, fill: '#FBF8F1', stroke: PAPER.line, line: 0.3 },
        ...movedBy(marks, x, y),
      )
  })
  return pages
}

const INSET = 4
/** Smallest text of a list. */
const LEAST = 1.9

/** A card too small for lead lines: the figure beside the list of its parts. What finds no room is counted, never left out silently. */
function listed(card: CardContent, choices: SheetChoices, cell: { width: number; height: number }): Mark[] {
  const inner = cell.width - 2 * INSET
  const title = wrapText(card.title, 4.6, inner, 1)[0]!
  const marks: Mark[] = [
    text(INSET, INSET + 3.6, 4.6, title, { heading: true }),
    text(INSET, INSET + 7.8, 2.5, wrapText(card.subtitle, 2.5, inner, 1)[0]!, { fill: PAPER.soft }),
  ]
  const top = INSET + 10.5
  const room = { width: inner * 0.42, height: cell.height - top - INSET }
  const bounds = extentOf(card.drawing)
  const scale = Math.min(room.width / bounds.width, room.height / bounds.height)
  marks.push({
    kind: 'figure',
    drawing: card.drawing,
    x: INSET + room.width / 2 - (bounds.x + bounds.width / 2) * scale,
    y: top + (room.height + bounds.height * scale) / 2 - (bounds.y + bounds.height) * scale,
    scale,
  })
  const x = INSET + room.width + 3
  const width = cell.width - INSET - x
  const lines = ({ colour, source, price }: CardEntry) => {
    const asked = choices.prices && price ? [price] : []
    return [
      ...(choices.colours ? [{ words: [colour.name, ...asked].join(' · '), swatch: true }] : []),
      ...(choices.sources ? [{ words: source, swatch: false }] : []),
      ...(choices.colours ? [] : asked.map((words) => ({ words, swatch: false }))),
    ]
  }
  const linesAt = (size: number) =>
    card.entries.map((entry) => {
      const small = size * 0.85
      const name = wrapText(entry.qty > 1 ? `${entry.qty} × ${entry.name}` : entry.name, size, width)
      const more = [...lines(entry)].map((one) => ({
        ...one,
        words: wrapText(one.words, small, width - (one.swatch ? small * 1.3 : 0), 1)[0]!,
      }))
      return { entry, name, more, small, height: (name.length + more.length) * size * 1.2 + size * 0.5 }
    })
  let size = 2.9
  let entries = linesAt(size)
  const used = () => entries.reduce((sum, one) => sum + one.height, 0)
  while (used() > room.height && size > LEAST) entries = linesAt((size *= 0.96))
  let y = top
  let left = entries.length
  for (const { entry, name, more, small, height } of entries) {
    if (y + height > top + room.height + 0.01 - (left > 1 ? size * 1.4 : 0)) break
    left--
    for (const line of name) marks.push(text(x, (y += size * 1.2), size, line, { strong: true }))
    for (const { words, swatch } of more) {
      y += size * 1.2
      if (swatch)
        marks.push({
          kind: 'rect',
          x,
          y: y - small * 0.8,
          width: small * 0.9,
          height: small * 0.9,
          radius: small * 0.2,
          fill: entry.colour.hex,
          stroke: '#2A2730',
          line: 0.15,
        })
      marks.push(text(x + (swatch ? small * 1.3 : 0), y, small, words, swatch ? {} : { fill: PAPER.soft }))
    }
    y += size * 0.5
  }
  if (left > 0) marks.push(text(x, y + size * 1.2, size, `and ${left} more`, { strong: true }))
  return marks
}

const ROW = 5.6

/** All parts with how many of each, where they come from and what they cost. */
function indexPages({ lines, total }: SheetContent, { paper, prices, sources }: SheetChoices): Mark[][] {
  const { width, height } = PAPER_SIZES[paper]
  const right = width - MARGIN
  const at = { qty: MARGIN + 8, name: MARGIN + 11, colour: MARGIN + 72, source: MARGIN + 104, price: right - 18 }
  const pages: Mark[][] = []
  let y = 0
  const bottom = height - MARGIN - FOOT
  const head = () => {
    pages.push([text(MARGIN, MARGIN + 7, 7, pages.length === 0 ? 'Parts' : 'Parts, continued', { heading: true })])
    y = MARGIN + 14
    const titles: [number, string, Words][] = [
      [at.name, 'Part', {}],
      [at.colour, 'Colour', {}],
      ...(sources ? [[at.source, 'Where from', {}] as [number, string, Words]] : []),
      ...(prices
        ? ([
            [at.price, 'Cheapest', { anchor: 'end' }],
            [right, 'Together', { anchor: 'end' }],
          ] as [number, string, Words][])
        : []),
    ]
    for (const [x, words, more] of titles) pages.at(-1)!.push(text(x, y, 2.7, words, { fill: PAPER.soft, ...more }))
    y += 2
  }
  head()
  for (const { name, colour, qty, source, price, sum } of lines) {
    if (y + ROW > bottom) head()
    y += ROW
    pages.at(-1)!.push(
      { kind: 'path', d: `M${MARGIN} 0H${right}`, y: y + 1.6, stroke: PAPER.rule, width: 0.25 },
      text(at.qty, y, 3, `${qty} ×`, { anchor: 'end' }),
      text(at.name, y, 3, wrapText(name, 3, at.colour - at.name - 2, 1)[0]!, { strong: true }),
      {
        kind: 'rect',
        x: at.colour,
        y: y - 2.4,
        width: 2.6,
        height: 2.6,
        radius: 0.6,
        fill: colour.hex,
        stroke: '#2A2730',
        line: 0.2,
      },
      text(at.colour + 4, y, 2.8, wrapText(colour.name, 2.8, at.source - at.colour - 6, 1)[0]!),
    )
    const end = prices ? at.price - 16 : right
    if (sources)
      pages.at(-1)!.push(text(at.source, y, 2.8, wrapText(source, 2.8, end - at.source, 1)[0]!, { fill: PAPER.soft }))
    if (prices)
      pages.at(-1)!.push(text(at.price, y, 2.8, price, { anchor: 'end' }), text(right, y, 2.8, sum, { anchor: 'end' }))
  }
  if (prices && total) {
    if (y + ROW + 6.6 > bottom) head()
    pages
      .at(-1)!
      .push(
        ...wrapText(total, 3.4, right - MARGIN, 2).map((line, i) =>
          text(right, y + ROW + 2 + i * 4.6, 3.4, line, { anchor: 'end', strong: true }),
        ),
      )
  }
  return pages
}
