import type { Paints } from './headgear.ts'
import { MARKET_ITEMS } from './itemsMarket.ts'
import { SMALL_ITEMS } from './itemsSmall.ts'
import { ellipse, rect, rotation } from './path.ts'
import { darker, lighter, paint, type Pen } from './pen.ts'

/**
 * Held items in hand units: the middle of the mitt at 0,0, drawn upright for the figure's right hand (seen from the
 * front at the left) and mirrored for the other.
 */
export type ItemDrawing = (pen: Pen, paints: Paints) => void

const WOOD = paint('#9C6B3F')
const IRON = paint('#5B5F66')

const oar: ItemDrawing = (pen, { main, second }) => {
  const tilted = pen.under(rotation(-6))
  tilted.piece(rect(-3, -136, 6, 206, 2.5), second)
  tilted.piece('M-3 -140C-16 -156 -15 -196 -3 -214Q0 -217 3 -214C15 -196 16 -156 3 -140Z', main)
  tilted.line('M0 -142L0 -204', darker(main.hex, 0.3), 1.3)
}

const lanternOnHook: ItemDrawing = (pen, { main, second }) => {
  pen.line('M0 0Q6 12 0 20', '#2A2730', 2.2)
  pen.piece('M-9 24L-6 18L6 18L9 24Z', second)
  pen.piece(rect(-12, 24, 24, 32, 6), main)
  pen.line('M-12 33Q0 37 12 33M-12 46Q0 50 12 46', darker(main.hex, 0.45), 1.3)
  pen.area(ellipse(0, 40, 4, 6), lighter(main.hex, 0.6))
  pen.piece(rect(-9, 55, 18, 5, 2), second)
}

const ladle: ItemDrawing = (pen, { main }) => {
  pen.piece(rect(-2.5, -62, 5, 74, 2), main)
  pen.piece('M-16 -76L10 -76Q9 -58 -3 -58Q-15 -58 -16 -76Z', main)
  pen.line('M-13 -72L6 -72', lighter(main.hex, 0.5), 1.4)
}

const cornet: ItemDrawing = (pen, { main }) => {
  const tilted = pen.under(rotation(-24))
  tilted.piece('M-3 22L3 22L3 -30C4 -42 12 -48 17 -54L-17 -54C-12 -48 -4 -42 -3 -30Z', main)
  tilted.piece(rect(-13, -18, 26, 18, 8), main)
  for (const y of [-14, -8, -2]) tilted.piece(rect(8, y - 2, 10, 4, 1.5), main)
  tilted.piece(ellipse(0, -54, 18, 5), paint(darker(main.hex, 0.3)))
}

const ropeCoil: ItemDrawing = (pen, { main }) => {
  for (const r of [20, 15, 10]) {
    pen.piece(ellipse(0, 22, r, r + 4), main)
  }
  pen.area(ellipse(0, 22, 5, 9), darker(main.hex, 0.55))
  for (const [x, y] of [
    [-17, 14],
    [-18, 26],
    [17, 14],
    [18, 26],
    [-10, 40],
    [10, 40],
  ] as const)
    pen.line(`M${x - 3} ${y - 3}L${x + 3} ${y + 3}`, darker(main.hex, 0.4), 1.3)
  pen.line('M4 -2Q9 4 6 10', darker(main.hex, 0.5), 3)
}

const crabPot: ItemDrawing = (pen, { main, second }) => {
  pen.line('M-14 22Q0 -8 14 22', '#2A2730', 2.2)
  pen.piece('M-24 56L-24 34Q-24 18 0 18Q24 18 24 34L24 56Z', main)
  for (const x of [-16, -8, 0, 8, 16]) pen.line(`M${x} ${20 + Math.abs(x) * 0.25}L${x} 54`, darker(main.hex, 0.4), 1.3)
  for (const y of [30, 42]) pen.line(`M-23 ${y}L23 ${y}`, darker(main.hex, 0.4), 1.3)
  pen.piece(rect(-26, 52, 52, 7, 2), second)
}

const ledger: ItemDrawing = (pen, { main, second }) => {
  const tilted = pen.under(rotation(8))
  tilted.piece(rect(-16, -26, 32, 42, 3), main)
  tilted.area(rect(-12, 13, 27, 3), '#FFFDF6')
  tilted.piece(rect(-9, -18, 18, 12, 2), second)
  tilted.line('M-11 -25L-11 15', darker(main.hex, 0.5), 1.6)
}

const umbrella: ItemDrawing = (pen, { main, second }) => {
  pen.piece(rect(-2, -118, 4, 130, 1.5), second)
  pen.line('M0 12Q0 24 -8 22', second.hex, 3.4)
  pen.piece(
    'M-54 -98C-48 -132 -22 -148 0 -148C22 -148 48 -132 54 -98Q44 -108 36 -98Q27 -108 18 -98Q9 -108 0 -98Q-9 -108 -18 -98Q-27 -108 -36 -98Q-44 -108 -54 -98Z',
    main,
  )
  pen.line('M-18 -98Q-16 -130 0 -147Q16 -130 18 -98', darker(main.hex, 0.35), 1.3)
  pen.piece(rect(-1.5, -156, 3, 9, 1), second)
}

const noodleBowl: ItemDrawing = (pen, { main, second }) => {
  pen.piece('M-20 -14L20 -14Q18 8 6 10L-6 10Q-18 8 -20 -14Z', main)
  pen.line('M-19 -7Q0 -2 19 -7', second.hex, 2.4)
  pen.piece('M-18 -14Q-14 -24 -6 -19Q0 -27 7 -19Q14 -24 18 -14Z', paint('#EBCB84'))
  pen.line('M6 -18L22 -40M10 -17L28 -36', '#7A4A2B', 2)
  pen.line('M-9 -24Q-12 -30 -8 -36', '#B9BDC2', 1.4)
}

const boatHook: ItemDrawing = (pen, { main, second }) => {
  pen.piece(rect(-2.6, -120, 5.2, 190, 2), main)
  pen.piece('M-4 -122L4 -122L4 -134L2 -150L-2 -134L-4 -134Z', second)
  pen.line('M-3 -130Q-16 -134 -13 -146', second.hex, 3.6)
}

const brush: ItemDrawing = (pen, { main, second }) => {
  pen.piece(rect(-2.5, -22, 5, 36, 2), second)
  pen.piece(rect(-6, -32, 12, 11, 1.5), IRON)
  pen.piece('M-7 -32L7 -32Q8 -44 0 -52Q-8 -44 -7 -32Z', main)
}

const telescope: ItemDrawing = (pen, { main, second }) => {
  const tilted = pen.under(rotation(-38))
  tilted.piece(rect(-7, -8, 14, 24, 2), main)
  tilted.piece(rect(-5.5, -32, 11, 25, 2), second)
  tilted.piece(rect(-8, -38, 16, 8, 2), main)
}

const fishOnLine: ItemDrawing = (pen, { main }) => {
  pen.line('M0 0L0 16', '#2A2730', 1.4)
  pen.piece('M0 15C11 22 13 42 4 56L11 68L-11 68L-4 56C-13 42 -11 22 0 15Z', main)
  pen.area(ellipse(3, 24, 1.8), '#2A2730')
  pen.line('M-7 32Q0 37 8 32M-6 46Q0 50 7 46', darker(main.hex, 0.4), 1.2)
}

const basket: ItemDrawing = (pen, { main, second }) => {
  pen.line('M-18 28Q0 -14 18 28', darker(main.hex, 0.4), 3.4)
  for (const [x, y] of [
    [-10, 25],
    [0, 22],
    [10, 25],
  ] as const)
    pen.piece(ellipse(x, y, 7), second)
  pen.piece('M-24 28L24 28L18 52L-18 52Z', main)
  for (const y of [35, 43])
    pen.line(`M${-23 + (y - 28) * 0.25} ${y}L${23 - (y - 28) * 0.25} ${y}`, darker(main.hex, 0.4), 1.4)
}

const mallet: ItemDrawing = (pen, { main }) => {
  pen.piece(rect(-2.8, -40, 5.6, 56, 2), WOOD)
  pen.piece(rect(-17, -58, 34, 20, 3), main)
}

const flag: ItemDrawing = (pen, { main, second }) => {
  pen.piece(rect(-2.2, -150, 4.4, 170, 2), WOOD)
  pen.piece('M-2 -148C-22 -156 -32 -138 -52 -146L-52 -112C-32 -104 -22 -122 -2 -114Z', main)
  pen.area(ellipse(-27, -130, 8), second.hex)
}

const mug: ItemDrawing = (pen, { main }) => {
  pen.line('M-10 -8Q-20 -6 -18 4Q-16 9 -9 7', main.hex, 4)
  pen.piece(rect(-10, -14, 22, 26, 4), main)
  pen.area(ellipse(1, -13, 9, 2.4), '#F3EBD8')
}

const drum: ItemDrawing = (pen, { main, second }) => {
  pen.piece(rect(-24, -4, 48, 34, 4), main)
  pen.line('M-22 2L-11 26L0 2L11 26L22 2', second.hex, 1.8)
  pen.piece(ellipse(0, -4, 24, 6), paint('#F3EBD8'))
}

/** Every held silhouette by name. */
export const ITEMS: Record<string, ItemDrawing> = {
  oar,
  'hook-lantern': lanternOnHook,
  ladle,
  cornet,
  'rope-coil': ropeCoil,
  'crab-pot': crabPot,
  ledger,
  umbrella,
  'noodle-bowl': noodleBowl,
  'boat-hook': boatHook,
  brush,
  telescope,
  'fish-on-line': fishOnLine,
  basket,
  mallet,
  flag,
  mug,
  drum,
  ...MARKET_ITEMS,
  ...SMALL_ITEMS,
}

/** Where a lead line points to on an item, in hand units of the right hand; the mitt itself where nothing is said. */
export const ITEM_POINTS: Record<string, readonly [number, number]> = {
  oar: [-18, -170],
  'hook-lantern': [0, 40],
  ladle: [-3, -68],
  cornet: [-16, -36],
  'rope-coil': [0, 38],
  'crab-pot': [0, 40],
  ledger: [0, -16],
  umbrella: [0, -124],
  'noodle-bowl': [0, -6],
  'boat-hook': [0, -80],
  brush: [0, -42],
  telescope: [-21, -27],
  'fish-on-line': [0, 40],
  basket: [0, 40],
  mallet: [0, -48],
  flag: [-27, -140],
  drum: [0, 14],
  'landing-net': [0, -118],
  fiddle: [-4, 4],
  megaphone: [-14, -26],
  'hand-bell': [0, -44],
  'chart-roll': [6, -26],
  teapot: [0, 2],
  posy: [0, -34],
  'paper-lantern': [-24, -16],
}
