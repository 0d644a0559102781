import { formatLength } from '../base/index.ts'
import type { Drawing } from '../mannequin/index.ts'
import { PAPER, type Mark, type Page } from './page.ts'
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
const sideBySideWidth = (columns: number) => 2 * SIDE_BY_SIDE.margin + columns * SIDE_BY_SIDE.column

/** Outfits side by side on one ground at one scale, each from the front and from behind. */
export function sideBySidePage({ title, footer, columns }: SideBySide): Page {
  const { margin, column, figureHeight } = SIDE_BY_SIDE
  const width = sideBySideWidth(columns.length)
  const drawings = columns.flatMap(({ front, back }) => [front, back])
  // One scale for all, so that heights compare.
  const scale = figureHeight / Math.max(...drawings.map(({ window }) => window.height))
  const ground = margin + 16 + figureHeight - 4
  const wrapped = columns.map(({ lines }) =>
    lines.flatMap((line) => wrapText(line, 2.9, column - 6)).slice(0, MOST_LINES),
  )
  const height = ground + 9 + LINE * Math.max(0, ...wrapped.map((lines) => lines.length)) + 11
  const marks: Mark[] = [
    { kind: 'path', d: `M0 ${ground}H${width}`, stroke: PAPER.line, width: 0.4 },
    { kind: 'text', x: margin, y: margin + 6, size: 7, value: title, heading: true },
    ...columns.flatMap(({ label, front, back }, i): Mark[] => {
      const x = margin + i * column
      return [
        { kind: 'figure', drawing: front, x: x + column * 0.27, y: ground, scale },
        { kind: 'figure', drawing: back, x: x + column * 0.73, y: ground, scale },
        { kind: 'text', x, y: ground + 9, size: 4.2, value: label, strong: true },
        {
          kind: 'text',
          x: x + column - 20,
          y: ground + 9,
          size: 2.9,
          value: `${formatLength(Math.round(front.height))} tall`,
          fill: PAPER.soft,
        },
        ...wrapped[i]!.map((value, n): Mark => ({ kind: 'text', x, y: ground + 9 + LINE * (n + 1), size: 2.9, value })),
      ]
    }),
    { kind: 'text', x: margin, y: height - 3.5, size: 2.7, value: footer, fill: PAPER.soft },
  ]
  return { title: `${title}: ${columns.map(({ label }) => label).join(', ')} side by side`, width, height, marks }
}
