import { INK } from '../mannequin/index.ts'
import { BLEED } from '../net/index.ts'
import type { Mark } from '../show/index.ts'
import { SAFE, type LeafletPanel } from './leafletPanels.ts'

interface Room {
  width: number
  height: number
}

const stroke = (d: string, dashes?: string): Mark => ({
  kind: 'path',
  d,
  stroke: INK,
  width: 0.2,
  ...(dashes ? { dashes } : {}),
})

/** Where it is cut and folded, outside what is printed. */
export function cropMarks({ width, height }: Room, folds: readonly number[], level: number | null): Mark[] {
  const [near, far] = [BLEED + 1, BLEED + 6]
  const corners = [0, width].flatMap((x) => [
    stroke(`M${x} ${-far}L${x} ${-near}`),
    stroke(`M${x} ${height + near}L${x} ${height + far}`),
  ])
  const sides = [0, height].flatMap((y) => [
    stroke(`M${-far} ${y}L${-near} ${y}`),
    stroke(`M${width + near} ${y}L${width + far} ${y}`),
  ])
  return [
    ...corners,
    ...sides,
    ...folds.flatMap((x) => [
      stroke(`M${x} ${-far}L${x} ${-near}`, '1 0.8'),
      stroke(`M${x} ${height + near}L${x} ${height + far}`, '1 0.8'),
    ]),
    ...(level === null
      ? []
      : [
          stroke(`M${-far} ${level}L${-near} ${level}`, '1 0.8'),
          stroke(`M${width + near} ${level}L${width + far} ${level}`, '1 0.8'),
        ]),
  ]
}

/** Folds, and within which nothing is in danger, as pencil lines. */
export function pencil(
  panels: readonly LeafletPanel[],
  { width, height }: Room,
  folds: readonly number[],
  level: number | null,
): Mark[] {
  const line = (d: string, dashes: string): Mark => ({ kind: 'path', d, stroke: '#8A7E69', width: 0.18, dashes })
  return [
    ...folds.map((x) => line(`M${x} 0L${x} ${height}`, '2 1.4')),
    ...(level === null ? [] : [line(`M0 ${level}L${width} ${level}`, '2 1.4')]),
    ...panels.map(({ x, y, width: w, height: h }) =>
      line(
        `M${x + SAFE / 2} ${y + SAFE / 2}L${x + w - SAFE / 2} ${y + SAFE / 2}L${x + w - SAFE / 2} ${y + h - SAFE / 2}L${x + SAFE / 2} ${y + h - SAFE / 2}Z`,
        '0.5 1',
      ),
    ),
  ]
}
