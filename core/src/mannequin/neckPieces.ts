import type { Paints } from './headgear.ts'
import { ellipse, rect } from './path.ts'
import { darker, lighter, paint, type Pen } from './pen.ts'

/** A neck piece in torso units (top middle of the torso at 0,0). `behind` lies behind the figure seen from the front. */
export interface NeckDrawing {
  behind?: (pen: Pen, paints: Paints) => void
  front?: (pen: Pen, paints: Paints) => void
  back: (pen: Pen, paints: Paints) => void
}

const fold = (pen: Pen, hex: string, ...lines: string[]) => {
  for (const line of lines) pen.line(line, darker(hex, 0.3), 1.4)
}

const cape: NeckDrawing = {
  behind(pen, { main }) {
    pen.piece('M-36 -6L36 -6C52 40 62 110 64 168Q32 178 0 176Q-32 178 -64 168C-62 110 -52 40 -36 -6Z', main)
    fold(pen, main.hex, 'M-50 160Q-50 110 -42 70', 'M50 160Q50 110 42 70')
  },
  front(pen, { main, second }) {
    pen.piece('M-34 -5Q0 10 34 -5L36 5Q0 20 -36 5Z', main)
    pen.piece(ellipse(0, 8, 5), second)
  },
  back(pen, { main }) {
    pen.piece('M-36 -8Q0 -2 36 -8C52 40 62 110 64 168Q32 178 0 176Q-32 178 -64 168C-62 110 -52 40 -36 -8Z', main)
    fold(pen, main.hex, 'M-42 162Q-38 90 -18 10', 'M0 170L0 20', 'M42 162Q38 90 18 10')
  },
}

const shawl: NeckDrawing = {
  front(pen, { main, second }) {
    pen.piece(
      'M-38 -4C-52 10 -56 30 -54 44Q-26 40 -2 62Q4 66 8 60C30 40 44 44 54 42C56 26 50 8 38 -4Q20 -8 14 -4Q0 16 -14 -4Q-20 -8 -38 -4Z',
      main,
    )
    fold(pen, main.hex, 'M-44 18Q-16 22 2 48', 'M44 16Q20 22 8 44', 'M-14 -4Q0 16 14 -4')
    for (const [x, y] of [
      [-48, 44],
      [-36, 44],
      [-24, 48],
      [-12, 56],
      [20, 51],
      [32, 45],
      [44, 43],
    ] as const)
      pen.line(`M${x} ${y}L${x} ${y + 8}`, second.hex, 2.2)
  },
  back(pen, { main, second }) {
    pen.piece('M-38 -6Q0 -10 38 -6C54 8 58 28 54 42Q26 50 0 84Q-26 50 -54 42C-58 28 -54 8 -38 -6Z', main)
    fold(pen, main.hex, 'M-42 24Q0 34 42 24', 'M-24 44Q0 54 24 44')
    for (const x of [-44, -32, -20, 20, 32, 44])
      pen.line(`M${x} ${86 - Math.abs(x)}L${x} ${94 - Math.abs(x)}`, second.hex, 2.2)
  },
}

const lifeVest: NeckDrawing = {
  front(pen, { main, second }) {
    for (const s of [-1, 1]) {
      pen.piece(`M${s * 36} -5Q${s * 22} -8 ${s * 15} -4L${s * 8} 26L${s * 7} 80L${s * 46} 80L${s * 45} 50Z`, main)
      fold(pen, main.hex, `M${s * 9} 24L${s * 41} 24`, `M${s * 8} 50L${s * 45} 50`)
    }
    pen.piece(rect(-47, 33, 94, 7, 2), second)
    pen.piece(rect(-46, 60, 92, 7, 2), second)
    for (const y of [31, 58]) pen.piece(rect(-6, y, 12, 11, 2), paint('#4A4650'))
  },
  back(pen, { main, second }) {
    pen.piece('M-36 -5Q0 8 36 -5L45 50L46 80L-46 80L-45 50Z', main)
    fold(pen, main.hex, 'M-41 24L41 24', 'M-45 50L45 50', 'M0 2L0 80')
    pen.piece(rect(-47, 33, 94, 7, 2), second)
    pen.piece(rect(-46, 60, 92, 7, 2), second)
  },
}

const oilskinCape: NeckDrawing = {
  front(pen, { main, second }) {
    pen.piece(
      'M-34 -6C-50 4 -60 30 -62 58Q-32 70 -4 66L-2 10L2 10L4 66Q32 70 62 58C60 30 50 4 34 -6Q0 14 -34 -6Z',
      main,
    )
    fold(pen, main.hex, 'M-46 58Q-44 30 -32 8', 'M46 58Q44 30 32 8')
    pen.piece('M-34 -6Q-20 -10 -12 -6L0 12L12 -6Q20 -10 34 -6L28 10L6 20L0 12L-6 20L-28 10Z', main)
    for (const y of [30, 46]) pen.piece(ellipse(0, y, 3), second)
  },
  back(pen, { main }) {
    pen.piece('M-34 -8Q0 -2 34 -8C50 4 60 30 62 60Q32 74 0 72Q-32 74 -62 60C-60 30 -50 4 -34 -8Z', main)
    fold(pen, main.hex, 'M-44 60Q-42 30 -26 6', 'M0 68L0 4', 'M44 60Q42 30 26 6')
  },
}

const medal: NeckDrawing = {
  front(pen, { main, second }) {
    pen.piece('M-20 -4L-11 -4L2 44L-4 48Z', main)
    pen.piece('M20 -4L11 -4L-2 44L4 48Z', main)
    pen.piece(ellipse(0, 52, 10), second)
    pen.line(ellipse(0, 52, 6), darker(second.hex, 0.35), 1.3)
  },
  back: (pen, { main }) => pen.piece('M-20 -6Q0 4 20 -6L18 1Q0 10 -18 1Z', main),
}

const satchel: NeckDrawing = {
  front(pen, { main, second }) {
    pen.piece('M24 -5L33 -4L-30 72L-37 66Z', second)
    pen.piece(rect(-58, 60, 34, 30, 5), main)
    pen.piece('M-58 64Q-58 60 -54 60L-28 60Q-24 60 -24 64L-26 76Q-41 82 -56 76Z', main)
    pen.piece(rect(-44, 73, 7, 7, 1.5), paint('#C9A24A'))
  },
  back(pen, { second }) {
    pen.piece('M24 -5L33 -4L-36 74L-44 68Z', second)
  },
}

const accordion: NeckDrawing = {
  front(pen, { main, second }) {
    pen.piece('M-26 -5L-18 -6L-14 30L-22 32Z', paint('#4A3423'))
    pen.piece('M26 -5L18 -6L14 30L22 32Z', paint('#4A3423'))
    pen.piece(rect(-26, 30, 52, 46, 3), second)
    for (let x = -20; x <= 20; x += 8) pen.line(`M${x} 31L${x} 75`, darker(second.hex, 0.45), 2)
    pen.piece(rect(-46, 26, 20, 54, 4), main)
    pen.piece(rect(26, 26, 20, 54, 4), main)
    for (let y = 33; y <= 73; y += 8) {
      pen.area(rect(-43, y - 2.5, 10, 5, 1), '#FFFDF6')
      pen.area(ellipse(34, y, 2), '#FFFDF6')
      pen.area(ellipse(40, y, 2), '#FFFDF6')
    }
  },
  back(pen) {
    for (const s of [-1, 1]) pen.piece(`M${s * 27} -5L${s * 19} -6L${s * 24} 60L${s * 32} 58Z`, paint('#4A3423'))
  },
}

const longScarf: NeckDrawing = {
  front(pen, { main, second }) {
    pen.piece('M8 8L24 6L30 66L14 70Z', main)
    for (const y of [24, 40, 56])
      pen.area(
        `M${9 + (y - 8) * 0.1} ${y}L${25 + (y - 8) * 0.1} ${y - 2}L${25.7 + (y - 8) * 0.1} ${y + 5}L${9.7 + (y - 8) * 0.1} ${y + 7}Z`,
        second.hex,
      )
    for (const x of [16, 20, 24, 28])
      pen.line(`M${x} ${70 - (x - 14) * 0.25}L${x + 1} ${78 - (x - 14) * 0.25}`, main.hex, 2)
    pen.piece('M-32 -7Q0 4 32 -7Q37 2 32 11Q0 22 -32 11Q-37 2 -32 -7Z', main)
    fold(pen, main.hex, 'M-28 3Q0 13 28 3')
  },
  back(pen, { main }) {
    pen.piece('M-32 -9Q0 -2 32 -9Q37 2 32 10Q0 18 -32 10Q-37 2 -32 -9Z', main)
    fold(pen, main.hex, 'M-28 1Q0 9 28 1')
  },
}

const basketPack: NeckDrawing = {
  behind(pen, { main }) {
    pen.piece('M-46 -2L-42 -10L42 -10L46 -2L42 70L-42 70Z', main)
  },
  front(pen, { second }) {
    for (const s of [-1, 1]) pen.piece(`M${s * 29} -5L${s * 20} -6L${s * 24} 62L${s * 34} 60Z`, second)
  },
  back(pen, { main }) {
    pen.piece('M-42 -12L42 -12L36 80Q0 86 -36 80Z', main)
    for (const y of [4, 20, 36, 52, 68])
      pen.line(`M${-41 + y * 0.06} ${y}Q0 ${y + 6} ${41 - y * 0.06} ${y}`, darker(main.hex, 0.35), 1.5)
    for (const x of [-24, -8, 8, 24]) pen.line(`M${x * 1.2} -10L${x} 82`, darker(main.hex, 0.25), 1.2)
    pen.piece(rect(-45, -16, 90, 9, 4), paint(lighter(main.hex, 0.15)))
  },
}

const beardPiece: NeckDrawing = {
  front(pen, { main }) {
    pen.piece(
      'M-33 -22C-34 -8 -30 4 -20 16L-12 12L-6 30L0 20L7 34L12 14L20 18C30 4 34 -8 33 -22C22 -12 12 -16 9 -15Q0 -11 -9 -15C-12 -16 -22 -12 -33 -22Z',
      main,
    )
    fold(pen, main.hex, 'M-18 -6Q-16 4 -12 10', 'M0 -4L0 18', 'M18 -6Q16 4 12 12')
  },
  back: () => {},
}

/** A towel round the neck, its ends hanging in front. */
const towel: NeckDrawing = {
  front(pen, { main, second }) {
    for (const s of [-1, 1]) {
      pen.piece(`M${s * 30} -6L${s * 14} -4L${s * 12} 48L${s * 29} 48Z`, main)
      for (const y of [34, 40])
        pen.area(`M${s * 12.6} ${y}L${s * 29.2} ${y}L${s * 29.1} ${y + 3}L${s * 12.5} ${y + 3}Z`, second.hex)
    }
    pen.piece('M-31 -8Q0 3 31 -8Q33 0 30 6Q0 15 -30 6Q-33 0 -31 -8Z', main)
  },
  back(pen, { main, second }) {
    pen.piece('M-33 -9Q0 -3 33 -9L37 22Q0 32 -37 22Z', main)
    pen.line('M-36 14Q0 24 36 14', second.hex, 2.6)
  },
}

/** A coil of rope worn across the chest. */
const shoulderRope: NeckDrawing = {
  front(pen, { main }) {
    pen.piece('M18 -6L32 -5L-30 78L-44 70Z', main)
    for (let i = 0; i < 8; i++) {
      const [x, y] = [24 - i * 8, 2 + i * 10]
      pen.line(`M${x - 8} ${y + 1}L${x + 6} ${y + 6}`, darker(main.hex, 0.4), 1.3)
    }
  },
  back(pen, { main }) {
    pen.piece('M18 -8L32 -7L-30 80L-44 72Z', main)
    for (let i = 0; i < 8; i++) {
      const [x, y] = [24 - i * 8, i * 10]
      pen.line(`M${x - 8} ${y + 1}L${x + 6} ${y + 6}`, darker(main.hex, 0.4), 1.3)
    }
  },
}

/** Every neck silhouette by name. */
export const NECK_PIECES: Record<string, NeckDrawing> = {
  cape,
  shawl,
  'life-vest': lifeVest,
  'oilskin-cape': oilskinCape,
  medal,
  satchel,
  accordion,
  'long-scarf': longScarf,
  'basket-pack': basketPack,
  'beard-piece': beardPiece,
  towel,
  'shoulder-rope': shoulderRope,
}
