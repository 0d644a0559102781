import type { HeadgearDrawing } from './headgear.ts'
import { hairUnderHat } from './headgearLong.ts'
import { ellipse, rect } from './path.ts'
import { darker, lighter, paint } from './pen.ts'

const CROWN = 'M-36 -14C-38 -34 -22 -46 0 -46C22 -46 38 -34 36 -14Z'

export const deckCap: HeadgearDrawing = {
  front(pen, { main, second }) {
    pen.piece('M-37 -15C-40 -35 -24 -46 0 -46C24 -46 40 -35 37 -15Q0 -23 -37 -15Z', main)
    pen.line('M-18 -19Q-16 -36 0 -44Q16 -36 18 -19', darker(main.hex, 0.35), 1.2)
    pen.piece('M-37 -18Q0 -29 37 -18L39 -12C22 -8 -22 -8 -39 -12Z', second)
    pen.piece(ellipse(0, -45, 4, 2.5), main)
  },
  back(pen, { main }) {
    pen.piece('M-37 -4C-40 -34 -24 -45 0 -45C24 -45 40 -34 37 -4Q0 4 -37 -4Z', main)
    pen.line('M0 -44L0 -14', darker(main.hex, 0.35), 1.2)
    pen.piece('M-14 -1Q0 -18 14 -1Q0 3 -14 -1Z', paint(darker(main.hex, 0.5)))
  },
}

export const oilskinHat: HeadgearDrawing = {
  front(pen, { main }) {
    pen.piece('M-30 -18C-32 -38 -18 -52 0 -52C18 -52 32 -38 30 -18Z', main)
    pen.line('M-10 -20Q-12 -38 -4 -51', darker(main.hex, 0.3), 1.3)
    pen.line('M10 -20Q12 -38 4 -51', darker(main.hex, 0.3), 1.3)
    pen.piece('M-56 2C-44 -22 -24 -25 0 -25C24 -25 44 -22 56 2C40 -4 22 -10 0 -10C-22 -10 -40 -4 -56 2Z', main)
    pen.line('M-42 -9Q0 -26 42 -9', darker(main.hex, 0.3), 1.2)
  },
  back(pen, { main }) {
    pen.piece('M-30 -18C-32 -38 -18 -52 0 -52C18 -52 32 -38 30 -18Z', main)
    pen.line('M0 -20L0 -51', darker(main.hex, 0.3), 1.3)
    pen.piece('M-56 4C-44 -22 -24 -25 0 -25C24 -25 44 -22 56 4C50 24 26 32 0 32C-26 32 -50 24 -56 4Z', main)
    pen.line('M-46 8Q0 34 46 8', darker(main.hex, 0.3), 1.2)
  },
}

export const strawHat: HeadgearDrawing = {
  front(pen, { main, second }) {
    hairUnderHat.front(pen, { main, second: paint('#6B4A32'), third: second })
    pen.piece('M-26 -20L-24 -44Q0 -50 24 -44L26 -20Z', main)
    for (const y of [-42, -37]) pen.line(`M-24 ${y}Q0 ${y - 6} 24 ${y}`, darker(main.hex, 0.25), 1)
    pen.piece('M-27 -32Q0 -37 27 -32L27 -21Q0 -26 -27 -21Z', second)
    pen.piece(ellipse(0, -17, 52, 8.5), main)
    pen.line('M-44 -16Q0 -23 44 -16', darker(main.hex, 0.25), 1)
    pen.line('M-40 -13Q0 -19 40 -13', darker(main.hex, 0.25), 1)
  },
  back(pen, { main, second }) {
    hairUnderHat.back(pen, { main, second: paint('#6B4A32'), third: second })
    pen.piece('M-26 -20L-24 -44Q0 -50 24 -44L26 -20Z', main)
    pen.piece('M-27 -32Q0 -37 27 -32L27 -21Q0 -26 -27 -21Z', second)
    pen.piece('M20 -22L34 2L26 4L22 -2L14 -20Z', second)
    pen.piece(ellipse(0, -17, 52, 8.5), main)
    pen.line('M-44 -16Q0 -23 44 -16', darker(main.hex, 0.25), 1)
  },
}

export const headscarf: HeadgearDrawing = {
  front(pen, { main, second }) {
    pen.piece('M27 -6C40 -10 46 2 41 22L33 12L27 20Z', main)
    pen.piece('M-37 -4C-40 -30 -24 -44 0 -44C24 -44 40 -30 37 -4C22 -16 -22 -18 -37 -4Z', main)
    pen.line('M-34 -9C-18 -21 18 -20 34 -9', darker(main.hex, 0.35), 1.3)
    for (const [x, y] of [
      [-22, -26],
      [-8, -34],
      [8, -27],
      [22, -25],
      [0, -21],
      [-30, -15],
      [14, -37],
    ] as const)
      pen.area(ellipse(x, y, 2.2), second.hex)
    pen.piece(ellipse(34, -3, 5.5, 5), main)
  },
  back(pen, { main, second }) {
    pen.piece('M-37 -2C-40 -30 -24 -44 0 -44C24 -44 40 -30 37 -2L30 10L0 34L-30 10Z', main)
    for (const [x, y] of [
      [-22, -20],
      [-8, -30],
      [8, -22],
      [22, -20],
      [0, -8],
      [-14, 2],
      [14, 2],
      [0, 18],
    ] as const)
      pen.area(ellipse(x, y, 2.2), second.hex)
    pen.piece('M26 -6C44 -8 48 8 42 24L33 13L25 19Z', main)
    pen.piece(ellipse(31, -4, 6, 5), main)
  },
}

const RIBS = [-26, -17, -8, 0, 8, 17, 26]
export const bobbleCap: HeadgearDrawing = {
  front(pen, { main, second }) {
    pen.piece(ellipse(0, -52, 11), second)
    pen.line('M-6 -55Q0 -61 6 -55', darker(second.hex, 0.3), 1.2)
    pen.piece('M-35 -12C-38 -34 -20 -46 0 -46C20 -46 38 -34 35 -12Z', main)
    for (const x of RIBS) pen.line(`M${x} -20Q${x * 0.9} -34 ${x * 0.45} -44`, darker(main.hex, 0.25), 1.1)
    pen.piece(rect(-38, -20, 76, 14, 6), second)
    for (const x of RIBS) pen.line(`M${x * 1.2} -17L${x * 1.2} -9`, darker(second.hex, 0.25), 1.1)
  },
  back(pen, { main, second }) {
    pen.piece(ellipse(0, -52, 11), second)
    pen.piece('M-35 -4C-38 -34 -20 -46 0 -46C20 -46 38 -34 35 -4Z', main)
    for (const x of RIBS) pen.line(`M${x} -12Q${x * 0.9} -34 ${x * 0.45} -44`, darker(main.hex, 0.25), 1.1)
    pen.piece(rect(-38, -10, 76, 14, 6), second)
  },
}

export const brimmedHat: HeadgearDrawing = {
  front(pen, paints) {
    hairUnderHat.front(pen, { ...paints, second: paints.third })
    pen.piece('M-29 -18C-30 -34 -26 -50 -14 -48Q0 -42 14 -48C26 -50 30 -34 29 -18Z', paints.main)
    pen.piece('M-30 -28Q0 -22 30 -28L30 -18Q0 -12 -30 -18Z', paints.second)
    pen.piece(
      'M-52 -16C-44 -24 -30 -22 -28 -20Q0 -12 28 -20C30 -22 44 -24 52 -16C44 -8 20 -5 0 -5C-20 -5 -44 -8 -52 -16Z',
      paints.main,
    )
  },
  back(pen, paints) {
    hairUnderHat.back(pen, { ...paints, second: paints.third })
    pen.piece('M-29 -16C-30 -34 -26 -50 -14 -48Q0 -42 14 -48C26 -50 30 -34 29 -16Z', paints.main)
    pen.piece('M-30 -28Q0 -22 30 -28L30 -16Q0 -10 -30 -16Z', paints.second)
    pen.piece(
      'M-52 -14C-44 -22 -30 -20 -28 -18Q0 -10 28 -18C30 -20 44 -22 52 -14C44 -4 20 0 0 0C-20 0 -44 -4 -52 -14Z',
      paints.main,
    )
  },
}

export const flatBeret: HeadgearDrawing = {
  front(pen, paints) {
    hairUnderHat.front(pen, { ...paints })
    pen.piece('M-33 -14C-52 -20 -50 -40 -14 -44C20 -48 42 -36 34 -16Q0 -24 -33 -14Z', paints.main)
    pen.line('M-30 -20C-16 -30 14 -32 32 -22', darker(paints.main.hex, 0.3), 1.2)
    pen.piece('M-5 -50L1 -50L0 -43L-6 -43Z', paints.main)
    pen.line('M-34 -15Q0 -25 35 -17', lighter(paints.main.hex, 0.25), 2)
  },
  back(pen, paints) {
    hairUnderHat.back(pen, { ...paints })
    pen.piece('M-34 -10C-52 -18 -46 -40 -8 -45C26 -48 48 -34 34 -10Q0 -16 -34 -10Z', paints.main)
    pen.piece('M-5 -51L1 -51L0 -44L-6 -44Z', paints.main)
  },
}

export const lampHelmet: HeadgearDrawing = {
  front(pen, { main, second }) {
    pen.piece(CROWN, main)
    pen.line('M-14 -15Q-14 -36 0 -45Q14 -36 14 -15', darker(main.hex, 0.3), 1.2)
    pen.piece('M-41 -14Q0 -24 41 -14L39 -7Q0 -16 -39 -7Z', main)
    pen.piece(rect(-10, -36, 20, 15, 5), paint(darker(main.hex, 0.5)))
    pen.piece(ellipse(0, -28.5, 6.5), second)
    pen.area(ellipse(-2, -31, 2), '#FFFFFF', undefined, 0.8)
    pen.line('M-33 -8Q-32 14 -14 27', darker(main.hex, 0.55), 2.4)
    pen.line('M33 -8Q32 14 14 27', darker(main.hex, 0.55), 2.4)
  },
  back(pen, { main }) {
    pen.piece('M-36 -4C-38 -34 -22 -46 0 -46C22 -46 38 -34 36 -4Z', main)
    pen.piece('M-41 -8Q0 2 41 -8L39 0Q0 12 -39 0Z', main)
    pen.line('M0 -45L0 -4', darker(main.hex, 0.3), 1.2)
  },
}
