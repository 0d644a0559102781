import { type Drawing, hundredth, INK, svgBody, svgText } from '../mannequin/index.ts'
import { wrapText } from './textWidth.ts'

/** One line of the breakdown: what, in which colour, from where, and the points on the figure it leads to. */
export interface CardEntry {
  name: string
  qty: number
  colour: { name: string; hex: string }
  source: string
  anchors: { x: number; y: number }[]
}

export interface CardContent {
  title: string
  subtitle: string
  footer: string
  drawing: Drawing
  entries: CardEntry[]
}

/** Sizes of the card in millimetres. */
export const CARD = {
  width: 190,
  height: 130,
  margin: 8,
  column: 52,
  titleSize: 8,
  nameSize: 3.5,
  smallSize: 2.9,
  figureHeight: 96,
} as const

interface PlacedEntry {
  entry: CardEntry
  side: 'left' | 'right'
  /** Top of the label block. */
  y: number
  lines: string[]
  /** Anchors in millimetres on the card. */
  targets: { x: number; y: number }[]
}

export interface CardLayout {
  labels: PlacedEntry[]
  /** Millimetres in a figure unit, and where the figure's 0,0 stands. */
  figure: { scale: number; x: number; y: number }
}

const LINE = 4.1
const blockHeight = (lines: number) => (lines + 2) * LINE + 1.4

/**
 * Place the labels: each goes to the side its anchor is on, then sides are evened out by moving the labels nearest the
 * middle; on a side they stand in the order of their anchors, so that lead lines do not cross, and are spread evenly.
 */
export function layOutCard({ drawing, entries }: CardContent): CardLayout {
  const { window } = drawing
  const scale = CARD.figureHeight / window.height
  const figure = { scale, x: CARD.width / 2, y: CARD.height - CARD.margin - 6 - (window.y + window.height) * scale }
  const onCard = ({ x, y }: { x: number; y: number }) => ({ x: figure.x + x * scale, y: figure.y + y * scale })
  const middle = (entry: CardEntry) => entry.anchors.reduce((sum, a) => sum + a.x, 0) / entry.anchors.length
  const left = entries.filter((entry) => middle(entry) < 0).sort((a, b) => middle(b) - middle(a))
  const right = entries.filter((entry) => middle(entry) >= 0).sort((a, b) => middle(a) - middle(b))
  while (left.length > right.length + 1) right.unshift(left.shift()!)
  while (right.length > left.length + 1) left.unshift(right.shift()!)

  const placed = (side: 'left' | 'right', list: CardEntry[]): PlacedEntry[] => {
    const blocks = list
      .map((entry) => {
        const nearest = [...entry.anchors].sort((a, b) => (side === 'left' ? a.x - b.x : b.x - a.x))
        const name = entry.qty > 1 ? `${entry.qty} × ${entry.name}` : entry.name
        return { entry, side, lines: wrapText(name, CARD.nameSize, CARD.column), targets: nearest.map(onCard) }
      })
      .sort((a, b) => a.targets[0]!.y - b.targets[0]!.y)
    const top = CARD.margin + 18
    const room = CARD.height - CARD.margin - 5 - top
    const used = blocks.reduce((sum, block) => sum + blockHeight(block.lines.length), 0)
    const gap = blocks.length > 1 ? Math.max(0, Math.min(9, (room - used) / (blocks.length - 1))) : 0
    let y = top + Math.max(0, (room - used - gap * (blocks.length - 1)) / 2)
    return blocks.map((block) => {
      const at = y
      y += blockHeight(block.lines.length) + gap
      return { ...block, y: at }
    })
  }
  return { labels: [...placed('left', left), ...placed('right', right)], figure }
}

/** Faces of the card; whoever draws it must have them or embed them. */
export const CARD_FAMILIES = { heading: 'Bricolage Grotesque', text: 'Atkinson Hyperlegible Next' }

/** The card as an SVG document, one unit a millimetre. `fontCss` holds @font-face rules to embed. */
export function cardSvg(content: CardContent, fontCss = '', families = CARD_FAMILIES): string {
  const { labels, figure } = layOutCard(content)
  const text = (
    x: number,
    y: number,
    size: number,
    value: string,
    { anchor = 'start', weight = 400, fill = INK, family = families.text } = {},
  ) =>
    `<text x="${hundredth(x)}" y="${hundredth(y)}" font-family="'${family}'" font-size="${size}" font-weight="${weight}" text-anchor="${anchor}" fill="${fill}">${svgText(value)}</text>`
  const label = ({ entry, side, y, lines, targets }: PlacedEntry) => {
    const isLeft = side === 'left'
    const x = isLeft ? CARD.margin + CARD.column : CARD.width - CARD.margin - CARD.column
    const anchor = isLeft ? 'end' : 'start'
    const [target] = targets
    const from = { x: x + (isLeft ? 2 : -2), y: y + LINE * 0.8 }
    const bend = from.x + (isLeft ? 8 : -8)
    const rest = lines.length * LINE
    const swatch = isLeft ? x - 2.6 : x
    return (
      `<path d="M${hundredth(from.x)} ${hundredth(from.y)}L${hundredth(bend)} ${hundredth(from.y)}L${hundredth(target!.x)} ${hundredth(target!.y)}" fill="none" stroke="#8A7E69" stroke-width="0.3"/>` +
      targets
        .map(
          (t) =>
            `<circle cx="${hundredth(t.x)}" cy="${hundredth(t.y)}" r="0.8" fill="#FFFBF2" stroke="${INK}" stroke-width="0.35"/>`,
        )
        .join('') +
      lines.map((line, i) => text(x, y + LINE * (i + 1), CARD.nameSize, line, { anchor, weight: 700 })).join('') +
      `<rect x="${hundredth(swatch)}" y="${hundredth(y + rest + LINE - 2.4)}" width="2.6" height="2.6" rx="0.6" fill="${entry.colour.hex}" stroke="${INK}" stroke-width="0.2"/>` +
      text(isLeft ? x - 3.8 : x + 3.8, y + rest + LINE - 0.2, CARD.smallSize, entry.colour.name, { anchor }) +
      text(x, y + rest + LINE * 2 - 0.5, CARD.smallSize, wrapText(entry.source, CARD.smallSize, CARD.column, 1)[0]!, {
        anchor,
        fill: '#6B6253',
      })
    )
  }
  const { width, height, margin } = CARD
  const ruled = Array.from(
    { length: 12 },
    (_, i) => `<path d="M0 ${24 + i * 9}L${width} ${24 + i * 9}" stroke="#E7DEC9" stroke-width="0.25"/>`,
  ).join('')
  return (
    `<svg xmlns="http://www.w3.org/2000/svg" width="${width}mm" height="${height}mm" viewBox="0 0 ${width} ${height}">` +
    `<title>${svgText(`${content.title}: parts and where they come from`)}</title>` +
    (fontCss ? `<style>${fontCss}</style>` : '') +
    `<rect width="${width}" height="${height}" fill="#F8F3E8"/>${ruled}` +
    text(margin, margin + 7, CARD.titleSize, content.title, { weight: 700, family: families.heading }) +
    text(width - margin, margin + 7, 3.6, content.subtitle, { anchor: 'end', fill: '#6B6253' }) +
    `<g transform="translate(${hundredth(figure.x)} ${hundredth(figure.y)}) scale(${figure.scale.toFixed(4)})">${svgBody(content.drawing.shapes)}</g>` +
    labels.map(label).join('') +
    text(margin, height - 4, 2.7, content.footer, { fill: '#6B6253' }) +
    '</svg>'
  )
}
