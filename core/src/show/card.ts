import { INK, MEASURES, type Drawing } from '../mannequin/index.ts'
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
import type { CardPhoto } from './cardPhoto.ts'
import { isWithin, placeLeads, type Box, type PlacedLead, type Point } from './leads.ts'
import { PAPER, type Mark, type Page } from './page.ts'
import { textWidth, wrapText } from './textWidth.ts'

/** One line of the breakdown: what, in which colour, from where, and the points on the figure it leads to. */
export interface CardEntry {
  name: string
  qty: number
  colour: { name: string; hex: string }
  source: string
  /** The lowest price of the day in words; empty where it is owned or nobody sells it. */
  price: string
  anchors: { x: number; y: number }[]
}

/** Anchors of entries are in the units of what is shown: of the photo where there is one. */
export interface CardContent extends CardWords, CardPicture {
  entries: CardEntry[]
}

/** Sizes of cards in millimetres. */
export const CARD_SIZES = {
  wide: { width: 190, height: 130 },
  square: { width: 150, height: 150 },
  portrait: { width: 130, height: 180 },
  A6: { width: 105, height: 148 },
  A5: { width: 148, height: 210 },
} as const
export type CardSize = keyof typeof CARD_SIZES
export const CARD_SIZE_NAMES = Object.keys(CARD_SIZES) as CardSize[]

/** What a card shows besides the figure and the names of its parts. */
export interface CardChoices {
  size: CardSize
  view: 'front' | 'back'
  lines: boolean
  colours: boolean
  sources: boolean
  prices: boolean
  /** Say what was done to parts and what is made by others. */
  altered: boolean
  note: string
  credits: string
  /** Whether the photo stands in for the drawing, where there is one. */
  picture: 'drawing' | 'photo'
  photo: CardPhoto | null
  /** What stands beside it: a take by its id, a released figure as `BESIDE_FIGURE` and its code; nothing where it stands alone. */
  beside: string
}

export const CARD_CHOICES: CardChoices = {
  size: 'wide',
  view: 'front',
  lines: true,
  colours: true,
  sources: true,
  prices: false,
  altered: true,
  note: '',
  credits: '',
  picture: 'drawing',
  photo: null,
  beside: '',
}

/** How a released figure is named as what stands beside a take: this and its code. */
export const BESIDE_FIGURE = 'figure:'

/** Most letters of a note and of credits; what is longer is refused where it is written. */
export const CARD_TEXTS = { note: 300, credits: 120 } as const

/** A label as it stands on the card. */
interface PlacedEntry extends PlacedLead {
  entry: CardEntry
  name: string[]
  more: { words: string; soft: boolean; swatch: boolean }[]
  /** Every point of the entry, in millimetres on the card. */
  targets: { x: number; y: number }[]
  /** The number at label and figure, where no line can lead without crossing. */
  number: number | null
}

export interface CardLayout extends CardFrame {
  /** Width of the labels at each side. */
  column: number
  labels: PlacedEntry[]
  /** Millimetres in a figure unit, and where the figure's 0,0 stands. */
  figure: { scale: number; x: number; y: number }
  /** What lead lines keep clear of. */
  face: Box
}

/** Where the face is, in figure units; a head that looks away has none to keep clear. */
export function faceBox({ anchors, view }: Pick<Drawing, 'anchors' | 'view'>): Box | null {
  if (!anchors.head || view === 'back') return null
  const { width, height } = MEASURES.head
  const middle = anchors.head.y - 8
  return { x: -width * 0.3, y: middle - height * 0.3, width: width * 0.6, height: height * 0.62 }
}

/**
 * Place a card's texts, figure and lead lines. Texts are made smaller until all labels stand apart; then lines are led so
 * that none crosses another or the face, and where that cannot be, a number stands in for the line.
 */
export function layOutCard(
  content: CardContent,
  choices: CardChoices,
  { width, height }: { width: number; height: number } = CARD_SIZES[choices.size],
): CardLayout {
  const texts = asLargeAsFits(width, (k) => textsAt(content, choices, { width, height, k }))
  return laidOut(texts, content, choices)
}

/** The texts of a card broken into lines at a size, and whether its labels have room at that. */
function textsAt(content: CardContent, choices: CardChoices, size: { width: number; height: number; k: number }) {
  const frame = cardFrame(content, size)
  const { entries } = content
  const { text, small, line, top, bottom } = frame
  const column = Math.min(56, (frame.width - 2 * frame.margin) * 0.29)
  const labelled = entries.map((entry) => {
    const name = wrapText(entry.qty > 1 ? `${entry.qty} × ${entry.name}` : entry.name, text, column)
    const more = [
      ...(choices.colours ? [{ words: entry.colour.name, soft: false, swatch: true }] : []),
      ...(choices.sources ? [{ words: entry.source, soft: true, swatch: false }] : []),
      ...(choices.prices && entry.price ? [{ words: entry.price, soft: false, swatch: false }] : []),
    ].map((one) => ({ ...one, words: wrapText(one.words, small, column - (one.swatch ? small * 1.4 : 0), 1)[0]! }))
    return { entry, name, more, height: (name.length + more.length) * line + 1.2 * size.k }
  })
  // Whatever labels come to stand at one side, they have room.
  const tallest = labelled.map((label) => label.height).sort((a, b) => b - a)
  const most = tallest.slice(0, Math.ceil(entries.length / 2)).reduce((sum, one) => sum + one, 0)
  return { ...frame, column, labelled, k: size.k, fits: most <= bottom - top }
}

function laidOut(
  { labelled, k, fits: _fits, ...texts }: ReturnType<typeof textsAt>,
  picture: CardPicture,
  { lines }: CardChoices,
): CardLayout {
  const { width, margin, column, text, top, bottom } = texts
  const extent = pictureExtent(picture)
  const room = { width: width - 2 * margin - 2 * column - 6, height: bottom - top }
  const scale = Math.min(room.width / extent.width, (room.height * 0.96) / extent.height)
  const figure = {
    scale,
    x: width / 2 - (extent.x + extent.width / 2) * scale,
    y: top + (room.height - extent.height * scale) / 2 - extent.y * scale,
  }
  const onCard = ({ x, y }: Point) => ({ x: figure.x + x * scale, y: figure.y + y * scale })
  const face = picture.photo ? picture.photo.face : faceBox(picture.drawing)
  const targets = labelled.map(({ entry }) => entry.anchors.map(onCard))
  const clear = face ? [{ ...onCard(face), width: face.width * scale, height: face.height * scale }] : []
  /** What is in the face is led to at the cheek. */
  const besideFace = (point: Point): Point[] => {
    const [box] = clear
    if (!box || !isWithin(point, box)) return [point]
    return [box.x - 0.2, box.x + box.width + 0.2].map((x) => ({ x, y: point.y }))
  }
  const { placed, free } = placeLeads(
    labelled.map(({ height }, i) => ({ points: targets[i]!.flatMap(besideFace), height })),
    {
      left: margin + column + 1.5,
      right: width - margin - column - 1.5,
      top,
      bottom,
      gap: 14 * k,
      port: text * 0.75,
      clear,
    },
  )
  let number = 0
  const labels = placed.map((one, i) => {
    const { entry, name, more } = labelled[one.lead]!
    const stands =
      free[i] && clear[0] ? targets[one.lead]!.map((t) => (isWithin(t, clear[0]!) ? one.to : t)) : targets[one.lead]!
    return { ...one, entry, name, more, targets: stands, number: lines && !free[i] ? ++number : null }
  })
  return { ...texts, labels, figure, face: clear[0] ?? { x: 0, y: 0, width: 0, height: 0 } }
}

/** A card as a page; `size` stands in for the chosen one where a card is a cell of something larger. */
export function cardPage(
  content: CardContent,
  choices: CardChoices = CARD_CHOICES,
  size: { width: number; height: number } = CARD_SIZES[choices.size],
): Page {
  const layout = layOutCard(content, choices, size)
  const { width, height, figure, labels } = layout
  const overPhoto = content.photo !== undefined
  const marks = [
    ...headMarks(layout),
    ...pictureMarks(content, figure),
    ...labels.flatMap((label) => labelMarks(label, layout, { ...choices, overPhoto })),
    ...footMarks(layout),
  ]
  return { title: `${content.title}: parts and where they come from`, width, height, marks }
}

/** A number beside a point of the figure; over a photo on a light ground, so that it can be read on any colour. */
function numberMarks({ x, y }: Point, number: number, size: number, overPhoto: boolean): Mark[] {
  const value = `${number}`
  const words: Mark = { kind: 'text', x, y, size, value, strong: true }
  if (!overPhoto) return [words]
  const ground = { x: x - 0.4, y: y - size * 0.85, width: textWidth(value, size) + 0.8, height: size * 1.1 }
  return [{ kind: 'rect', ...ground, radius: 0.5, fill: PAPER.ground }, words]
}

/** A label with its line, dots, swatch and words. */
function labelMarks(
  label: PlacedEntry,
  { margin, column, width, text, small, line }: CardLayout,
  { lines, overPhoto }: Pick<CardChoices, 'lines'> & { overPhoto: boolean },
): Mark[] {
  const { entry, side, y: at, name, more, targets, from, to, number } = label
  const isLeft = side === 'left'
  const x = isLeft ? margin + column : width - margin - column
  const anchor = isLeft ? ('end' as const) : ('start' as const)
  const drawn: Mark[] = []
  if (lines && number === null) {
    const line = { kind: 'path' as const, d: `M${two(from.x)} ${two(from.y)}L${two(to.x)} ${two(to.y)}` }
    // A photo may have any colour: the line shows by a light edge.
    if (overPhoto) drawn.push({ ...line, stroke: PAPER.ground, width: 0.8 }, { ...line, stroke: INK, width: 0.3 })
    else drawn.push({ ...line, stroke: PAPER.lead, width: 0.3 })
  }
  if (lines)
    for (const target of targets) drawn.push({ kind: 'dot', ...target, radius: 0.8, fill: '#FFFBF2', line: 0.35 })
  if (number !== null) {
    for (const target of targets)
      drawn.push(...numberMarks({ x: target.x + 1.2, y: target.y + 0.8 }, number, small, overPhoto))
    drawn.push({
      kind: 'text',
      x: from.x,
      y: from.y + small * 0.3,
      size: small,
      value: `${number}`,
      strong: true,
      anchor: isLeft ? 'start' : 'end',
    })
  }
  name.forEach((words, i) =>
    drawn.push({ kind: 'text', x, y: at + line * (i + 0.8), size: text, value: words, strong: true, anchor }),
  )
  more.forEach(({ words, soft, swatch }, i) => {
    const base = at + line * (name.length + i + 0.8)
    if (swatch)
      drawn.push({
        kind: 'rect',
        x: isLeft ? x - small * 0.9 : x,
        y: base - small * 0.8,
        width: small * 0.9,
        height: small * 0.9,
        radius: small * 0.2,
        fill: entry.colour.hex,
        stroke: '#2A2730',
        line: 0.2,
      })
    const inset = swatch ? small * 1.3 : 0
    drawn.push({
      kind: 'text',
      x: isLeft ? x - inset : x + inset,
      y: base,
      size: small,
      value: words,
      anchor,
      ...(soft ? { fill: PAPER.soft } : {}),
    })
  })
  return drawn
}

const two = (value: number) => Math.round(value * 100) / 100
