import { own } from '../base/index.ts'
import { MADE_AS, type Catalogue, type MadeAs, type Placement, type Slot } from '../catalogue/index.ts'
import { armPen, drawArm, drawHand, drawHead, drawHips, drawLeg, drawNeck, drawTorso, mitt } from './body.ts'
import { bareLegs, FIGURE_WINDOW, legLengthOf, MEASURES, mmPerUnit } from './geometry.ts'
import { drawEmblem, emblemPoint } from './emblems.ts'
import { headdressHeight, headPieces, underBrim, type HeadPiece } from './headdress.ts'
import { ITEM_POINTS, ITEMS } from './items.ts'
import { withoutCutOff, type Stretch } from './cutOff.ts'
import { COMPANIONS, LOWER_PIECES, WAIST_PIECES } from './lowerAndWaist.ts'
import { NECK_PIECES } from './neckPieces.ts'
import { boardOrigin, middleOf, shapesOfMade } from './made.ts'
import { ellipse, multiply, scaling, translation, type Matrix } from './path.ts'
import { INK, paint, penFor, type Pen, type Shape } from './pen.ts'
import { FACE_PIECES, FEET_PIECES, plainBand, WRIST_PIECES } from './smallPieces.ts'
import { BARE, layersSeen, madeIn, plainIn, WOOD, wornBySlot, type DrawnPiece } from './worn.ts'

export type View = 'front' | 'back'

/** A drawn figure: shapes bottom first, in figure units with the sole of the figure at y = 0. */
export interface Drawing {
  view: View
  window: { x: number; y: number; width: number; height: number }
  shapes: Shape[]
  /** A point on each worn slot, for pins and lead lines. */
  anchors: Partial<Record<Slot, { x: number; y: number }>>
  /** A point on each piece of what is made of several parts, by its slot and order: "heldRight 2". */
  pieces: Readonly<Record<string, { x: number; y: number }>>
  /** From the ground to the top of the headgear, in millimetres. */
  height: number
  /** Where the body begins and ends, in figure units. */
  levels: Levels
  /** Where the board begins of something made of several parts that is worn so; held: in the right hand. */
  boards: Record<MadeAs, { x: number; y: number }>
  /** Why it shows the plain doll, where what it wears could not be drawn. */
  undrawable?: string
}

type Levels = Record<'chin' | 'shoulder' | 'waist' | 'hip' | 'sole', number>

/** How far below the shoulders the longest cloth hangs, in figure units. */
const LONGEST_DRAPE = 182

/** Leg layers that are on the front alone. */
const FRONT_OF_LEG = new Set(['knee', 'pocket'])

/** Neck pieces that lie over the sleeves, and those that lie over the chin. */
const OVER_SLEEVES = new Set(['oilskin-cape', 'shawl', 'long-scarf'])
const OVER_CHIN = new Set(['beard-piece'])

/**
 * Draw a figure; where what it wears cannot be drawn, the plain doll with a mark, since one faulty entry must not take a
 * whole shelf with it.
 */
export function drawFigure(placements: readonly Placement[], catalogue: Catalogue, options: DrawOptions = {}): Drawing {
  try {
    return drawDressed(placements, catalogue, options)
  } catch (error) {
    const doll = drawDressed([], catalogue, options)
    const pen = penFor(doll.shapes, 'plinth').under(translation(0, -118))
    pen.area('M0 -26L26 20L-26 20Z', '#D9573F')
    pen.line('M0 -26L26 20L-26 20Z', INK, 1.6)
    pen.line('M0 -10L0 5M0 12L0 12.5', '#FFFFFF', 5)
    return { ...doll, undrawable: (error as Error).message }
  }
}

export interface DrawOptions {
  view?: View
  plinth?: boolean
  flat?: boolean
  /** How tall the bare doll stands as long as it wears no legs. */
  stature?: string | undefined
}

/**
 * Draw a figure. Slots of the body that are not dressed show the bare doll, so that a start looks like a start.
 * Throws on a faulty catalogue. Deterministic; O(shapes). A companion stands at the figure's left. `flat` leaves out what
 * covers nothing.
 */
export function drawDressed(
  placements: readonly Placement[],
  catalogue: Catalogue,
  { view = 'front', plinth = true, flat = false, stature }: DrawOptions = {},
): Drawing {
  const worn = wornBySlot(placements, catalogue)
  const one = (slot: Slot) => plainIn(worn, slot)[0]
  const shapes: Shape[] = []
  const stretches: Stretch[] = []
  /** Draw a piece and note which shapes are its own, since it may have been trimmed. */
  const track = ({ placement: { altered } }: DrawnPiece, draw: () => void) => {
    const from = shapes.length
    draw()
    if (altered) stretches.push({ altered, from, to: shapes.length })
  }
  const anchors: Drawing['anchors'] = {}
  const pieceAnchors: Record<string, { x: number; y: number }> = {}
  const back = view === 'back'
  /** Companions and things drawn beside the figure so far. */
  let beside = 0
  const hexOf = (code: string) => catalogue.colours.get(code)?.hex
  const mirror: Matrix = back ? scaling(-1, 1) : scaling(1, 1)

  const lowerPiece = one('lower')
  const legPiece = one('legRight') ?? one('legLeft') ?? lowerPiece
  const leg = legPiece ? legLengthOf(legPiece.mould) : bareLegs(stature)
  const riser = one('feet') ? one('feet')!.mould.height / mmPerUnit() : 0
  const sole = -riser
  // A body of one's own carries the torso as high as it says.
  const [ownBody] = madeIn(worn, 'lower')
  const hipTop = sole - (ownBody?.[0]?.placement.made?.height ?? MEASURES.leg[leg] + MEASURES.hips.height)
  const torsoTop = hipTop - MEASURES.torso.height
  const neckPieces = plainIn(worn, 'neck')
  const lift = neckPieces.reduce((sum, piece) => sum + piece.mould.neckThickness, 0) / mmPerUnit()
  const headMiddle = torsoTop - lift - MEASURES.neck.height - MEASURES.head.height / 2

  const penAt = (slot: Shape['slot'], x: number, y: number): Pen =>
    penFor(shapes, slot, mirror, flat).under(translation(x, y))
  const anchor = (slot: Slot, x: number, y: number) => {
    if (worn.has(slot)) anchors[slot] = { x: back ? -x : x, y }
  }
  const headdress = headPieces(plainIn(worn, 'headgear'))
  const headPen = (slot: Shape['slot']) => penAt(slot, 0, headMiddle)
  const torsoPen = (slot: Shape['slot']) => penAt(slot, 0, torsoTop)
  const skin = one('head')?.paints.main ?? WOOD
  /** The badge on a piece, where its recipe has one. */
  const emblem = (pen: Pen, { recipe, mould, paints }: DrawnPiece, kind: Parameters<typeof emblemPoint>[0]) => {
    const layers = back ? recipe.back : recipe.front
    const point = layers.length > 0 && emblemPoint(kind, mould.silhouette, back)
    if (point) drawEmblem(pen, point, layers, paints.main, hexOf)
  }
  /** Draw a piece of the headdress; what a brim hides is cut away. */
  const onHead = ({ worn: piece, drawing, tucked }: HeadPiece, which: 'behind' | View) => {
    const drawn: Shape[] = []
    const pen = penFor(drawn, 'headgear', mirror, flat).under(translation(0, headMiddle))
    drawing[which]?.(pen, piece.paints)
    if (which !== 'behind') emblem(pen, piece, 'headgear')
    track(piece, () => shapes.push(...(tucked ? underBrim(drawn, headMiddle) : drawn)))
  }

  /** Note where lead lines to something made point: to its middle, and to each of its pieces; `side` mirrors its board. */
  const pointTo = (pieces: readonly DrawnPiece[], start: { x: number; y: number }, side: 1 | -1 = 1) => {
    const slot = pieces[0]!.placement.slot
    const middle = middleOf(pieces)
    anchor(slot, start.x + side * middle.x, start.y + middle.y)
    for (const { placement } of pieces) {
      const x = start.x + side * placement.made!.x
      pieceAnchors[`${slot} ${placement.order}`] = { x: back ? -x : x, y: start.y + placement.made!.y }
    }
  }
  /** What is made of several parts and worn so, as far as it lies over or under the body. */
  const made = (slot: Slot, as: MadeAs, depth: Parameters<typeof shapesOfMade>[3]) => {
    const side = slot === 'heldLeft' ? 1 : -1
    const start = boardOrigin(as, { torsoTop, hipTop }, mitt(side))
    for (const pieces of madeIn(worn, slot)) {
      if (pieces[0]!.placement.made!.as !== as) continue
      // What is held is made for the right hand; the other holds its mirror image.
      const turned = slot === 'heldLeft' ? scaling(-1, 1) : scaling(1, 1)
      const matrix = [mirror, translation(start.x, start.y), turned].reduce(multiply)
      shapes.push(...shapesOfMade(pieces, slot, matrix, depth, { back, hexOf, flat }))
      pointTo(pieces, start, slot === 'heldLeft' ? -1 : 1)
    }
  }
  const companions = () => {
    ;(worn.get('beside') ?? []).forEach((companion) => {
      const { made: pieceOf } = companion.placement
      if (pieceOf && pieceOf.piece > 0) return
      const index = beside++
      const x = index === 0 ? 82 : -82
      if (pieceOf) {
        const pieces = madeIn(worn, 'beside').find((copy) => copy[0] === companion)!
        const matrix = multiply(mirror, translation(x, 0))
        shapes.push(...shapesOfMade(pieces, 'beside', matrix, 'all', { back, hexOf, flat }))
        return pointTo(pieces, { x, y: 0 })
      }
      const pen = penAt('beside', x, 0)
      track(companion, () => own(COMPANIONS, companion.mould.silhouette)?.(pen, companion.paints, back))
      emblem(pen, companion, 'beside')
      if (index === 0) anchor('beside', x, -30)
    })
  }
  const legLayers = (worn: DrawnPiece | undefined) =>
    (worn?.recipe.front ?? []).filter((layer) => view === 'front' || !FRONT_OF_LEG.has(layer.kind))
  const legs = () => {
    if (ownBody) return made('lower', 'lower', 'under')
    if (lowerPiece) {
      const draw = own(LOWER_PIECES, lowerPiece.mould.silhouette) ?? LOWER_PIECES['skirt']!
      track(lowerPiece, () => draw(penAt('lower', 0, hipTop), lowerPiece.paints, sole - hipTop))
      anchor('lower', 0, hipTop + 40)
      return
    }
    for (const side of [-1, 1] as const) {
      const slot = side < 0 ? 'legRight' : 'legLeft'
      const worn = one(slot)
      const pen = penAt(slot, side * 23, sole - MEASURES.leg[leg])
      const base = side > 0 ? pen.under(scaling(-1, 1)) : pen
      drawLeg(base, (worn?.paints ?? BARE).main, leg, legLayers(worn), hexOf)
      anchor(slot, side * 26, sole - MEASURES.leg[leg] * 0.6)
    }
    const hips = one('hips')
    drawHips(penAt('hips', 0, hipTop), (hips?.paints ?? BARE).main, hips?.recipe.front ?? [], hexOf)
    anchor('hips', 0, hipTop + 10)
  }
  const waist = () => {
    const piece = one('waist')
    if (!piece) return
    const drawing = own(WAIST_PIECES, piece.mould.silhouette)
    const draw = (back ? drawing?.back : undefined) ?? drawing?.front
    track(piece, () => draw?.(penAt('waist', 0, hipTop), piece.paints, sole - hipTop))
    emblem(penAt('waist', 0, hipTop), piece, 'waist')
    anchor('waist', -30, hipTop + 4)
  }
  const torso = () => {
    drawNeck(torsoPen('head'), skin)
    const piece = one('torso')
    drawTorso(torsoPen('torso'), (piece?.paints ?? BARE).main, layersSeen(piece, view), hexOf, back)
    anchor('torso', 14, torsoTop + 52)
  }
  /** Cloth that hangs down the back is gathered up on short legs rather than dragged through the ground. */
  const drape = (drawing: (typeof NECK_PIECES)[string] | undefined) =>
    torsoPen('neck').under(scaling(1, drawing?.behind ? Math.min(1, (sole - torsoTop) / LONGEST_DRAPE) : 1))
  const neck = (which: (silhouette: string) => boolean) => {
    neckPieces.forEach((piece) => {
      if (!which(piece.mould.silhouette)) return
      const drawing = own(NECK_PIECES, piece.mould.silhouette)
      const draw = back ? drawing?.back : drawing?.front
      const pen = back ? drape(drawing) : torsoPen('neck')
      track(piece, () => draw?.(pen, piece.paints))
      emblem(pen, piece, 'neck')
    })
    anchor('neck', -22, torsoTop + 22)
  }
  const held = () => {
    for (const side of [-1, 1] as const) {
      const slot = side < 0 ? 'heldRight' : 'heldLeft'
      made(slot, 'held', 'under')
      const item = one(slot)
      if (!item) continue
      const { x, y } = mitt(side)
      const pen = penAt(slot, x, torsoTop + y)
      const itsPen = side > 0 ? pen.under(scaling(-1, 1)) : pen
      track(item, () => own(ITEMS, item.mould.silhouette)?.(itsPen, item.paints))
      emblem(itsPen, item, 'held')
      const [dx, dy] = own(ITEM_POINTS, item.mould.silhouette) ?? [0, 0]
      anchor(slot, x - side * dx, torsoTop + y + dy)
    }
  }
  const arms = () => {
    for (const side of [-1, 1] as const) {
      const [armSlot, handSlot] = side < 0 ? (['armRight', 'handRight'] as const) : (['armLeft', 'handLeft'] as const)
      const { x, y } = mitt(side)
      const hand = one(handSlot)
      const handPen = penAt(handSlot, x, torsoTop + y)
      drawHand(side > 0 ? handPen.under(scaling(-1, 1)) : handPen, (hand?.paints ?? BARE).main, hand?.mould.silhouette)
      const arm = one(armSlot)
      const sidePen = (slot: Slot) => {
        const pen = armPen(torsoPen(slot), side)
        return side > 0 ? pen.under(scaling(-1, 1)) : pen
      }
      drawArm(sidePen(armSlot), (arm?.paints ?? BARE).main, arm?.recipe.front ?? [], hexOf, arm?.mould.silhouette)
      const wristSlot = side < 0 ? 'wristRight' : 'wristLeft'
      const wrist = one(wristSlot)
      if (wrist) (own(WRIST_PIECES, wrist.mould.silhouette) ?? plainBand)(sidePen(wristSlot), wrist.paints)
      anchor(wristSlot, x, torsoTop + y - 14)
      anchor(handSlot, x, torsoTop + y)
      anchor(armSlot, side * 44, torsoTop + 34)
    }
  }
  const head = () => {
    const piece = one('head')
    drawHead(headPen('head'), skin, layersSeen(piece, view), hexOf, back, piece?.mould.silhouette)
    anchor('head', 12, headMiddle + 8)
    neck((silhouette) => OVER_CHIN.has(silhouette) && !back)
    const mask = one('face')
    if (mask) own(FACE_PIECES, mask.mould.silhouette)?.[view]?.(headPen('face'), mask.paints)
    anchor('face', 0, headMiddle - 2)
    for (const part of headdress) onHead(part, view)
    anchor('headgear', -12, headMiddle - 32)
  }

  if (plinth) {
    const { width, height } = MEASURES.plinth
    penFor(shapes, 'plinth').piece(ellipse(0, 2, width / 2, height / 2), paint('#DCC9A2'))
  }
  const under = one('feet')
  if (under) {
    const draw = own(FEET_PIECES, under.mould.silhouette) ?? FEET_PIECES['riser-plate']!
    // One that lifts nothing is a sheet, and still seen.
    draw(penAt('feet', 0, 0), under.paints, Math.max(riser, 3))
    anchor('feet', 30, -riser / 2)
  }
  const heldOver = () => {
    made('heldRight', 'held', 'over')
    made('heldLeft', 'held', 'over')
  }
  if (back) {
    companions()
    held()
    legs()
    waist()
    torso()
    made('lower', 'lower', 'over')
    arms()
    heldOver()
    neck(() => true)
    made('neck', 'shoulders', 'all')
    head()
    made('neck', 'back', 'all')
  } else {
    made('neck', 'back', 'under')
    for (const part of headdress) onHead(part, 'behind')
    for (const piece of [...neckPieces].reverse()) {
      const drawing = own(NECK_PIECES, piece.mould.silhouette)
      track(piece, () => drawing?.behind?.(drape(drawing), piece.paints))
    }
    companions()
    legs()
    waist()
    torso()
    neck((silhouette) => !OVER_SLEEVES.has(silhouette) && !OVER_CHIN.has(silhouette))
    made('lower', 'lower', 'over')
    held()
    made('neck', 'shoulders', 'under')
    arms()
    heldOver()
    neck((silhouette) => OVER_SLEEVES.has(silhouette))
    made('neck', 'shoulders', 'over')
    head()
    made('neck', 'back', 'over')
  }

  const skull = -(headMiddle - MEASURES.head.height / 2) * mmPerUnit()
  // A figure on a riser needs as much more room above as the riser is high.
  const window = { ...FIGURE_WINDOW, y: FIGURE_WINDOW.y - riser, height: FIGURE_WINDOW.height + riser }
  return {
    view,
    window,
    shapes: withoutCutOff(shapes, stretches),
    anchors,
    pieces: pieceAnchors,
    height: skull + headdressHeight(headdress),
    levels: {
      chin: headMiddle + MEASURES.head.height / 2,
      shoulder: torsoTop,
      waist: hipTop,
      hip: hipTop + MEASURES.hips.height,
      sole,
    },
    boards: Object.fromEntries(
      MADE_AS.map((as) => [as, boardOrigin(as, { torsoTop, hipTop }, mitt(-1))]),
    ) as Drawing['boards'],
  }
}
