import type { Drawing } from '../mannequin/index.ts'
import type { CutPhoto } from './cardPhoto.ts'
import { extentOf } from './extentOf.ts'
import type { Box } from './leads.ts'
import { PAPER, type Mark } from './page.ts'
import { wrapText } from './textWidth.ts'

/** What stands above and below the figure of every card. */
export interface CardWords {
  title: string
  subtitle: string
  footer: string
  /** A sentence or two of whoever made it. */
  note: string
  credits: string
}

/** The heading and foot of a card, with the room between them; millimetres. */
export interface CardFrame {
  width: number
  height: number
  margin: number
  /** Sizes of texts. */
  title: number
  text: number
  small: number
  line: number
  /** Where the room for everything else begins and ends. */
  top: number
  bottom: number
  words: { title: string; subtitle: string; note: string[]; credits: string[]; foot: string[] }
}

/** Shares of a card's width and height, so that all sizes are of one kind. */
const MARGIN = 8
const NAME = 3.5
const SMALL = 2.9
const LINE = 4.1
/** Smallest text, which a careful printer still holds. */
const LEAST = 2
/** Wide cards say the subtitle beside the title, narrow ones below it. */
const WIDE = 160

/** Texts as large as a card has room for at most. */
const largestText = (width: number) => Math.min(1, width / 140)

/** What is laid out with texts as large as it fits with them; as small as they may be where it never does. */
export function asLargeAsFits<T extends { fits: boolean }>(width: number, layOut: (k: number) => T): T {
  let k = largestText(width)
  let laid = layOut(k)
  while (!laid.fits && NAME * k * 0.95 >= LEAST) laid = layOut((k *= 0.95))
  return laid
}

/** The frame of a card with its texts broken into lines; `k` makes them smaller. */
export function cardFrame(
  { title, subtitle, note, credits, footer }: CardWords,
  { width, height, k }: { width: number; height: number; k: number },
): CardFrame {
  const margin = MARGIN * largestText(width)
  const small = SMALL * k
  const titleSize = Math.min(8, width / 16)
  const inner = width - 2 * margin
  const lines = (words: string, most: number) => (words ? wrapText(words, small, inner, most) : [])
  const words = {
    title: wrapText(title, titleSize, width > WIDE ? inner * 0.62 : inner, 1)[0]!,
    subtitle: wrapText(subtitle, subtitleSize(small), width > WIDE ? inner * 0.36 : inner, 1)[0]!,
    note: lines(note, 6),
    credits: lines(credits, 1),
    foot: lines(footer, 3),
  }
  const below = words.foot.length + words.note.length + words.credits.length
  return {
    width,
    height,
    margin,
    title: titleSize,
    text: NAME * k,
    small,
    line: LINE * k,
    top: margin + titleSize + (width > WIDE ? 4 : 3 + small * 1.5),
    bottom: height - (margin * 0.5 + small * 1.4 * below + 2),
    words,
  }
}

const subtitleSize = (small: number) => Math.min(3.6, small * 1.25)

/** Ruled paper, and the heading over it. */
export function headMarks({ width, height, margin, title, small, words }: CardFrame): Mark[] {
  const ruled: Mark[] = Array.from({ length: Math.floor(height / 9) - 2 }, (_, i) => ({
    kind: 'path',
    d: `M0 ${24 + i * 9}H${Math.round(width * 100) / 100}`,
    stroke: PAPER.rule,
    width: 0.25,
  }))
  const subtitle = { kind: 'text' as const, size: subtitleSize(small), value: words.subtitle, fill: PAPER.soft }
  return [
    ...ruled,
    { kind: 'text', x: margin, y: margin + title * 0.85, size: title, value: words.title, heading: true },
    width > WIDE
      ? { ...subtitle, x: width - margin, y: margin + 7, anchor: 'end' }
      : { ...subtitle, x: margin, y: margin + title + small * 1.3 },
  ]
}

/** Note, credits and footer, one below the other. */
export function footMarks({ height, margin, small, words }: CardFrame): Mark[] {
  const lines = [
    ...words.note.map((value) => ({ value })),
    ...[...words.credits, ...words.foot].map((value) => ({ value, fill: PAPER.soft })),
  ].reverse()
  return lines.map((line, i) => ({
    kind: 'text',
    x: margin,
    y: height - margin * 0.5 - small * 1.4 * i,
    size: small,
    ...line,
  }))
}

/** A figure on a card: as drawn, or a photo of it. */
export interface CardPicture {
  drawing: Drawing
  photo?: CutPhoto
}

/** The box round a picture, in its own units. */
export const pictureExtent = ({ drawing, photo }: CardPicture): Box =>
  photo ? { x: 0, y: 0, width: photo.width, height: photo.height } : extentOf(drawing)

/** A picture whose 0,0 stands at a point, `scale` millimetres to its unit. */
export function pictureMarks({ drawing, photo }: CardPicture, at: { x: number; y: number; scale: number }): Mark[] {
  if (!photo) return [{ kind: 'figure', drawing, ...at }]
  const box = { x: at.x, y: at.y, width: photo.width * at.scale, height: photo.height * at.scale }
  return [
    { kind: 'image', ...box, href: photo.href },
    { kind: 'rect', ...box, stroke: PAPER.line, line: 0.3 },
  ]
}
