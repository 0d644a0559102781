import type { ItemDrawing } from './items.ts'
import { ellipse, rect } from './path.ts'
import { darker, lighter, type Pen } from './pen.ts'

/**
 * Small pieces that others are put together of, in hand units: the place they are held or plugged by at 0,0.
 */
const rod =
  (top: number, bottom: number): ItemDrawing =>
  (pen, { main }) => {
    pen.piece(rect(-2.8, top, 5.6, bottom - top, 2.4), main)
    for (const y of [top + 7, bottom - 9]) pen.line(`M-2.4 ${y}L2.4 ${y}`, darker(main.hex, 0.4), 1.1)
  }

const jewel: ItemDrawing = (pen, { main }) => {
  pen.piece('M-5 -11L5 -11L11 -3L0 12L-11 -3Z', main)
  pen.line('M-10 -3L10 -3M-5 -11L-3 -3L0 11L3 -3L5 -11', darker(main.hex, 0.4), 1)
  pen.area('M-4 -9L1 -9L-2 -4L-8 -4Z', lighter(main.hex, 0.6), undefined, 0.8)
}

const curvedHorn: ItemDrawing = (pen, { main }) => {
  pen.piece('M-4.5 4L4.5 4C4 -14 10 -32 27 -44C9 -41 -6 -22 -4.5 4Z', main)
  pen.line('M-4 -2L4 -2M-3 -10L5 -12M0 -19L9 -22', darker(main.hex, 0.35), 1)
}

const broadBlade: ItemDrawing = (pen, { main, second }) => {
  pen.piece('M-4 -8L5 -8C14 -9 20 -14 25 -23C34 -10 34 10 25 23C20 14 14 9 5 8L-4 8Z', main)
  pen.line('M23 -18C29 -7 29 7 23 18', lighter(main.hex, 0.55), 1.5)
  pen.piece(rect(-5, -9, 8, 18, 2), second)
}

const spokes = (pen: Pen, hex: string, reach: number) => {
  for (let turn = 0; turn < 180; turn += 45) {
    const [x, y] = [Math.cos((turn * Math.PI) / 180) * reach, Math.sin((turn * Math.PI) / 180) * reach]
    pen.line(`M${-x} ${-y}L${x} ${y}`, hex, 2.6)
  }
}
const spokedWheel: ItemDrawing = (pen, { main, second }) => {
  pen.piece(`${ellipse(0, 0, 27)}${ellipse(0, 0, 20)}`, main)
  pen.area(ellipse(0, 0, 20.5), lighter(main.hex, 0.55), undefined, 0.25)
  spokes(pen, darker(second.hex, 0.15), 20)
  pen.piece(ellipse(0, 0, 6), second)
}

const plank: ItemDrawing = (pen, { main }) => {
  pen.piece(rect(-46, -5, 92, 10, 2), main)
  pen.line('M-38 -1L-8 -1M4 2L36 2', darker(main.hex, 0.3), 1)
}

const trough: ItemDrawing = (pen, { main, second }) => {
  pen.piece('M-46 -18L46 -18L36 18L-36 18Z', main)
  pen.piece(rect(-49, -23, 98, 8, 3), second)
  pen.line('M-41 -4L41 -4M-39 7L39 7', darker(main.hex, 0.32), 1.2)
}

/** Every silhouette of this file by name. */
export const SMALL_ITEMS: Record<string, ItemDrawing> = {
  rod: rod(-112, 70),
  'short-rod': rod(-28, 28),
  jewel,
  'curved-horn': curvedHorn,
  'broad-blade': broadBlade,
  'spoked-wheel': spokedWheel,
  plank,
  trough,
}
