import { clustersOf, hexOfLab, labDistance, type Lab } from '../colour/index.ts'
import { cellOf, neighboursOf, type LabField } from './field.ts'
import type { Outline, Point } from './outline.ts'
import type { Region } from './region.ts'

/** What of a figure is looked at by itself. Right and left are the figure's own. */
export const ZONES = [
  'hair',
  'face',
  'torso',
  'sleeveRight',
  'sleeveLeft',
  'handRight',
  'handLeft',
  'legRight',
  'legLeft',
  'bootRight',
  'bootLeft',
  'heldRight',
  'heldLeft',
] as const
export type Zone = (typeof ZONES)[number]
export type Side = 'Right' | 'Left'
export const SIDES: readonly Side[] = ['Right', 'Left']

/** A colour of a zone with its share of it, in (0, 1]. */
export interface ZoneColour {
  hex: string
  lab: Lab
  share: number
}

const middle = (a: Point, b: Point): Point => ({ x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 })

/** Half the width of the shoulders, in cells; within what a body has, whatever an arm held out does to its silhouette. */
export function halfWidth({ shoulderRight, shoulderLeft, crown, soles }: Outline): number {
  const height = soles.y - crown.y
  const half = Math.hypot(shoulderLeft.x - shoulderRight.x, shoulderLeft.y - shoulderRight.y) / 2
  return Math.max(height * 0.07, Math.min(half, height * 0.22))
}

/**
 * The cells of a figure, each with its place on the body: `down` is 0 at the crown, 1 at the chin, 2 at the shoulders and so on to
 * 6 at the soles; `beside` is cells beside the spine, negative on the figure's right; `aside` the same in halves of the shoulders' width.
 */
export interface Body {
  cells: Int32Array
  rows: Int32Array
  down: Float32Array
  beside: Float32Array
  aside: Float32Array
}

/** The cells of a figure; without a region all those the outline could lie over. */
export function bodyOf(field: LabField, outline: Outline, region: Region | null): Body {
  const shoulders = middle(outline.shoulderRight, outline.shoulderLeft)
  const spine = [outline.crown, outline.chin, shoulders, outline.waist, outline.hip, outline.knees, outline.soles]
  const half = halfWidth(outline)
  const most = field.width * field.height
  const body: Body = {
    cells: new Int32Array(most),
    rows: new Int32Array(most),
    down: new Float32Array(most),
    beside: new Float32Array(most),
    aside: new Float32Array(most),
  }
  let count = 0
  for (let row = 0, i = 0; row < field.height; row++) {
    const y = row + 0.5
    if (y < outline.crown.y || y > outline.soles.y) continue
    while (i < spine.length - 2 && y >= spine[i + 1]!.y) i++
    const [from, to] = [spine[i]!, spine[i + 1]!]
    const share = (y - from.y) / Math.max(1e-6, to.y - from.y)
    const middleX = from.x + (to.x - from.x) * share
    for (let column = 0; column < field.width; column++) {
      const cell = row * field.width + column
      if (region && !region.cells[cell]) continue
      body.cells[count] = cell
      body.rows[count] = row
      body.down[count] = i + share
      body.beside[count] = column + 0.5 - middleX
      body.aside[count] = body.beside[count]! / half
      count++
    }
  }
  return {
    cells: body.cells.subarray(0, count),
    rows: body.rows.subarray(0, count),
    down: body.down.subarray(0, count),
    beside: body.beside.subarray(0, count),
    aside: body.aside.subarray(0, count),
  }
}

/** The cells of a body for whose number in its lists something holds. */
export function cellsWhere({ cells }: Body, holds: (i: number) => boolean): number[] {
  const found: number[] = []
  for (let i = 0; i < cells.length; i++) if (holds(i)) found.push(cells[i]!)
  return found
}

/** Cells more than this from a neighbour (CIE 1976) are on an edge, where colours blend. */
const EDGE = 9
const MOST_CELLS = 1200
const CLUSTERS = 5
/** Colours of less of a zone are not told. */
const LEAST_SHARE = 0.06

/**
 * The main colours of some cells, the largest first: k-means in CIELAB, edges left out, and what is only the shade of another
 * colour taken as that colour in the light.
 */
export function coloursOf(field: LabField, cells: readonly number[]): ZoneColour[] {
  const clear = cells.filter((cell) => !Number.isNaN(field.lab[cell * 3]!))
  const inner = clear.filter((cell) => !isEdge(field, cell))
  const looked = inner.length * 4 >= clear.length ? inner : clear
  const step = Math.max(1, Math.ceil(looked.length / MOST_CELLS))
  const points = looked.filter((_, i) => i % step === 0).map((cell) => cellOf(field, cell))
  if (points.length === 0) return []
  const clusters = clustersOf(points, CLUSTERS).sort((a, b) => b.members.length - a.members.length)
  const groups: { centre: Lab; members: number[] }[] = []
  for (const { centre, members } of clusters) {
    const same = groups.find((group) => isShade(group.centre, centre))
    if (same) same.members.push(...members)
    else groups.push({ centre, members: [...members] })
  }
  return groups
    .map(({ members }) => {
      const lab = inTheLight(members.map((member) => points[member]!))
      return { hex: hexOfLab(lab), lab, share: members.length / points.length }
    })
    .filter(({ share }, i) => i === 0 || share >= LEAST_SHARE)
    .sort((a, b) => b.share - a.share)
}

function isEdge(field: LabField, cell: number): boolean {
  const own = cellOf(field, cell)
  return neighboursOf(cell, field.width, field.height).some((next) => labDistance(own, cellOf(field, next)) > EDGE)
}

/** Chroma below which a colour is grey, and what two lightnesses and hues of one cloth differ by at most. */
const GREY = 9
const SHADE_LIGHTNESS = 26
const GREY_LIGHTNESS = 15
const SHADE_HUE = (16 * Math.PI) / 180

/** Whether one colour may be the other in the shade. */
export function isShade(a: Lab, b: Lab): boolean {
  const [chromaA, chromaB] = [Math.hypot(a[1], a[2]), Math.hypot(b[1], b[2])]
  const lighter = Math.abs(a[0] - b[0])
  if (chromaA < GREY && chromaB < GREY) return lighter <= GREY_LIGHTNESS
  if (Math.min(chromaA, chromaB) < GREY * 0.6) return false
  const turn = Math.abs(Math.atan2(a[2], a[1]) - Math.atan2(b[2], b[1]))
  const hue = Math.min(turn, 2 * Math.PI - turn)
  const ratio = Math.max(chromaA, chromaB) / Math.min(chromaA, chromaB)
  return hue <= SHADE_HUE && lighter <= SHADE_LIGHTNESS && ratio <= 2.2
}

/** The mean of the lighter half, which is what a cloth is where nothing lies in its own shade. */
function inTheLight(points: readonly Lab[]): Lab {
  const lit = [...points].sort((p, q) => q[0] - p[0]).slice(0, Math.max(1, Math.ceil(points.length / 2)))
  const mean = (c: 0 | 1 | 2) => lit.reduce((sum, point) => sum + point[c], 0) / lit.length
  return [mean(0), mean(1), mean(2)]
}
