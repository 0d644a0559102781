import type { Pixels } from '../colour/index.ts'
import { fieldOf, WHOLE_PICTURE, type Box, type LabField } from './field.ts'
import { areApart, readArm, readLeg } from './limbs.ts'
import { LANDMARKS, outlineOf, type Landmark, type Outline } from './outline.ts'
import { figuresIn, type Region } from './region.ts'
import { mayBeSkin } from './skin.ts'
import { bodyOf, cellsWhere, coloursOf, SIDES, type Zone, type ZoneColour } from './zones.ts'

/** What a picture shows of a figure. Colours of a zone are the largest first; what could not be told is left out. */
export interface PictureReading {
  /** In shares of the whole picture. */
  outline: Outline
  guessed: Landmark[]
  zones: Partial<Record<Zone, ZoneColour[]>>
  sleeves: 'short' | 'rolled' | 'long' | null
  /** Null where the hands could not be told from the sleeves. */
  gloved: boolean | null
  boots: 'plain' | 'shoe' | 'ankle' | 'tall' | null
  /** Whether the legs are of two colours, side by side. */
  twoTone: boolean
  /** How many heads high the figure is, headgear and all. */
  heads: number
}

/**
 * A figure found in a picture: the box it is read in, which has some ground round it, and its own, both in shares of the picture; and
 * how high it is for the tallest of them.
 */
export interface FoundFigure {
  box: Box
  own: Box
  height: number
}

/** The figures of a picture from left to right; none where its ground is not plain. O(pixels). */
export function findFigures(pixels: Pixels): FoundFigure[] {
  const field = fieldOf(pixels)
  const regions = figuresIn(field)
  const tallest = Math.max(...regions.map(({ top, bottom }) => bottom - top + 1))
  return regions.map(({ left, right, top, bottom }) => {
    const edge = Math.round(Math.max(field.width, field.height) * 0.03)
    const from = { x: Math.max(0, left - edge), y: Math.max(0, top - edge) }
    const to = { x: Math.min(field.width, right + 1 + edge), y: Math.min(field.height, bottom + 1 + edge) }
    const between = (a: { x: number; y: number }, b: { x: number; y: number }): Box => ({
      x: a.x / field.width,
      y: a.y / field.height,
      width: (b.x - a.x) / field.width,
      height: (b.y - a.y) / field.height,
    })
    return {
      box: between(from, to),
      own: between({ x: left, y: top }, { x: right + 1, y: bottom + 1 }),
      height: (bottom - top + 1) / tallest,
    }
  })
}

/** Figures in boxes, from left to right, each with how high it is for the tallest; one that is not found is as high as its box. */
export function figuresInBoxes(pixels: Pixels, boxes: readonly Box[]): FoundFigure[] {
  const found = boxes.map((box) => {
    const outline = readPicture(pixels, { box })?.outline
    return { box, high: outline ? outline.soles.y - outline.crown.y : box.height }
  })
  const tallest = Math.max(...found.map(({ high }) => high))
  return found.map(({ box, high }) => ({ box, own: box, height: high / tallest })).sort((a, b) => a.box.x - b.box.x)
}

/** Where something is in shares of a picture, from where it is in cells of a field of one of its boxes. */
const inShares = (outline: Outline, field: LabField, box: Box): Outline =>
  mapped(outline, ({ x, y }) => ({
    x: box.x + (x / field.width) * box.width,
    y: box.y + (y / field.height) * box.height,
  }))
const inCells = (outline: Outline, field: LabField, box: Box): Outline =>
  mapped(outline, ({ x, y }) => ({
    x: ((x - box.x) / box.width) * field.width,
    y: ((y - box.y) / box.height) * field.height,
  }))
const mapped = (outline: Outline, to: (point: Outline[Landmark]) => Outline[Landmark]): Outline =>
  Object.fromEntries(LANDMARKS.map((key) => [key, to(outline[key])])) as Outline

/** The largest figure of a field, if its ground is plain. */
function largestIn(field: LabField): Region | null {
  return figuresIn(field).sort((a, b) => b.area - a.area)[0] ?? null
}

/**
 * Reads a figure in a box of a picture: by an outline that is given, or by one that is found where the ground is plain. Null
 * where none is given and none is found. O(pixels).
 */
export function readPicture(
  pixels: Pixels,
  { box = WHOLE_PICTURE, outline: given }: { box?: Box; outline?: Outline | undefined } = {},
): PictureReading | null {
  const field = fieldOf(pixels, box)
  const region = largestIn(field)
  if (!given && !region) return null
  const found = given ? { outline: inCells(given, field, box), guessed: [] } : outlineOf(region!, field)
  return {
    ...readZones(field, found.outline, region),
    outline: inShares(found.outline, field, box),
    guessed: found.guessed,
  }
}

/** Beside the head, in heights of it, and beside the body, in half shoulders, from where nothing belongs to the body. */
const BESIDE_HEAD = 0.78
const BESIDE_ARMS = 1.5
const BESIDE_LEGS = 0.88
/** What is held is at least so much of the figure. */
const LEAST_HELD = 0.006

function readZones(
  field: LabField,
  outline: Outline,
  region: Region | null,
): Omit<PictureReading, 'outline' | 'guessed'> {
  const body = bodyOf(field, outline, region)
  const { down, beside, aside } = body
  const zones: PictureReading['zones'] = {}
  const headHeight = outline.chin.y - outline.crown.y
  const read = (zone: Zone, from: number, to: number, isWithin: (i: number) => boolean) => {
    const colours = coloursOf(
      field,
      cellsWhere(body, (i) => down[i]! >= from && down[i]! < to && isWithin(i)),
    )
    if (colours.length > 0) zones[zone] = colours
  }
  read('hair', 0.04, 0.3, (i) => Math.abs(beside[i]!) < headHeight * 0.5)
  read('face', 0.5, 0.76, (i) => Math.abs(beside[i]!) < headHeight * 0.26)
  read('torso', 2.12, 3.3, (i) => Math.abs(aside[i]!) < 0.5)
  // Beards, spectacles and beaks cover faces; what may be skin comes first.
  zones.face?.sort((a, b) => Number(mayBeSkin(b.lab)) - Number(mayBeSkin(a.lab)))
  const skin = zones.face?.[0]?.lab ?? null
  const arms = SIDES.flatMap((side) => {
    const arm = readArm(field, body, outline, side, skin, region !== null)
    if (!arm) return []
    zones[`sleeve${side}`] = arm.sleeve
    if (arm.hand.length > 0) zones[`hand${side}`] = arm.hand
    return [arm]
  })
  const legs = SIDES.flatMap((side) => {
    const leg = readLeg(field, body, outline, side)
    if (!leg) return []
    zones[`leg${side}`] = leg.leg
    zones[`boot${side}`] = leg.boot.length > 0 ? leg.boot : leg.leg
    return [leg]
  })
  if (region) {
    for (const [side, sign] of [
      ['Right', -1],
      ['Left', 1],
    ] as const) {
      let reaches = false
      const outside = cellsWhere(body, (i) => {
        const isOut =
          down[i]! < 1.8
            ? beside[i]! * sign > headHeight * BESIDE_HEAD
            : aside[i]! * sign > (down[i]! > 4.45 ? BESIDE_LEGS : BESIDE_ARMS) && down[i]! < 5.9
        reaches ||= isOut && down[i]! < 3.6
        return isOut
      })
      // What stands on the ground beside the figure is not in its hand.
      if (outside.length < LEAST_HELD * region.area || !reaches) continue
      const colours = coloursOf(field, outside)
      if (colours.length > 0) zones[`held${side}`] = colours
    }
  }
  const shoulder = (outline.shoulderRight.y + outline.shoulderLeft.y) / 2
  const legsToTorso = (outline.soles.y - outline.hip.y) / Math.max(1, outline.hip.y - shoulder)
  const [right, left] = legs
  return {
    zones,
    sleeves: sleevesOf(arms.flatMap(({ skin: share }) => share ?? [])),
    gloved: arms.some(({ isBare }) => isBare) ? false : arms.some(({ hand }) => hand.length > 0) ? true : null,
    boots: legs.length === 0 ? null : bootsOf(Math.max(...legs.map(({ reach }) => reach)), legsToTorso),
    twoTone: right !== undefined && left !== undefined && areApart(right.leg[0]!, left.leg[0]!),
    heads: (outline.soles.y - outline.crown.y) / Math.max(1, headHeight),
  }
}

/** Shares of bare arm from which sleeves are rolled, and from which they are short. */
const ROLLED = 0.33
const SHORT = 0.54

function sleevesOf(bare: readonly number[]): PictureReading['sleeves'] {
  if (bare.length === 0) return null
  const most = Math.max(...bare)
  return most >= SHORT ? 'short' : most >= ROLLED ? 'rolled' : 'long'
}

/** Heights of boots: up to the knee and beyond they are tall. `reach` is a share of the leg, `legs` its length in torsos. */
function bootsOf(reach: number, legs: number): NonNullable<PictureReading['boots']> {
  if (reach === 0) return 'plain'
  const height = reach * legs
  if (reach > 0.85 || height > 0.6) return 'tall'
  return height > 0.27 ? 'ankle' : 'shoe'
}
