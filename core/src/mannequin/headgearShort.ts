import type { HeadgearDrawing } from './headgear.ts'
import { ellipse } from './path.ts'
import { fine, lighter, type Pen } from './pen.ts'

const strands = (pen: Pen, hex: string, ...lines: string[]) => {
  for (const line of lines) pen.line(line, fine(hex), 1.3)
}

/** The plain back of short hair: a cap to the nape. */
const NAPE =
  'M-36 2C-39 -28 -22 -42 0 -42C22 -42 39 -28 36 2L35 20C30 31 18 28 10 31C4 28 -4 28 -10 31C-18 28 -30 31 -35 20Z'
const napeBack =
  (lines: string[]): HeadgearDrawing['back'] =>
  (pen, { main }) => {
    pen.piece(NAPE, main)
    strands(pen, main.hex, ...lines)
  }
const FALL = ['M-16 -30Q-20 -8 -17 12', 'M0 -34Q-2 -8 0 14', 'M16 -30Q20 -8 17 12']

export const crop: HeadgearDrawing = {
  front(pen, { main }) {
    pen.piece('M-36 0C-38 -20 -30 -39 0 -40C30 -39 38 -20 36 0L31 -1L29 -14Q16 -19 0 -17Q-16 -19 -29 -14L-31 -1Z', main)
    strands(pen, main.hex, 'M-20 -27Q-8 -32 4 -29', 'M-8 -22Q8 -27 22 -24')
  },
  back: (pen, { main }) => {
    pen.piece('M-36 0C-38 -22 -28 -40 0 -40C28 -40 38 -22 36 0L33 10Q18 16 0 15Q-18 16 -33 10Z', main)
    strands(pen, main.hex, 'M-22 -18Q0 -26 22 -18', 'M-24 -4Q0 -10 24 -4')
  },
}

export const sideParting: HeadgearDrawing = {
  front(pen, { main }) {
    pen.piece(
      'M-36 4C-40 -24 -26 -44 2 -43C28 -42 40 -26 36 3L31 4C32 -6 29 -12 26 -16C8 -12 -8 -18 -17 -30C-20 -20 -28 -14 -30 -8L-31 4Z',
      main,
    )
    strands(pen, main.hex, 'M-15 -32C-4 -22 12 -18 28 -22', 'M-12 -36C0 -29 16 -27 30 -29')
  },
  back: napeBack(['M-16 -36Q-26 -16 -24 12', 'M-14 -36Q2 -18 0 16', 'M-12 -36Q22 -22 22 10']),
}

export const quiff: HeadgearDrawing = {
  front(pen, { main }) {
    pen.piece(
      'M-35 2C-37 -14 -34 -26 -29 -31C-36 -44 -16 -58 8 -56C28 -54 40 -42 33 -29C36 -20 36 -10 35 2L30 2L27 -15Q14 -21 0 -19Q-16 -20 -27 -14L-30 2Z',
      main,
    )
    strands(pen, main.hex, 'M-22 -30C-14 -46 8 -50 24 -42', 'M-12 -26C-6 -38 12 -42 26 -33', 'M2 -25Q12 -32 22 -27')
  },
  back(pen, { main }) {
    pen.piece(
      'M-35 4C-37 -20 -34 -30 -28 -34C-30 -48 -14 -55 4 -54C24 -54 34 -44 30 -33C37 -24 36 -8 35 4L33 20Q0 38 -33 20Z',
      main,
    )
    strands(pen, main.hex, 'M-26 -31Q0 -38 28 -31', 'M-14 -20Q-16 -4 -14 10', 'M14 -20Q16 -4 14 10')
  },
}

export const tousled: HeadgearDrawing = {
  front(pen, { main }) {
    pen.piece(
      'M-36 8C-42 -2 -38 -8 -41 -16C-36 -20 -40 -30 -31 -34C-28 -44 -18 -40 -12 -47C-4 -42 4 -50 11 -45C18 -49 22 -40 30 -39C32 -30 42 -28 38 -18C43 -10 38 -4 37 8L31 5L29 -8L23 -4L20 -15L12 -7L6 -17L-3 -8L-9 -17L-16 -6L-21 -14L-26 -3L-30 5Z',
      main,
    )
    strands(pen, main.hex, 'M-20 -26L-14 -36', 'M2 -26L6 -36', 'M22 -24L24 -33')
  },
  back(pen, { main }) {
    pen.piece(
      'M-37 8C-43 -4 -37 -10 -41 -18C-36 -22 -40 -32 -30 -36C-26 -45 -16 -40 -10 -47C-2 -42 6 -50 13 -44C20 -48 24 -39 31 -37C34 -28 42 -26 38 -16C42 -8 38 0 36 10L30 22L24 14L16 25L8 16L0 27L-8 16L-16 25L-24 14L-31 21Z',
      main,
    )
    strands(pen, main.hex, 'M-18 -24L-14 -6', 'M2 -24L0 -4', 'M20 -22L17 -6')
  },
}

export const crest: HeadgearDrawing = {
  front(pen, { main, second }) {
    pen.piece('M-35 -1C-36 -20 -26 -36 0 -36C26 -36 36 -20 35 -1L31 -2L28 -18Q0 -25 -28 -18L-31 -2Z', second)
    pen.piece('M-11 -22C-15 -34 -12 -52 -3 -62L1 -52L8 -60C15 -48 15 -34 11 -22Q0 -27 -11 -22Z', main)
    strands(pen, main.hex, 'M-4 -28L-3 -48', 'M4 -28L6 -46')
  },
  back(pen, { main, second }) {
    pen.piece('M-35 -1C-36 -20 -26 -36 0 -36C26 -36 36 -20 35 -1L32 10Q0 16 -32 10Z', second)
    pen.piece('M-10 20C-13 -10 -14 -44 -3 -62L1 -52L8 -60C15 -42 13 -10 10 20L4 14L0 23L-4 14Z', main)
    strands(pen, main.hex, 'M-3 -44L-3 8', 'M4 -42L4 8')
  },
}

export const fringeRing: HeadgearDrawing = {
  front(pen, { main }) {
    pen.piece('M-37 10C-42 0 -40 -16 -32 -20L-28 -17C-31 -8 -31 0 -30 10Q-34 14 -37 10Z', main)
    pen.piece('M37 10C42 0 40 -16 32 -20L28 -17C31 -8 31 0 30 10Q34 14 37 10Z', main)
    strands(pen, main.hex, 'M-35 4Q-37 -6 -33 -13', 'M35 4Q37 -6 33 -13')
  },
  back(pen, { main }) {
    pen.piece('M-37 12C-42 0 -40 -14 -33 -19Q0 -8 33 -19C40 -14 42 0 37 12C26 22 -26 22 -37 12Z', main)
    strands(pen, main.hex, 'M-20 -8Q-22 4 -19 13', 'M0 -5L0 15', 'M20 -8Q22 4 19 13')
  },
}

const PUFFS: [number, number, number][] = [
  [-25, -25, 11],
  [25, -25, 11],
  [-15, -37, 11],
  [15, -37, 11],
  [0, -42, 12],
  [-6, -27, 11],
  [9, -27, 11],
]
export const curlyTop: HeadgearDrawing = {
  front(pen, { main }) {
    pen.piece('M-35 2C-36 -12 -34 -20 -30 -24L30 -24C34 -20 36 -12 35 2L31 2L28 -15Q0 -19 -28 -15L-31 2Z', main)
    for (const [x, y, r] of PUFFS) pen.piece(ellipse(x, y, r), main)
    for (const [x, y] of PUFFS) strands(pen, main.hex, `M${x - 4} ${y + 1}Q${x} ${y - 6} ${x + 4} ${y}`)
  },
  back(pen, { main }) {
    pen.piece('M-35 2C-36 -16 -34 -24 -30 -28L30 -28C34 -24 36 -16 35 2L33 18Q0 38 -33 18Z', main)
    for (const [x, y, r] of PUFFS) pen.piece(ellipse(x, y, r), main)
    for (const [x, y] of PUFFS) strands(pen, main.hex, `M${x - 4} ${y + 1}Q${x} ${y - 6} ${x + 4} ${y}`)
    strands(pen, main.hex, 'M-20 -8Q0 -12 20 -8', 'M-22 4Q0 0 22 4')
  },
}

const CLOUD: [number, number, number][] = [
  [-37, 10, 11],
  [37, 10, 11],
  [-41, -6, 12],
  [41, -6, 12],
  [-36, -23, 13],
  [36, -23, 13],
  [-22, -38, 13],
  [22, -38, 13],
  [0, -44, 14],
  [-11, -25, 11],
  [11, -25, 11],
]
const cloudOf =
  (extra: [number, number, number][]): HeadgearDrawing['front'] =>
  (pen, { main }) => {
    for (const [x, y, r] of [...CLOUD, ...extra]) pen.piece(ellipse(x, y, r), main)
    for (const [x, y] of [...CLOUD, ...extra])
      strands(pen, main.hex, `M${x - 5} ${y + 2}C${x - 5} ${y - 6} ${x + 5} ${y - 6} ${x + 4} ${y}`)
  }
export const cloudCurls: HeadgearDrawing = {
  front: cloudOf([]),
  back: cloudOf([
    [-20, -10, 14],
    [20, -10, 14],
    [0, -10, 14],
    [-26, 16, 13],
    [26, 16, 13],
    [-9, 14, 13],
    [10, 14, 13],
  ]),
}

export const highBun: HeadgearDrawing = {
  front(pen, { main }) {
    pen.piece(ellipse(0, -51, 15, 13), main)
    strands(pen, main.hex, 'M-9 -54Q0 -62 9 -54', 'M-10 -47Q2 -55 11 -48')
    pen.piece(
      'M-36 6C-39 -22 -26 -41 0 -41C26 -41 39 -22 36 6L31 5C31 -4 27 -11 20 -15C12 -20 -12 -20 -20 -15C-27 -11 -31 -4 -31 5Z',
      main,
    )
    strands(pen, main.hex, 'M-22 -20Q-18 -32 -5 -39', 'M22 -20Q18 -32 5 -39', 'M0 -22L0 -39')
  },
  back(pen, { main }) {
    pen.piece('M-36 4C-39 -24 -26 -41 0 -41C26 -41 39 -24 36 4L34 18Q0 42 -34 18Z', main)
    strands(pen, main.hex, 'M-24 8Q-20 -20 -6 -36', 'M24 8Q20 -20 6 -36', 'M0 16L0 -36')
    pen.piece(ellipse(0, -47, 16, 14), main)
    strands(pen, main.hex, 'M-9 -50Q0 -58 9 -50', 'M-10 -43Q2 -51 11 -44')
  },
}

export const twinPuffs: HeadgearDrawing = {
  front(pen, { main, second }) {
    for (const side of [-1, 1]) {
      pen.piece(ellipse(side * 33, -36, 17, 16), main)
      strands(
        pen,
        main.hex,
        `M${side * 33 - 9} -38Q${side * 33} -48 ${side * 33 + 8} -40`,
        `M${side * 33 - 6} -31Q${side * 33 + 2} -38 ${side * 33 + 10} -31`,
      )
    }
    pen.piece(
      'M-35 2C-37 -20 -26 -39 0 -39C26 -39 37 -20 35 2L31 1C30 -8 24 -15 14 -17Q6 -18 0 -26Q-6 -18 -14 -17C-24 -15 -30 -8 -31 1Z',
      main,
    )
    strands(pen, main.hex, 'M0 -26L0 -38')
    for (const side of [-1, 1]) pen.piece(ellipse(side * 24, -30, 5, 4), second)
  },
  back(pen, { main, second }) {
    pen.piece('M-35 2C-37 -20 -26 -39 0 -39C26 -39 37 -20 35 2L33 18Q0 40 -33 18Z', main)
    strands(pen, main.hex, 'M0 15L0 -38', 'M-22 6Q-10 -14 -22 -28', 'M22 6Q10 -14 22 -28')
    for (const side of [-1, 1]) {
      pen.piece(ellipse(side * 33, -36, 17, 16), main)
      pen.piece(ellipse(side * 23, -28, 5, 4), second)
      pen.line(`M${side * 33 - 8} -39Q${side * 33} -47 ${side * 33 + 8} -40`, lighter(main.hex, 0.15), 1.3)
    }
  },
}

export { FALL, NAPE, strands }

/** Cut along the rim of a bowl: a straight line above the brows all the way round. */
export const bowlCut: HeadgearDrawing = {
  front(pen, { main }) {
    pen.piece('M-38 4C-44 -26 -26 -45 0 -45C26 -45 44 -26 38 4Q34 7 31 3L30 -9Q0 -13 -30 -9L-31 3Q-34 7 -38 4Z', main)
    strands(
      pen,
      main.hex,
      'M-24 -12Q-26 -28 -10 -42',
      'M-8 -12Q-9 -28 -2 -43',
      'M8 -12Q9 -28 2 -43',
      'M24 -12Q26 -28 10 -42',
    )
  },
  back(pen, { main }) {
    pen.piece('M-39 6C-45 -26 -26 -45 0 -45C26 -45 45 -26 39 6Q0 15 -39 6Z', main)
    strands(pen, main.hex, 'M-24 6Q-28 -18 -6 -43', 'M0 9L0 -44', 'M24 6Q28 -18 6 -43')
  },
}

/** Blown to one side by the wind off the water. */
export const windswept: HeadgearDrawing = {
  front(pen, { main }) {
    pen.piece(
      'M-35 6C-40 -16 -34 -36 -10 -43C8 -50 26 -48 48 -54C44 -46 46 -42 54 -40C46 -36 46 -30 52 -24C44 -24 40 -18 40 -10C38 -4 37 2 35 5L31 2L28 -12C10 -8 -12 -14 -24 -22C-29 -14 -31 -6 -31 4Z',
      main,
    )
    strands(
      pen,
      main.hex,
      'M-22 -28C-4 -38 18 -40 40 -46',
      'M-16 -22C2 -30 22 -32 42 -34',
      'M0 -17C14 -22 26 -24 40 -24',
    )
  },
  back(pen, { main }) {
    pen.piece(
      'M36 8C40 -16 34 -36 10 -43C-8 -50 -26 -48 -48 -54C-44 -46 -46 -42 -54 -40C-46 -36 -46 -30 -52 -24C-44 -24 -40 -12 -38 6L-30 16Q0 24 32 16Z',
      main,
    )
    strands(pen, main.hex, 'M22 -30C4 -38 -18 -40 -40 -46', 'M24 -10C2 -18 -22 -22 -42 -26', 'M26 8C8 2 -14 0 -32 2')
  },
}
