import type { Paints } from './headgear.ts'
import { ellipse, rect } from './path.ts'
import { darker, paint, type Pen } from './pen.ts'

/** Lower pieces in hip units: the top middle of the hip band at 0,0; the sole at `reach`. Alike from both sides. */
export type LowerDrawing = (pen: Pen, paints: Paints, reach: number) => void

/** Waist gear in hip units; where it looks otherwise from behind it has a drawing of its own for that. */
export interface WaistDrawing {
  front: LowerDrawing
  back?: LowerDrawing
}

const skirt: LowerDrawing = (pen, { main, second }, reach) => {
  for (const s of [-1, 1]) {
    pen.piece(rect(s * 20 - 15, reach - 34, 30, 34, 3), second)
    pen.piece(rect(s * 20 - 19, reach - 14, 38, 14, 5), paint(darker(second.hex, 0.6)))
  }
  const hem = reach - 26
  pen.piece(`M-44 0L44 0C50 20 60 ${hem - 24} 62 ${hem}Q0 ${hem + 12} -62 ${hem}C-60 ${hem - 24} -50 20 -44 0Z`, main)
  for (const x of [-30, -10, 10, 30])
    pen.line(`M${x * 0.8} 14Q${x * 1.1} ${hem * 0.6} ${x * 1.5} ${hem + 4}`, darker(main.hex, 0.3), 1.4)
  pen.line('M-45 12Q0 18 45 12', darker(main.hex, 0.45), 1.6)
}

const gown: LowerDrawing = (pen, { main, second }, reach) => {
  pen.piece(
    `M-44 0L44 0C52 24 66 ${reach - 30} 66 ${reach - 6}Q66 ${reach} 60 ${reach}L-60 ${reach}Q-66 ${reach} -66 ${reach - 6}C-66 ${reach - 30} -52 24 -44 0Z`,
    main,
  )
  pen.area(
    `M-66 ${reach - 16}Q0 ${reach - 8} 66 ${reach - 16}L66 ${reach - 9}Q0 ${reach - 1} -66 ${reach - 9}Z`,
    second.hex,
  )
  for (const x of [-34, -12, 12, 34])
    pen.line(`M${x * 0.7} 14Q${x * 1.1} ${reach * 0.6} ${x * 1.4} ${reach - 18}`, darker(main.hex, 0.3), 1.4)
}

/** A tail in place of legs: scales to the fin, which lies flat on the ground. */
const fishTail: LowerDrawing = (pen, { main, second }, reach) => {
  const fin = reach - 16
  pen.piece(
    `M-18 ${fin - 6}C-40 ${fin - 14} -62 ${fin - 2} -60 ${reach}Q-30 ${reach - 6} 0 ${reach}Q30 ${reach - 6} 60 ${reach}C62 ${fin - 2} 40 ${fin - 14} 18 ${fin - 6}Z`,
    second,
  )
  pen.piece(
    `M-46 0L46 0C48 ${fin * 0.4} 30 ${fin * 0.8} 18 ${fin}L-18 ${fin}C-30 ${fin * 0.8} -48 ${fin * 0.4} -46 0Z`,
    main,
  )
  for (let y = 14, row = 0; y < fin - 10; y += 13, row++) {
    const half = 38 * (1 - (y / fin) * 0.62)
    for (let x = -half + (row % 2 ? 6 : 0); x < half - 6; x += 13)
      pen.line(`M${x} ${y}Q${x + 6} ${y + 8} ${x + 12} ${y}`, darker(main.hex, 0.35), 1.1)
  }
}

/** Every lower silhouette by name. */
export const LOWER_PIECES: Record<string, LowerDrawing> = { skirt, gown, 'fish-tail': fishTail }

/** A band with a bow, as every apron is tied. */
const apronTies: LowerDrawing = (pen, { main, second }) => {
  pen.piece(rect(-47, -7, 94, 9, 3), main)
  for (const s of [-1, 1]) {
    pen.piece(`M0 -3L${s * 16} -12Q${s * 22} -3 ${s * 16} 6Z`, second)
    pen.piece(`M0 0L${s * 5} 0L${s * 12} 34L${s * 4} 34Z`, second)
  }
  pen.piece(ellipse(0, -3, 4.5), main)
}

const belt: LowerDrawing = (pen, { main, second }) => {
  pen.piece(rect(-47, -6, 94, 12, 3), main)
  pen.piece(rect(-9, -8, 18, 16, 3), second)
}
const pouchBelt: LowerDrawing = (pen, { main, second }) => {
  pen.piece(rect(-47, -5, 94, 10, 3), main)
  pen.piece(rect(-42, 0, 22, 24, 4), second)
  pen.piece('M-42 4Q-42 0 -38 0L-24 0Q-20 0 -20 4L-22 12Q-31 16 -40 12Z', second)
}
const pouchBeltBack: LowerDrawing = (pen, { main }) => pen.piece(rect(-47, -5, 94, 10, 3), main)
const plainBeltBack: LowerDrawing = (pen, { main }) => pen.piece(rect(-47, -6, 94, 12, 3), main)
const waistApron: LowerDrawing = (pen, { main }, reach) => {
  const hem = Math.min(70, reach - 22)
  pen.piece(`M-40 -4L40 -4L42 ${hem}Q0 ${hem + 7} -42 ${hem}Z`, main)
  pen.piece(rect(-47, -6, 94, 9, 3), main)
  pen.line(`M-20 22L20 22L18 40L-18 40Z`, darker(main.hex, 0.35), 1.4)
}
const coatTails: LowerDrawing = (pen, { main, second }, reach) => {
  const hem = Math.min(78, reach - 20)
  for (const s of [-1, 1]) {
    pen.piece(`M${s * 14} -4L${s * 47} -4L${s * 56} ${hem}L${s * 30} ${hem + 2}Z`, main)
    pen.piece(ellipse(s * 24, 6, 3), second)
  }
}
/** From behind the tails meet in the middle. */
const coatTailsBack: LowerDrawing = (pen, { main, second }, reach) => {
  const hem = Math.min(82, reach - 16)
  for (const s of [-1, 1]) {
    pen.piece(`M0 -4L${s * 47} -4L${s * 50} ${hem * 0.5}L${s * 36} ${hem}L${s * 3} ${hem}Z`, main)
    pen.piece(ellipse(s * 12, 4, 3), second)
  }
}
const rowingSashBack: LowerDrawing = (pen, { main }) => pen.piece('M-47 -8Q0 0 47 -8L47 5Q0 13 -47 5Z', main)
const rowingSash: LowerDrawing = (pen, { main }) => {
  pen.piece('M-47 -8Q0 0 47 -8L47 5Q0 13 -47 5Z', main)
  pen.piece('M-36 4L-24 6L-26 44L-40 40Z', main)
  pen.piece('M-28 6L-18 6L-12 36L-24 40Z', main)
}

const longApron: LowerDrawing = (pen, { main, second }, reach) => {
  const hem = Math.max(30, reach - 14)
  pen.piece(`M-44 -6L44 -6L50 ${hem}Q0 ${hem + 8} -50 ${hem}Z`, main)
  pen.piece(rect(-47, -9, 94, 9, 3), second)
  pen.line(`M-24 ${hem * 0.35}L24 ${hem * 0.35}`, darker(main.hex, 0.35), 1.4)
  pen.line(`M-49 ${hem - 10}Q0 ${hem - 2} 49 ${hem - 10}`, second.hex, 2.4)
}
/** A tail that hangs to one side, as the animals of the lantern parade wear it. */
const paradeTail: LowerDrawing = (pen, { main, second }, reach) => {
  const low = Math.min(70, reach - 10)
  pen.piece(
    `M30 -4C52 2 66 ${low * 0.5} 62 ${low * 0.85}C60 ${low} 48 ${low} 46 ${low * 0.86}C48 ${low * 0.5} 40 14 26 8Z`,
    main,
  )
  pen.piece(`M62 ${low * 0.8}C61 ${low + 2} 46 ${low + 2} 46 ${low * 0.8}Q54 ${low * 0.7} 62 ${low * 0.8}Z`, second)
  pen.piece(rect(-47, -6, 94, 8, 3), second)
}

/** From behind the tail hangs where a tail belongs. */
const paradeTailBack: LowerDrawing = (pen, { main, second }, reach) => {
  const low = Math.min(74, reach - 8)
  pen.piece(
    `M-9 0C-14 ${low * 0.4} 16 ${low * 0.55} 12 ${low}C26 ${low * 0.9} 28 ${low * 0.5} 14 ${low * 0.3}Q8 10 10 0Z`,
    main,
  )
  pen.piece(`M11 ${low * 0.86}Q10 ${low + 2} 13 ${low + 1}C22 ${low * 0.96} 25 ${low * 0.8} 23 ${low * 0.7}Z`, second)
  pen.piece(rect(-47, -6, 94, 8, 3), second)
}

/** Every waist silhouette by name. */
export const WAIST_PIECES: Record<string, WaistDrawing> = {
  belt: { front: belt, back: plainBeltBack },
  'pouch-belt': { front: pouchBelt, back: pouchBeltBack },
  'waist-apron': { front: waistApron, back: apronTies },
  'coat-tails': { front: coatTails, back: coatTailsBack },
  'rowing-sash': { front: rowingSash, back: rowingSashBack },
  'long-apron': { front: longApron, back: apronTies },
  'parade-tail': { front: paradeTail, back: paradeTailBack },
}

/** A companion or a thing set down, in ground units: standing at 0,0. From behind no face shows. */
export type CompanionDrawing = (pen: Pen, paints: Paints, back?: boolean) => void

/** Every companion silhouette by name. */
export const COMPANIONS: Record<string, CompanionDrawing> = {
  otter(pen, { main, second }, back) {
    pen.piece('M8 -6C24 -8 36 -2 44 -12C46 -4 38 4 22 2L6 0Z', main)
    pen.piece('M-14 0C-20 -20 -14 -44 0 -46C14 -44 20 -20 16 0Z', main)
    if (!back) pen.piece('M-7 -2C-10 -18 -6 -34 0 -34C6 -34 10 -18 8 -2Z', second)
    pen.piece(ellipse(-13, -64, 5), main)
    pen.piece(ellipse(13, -64, 5), main)
    pen.piece(ellipse(0, -54, 18, 14), main)
    if (!back) {
      pen.piece(ellipse(0, -49, 9, 6.5), second)
      pen.area(ellipse(0, -52, 3, 2.2), '#2A2730')
      for (const x of [-8, 8]) pen.area(ellipse(x, -58, 2.2), '#2A2730')
      pen.line('M-3 -46Q0 -44 3 -46', '#2A2730', 1.3)
    }
    pen.piece(ellipse(-9, -1, 7, 3.5), main)
    pen.piece(ellipse(9, -1, 7, 3.5), main)
  },
  cat(pen, { main, second }, back) {
    pen.line('M14 -6C34 -4 34 -28 26 -34', main.hex, 6)
    pen.piece('M-14 0C-18 -20 -10 -36 0 -36C10 -36 18 -20 14 0Z', main)
    pen.piece('M-15 -50L-13 -66L-3 -58L3 -58L13 -66L15 -50Q14 -36 0 -36Q-14 -36 -15 -50Z', main)
    if (back) return
    pen.area('M-5 -2C-8 -14 -4 -26 0 -26C4 -26 8 -14 5 -2Z', second.hex)
    for (const x of [-6, 6]) pen.area(ellipse(x, -50, 2.2, 2.8), '#2A2730')
    pen.line('M-3 -43Q0 -41 3 -43', '#2A2730', 1.3)
    pen.line('M-7 -44L-18 -46M-7 -42L-17 -40M7 -44L18 -46M7 -42L17 -40', '#2A2730', 0.8)
  },
  heron(pen, { main, second }) {
    pen.line('M-3 -26L-5 0M6 -26L6 0', '#B98A3A', 3)
    pen.line('M-10 0L0 0M2 0L12 0', '#B98A3A', 3)
    pen.piece('M-20 -34C-24 -54 2 -62 18 -48C26 -40 30 -30 34 -22C18 -20 -14 -18 -20 -34Z', main)
    pen.piece('M-18 -44C-26 -58 -10 -70 -16 -84C-14 -96 -2 -96 2 -88C2 -76 -8 -66 -4 -50Z', second)
    pen.piece('M-12 -90L-36 -84L-13 -83Z', paint('#D9A23C'))
    pen.area(ellipse(-8, -88, 1.8), '#2A2730')
    pen.line('M-2 -93Q10 -98 16 -92', main.hex, 2.4)
  },
  crate(pen, { main }) {
    pen.piece(rect(-30, -40, 60, 40, 2), main)
    for (const y of [-27, -14]) pen.line(`M-30 ${y}L30 ${y}`, darker(main.hex, 0.45), 1.5)
    for (const x of [-24, 24]) for (const y of [-34, -20, -6]) pen.area(ellipse(x, y, 1.6), darker(main.hex, 0.6))
  },
  'rope-bollard'(pen, { main, second }) {
    pen.piece('M-14 0L-12 -34L12 -34L14 0Z', main)
    pen.piece(ellipse(0, -36, 18, 7), main)
    for (const y of [-12, -18, -24]) pen.piece(rect(-16, y, 32, 7, 3), second)
  },
  gull(pen, { main, second }) {
    pen.line('M-4 -8L-4 0M6 -8L6 0', '#D98A2B', 2.4)
    pen.piece('M-20 -12C-20 -28 6 -32 20 -24L36 -18Q20 -6 0 -6Q-16 -6 -20 -12Z', main)
    pen.piece('M-6 -22C8 -28 22 -24 34 -18Q16 -12 0 -14Z', second)
    pen.piece(ellipse(-16, -32, 9, 8), main)
    pen.piece('M-24 -33L-35 -30L-24 -28Z', paint('#E2A33C'))
    pen.area(ellipse(-18, -34, 1.6), '#2A2730')
  },
  barrel(pen, { main, second }) {
    pen.piece('M-20 0C-27 -18 -27 -36 -20 -54L20 -54C27 -36 27 -18 20 0Z', main)
    for (const x of [-10, 0, 10]) pen.line(`M${x} -53Q${x * 1.35} -27 ${x} -1`, darker(main.hex, 0.4), 1.2)
    for (const y of [-44, -14]) pen.piece(`M-24 ${y}Q0 ${y + 5} 24 ${y}L24 ${y + 6}Q0 ${y + 11} -24 ${y + 6}Z`, second)
  },
}
