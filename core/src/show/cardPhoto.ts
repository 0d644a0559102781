import type { Slot } from '../catalogue/index.ts'
import type { Drawing } from '../mannequin/index.ts'
import { extentOf } from './extentOf.ts'
import type { Box, Point } from './leads.ts'

/**
 * A photo of the built figure as it stands on a card. Points and the figure's box are in shares of the photo as it is kept, so
 * that they stay on what they show however it is turned and cut; the cut is in heights of the photo from its middle, after
 * it was turned.
 */
export interface CardPhoto {
  /** SHA-256 of the kept photo, and its pixels. */
  hash: string
  width: number
  height: number
  /** Degrees clockwise, to stand the figure upright. */
  turn: number
  crop: Box
  /** How far the light of the ground is evened out, from 0 to 1. */
  even: number
  /** Where the figure was found, for the doll's points to be laid over; null where it was not, and the cut is taken for it. */
  figure: Box | null
  /** Where lead lines go that were moved by hand. */
  points: CardPoint[]
}

/** A point of a photo that belongs to a slot, in shares of the photo. */
export interface CardPoint extends Point {
  slot: Slot
}

/** Air round a figure that was found, in shares of its height. */
const AIR = 0.07
/** Nothing narrower is cut out, in heights of the photo. */
const LEAST_CROP = 0.05
const radians = (degrees: number) => (degrees * Math.PI) / 180
const rotated = ({ x, y }: Point, degrees: number): Point => {
  const [sin, cos] = [Math.sin(radians(degrees)), Math.cos(radians(degrees))]
  return { x: x * cos - y * sin, y: x * sin + y * cos }
}

type Turned = Pick<CardPhoto, 'width' | 'height' | 'turn'>

/** Where a point of the photo lies once it is turned, in heights of the photo from its middle. */
export const turnedPoint = ({ width, height, turn }: Turned, { x, y }: Point): Point =>
  rotated({ x: ((x - 0.5) * width) / height, y: y - 0.5 }, turn)

/** The point of the photo that lies there once it is turned; the way back of `turnedPoint`. */
export function pointBefore({ width, height, turn }: Turned, at: Point): Point {
  const { x, y } = rotated(at, -turn)
  return { x: (x * height) / width + 0.5, y: y + 0.5 }
}

const boxRound = (points: readonly Point[]): Box => {
  const [xs, ys] = [points.map(({ x }) => x), points.map(({ y }) => y)]
  const [x, y] = [Math.min(...xs), Math.min(...ys)]
  return { x, y, width: Math.max(...xs) - x, height: Math.max(...ys) - y }
}
const cornersOf = ({ x, y, width, height }: Box): Point[] => [
  { x, y },
  { x: x + width, y },
  { x: x + width, y: y + height },
  { x, y: y + height },
]

/** The box round the whole photo once it is turned, in heights of the photo from its middle. */
export const turnedFrame = (photo: Turned): Box =>
  boxRound(cornersOf({ x: 0, y: 0, width: 1, height: 1 }).map((corner) => turnedPoint(photo, corner)))

/** A cut that lies within the turned photo, and is of some size. */
export function withinFrame(photo: Turned, crop: Box): Box {
  const frame = turnedFrame(photo)
  const along = (from: number, size: number, start: number, room: number) => {
    const least = Math.min(LEAST_CROP, room)
    const left = Math.min(Math.max(from, start), start + room - least)
    return [left, Math.min(Math.max(from + size - left, least), start + room - left)] as const
  }
  const [x, width] = along(crop.x, crop.width, frame.x, frame.width)
  const [y, height] = along(crop.y, crop.height, frame.y, frame.height)
  return { x, y, width, height }
}

/** The cut round a figure, with some air. */
export function cropRound(photo: Turned, figure: Box): Box {
  const { x, y, width, height } = boxRound(cornersOf(figure).map((corner) => turnedPoint(photo, corner)))
  const air = height * AIR
  return withinFrame(photo, { x: x - air, y: y - air, width: width + 2 * air, height: height + 2 * air })
}

/** The photo turned to an angle, in degrees clockwise; its cut stays where it is, as far as the photo reaches. */
export function turnedTo<T extends CardPhoto>(photo: T, degrees: number): T {
  const turned = { ...photo, turn: ((((degrees + 180) % 360) + 360) % 360) - 180 }
  return { ...turned, crop: withinFrame(turned, photo.crop) }
}

/** The photo turned a quarter clockwise, with its cut: what is seen stays what it is. */
export function quarterTurned<T extends CardPhoto>(photo: T): T {
  const { x, y, width, height } = withinFrame(photo, photo.crop)
  const crop = { x: -(y + height), y: x, width: height, height: width }
  return turnedTo({ ...photo, crop }, photo.turn + 90)
}

/** How far a photo is turned beyond whole quarters, in degrees. */
export const slantOf = ({ turn }: Pick<CardPhoto, 'turn'>): number => turn - Math.round(turn / 90) * 90

/** The cut moved by some heights of the photo; pushed against the edge it keeps its size. */
export function cropMoved(photo: CardPhoto, by: Point): Box {
  const [crop, frame] = [withinFrame(photo, photo.crop), turnedFrame(photo)]
  const along = (at: number, size: number, start: number, room: number) =>
    Math.min(Math.max(at, start), start + room - size)
  return {
    ...crop,
    x: along(crop.x + by.x, crop.width, frame.x, frame.width),
    y: along(crop.y + by.y, crop.height, frame.y, frame.height),
  }
}

/** A corner of a cut: 0 is left or top, 1 right or bottom. */
export interface Corner {
  x: 0 | 1
  y: 0 | 1
}

/** Where a corner of the cut lies, in heights of the photo from its middle. */
export function cornerOf(photo: CardPhoto, { x, y }: Corner): Point {
  const crop = withinFrame(photo, photo.crop)
  return { x: crop.x + x * crop.width, y: crop.y + y * crop.height }
}

/** The cut with one of its corners elsewhere; the opposite one stays. */
export function cropCornered(photo: CardPhoto, { x, y }: Corner, to: Point): Box {
  const fixed = cornerOf(photo, { x: x === 0 ? 1 : 0, y: y === 0 ? 1 : 0 })
  return withinFrame(photo, boxRound([fixed, to]))
}

/** A photo with the point of a slot moved there, in heights of the photo from its middle. */
export function pointMoved<T extends CardPhoto>(photo: T, slot: Slot, to: Point): T {
  const { x, y } = pointBefore(photo, to)
  const share = (value: number) => Math.min(1, Math.max(0, value))
  const others = photo.points.filter((one) => one.slot !== slot)
  return { ...photo, points: [...others, { slot, x: share(x), y: share(y) }] }
}

/** A photo as it is first shown: upright, cut round the figure that was found in it, or whole where none was. */
export function firstPhoto(kept: Pick<CardPhoto, 'hash' | 'width' | 'height'>, found: Box | null): CardPhoto {
  const photo = { ...kept, turn: 0, even: 0, figure: found, points: [] }
  return { ...photo, crop: found ? cropRound(photo, found) : turnedFrame(photo) }
}

/** Where a figure is taken to stand that was not found: in the cut, with some air. */
function figureInCut(photo: CardPhoto): Box {
  const { x, y, width, height } = withinFrame(photo, photo.crop)
  const air = (AIR / (1 + 2 * AIR)) * height
  const inner = { x: x + Math.min(air, width / 4), y: y + air, height: height - 2 * air, width: 0 }
  inner.width = width - 2 * (inner.x - x)
  return boxRound(cornersOf(inner).map((corner) => pointBefore(photo, corner)))
}

/** Where the doll's points and face lie in the photo, in shares of it: as the figure's box lies over the doll's. */
function overFigure(photo: CardPhoto, drawing: Pick<Drawing, 'shapes'>): (point: Point) => Point {
  const doll = extentOf(drawing)
  const figure = photo.figure ?? figureInCut(photo)
  return ({ x, y }) => ({
    x: figure.x + ((x - doll.x) / doll.width) * figure.width,
    y: figure.y + ((y - doll.y) / doll.height) * figure.height,
  })
}

/** Where the slots of a drawn figure are in its photo, in shares of it: moved by hand, or as on the doll. */
export function photoPoints(
  photo: CardPhoto,
  drawing: Pick<Drawing, 'shapes' | 'anchors'>,
): { slot: Slot; at: Point; moved: boolean }[] {
  const over = overFigure(photo, drawing)
  return (Object.entries(drawing.anchors) as [Slot, Point][]).map(([slot, anchor]) => {
    const own = photo.points.find((point) => point.slot === slot)
    return { slot, at: own ? { x: own.x, y: own.y } : over(anchor), moved: own !== undefined }
  })
}

/** A photo cut for a card: its size in its own units (hundredths of the cut's height), where slots are and what is face. */
export interface CutPhoto {
  /** The cut as a data address. */
  href: string
  width: number
  height: number
  anchors: Drawing['anchors']
  face: Box | null
}

/** Inside the cut a point keeps so far from its edge, in its units. */
const EDGE = 1

/** A photo as it stands on a card. `href` is the cut itself, `face` the doll's, both as whoever draws has them. */
export function cutPhoto(
  photo: CardPhoto,
  drawing: Pick<Drawing, 'shapes' | 'anchors'>,
  face: Box | null,
  href: string,
): CutPhoto {
  const crop = withinFrame(photo, photo.crop)
  const size = { width: (100 * crop.width) / crop.height, height: 100 }
  const inCut = (point: Point): Point => {
    const { x, y } = turnedPoint(photo, point)
    return { x: ((x - crop.x) / crop.height) * 100, y: ((y - crop.y) / crop.height) * 100 }
  }
  const inside = ({ x, y }: Point): Point => ({
    x: Math.min(size.width - EDGE, Math.max(EDGE, x)),
    y: Math.min(size.height - EDGE, Math.max(EDGE, y)),
  })
  const points = photoPoints(photo, drawing)
  const over = overFigure(photo, drawing)
  // The face goes with the head where that was moved.
  const head = points.find(({ slot }) => slot === 'head')
  const usual = drawing.anchors.head && over(drawing.anchors.head)
  const away = head && usual ? { x: head.at.x - usual.x, y: head.at.y - usual.y } : { x: 0, y: 0 }
  return {
    href,
    ...size,
    anchors: Object.fromEntries(points.map(({ slot, at }) => [slot, inside(inCut(at))])),
    face:
      face &&
      boxRound(
        cornersOf(face)
          .map(over)
          .map(({ x, y }) => inCut({ x: x + away.x, y: y + away.y })),
      ),
  }
}
