import type { Slot } from '../catalogue/index.ts'
import type { Drawing } from './drawFigure.ts'

/** How far around a slot a thumbnail shows, in figure units: width, height, and where the anchor sits in it. */
const FRAMES: Partial<Record<Slot, { width: number; height: number; dx: number; dy: number }>> = {
  headgear: { width: 116, height: 114, dx: 12, dy: 23 },
  head: { width: 84, height: 78, dx: -12, dy: -12 },
  face: { width: 84, height: 78, dx: 0, dy: 0 },
  neck: { width: 150, height: 128, dx: 22, dy: 22 },
  torso: { width: 138, height: 120, dx: -14, dy: -4 },
  armRight: { width: 84, height: 104, dx: -2, dy: 8 },
  armLeft: { width: 84, height: 104, dx: 2, dy: 8 },
  handRight: { width: 92, height: 84, dx: 6, dy: -12 },
  handLeft: { width: 92, height: 84, dx: -6, dy: -12 },
  waist: { width: 138, height: 116, dx: 30, dy: 26 },
  hips: { width: 130, height: 126, dx: 0, dy: 42 },
  legRight: { width: 96, height: 104, dx: 6, dy: 0 },
  legLeft: { width: 96, height: 104, dx: -6, dy: 0 },
  lower: { width: 150, height: 130, dx: 0, dy: 16 },
  heldRight: { width: 132, height: 124, dx: 16, dy: 0 },
  heldLeft: { width: 132, height: 124, dx: -16, dy: 0 },
  wristRight: { width: 92, height: 84, dx: 6, dy: -2 },
  wristLeft: { width: 92, height: 84, dx: -6, dy: -2 },
  feet: { width: 150, height: 110, dx: -30, dy: -26 },
  beside: { width: 110, height: 110, dx: 0, dy: -20 },
}

/** The part of a drawing around one slot; the whole window when the slot is empty. */
export function cropTo(drawing: Drawing, slot: Slot): Drawing['window'] {
  const anchor = drawing.anchors[slot]
  const frame = FRAMES[slot]
  if (!anchor || !frame) return drawing.window
  // Where the anchor sits is said for the front; from behind it is the mirror of that.
  const dx = drawing.view === 'back' ? -frame.dx : frame.dx
  return {
    x: anchor.x + dx - frame.width / 2,
    y: anchor.y + frame.dy - frame.height / 2,
    width: frame.width,
    height: frame.height,
  }
}
