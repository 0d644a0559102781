import {
  mouldOf,
  type Catalogue,
  type Mould,
  type Part,
  type Placement,
  type Print,
  type Slot,
} from '../catalogue/index.ts'
import { armPen, drawArm, drawHand, drawHead, drawHips, drawLeg, drawNeck, drawTorso, mitt } from './body.ts'
import { FIGURE_WINDOW, legLengthOf, MEASURES, MM_PER_UNIT } from './geometry.ts'
import { HEADGEAR, type Paints } from './headgear.ts'
import { ITEM_POINTS, ITEMS } from './items.ts'
import { COMPANIONS, LOWER_PIECES, WAIST_PIECES } from './lowerAndWaist.ts'
import { NECK_PIECES } from './neckPieces.ts'
import { ellipse, rect, scaling, translation, type Matrix } from './path.ts'
import { paint, penFor, type Paint, type Pen, type Shape } from './pen.ts'

export type View = 'front' | 'back'

/** A drawn figure: shapes bottom first, in figure units with the sole of the figure at y = 0. */
export interface Drawing {
  window: { x: number; y: number; width: number; height: number }
  shapes: Shape[]
  /** A point on each worn slot, for pins and lead lines. */
  anchors: Partial<Record<Slot, { x: number; y: number }>>
  /** From the ground to the top of the headgear, in millimetres. */
  height: number
}

interface Worn {
  placement: Placement
  part: Part
  mould: Mould
  print: Print | undefined
  paints: Paints
}

/** The bare doll under the clothes: pale wood and cloth. */
const WOOD = paint('#E9D9BC')
const BARE: Paints = { main: WOOD, second: WOOD, third: WOOD }

/** How far below the shoulders the longest cloth hangs, in figure units. */
const LONGEST_DRAPE = 182

/** Leg layers that are on the front alone. */
const FRONT_OF_LEG = new Set(['knee', 'pocket'])

/** Neck pieces that lie over the sleeves, and those that lie over the chin. */
const OVER_SLEEVES = new Set(['oilskin-cape', 'shawl', 'long-scarf'])
const OVER_CHIN = new Set(['beard-piece'])

function paintsOf(part: Part, catalogue: Catalogue): Paints {
  const at = (index: number): Paint | undefined => {
    const colour = catalogue.colours.get(part.colours[index] ?? '')
    return colour && paint(colour.hex, colour.finish)
  }
  const main = at(0) ?? WOOD
  const second = at(1) ?? main
  return { main, second, third: at(2) ?? second }
}

function wornBySlot(placements: readonly Placement[], catalogue: Catalogue): Map<Slot, Worn[]> {
  const worn = new Map<Slot, Worn[]>()
  for (const placement of [...placements].sort((a, b) => a.order - b.order)) {
    const part = catalogue.parts.get(placement.part)
    if (!part) continue
    const entry: Worn = {
      placement,
      part,
      mould: mouldOf(catalogue, part),
      print: part.print ? catalogue.prints.get(part.print) : undefined,
      paints: paintsOf(part, catalogue),
    }
    worn.set(placement.slot, [...(worn.get(placement.slot) ?? []), entry])
  }
  return worn
}

/** Layers of a print as seen in a view: a turned part shows its back in front. Kinds without a back show the front. */
function layersSeen(worn: Worn | undefined, view: View) {
  if (!worn?.print) return []
  return (view === 'front') !== worn.placement.turned ? worn.print.front : worn.print.back
}

/**
 * Draw a figure. Slots of the body that are not dressed show the bare doll, so that a start looks like a start.
 * Deterministic; O(shapes). A companion stands at the figure's left.
 */
export function drawFigure(
  placements: readonly Placement[],
  catalogue: Catalogue,
  { view = 'front' as View, plinth = true } = {},
): Drawing {
  const worn = wornBySlot(placements, catalogue)
  const one = (slot: Slot) => worn.get(slot)?.[0]
  const shapes: Shape[] = []
  const anchors: Drawing['anchors'] = {}
  const back = view === 'back'
  const hexOf = (code: string) => catalogue.colours.get(code)?.hex
  const mirror: Matrix = back ? scaling(-1, 1) : scaling(1, 1)

  const lowerPiece = one('lower')
  const leg = legLengthOf((one('legRight') ?? one('legLeft') ?? lowerPiece)?.mould)
  const riser = one('feet') ? one('feet')!.mould.height / MM_PER_UNIT : 0
  const sole = -riser
  const hipTop = sole - MEASURES.leg[leg] - MEASURES.hips.height
  const torsoTop = hipTop - MEASURES.torso.height
  const neckPieces = worn.get('neck') ?? []
  const lift = neckPieces.reduce((sum, piece) => sum + piece.mould.neckThickness, 0) / MM_PER_UNIT
  const headMiddle = torsoTop - lift - MEASURES.neck.height - MEASURES.head.height / 2

  const penAt = (slot: Shape['slot'], x: number, y: number): Pen =>
    penFor(shapes, slot, mirror).under(translation(x, y))
  const anchor = (slot: Slot, x: number, y: number) => {
    if (worn.has(slot)) anchors[slot] = { x: back ? -x : x, y }
  }
  const headgear = one('headgear')
  const headgearDrawing = headgear && (HEADGEAR[headgear.mould.silhouette] ?? HEADGEAR['crop']!)
  const headPen = (slot: Shape['slot']) => penAt(slot, 0, headMiddle)
  const torsoPen = (slot: Shape['slot']) => penAt(slot, 0, torsoTop)
  const skin = one('head')?.paints.main ?? WOOD

  const companions = () => {
    ;(worn.get('beside') ?? []).forEach((companion, index) => {
      const x = index === 0 ? 82 : -82
      COMPANIONS[companion.mould.silhouette]?.(penAt('beside', x, 0), companion.paints)
      if (index === 0) anchor('beside', x, -30)
    })
  }
  const legLayers = (worn: Worn | undefined) =>
    (worn?.print?.front ?? []).filter((layer) => view === 'front' || !FRONT_OF_LEG.has(layer.kind))
  const legs = () => {
    if (lowerPiece) {
      const draw = LOWER_PIECES[lowerPiece.mould.silhouette] ?? LOWER_PIECES['skirt']!
      draw(penAt('lower', 0, hipTop), lowerPiece.paints, sole - hipTop)
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
    drawHips(penAt('hips', 0, hipTop), (hips?.paints ?? BARE).main, hips?.print?.front ?? [], hexOf)
    anchor('hips', 0, hipTop + 10)
  }
  const waist = () => {
    const piece = one('waist')
    if (!piece) return
    WAIST_PIECES[piece.mould.silhouette]?.(penAt('waist', 0, hipTop), piece.paints, sole - hipTop)
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
      const drawing = NECK_PIECES[piece.mould.silhouette]
      const draw = back ? drawing?.back : drawing?.front
      draw?.(back ? drape(drawing) : torsoPen('neck'), piece.paints)
    })
    anchor('neck', -22, torsoTop + 22)
  }
  const held = () => {
    for (const side of [-1, 1] as const) {
      const slot = side < 0 ? 'heldRight' : 'heldLeft'
      const item = one(slot)
      if (!item) continue
      const { x, y } = mitt(side)
      const pen = penAt(slot, x, torsoTop + y)
      ITEMS[item.mould.silhouette]?.(side > 0 ? pen.under(scaling(-1, 1)) : pen, item.paints)
      const [dx, dy] = ITEM_POINTS[item.mould.silhouette] ?? [0, 0]
      anchor(slot, x - side * dx, torsoTop + y + dy)
    }
  }
  const arms = () => {
    for (const side of [-1, 1] as const) {
      const [armSlot, handSlot] = side < 0 ? (['armRight', 'handRight'] as const) : (['armLeft', 'handLeft'] as const)
      const { x, y } = mitt(side)
      drawHand(penAt(handSlot, x, torsoTop + y), (one(handSlot)?.paints ?? BARE).main)
      const arm = one(armSlot)
      const pen = armPen(torsoPen(armSlot), side)
      drawArm(side > 0 ? pen.under(scaling(-1, 1)) : pen, (arm?.paints ?? BARE).main, arm?.print?.front ?? [], hexOf)
      anchor(handSlot, x, torsoTop + y)
      anchor(armSlot, side * 44, torsoTop + 34)
    }
  }
  const head = () => {
    const piece = one('head')
    drawHead(headPen('head'), skin, layersSeen(piece, view), hexOf, back)
    anchor('head', 12, headMiddle + 8)
    neck((silhouette) => OVER_CHIN.has(silhouette) && !back)
    if (!headgear || !headgearDrawing) return
    headgearDrawing[view](headPen('headgear'), headgear.paints)
    anchor('headgear', -12, headMiddle - 32)
  }

  if (plinth) {
    const { width, height } = MEASURES.plinth
    penFor(shapes, 'plinth').piece(ellipse(0, 2, width / 2, height / 2), paint('#DCC9A2'))
  }
  if (riser > 0) penAt('feet', 0, 0).piece(rect(-50, -riser, 100, riser, 2), one('feet')!.paints.main)
  if (back) {
    companions()
    held()
    legs()
    waist()
    torso()
    arms()
    neck(() => true)
    head()
  } else {
    if (headgear) headgearDrawing?.behind?.(headPen('headgear'), headgear.paints)
    for (const piece of [...neckPieces].reverse()) {
      const drawing = NECK_PIECES[piece.mould.silhouette]
      drawing?.behind?.(drape(drawing), piece.paints)
    }
    companions()
    legs()
    waist()
    torso()
    neck((silhouette) => !OVER_SLEEVES.has(silhouette) && !OVER_CHIN.has(silhouette))
    held()
    arms()
    neck((silhouette) => OVER_SLEEVES.has(silhouette))
    head()
  }

  const skull = -(headMiddle - MEASURES.head.height / 2) * MM_PER_UNIT
  return { window: { ...FIGURE_WINDOW }, shapes, anchors, height: skull + (headgear?.mould.height ?? 0) }
}
