import { hundredth, INK, svgBody, svgText, type Drawing } from '../mannequin/index.ts'
import { CARD_FAMILIES } from './card.ts'
import { wrapText } from './textWidth.ts'

/** One of the outfits that stand side by side. */
export interface SideBySideColumn {
  label: string
  /** Said under it, such as what is different. */
  lines: string[]
  front: Drawing
  back: Drawing
}

export interface SideBySide {
  title: string
  footer: string
  columns: SideBySideColumn[]
}

/** Sizes of the picture in millimetres; it grows with its columns and what is said under them. */
export const SIDE_BY_SIDE = { margin: 8, column: 88, figureHeight: 66 } as const

const LINE = 4.1
const MOST_LINES = 14

/** Width of the picture of so many outfits, in millimetres. */
export const sideBySideWidth = (columns: number) => 2 * SIDE_BY_SIDE.margin + columns * SIDE_BY_SIDE.column

/**
 * Outfits side by side on one ground at one scale, each from the front and from behind, as an SVG document of one unit a
 * millimetre. `fontCss` holds @font-face rules to embed.
 */
export function sideBySideSvg({ title, footer, columns }: SideBySide, fontCss = '', families = CARD_FAMILIES): string {
  const { margin, column, figureHeight } = SIDE_BY_SIDE
  const width = sideBySideWidth(columns.length)
  const text = (
    x: number,
    y: number,
    size: number,
    value: string,
    { weight = 400, fill = INK, family = families.text } = {},
  ) =>
    `<text x="${hundredth(x)}" y="${hundredth(y)}" font-family="'${family}'" font-size="${size}" font-weight="${weight}" fill="${fill}">${svgText(value)}</text>`
  const drawings = columns.flatMap(({ front, back }) => [front, back])
  // One scale for all, so that heights compare.
  const scale = figureHeight / Math.max(...drawings.map(({ window }) => window.height))
  const ground = margin + 16 + figureHeight - 4
  const figure = ({ shapes }: Drawing, x: number) =>
    `<g transform="translate(${hundredth(x)} ${ground}) scale(${scale.toFixed(4)})">${svgBody(shapes)}</g>`
  const wrapped = columns.map(({ lines }) =>
    lines.flatMap((line) => wrapText(line, 2.9, column - 6)).slice(0, MOST_LINES),
  )
  const height = ground + 9 + LINE * Math.max(0, ...wrapped.map((lines) => lines.length)) + 11
  const drawn = columns.map(({ label, front, back }, i) => {
    const x = margin + i * column
    return (
      figure(front, x + column * 0.27) +
      figure(back, x + column * 0.73) +
      text(x, ground + 9, 4.2, label, { weight: 700 }) +
      text(x + column - 20, ground + 9, 2.9, `${Math.round(front.height)} mm tall`, { fill: '#6B6253' }) +
      wrapped[i]!.map((line, n) => text(x, ground + 9 + LINE * (n + 1), 2.9, line)).join('')
    )
  })
  return (
    `<svg xmlns="http://www.w3.org/2000/svg" width="${width}mm" height="${height}mm" viewBox="0 0 ${width} ${height}">` +
    `<title>${svgText(`${title}: ${columns.map(({ label }) => label).join(', ')} side by side`)}</title>` +
    (fontCss ? `<style>${fontCss}</style>` : '') +
    `<rect width="${width}" height="${height}" fill="#F8F3E8"/>` +
    `<path d="M0 ${ground}H${width}" stroke="#CFC4AB" stroke-width="0.4"/>` +
    text(margin, margin + 6, 7, title, { weight: 700, family: families.heading }) +
    drawn.join('') +
    text(margin, height - 3.5, 2.7, footer, { fill: '#6B6253' }) +
    '</svg>'
  )
}
