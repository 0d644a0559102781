import type { ItemDrawing } from './items.ts'
import { ellipse, rect, rotation, scaling } from './path.ts'
import { darker, fine, lighter, paint } from './pen.ts'

/** Held things of the market and the bandstand, in hand units as in items.ts. */

const landingNet: ItemDrawing = (pen, { main, second }) => {
  pen.piece(rect(-2.4, -96, 4.8, 150, 2), second)
  pen.piece(
    'M-26 -122C-26 -148 26 -148 26 -122C26 -104 12 -92 0 -92C-12 -92 -26 -104 -26 -122Z',
    paint(lighter(main.hex, 0.5)),
  )
  for (const x of [-16, -6, 6, 16]) pen.line(`M${x} -138Q${x * 0.8} -112 ${x * 0.35} -95`, fine(main.hex), 1)
  for (const y of [-130, -118, -106]) pen.line(`M-22 ${y}Q0 ${y + 6} 22 ${y}`, fine(main.hex), 1)
  pen.line('M-26 -122C-26 -148 26 -148 26 -122C26 -104 12 -92 0 -92C-12 -92 -26 -104 -26 -122Z', main.hex, 3.4)
}

const fiddle: ItemDrawing = (pen, { main, second }) => {
  const tilted = pen.under(rotation(-20))
  tilted.piece(rect(-3, -64, 6, 46, 2), second)
  tilted.piece(rect(-6, -72, 12, 9, 3), second)
  tilted.piece(
    'M0 -28C13 -30 17 -18 11 -10C9 -6 11 -2 15 3C22 14 12 26 0 26C-12 26 -22 14 -15 3C-11 -2 -9 -6 -11 -10C-17 -18 -13 -30 0 -28Z',
    main,
  )
  tilted.line('M-8 2Q-6 -2 -8 -6M8 2Q6 -2 8 -6', darker(main.hex, 0.6), 1.4)
  for (const x of [-2, 0, 2]) tilted.line(`M${x} -62L${x} 18`, '#F3EBD8', 0.7)
  tilted.line('M-30 -20L30 6', '#7A4A2B', 2)
}

const megaphone: ItemDrawing = (pen, { main, second }) => {
  const tilted = pen.under(rotation(-30))
  tilted.piece('M-4 6L4 6L18 -50L-18 -50Z', main)
  tilted.piece(ellipse(0, -50, 18, 5), paint(darker(main.hex, 0.35)))
  tilted.piece(rect(-8, 4, 16, 9, 3), second)
  tilted.line('M-9 -14L9 -14', second.hex, 2.4)
}

const handBell: ItemDrawing = (pen, { main, second }) => {
  pen.piece(rect(-3.4, -18, 6.8, 24, 3), second)
  pen.piece('M-5 -18C-6 -30 -16 -38 -18 -56L18 -56C16 -38 6 -30 5 -18Z', main)
  pen.piece(rect(-20, -61, 40, 7, 3), main)
  pen.piece(ellipse(0, -64, 4.5), second)
}

const chartRoll: ItemDrawing = (pen, { main, second }) => {
  const tilted = pen.under(rotation(14))
  tilted.piece(rect(-8, -46, 16, 66, 4), main)
  tilted.piece(ellipse(0, -46, 8, 3), paint(darker(main.hex, 0.2)))
  tilted.piece(rect(-9, -18, 18, 6, 2), second)
  tilted.line('M4 -40L4 14', darker(main.hex, 0.25), 1.1)
}

const teapot: ItemDrawing = (pen, { main, second }) => {
  pen.line('M-14 -8C-30 -14 -30 12 -14 10', main.hex, 4.4)
  pen.piece('M16 -2L34 -16L37 -12L20 12Z', main)
  pen.piece('M-18 -2C-18 -16 18 -16 18 -2C20 12 10 18 0 18C-10 18 -20 12 -18 -2Z', main)
  pen.piece(ellipse(0, -12, 11, 3.6), second)
  pen.piece(ellipse(0, -17, 3.4), second)
}

const posy: ItemDrawing = (pen, { main, second, third }) => {
  for (const [x, y] of [
    [-12, -34],
    [0, -42],
    [12, -35],
    [-6, -26],
    [8, -25],
  ] as const)
    pen.line(`M0 6Q${x * 0.3} -12 ${x} ${y}`, '#3F6A3C', 2)
  for (const [i, [x, y]] of (
    [
      [-13, -36],
      [0, -45],
      [13, -37],
      [-6, -28],
      [8, -27],
    ] as [number, number][]
  ).entries())
    pen.piece(ellipse(x, y, 7, 6.5), i % 2 ? second : main)
  pen.piece('M-12 -14L12 -14L5 14L-5 14Z', third)
}

const paperLantern: ItemDrawing = (upright, { main, second }) => {
  // Carried away from the body.
  const pen = upright.under(scaling(-1, 1))
  pen.piece(rect(-2, -44, 4, 58, 2), paint('#9C6B3F'))
  pen.line('M0 -43Q20 -52 24 -38', '#2A2730', 1.6)
  pen.piece('M12 -34C8 -22 8 -12 12 0L36 0C40 -12 40 -22 36 -34Z', main)
  for (const y of [-26, -17, -8]) pen.line(`M10 ${y}Q24 ${y + 4} 38 ${y}`, darker(main.hex, 0.35), 1.2)
  pen.piece(rect(14, -38, 20, 5, 2), second)
  pen.piece(rect(14, -1, 20, 5, 2), second)
  pen.line('M24 4L24 14', second.hex, 2)
}

/** Every silhouette of this file by name. */
export const MARKET_ITEMS: Record<string, ItemDrawing> = {
  'landing-net': landingNet,
  fiddle,
  megaphone,
  'hand-bell': handBell,
  'chart-roll': chartRoll,
  teapot,
  posy,
  'paper-lantern': paperLantern,
}
