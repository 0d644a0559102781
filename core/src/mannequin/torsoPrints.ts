import { own } from '../base/index.ts'
import type { LayerDrawing } from './layer.ts'
import { ellipse, rect } from './path.ts'
import { darker, INK } from './pen.ts'

/** The torso in its own units: top middle at 0,0; shoulders ±34, hem ±48 at 92. */
export const TORSO =
  'M-33 1Q-34 0 -31 -1L31 -1Q34 0 35 3C41 30 46 60 48 88Q48 92 44 92L-44 92Q-48 92 -48 88C-46 60 -41 30 -35 3Q-34.5 1 -33 1Z'

const pocket = (x: number, y: number) => `M${x} ${y}L${x + 18} ${y}L${x + 18} ${y + 13}L${x} ${y + 13}Z`

/** Numbers a jersey may carry. */
export const DIGITS: Record<string, string> = {
  '1': 'M-5 34L2 28L2 62',
  '2': 'M-10 36Q0 22 10 36Q10 46 -10 62L11 62',
  '3': 'M-9 30L9 30L-1 43Q12 44 9 56Q0 68 -10 58',
  '4': 'M5 62L5 28L-11 52L11 52',
  '5': 'M9 29L-8 29L-9 43Q10 38 9 54Q2 68 -10 59',
  '6': 'M8 30Q-10 34 -9 52Q-6 66 6 60Q14 46 -8 48',
  '7': 'M-10 29L10 29L-3 62',
  '8': 'M0 44Q-14 36 0 28Q14 36 0 44Q-16 54 0 62Q16 54 0 44',
}

/** Layers a torso print may use, front or back, in torso units. */
export const TORSO_LAYERS: Record<string, LayerDrawing> = {
  plain: ({ pen, colour, outline }) => pen.area(rect(-50, -2, 100, 96), colour('colour'), outline),
  shirt: ({ pen, colour, outline }) => pen.area('M-16 -2L16 -2L7 92L-7 92Z', colour('colour'), outline),
  jacket: ({ pen, colour, outline }) => {
    const edge = darker(colour('colour'), 0.5)
    pen.area('M-50 -2L-15 -2L-4 46L-5 94L-50 94Z', colour('colour'), outline)
    pen.area('M50 -2L15 -2L4 46L5 94L50 94Z', colour('colour'), outline)
    pen.line('M-15 -1L-4 46L-5 92', edge, 1.8)
    pen.line('M15 -1L4 46L5 92', edge, 1.8)
    pen.line('M-22 0L-17 26L-9 24', edge, 1.5)
    pen.line('M22 0L17 26L9 24', edge, 1.5)
    pen.line(pocket(-36, 58), edge, 1.4)
    pen.line(pocket(18, 58), edge, 1.4)
  },
  coat: ({ pen, colour, outline }) => {
    const edge = darker(colour('colour'), 0.5)
    pen.area(rect(-50, -2, 100, 96), colour('colour'), outline)
    pen.area('M-14 -2L14 -2L0 34Z', colour('shirt', '#F3EBD8'), outline)
    pen.line('M-15 -1L6 34L6 92', edge, 1.8)
    pen.line('M15 -1L0 30', edge, 1.8)
    pen.line('M-21 0L-17 22L-6 18', edge, 1.4)
    for (const y of [44, 60, 76]) for (const x of [-5, 16]) pen.area(ellipse(x, y, 2.6), colour('buttons', '#C9A24A'))
  },
  waistcoat: ({ pen, colour, outline }) => {
    const edge = darker(colour('colour'), 0.5)
    pen.area('M-30 -2L-14 -2L0 38L14 -2L30 -2L40 30L48 94L10 94L0 82L-10 94L-48 94L-40 30Z', colour('colour'), outline)
    pen.line('M-14 -1L0 38L14 -1', edge, 1.7)
    pen.line('M0 38L0 82', edge, 1.3)
    for (const y of [48, 60, 72]) pen.area(ellipse(3.5, y, 2.2), colour('buttons', '#C9A24A'))
    pen.line('M-34 62L-16 64', edge, 1.4)
    pen.line('M34 62L16 64', edge, 1.4)
  },
  overalls: ({ pen, colour, outline }) => {
    const hex = colour('colour')
    const edge = darker(hex, 0.5)
    pen.area('M-30 -2L-19 -2L-21 34L21 34L19 -2L30 -2L33 36L48 66L50 94L-50 94L-48 66L-33 36Z', hex, outline)
    pen.line('M-30 -1L-33 36L-48 66', edge, 1.6)
    pen.line('M30 -1L33 36L48 66', edge, 1.6)
    pen.line('M-19 -1L-21 34L21 34L19 -1', edge, 1.6)
    pen.line('M-14 46L14 46L14 64L-14 64Z', edge, 1.5)
    for (const x of [-26, 26]) pen.area(ellipse(x, 35, 3.2), colour('buttons', '#E5B83B'))
  },
  braces: ({ pen, colour, outline }) => {
    for (const s of [-1, 1])
      pen.area(`M${s * 26} -2L${s * 19} -2L${s * 22} 94L${s * 30} 94Z`, colour('colour'), outline)
    for (const s of [-1, 1]) pen.area(rect(s * 25.5 - 4, 74, 8, 7, 1.5), colour('buttons', '#C9A24A'))
  },
  stripes: ({ pen, colour, outline }) => {
    for (const y of [12, 30, 48, 66, 84]) pen.area(rect(-50, y, 100, 9), colour('colour'), outline)
  },
  hoops: ({ pen, colour, outline }) => {
    for (const y of [26, 58]) pen.area(rect(-50, y, 100, 16), colour('colour'), outline)
  },
  band: ({ pen, colour, outline }) => pen.area(rect(-50, 34, 100, 22), colour('colour'), outline),
  sash: ({ pen, colour, outline }) => {
    pen.area('M-34 -4L-18 -4L50 72L50 94Z', colour('colour'), outline)
    pen.line('M-34 -4L50 94', darker(colour('colour'), 0.4), 1.4, outline)
    pen.line('M-18 -4L50 72', darker(colour('colour'), 0.4), 1.4, outline)
  },
  apron: ({ pen, colour, outline }) => {
    const edge = darker(colour('colour'), 0.4)
    const d = 'M-22 16L22 16L24 42Q40 50 40 94L-40 94Q-40 50 -24 42Z'
    pen.area(d, colour('colour'), outline)
    pen.line(d, edge, 1.5, outline)
    pen.line('M-22 16L-14 -2', colour('colour'), 4)
    pen.line('M22 16L14 -2', colour('colour'), 4)
    pen.line('M-18 62L18 62L16 80L-16 80Z', edge, 1.4)
  },
  cardigan: ({ pen, colour, outline }) => {
    const edge = darker(colour('colour'), 0.45)
    pen.area('M-50 -2L-12 -2L0 30L12 -2L50 -2L50 94L-50 94Z', colour('colour'), outline)
    pen.line('M-12 -1L0 30L12 -1', edge, 3)
    pen.line('M0 30L0 92', edge, 1.6)
    for (const y of [40, 54, 68, 82]) pen.area(ellipse(4.5, y, 2.4), colour('buttons', '#F3EBD8'))
    pen.line('M-48 84L48 84', edge, 1.4, outline)
  },
  yoke: ({ pen, colour, outline }) => {
    pen.area('M-50 -2L50 -2L50 24Q0 44 -50 24Z', colour('colour'), outline)
    for (let x = -36; x <= 36; x += 12)
      pen.area(`M${x} 16L${x + 4} 22L${x} 28L${x - 4} 22Z`, colour('second', '#F3EBD8'), outline)
  },
  cable: ({ pen, base, outline }) => {
    for (const x of [-26, 0, 26])
      for (let y = 10; y < 90; y += 14)
        pen.line(
          `M${x - 5} ${y}Q${x + 6} ${y + 4} ${x - 5} ${y + 10}Q${x + 8} ${y + 8} ${x + 5} ${y}`,
          darker(base, 0.2),
          1.3,
          outline,
        )
    pen.line('M-50 86L50 86', darker(base, 0.25), 1.4, outline)
  },
  zip: ({ pen, colour }) => {
    pen.line('M0 4L0 92', colour('colour', '#B9BDC2'), 3)
    pen.line('M0 4L0 92', INK, 0.9)
    pen.area(rect(-2.5, 12, 5, 8, 1.5), '#B9BDC2')
  },
  buttons: ({ pen, colour }) => {
    for (const y of [16, 34, 52, 70]) pen.area(ellipse(0, y, 2.6), colour('colour', '#C9A24A'))
  },
  'double-buttons': ({ pen, colour }) => {
    for (const y of [22, 42, 62]) for (const x of [-13, 13]) pen.area(ellipse(x, y, 3.2), colour('colour', '#C9A24A'))
  },
  collar: ({ pen, colour, outline }) => {
    const d = 'M-17 -3L-21 9L-6 15L0 5L6 15L21 9L17 -3Z'
    pen.area(d, colour('colour', '#F3EBD8'), outline)
    pen.line(d, darker(colour('colour', '#F3EBD8'), 0.5), 1.3, outline)
  },
  'sailor-collar': ({ pen, colour, outline }) => {
    const d = 'M-34 -3L-14 -3L0 28L14 -3L34 -3L30 18L4 44L0 36L-4 44L-30 18Z'
    pen.area(d, colour('colour'), outline)
    pen.line('M-28 15L-5 38M28 15L5 38', colour('second', '#F3EBD8'), 1.8, outline)
    pen.area('M-5 34L5 34L8 54L0 47L-8 54Z', colour('knot', '#A9443A'), outline)
  },
  'v-neck': ({ pen, colour, outline }) => pen.area('M-14 -3L14 -3L0 26Z', colour('colour', '#F3EBD8'), outline),
  scoop: ({ pen, colour, outline }) => pen.area('M-15 -3L15 -3Q12 14 0 14Q-12 14 -15 -3Z', colour('colour'), outline),
  tie: ({ pen, colour }) => {
    pen.area('M-4 6L4 6L3 13L7 44L0 52L-7 44L-3 13Z', colour('colour'))
    pen.line('M-3 13L3 13', darker(colour('colour'), 0.45), 1.2)
  },
  neckerchief: ({ pen, colour, outline }) => {
    pen.area('M-24 -3L24 -3Q14 12 0 16Q-14 12 -24 -3Z', colour('colour'), outline)
    pen.area('M-3 13L3 13L11 32L2 27L-6 33Z', colour('colour'), outline)
    pen.line('M-24 -1Q-14 12 0 16Q14 12 24 -1', darker(colour('colour'), 0.4), 1.3, outline)
  },
  belt: ({ pen, colour, outline }) => {
    pen.area(rect(-50, 80, 100, 10), colour('colour', '#4A3423'), outline)
    pen.line(rect(-7, 79, 14, 12, 2), colour('buckle', '#C9A24A'), 2.2)
  },
  badge: ({ pen, colour }) => {
    pen.area('M22 22Q30 20 38 22Q39 34 30 41Q21 34 22 22Z', colour('colour', '#C9A24A'))
    pen.line('M22 22Q30 20 38 22Q39 34 30 41Q21 34 22 22Z', INK, 1.2)
    pen.area(ellipse(30, 29, 3.2), colour('second', '#F3EBD8'))
  },
  heron: ({ pen, colour }) => {
    const hex = colour('colour', '#F3EBD8')
    pen.area('M-15 42C-10 32 6 32 14 46C6 52 -8 52 -15 42Z', hex)
    pen.line('M10 42C16 34 4 28 12 20L24 23', hex, 3)
    pen.line('M-4 50L-6 66M3 50L3 66', hex, 2)
  },
  lantern: ({ pen, colour }) => {
    const hex = colour('colour', '#F2B53A')
    pen.line('M-5 28Q0 20 5 28', hex, 2)
    pen.area(rect(-11, 30, 22, 26, 5), hex)
    pen.line('M-11 37L11 37M-11 49L11 49', darker(hex, 0.5), 1.4)
  },
  anchor: ({ pen, colour }) => {
    const hex = colour('colour', '#F3EBD8')
    pen.line(ellipse(0, 26, 4), hex, 2.4)
    pen.line('M0 30L0 60M-9 36L9 36M-16 48Q-12 61 0 61Q12 61 16 48', hex, 3)
  },
  note: ({ pen, colour }) => {
    const hex = colour('colour', '#F3EBD8')
    pen.area(ellipse(-6, 56, 7, 5), hex)
    pen.line('M0 55L0 30Q12 32 12 44', hex, 3)
  },
  number: ({ pen, colour, word }) => {
    pen.line(own(DIGITS, word('digit', '1')) ?? DIGITS['1']!, colour('colour', '#F3EBD8'), 4.4)
  },
  patches: ({ pen, colour, outline }) => {
    const d = 'M14 54L34 52L36 72L16 74Z'
    pen.area(d, colour('colour'), outline)
    pen.line('M17 57L21 56.5M25 56L31 55.5M18 71L23 70.5', INK, 1)
  },
  ruffle: ({ pen, colour, outline }) => {
    const hex = colour('colour', '#F3EBD8')
    for (const [x, y, r] of [
      [-7, 6, 7],
      [7, 6, 7],
      [-5, 18, 6],
      [5, 18, 6],
      [0, 29, 6],
    ] as const) {
      pen.area(ellipse(x, y, r), hex, outline)
      pen.line(ellipse(x, y, r), darker(hex, 0.35), 1.1, outline)
    }
  },
  'seam-back': ({ pen, base, outline }) => {
    pen.line('M0 2L0 92', darker(base, 0.3), 1.4, outline)
    pen.line('M-34 16Q0 26 34 16', darker(base, 0.3), 1.4, outline)
  },
  'crossed-straps': ({ pen, colour, outline }) => {
    pen.area('M-30 -2L-20 -2L26 50L20 58Z', colour('colour'), outline)
    pen.area('M30 -2L20 -2L-26 50L-20 58Z', colour('colour'), outline)
  },
  lapels: ({ pen, colour, outline }) => {
    const hex = colour('colour')
    for (const s of [-1, 1]) {
      pen.area(`M${s * 30} -3L${s * 13} -3L0 46L${s * 22} 30L${s * 17} 22Z`, hex, outline)
      pen.line(`M${s * 30} -2L${s * 17} 22L${s * 22} 30L0 46L${s * 13} -2`, darker(hex, 0.5), 1.4, outline)
    }
  },
  checks: ({ pen, colour, outline }) => {
    for (const x of [-40, -20, 0, 20, 40]) pen.area(rect(x - 2, -2, 4, 96), colour('colour'), outline)
    for (const y of [12, 32, 52, 72]) pen.area(rect(-50, y, 100, 4), colour('second', colour('colour')), outline)
  },
  waves: ({ pen, colour, outline }) => {
    for (const y of [34, 50, 66, 82])
      pen.line(
        `M-50 ${y}Q-38 ${y - 9} -25 ${y}Q-13 ${y + 9} 0 ${y}Q13 ${y - 9} 25 ${y}Q38 ${y + 9} 50 ${y}`,
        colour('colour'),
        4,
        outline,
      )
  },
  harness: ({ pen, colour, outline }) => {
    const hex = colour('colour')
    for (const s of [-1, 1]) pen.area(`M${s * 28} -2L${s * 18} -2L${s * 14} 44L${s * 24} 46Z`, hex, outline)
    pen.area(rect(-50, 40, 100, 9), hex, outline)
    pen.line(rect(-8, 38, 16, 13, 3), colour('buckle', '#A8AEB4'), 2.4)
  },
  pockets: ({ pen, colour, outline }) => {
    const hex = colour('colour')
    for (const d of [pocket(-32, 26), pocket(14, 26), pocket(-36, 60), pocket(18, 60)]) {
      pen.area(d, hex, outline)
      pen.line(d, darker(hex, 0.5), 1.3, outline)
    }
  },
  hood: ({ pen, colour, outline }) => {
    const hex = colour('colour')
    pen.area('M-34 -3Q-26 26 0 34Q26 26 34 -3Z', hex, outline)
    pen.line('M-33 0Q-24 26 0 33Q24 26 33 0', darker(hex, 0.45), 1.5, outline)
    for (const x of [-6, 6]) pen.line(`M${x} 26L${x * 1.3} 46`, colour('second', '#F3EBD8'), 1.8)
  },
  leaves: ({ pen, colour, outline }) => {
    for (const [x, y, s] of [
      [-30, 20, 1],
      [-14, 44, -1],
      [16, 26, 1],
      [30, 56, -1],
      [-28, 72, 1],
      [4, 76, -1],
    ] as const)
      pen.area(
        `M${x} ${y}Q${x + 8 * s} ${y - 9} ${x + 14 * s} ${y}Q${x + 8 * s} ${y + 7} ${x} ${y}Z`,
        colour('colour'),
        outline,
      )
  },
  fish: ({ pen, colour }) => {
    const hex = colour('colour', '#F3EBD8')
    pen.area('M-18 46Q-4 32 12 46L22 38L22 56L12 48Q-4 62 -18 46Z', hex)
    pen.area(ellipse(-9, 44, 1.8), darker(hex, 0.7))
  },
  star: ({ pen, colour }) => {
    pen.area('M0 28L5 40L18 41L8 49L11 62L0 55L-11 62L-8 49L-18 41L-5 40Z', colour('colour', '#F2B53A'))
  },
}
