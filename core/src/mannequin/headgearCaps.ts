import type { HeadgearDrawing } from './headgear.ts'
import { ellipse, rect } from './path.ts'
import { darker, fine, lighter, paint } from './pen.ts'

/** A ferry crew cap with a hard peak and a badge plate; made to sit over flat hair. */
export const peakedHat: HeadgearDrawing = {
  front(pen, { main, second, third }) {
    pen.piece('M-38 -22C-44 -34 -40 -44 -26 -47Q0 -53 26 -47C40 -44 44 -34 38 -22Q0 -32 -38 -22Z', main)
    pen.piece('M-35 -25Q0 -36 35 -25L35 -16Q0 -27 -35 -16Z', second)
    pen.piece('M-33 -17Q0 -29 33 -17C28 -8 14 -6 0 -6C-14 -6 -28 -8 -33 -17Z', paint(darker(second.hex, 0.45)))
    pen.piece(ellipse(0, -33, 6, 5.5), third)
    pen.line('M-30 -42Q0 -49 30 -42', lighter(main.hex, 0.3), 1.3)
  },
  back(pen, { main, second }) {
    pen.piece('M-38 -16C-44 -34 -40 -44 -26 -47Q0 -53 26 -47C40 -44 44 -34 38 -16Q0 -8 -38 -16Z', main)
    pen.piece('M-36 -19Q0 -9 36 -19L36 -8Q0 2 -36 -8Z', second)
  },
}

/** A visor on a band: the crown stays free for the hair. */
export const sunVisor: HeadgearDrawing = {
  front(pen, { main, second }) {
    pen.piece('M-36 -22Q0 -36 36 -22L36 -12Q0 -26 -36 -12Z', main)
    pen.piece('M-34 -15Q0 -28 34 -15C40 -6 34 -1 26 -2Q0 -12 -26 -2C-34 -1 -40 -6 -34 -15Z', second)
    pen.line('M-26 -7Q0 -17 26 -7', darker(second.hex, 0.35), 1.3)
  },
  back(pen, { main }) {
    pen.piece('M-37 -14Q0 -2 37 -14L37 -4Q0 8 -37 -4Z', main)
    pen.piece(rect(-8, -4, 16, 9, 3), paint(darker(main.hex, 0.4)))
  },
}

const PETALS = [-32, -20, -7, 7, 20, 32]

/** A ring of flowers, worn on the hair. */
export const flowerRing: HeadgearDrawing = {
  front(pen, { main, second, third }) {
    pen.piece('M-37 -20Q0 -40 37 -20L36 -13Q0 -32 -36 -13Z', third)
    for (const [i, x] of PETALS.entries()) {
      const y = -30 + (x * x) / 100
      const flower = i % 2 ? second : main
      for (const [dx, dy] of [
        [-4, 0],
        [4, 0],
        [0, -4],
        [0, 4],
      ] as const)
        pen.piece(ellipse(x + dx, y + dy, 4), flower)
      pen.area(ellipse(x, y, 2.6), '#F2CF5B')
    }
  },
  back(pen, { main, second, third }) {
    pen.piece('M-37 -20Q0 -8 37 -20L36 -12Q0 1 -36 -12Z', third)
    for (const [i, x] of PETALS.entries()) pen.piece(ellipse(x, -10 - (x * x) / 130, 5.5, 4.5), i % 2 ? second : main)
  },
}

/** A hood with a short shoulder cape; it hides the hair and the nape. */
export const rainHood: HeadgearDrawing = {
  front(pen, { main }) {
    pen.piece(
      'M-42 30C-46 6 -46 -22 -32 -38C-22 -50 -8 -54 0 -54C8 -54 22 -50 32 -38C46 -22 46 6 42 30L30 30C33 12 34 -8 27 -18Q14 -31 0 -31Q-14 -31 -27 -18C-34 -8 -33 12 -30 30Z',
      main,
    )
    pen.line('M-32 28C-36 10 -37 -10 -29 -21Q-15 -35 0 -35Q15 -35 29 -21C37 -10 36 10 32 28', fine(main.hex), 1.4)
  },
  back(pen, { main }) {
    pen.piece(
      'M-43 30C-47 4 -46 -22 -32 -38C-20 -50 -6 -56 0 -56C6 -56 20 -50 32 -38C46 -22 47 4 43 30Q0 44 -43 30Z',
      main,
    )
    pen.line('M0 -54Q3 -10 0 36', fine(main.hex), 1.4)
    pen.line('M-30 -34Q-26 0 -34 30M30 -34Q26 0 34 30', fine(main.hex), 1.2)
  },
}

/** A diver's dome: a round shell with a window, and room for nothing beside it. */
export const diversDome: HeadgearDrawing = {
  front(pen, { main, second }) {
    pen.piece('M-43 30C-50 -6 -46 -50 0 -52C46 -50 50 -6 43 30Z', main)
    pen.piece(ellipse(0, 0, 31, 24), second)
    pen.piece(rect(-46, 24, 92, 11, 5), main)
    for (const x of [-36, -18, 0, 18, 36]) pen.area(ellipse(x, 29.5, 2.4), darker(main.hex, 0.45))
    pen.line('M-18 -14Q-22 0 -16 14', '#FFFFFF', 3)
  },
  back(pen, { main }) {
    pen.piece('M-43 30C-50 -6 -46 -50 0 -52C46 -50 50 -6 43 30Z', main)
    pen.piece(rect(-46, 24, 92, 11, 5), main)
    pen.piece(ellipse(0, -6, 12), paint(darker(main.hex, 0.3)))
    pen.line('M-8 -6L8 -6M0 -14L0 2', darker(main.hex, 0.55), 2)
  },
}

/** Hair moulded in one piece with a soft cap: a braid falls from under it. */
export const capWithBraid: HeadgearDrawing = {
  front(pen, { main, second }) {
    pen.piece('M-36 -12L-36 6L-30 5L-29 -12ZM36 -12L36 4L30 4L29 -12Z', second)
    pen.piece('M-36 -10C-41 -32 -26 -46 0 -46C26 -46 41 -32 36 -10Q0 -21 -36 -10Z', main)
    pen.piece('M-37 -14Q0 -27 37 -14L37 -8Q0 -21 -37 -8Z', paint(darker(main.hex, 0.25)))
    for (const [x, y, r] of [
      [38, 6, 7],
      [40, 17, 6.5],
      [40, 28, 6],
      [39, 38, 5],
    ] as const)
      pen.piece(ellipse(x, y, r * 0.85, r), second)
  },
  back(pen, { main, second }) {
    pen.piece('M-35 -6L-33 16Q0 26 33 16L35 -6Z', second)
    pen.piece('M-37 -4C-41 -32 -26 -46 0 -46C26 -46 41 -32 37 -4Q0 6 -37 -4Z', main)
    for (const [x, y, r] of [
      [30, 18, 8],
      [32, 30, 7],
      [33, 41, 6],
      [33, 50, 5],
    ] as const)
      pen.piece(ellipse(x, y, r, r * 0.9), second)
  },
}
