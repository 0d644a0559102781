import { colourDifference, labDistance, type Lab } from '../colour/index.ts'
import { cellOf, type LabField } from './field.ts'
import type { Outline } from './outline.ts'
import { cellsWhere, coloursOf, isShade, type Body, type Side, type ZoneColour } from './zones.ts'
import { medianOf } from './medianOf.ts'

/** How far a cell is from a colour, where lightness counts less, since limbs are round: within LIKE it may be of it. */
const unlike = (colour: Lab, cell: Lab) =>
  Math.hypot((colour[0] - cell[0]) * 0.45, colour[1] - cell[1], colour[2] - cell[2])
const LIKE = 15

/** Whether two zones are of plainly different colours, none of them the other's shade. */
export const areApart = (a: ZoneColour, b: ZoneColour): boolean =>
  !isShade(a.lab, b.lab) && colourDifference(a.hex, b.hex) > 9

/** One arm as the picture has it. */
export interface ArmReading {
  sleeve: ZoneColour[]
  /** Colours of the hand; empty where it could not be told from the sleeve. */
  hand: ZoneColour[]
  isBare: boolean
  /** How much of the arm, hand and all, is of the colour of the face, in [0, 1]; null where the hand is not bare. */
  skin: number | null
}

/**
 * Follows an arm down from the shoulder: sleeve, then skin or a glove. `skin` is the colour of the face. Null where nothing
 * hangs down beside the body.
 */
export function readArm(
  field: LabField,
  body: Body,
  outline: Outline,
  side: Side,
  skin: Lab | null,
  hasRegion: boolean,
): ArmReading | null {
  const height = outline.soles.y - outline.crown.y
  const shoulder = (outline.shoulderRight.y + outline.shoulderLeft.y) / 2
  const torso = outline.hip.y - shoulder
  const sign = side === 'Right' ? -1 : 1
  const [inner, outer] = hasRegion ? [0.62, 1.42] : [0.72, 1.1]
  const [first, last] = [shoulder + torso * 0.08, outline.hip.y + height * 0.1]
  const rows = new Map<number, number[]>()
  for (let i = 0; i < body.cells.length; i++) {
    const out = body.aside[i]! * sign
    const row = body.rows[i]!
    if (out < inner || out > outer || row < first || row > last) continue
    const list = rows.get(row)
    if (list) list.push(body.cells[i]!)
    else rows.set(row, [body.cells[i]!])
  }
  const upper = [...rows].filter(([row]) => row < shoulder + torso * 0.3).flatMap(([, list]) => list)
  const sleeve = coloursOf(field, upper)
  if (sleeve.length === 0 || upper.length < 6) return null
  const cloth = sleeve[0]!.lab
  const isCloth = (cell: number, besides: Lab | null = null) => {
    const colour = cellOf(field, cell)
    const away = unlike(cloth, colour)
    return away <= LIKE && (!besides || away < unlike(besides, colour))
  }
  const isSkin = (cell: number) => {
    const colour = cellOf(field, cell)
    return skin !== null && unlike(skin, colour) <= LIKE && unlike(skin, colour) < unlike(cloth, colour)
  }
  const thin = 0.4 * medianOf([...rows].filter(([row]) => row < shoulder + torso * 0.5).map(([, list]) => list.length))
  const shareOf = (row: number, holds: (cell: number) => boolean) => {
    const list = rows.get(row)!
    return list.filter((cell) => holds(cell)).length / list.length
  }
  const order = [...rows.keys()].sort((a, b) => a - b)

  if (skin && unlike(skin, cloth) > LIKE / 2) {
    const bare = order.filter(
      (row) =>
        shareOf(row, isSkin) >= 0.45 &&
        shareOf(row, (cell) => isCloth(cell, skin)) < 0.4 &&
        // A shaft of wood is of the colour of skin, and thinner than an arm.
        rows.get(row)!.filter(isSkin).length >= thin,
    )
    const run = lastRun(bare, Math.max(2, height * 0.02))
    if (run) {
      const hand = bare.filter((row) => row > run.last - Math.max(3, height * 0.06))
      const start = firstRun(bare, Math.max(2, height * 0.02))!.first
      return {
        sleeve,
        hand: coloursOf(field, hand.flatMap((row) => rows.get(row)!).filter(isSkin)),
        isBare: true,
        skin: (run.last - start) / (run.last - shoulder),
      }
    }
  } else if (skin) return { sleeve, hand: sleeve, isBare: true, skin: 1 }

  const other = order.filter((row) => row > shoulder + torso * 0.42 && shareOf(row, (cell) => isCloth(cell)) < 0.35)
  const glove = firstRun(other, Math.max(2, height * 0.02))
  if (!glove) return { sleeve, hand: [], isBare: false, skin: null }
  const end = Math.min(glove.last, glove.first + height * 0.1)
  const hand = coloursOf(
    field,
    order.filter((row) => row >= glove.first && row <= end).flatMap((row) => rows.get(row)!),
  )
  return { sleeve, hand, isBare: false, skin: null }
}

interface Run {
  first: number
  last: number
}

/** Runs of rows with at most two missing between, of at least a length, in order. */
function runsOf(rows: readonly number[], length: number): Run[] {
  const runs: Run[] = []
  for (const row of rows) {
    const last = runs.at(-1)
    if (last && row - last.last <= 3) last.last = row
    else runs.push({ first: row, last: row })
  }
  return runs.filter(({ first, last }) => last - first + 1 >= length)
}
const firstRun = (rows: readonly number[], length: number) => runsOf(rows, length)[0]
const lastRun = (rows: readonly number[], length: number) => runsOf(rows, length).at(-1)

/** One leg as the picture has it. */
export interface LegReading {
  leg: ZoneColour[]
  /** Empty where the foot is of the colour of the leg. */
  boot: ZoneColour[]
  /** How high the boot reaches, as a share of the leg. */
  reach: number
}

/** Follows a leg up from the sole to where the colour of the foot ends. Null where there is no leg. */
export function readLeg(field: LabField, body: Body, outline: Outline, side: Side): LegReading | null {
  const sign = side === 'Right' ? -1 : 1
  const height = outline.soles.y - outline.crown.y
  const length = outline.soles.y - outline.hip.y
  const { cells, rows, down, aside } = body
  const isOwn = (i: number) => {
    const out = aside[i]! * sign
    return down[i]! >= 4.1 && out >= 0.06 && out <= (down[i]! > 5.6 ? 1.1 : 0.8)
  }
  const leg = coloursOf(
    field,
    cellsWhere(body, (i) => isOwn(i) && down[i]! < 5),
  )
  const { y: sole } = outline.soles
  const foot = coloursOf(
    field,
    cellsWhere(body, (i) => isOwn(i) && rows[i]! > sole - height * 0.05 && rows[i]! < sole - height * 0.006),
  )
  if (leg.length === 0 || foot.length === 0) return null
  const [cloth, leather] = [leg[0]!, foot[0]!]
  if (!areApart(cloth, leather)) return { leg, boot: [], reach: 0 }
  /** Of each row, how many cells are of the foot's colour, and how many of the leg's. */
  const counts = new Map<number, [foot: number, leg: number]>()
  for (let i = 0; i < cells.length; i++) {
    if (!isOwn(i)) continue
    const colour = cellOf(field, cells[i]!)
    const count = counts.get(rows[i]!) ?? [0, 0]
    count[labDistance(colour, leather.lab) < labDistance(colour, cloth.lab) ? 0 : 1]++
    counts.set(rows[i]!, count)
  }
  let top = Math.floor(outline.soles.y - 1)
  let missed = 0
  for (let row = top; row > outline.hip.y && missed < 3; row--) {
    const [asFoot, asLeg] = counts.get(row) ?? [0, 0]
    if (asFoot >= asLeg && asFoot > 0) {
      top = row
      missed = 0
    } else missed++
  }
  return { leg, boot: foot, reach: (outline.soles.y - top) / length }
}
