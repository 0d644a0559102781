import type { HeadgearDrawing, Paints } from './headgear.ts'
import { ellipse } from './path.ts'
import { fine, type Pen } from './pen.ts'
import { FALL, NAPE, strands } from './headgearShort.ts'

/** A braid as overlapping beads along a line of points. */
const braid = (pen: Pen, paints: Paints, points: [number, number][], size = 7.5) => {
  points.forEach(([x, y], index) =>
    pen.piece(ellipse(x, y, size - index * 0.35, size - 0.8 - index * 0.2), paints.main),
  )
  points.forEach(([x, y]) => pen.line(`M${x - 4} ${y - 2}Q${x} ${y + 3} ${x + 4} ${y - 2}`, fine(paints.main.hex), 1.2))
  const [x, y] = points[points.length - 1]!
  pen.piece(`M${x - 4} ${y + 4}L${x + 4} ${y + 4}L${x + 5} ${y + 14}L${x - 5} ${y + 14}Z`, paints.main)
  pen.piece(ellipse(x, y + 5, 4.6, 2.4), paints.second)
}

export const sweptTail: HeadgearDrawing = {
  behind(pen, { main }) {
    pen.piece('M24 -34C44 -38 52 -20 49 2C47 20 52 32 44 44C36 38 34 24 36 6C37 -8 34 -18 22 -22Z', main)
    strands(pen, main.hex, 'M38 -28C46 -16 40 10 44 32')
  },
  front(pen, { main }) {
    pen.piece(
      'M-37 8C-40 -22 -28 -42 0 -43C26 -43 39 -26 36 2L31 1C31 -8 30 -13 27 -18C8 -9 -16 -11 -31 8L-34 10Z',
      main,
    )
    strands(pen, main.hex, 'M-32 -4C-18 -20 8 -20 28 -27', 'M-28 -18C-12 -30 10 -32 26 -34')
  },
  back(pen, { main, second }) {
    pen.piece('M-36 4C-39 -24 -26 -42 0 -42C26 -42 39 -24 36 4L34 18Q0 40 -34 18Z', main)
    strands(pen, main.hex, 'M-26 6Q-10 -18 18 -28', 'M-8 16Q8 -10 22 -24', 'M-28 -14Q-8 -30 16 -32')
    pen.piece('M16 -32C34 -40 46 -24 42 0C40 20 46 34 36 48C26 40 24 22 26 4C27 -8 24 -18 14 -22Z', main)
    pen.piece(ellipse(20, -27, 6, 5), second)
    strands(pen, main.hex, 'M30 -24C38 -10 32 12 36 34')
  },
}

const SIDE_BRAID: [number, number][] = [
  [35, 10],
  [39, 21],
  [40, 32],
  [38, 43],
]
export const sideBraid: HeadgearDrawing = {
  front(pen, paints) {
    pen.piece(
      'M-36 6C-39 -24 -26 -42 0 -42C26 -42 40 -26 37 4L36 12L30 8C32 -4 28 -10 24 -14C12 -15 4 -20 2 -28C-4 -18 -20 -16 -28 -10L-31 5Z',
      paints.main,
    )
    strands(pen, paints.main.hex, 'M2 -28L3 -40', 'M8 -20Q20 -18 31 -6', 'M-6 -24Q-20 -24 -30 -14')
    braid(pen, paints, SIDE_BRAID)
  },
  back(pen, paints) {
    pen.piece('M-36 4C-39 -24 -26 -42 0 -42C26 -42 39 -24 36 4L35 24Q10 36 -6 30Q-22 28 -34 22Z', paints.main)
    strands(pen, paints.main.hex, 'M2 -38Q-16 -10 20 8', 'M-26 0Q0 14 28 8', 'M6 -38Q26 -14 30 4')
    braid(pen, paints, SIDE_BRAID)
  },
}

const PLAIT = (side: number): [number, number][] => [
  [side * 36, 14],
  [side * 39, 25],
  [side * 40, 36],
  [side * 39, 47],
]
export const twoPlaits: HeadgearDrawing = {
  front(pen, paints) {
    pen.piece(
      'M-37 12C-41 -22 -26 -42 0 -42C26 -42 41 -22 37 12L31 10C32 -2 28 -12 18 -14C10 -16 2 -22 0 -30C-2 -22 -10 -16 -18 -14C-28 -12 -32 -2 -31 10Z',
      paints.main,
    )
    strands(pen, paints.main.hex, 'M0 -30L0 -41', 'M8 -22Q24 -20 32 -4', 'M-8 -22Q-24 -20 -32 -4')
    braid(pen, paints, PLAIT(-1), 7)
    braid(pen, paints, PLAIT(1), 7)
  },
  back(pen, paints) {
    pen.piece('M-37 12C-41 -22 -26 -42 0 -42C26 -42 41 -22 37 12Q30 30 0 32Q-30 30 -37 12Z', paints.main)
    strands(pen, paints.main.hex, 'M0 16L0 -41', 'M-8 10Q-22 -8 -18 -30', 'M8 10Q22 -8 18 -30')
    braid(pen, paints, PLAIT(-1), 7)
    braid(pen, paints, PLAIT(1), 7)
  },
}

export const bluntBob: HeadgearDrawing = {
  behind(pen, { main }) {
    pen.piece('M-40 -8L-42 34L42 34L40 -8Z', main)
  },
  front(pen, { main }) {
    pen.piece(
      'M-40 30C-44 -18 -32 -44 0 -44C32 -44 44 -18 40 30C39 35 32 35 28 33C31 18 30 2 27 -9L-27 -9C-30 2 -31 18 -28 33C-32 35 -39 35 -40 30Z',
      main,
    )
    strands(
      pen,
      main.hex,
      'M-16 -12L-16 -26',
      'M0 -12L0 -28',
      'M16 -12L16 -26',
      'M-35 22Q-37 0 -32 -16',
      'M35 22Q37 0 32 -16',
    )
  },
  back(pen, { main }) {
    pen.piece('M-41 32C-44 -18 -32 -44 0 -44C32 -44 44 -18 41 32Q0 38 -41 32Z', main)
    strands(pen, main.hex, 'M-26 26Q-28 -10 -16 -34', 'M0 28L0 -36', 'M26 26Q28 -10 16 -34')
  },
}

export const longStraight: HeadgearDrawing = {
  behind(pen, { main }) {
    pen.piece('M-38 -10C-44 20 -45 50 -44 74Q0 82 44 74C45 50 44 20 38 -10Z', main)
    strands(pen, main.hex, 'M-34 66L-34 30', 'M34 66L34 30')
  },
  front(pen, { main }) {
    pen.piece(
      'M0 -43C-32 -43 -42 -20 -40 8C-39 26 -43 40 -41 56C-36 60 -30 57 -28 54C-31 34 -28 12 -29 -2C-26 -14 -12 -18 0 -30C12 -18 26 -14 29 -2C28 12 31 34 28 54C30 57 36 60 41 56C43 40 39 26 40 8C42 -20 32 -43 0 -43Z',
      main,
    )
    strands(pen, main.hex, 'M0 -30L0 -42', 'M-6 -28Q-26 -20 -34 10L-35 44', 'M6 -28Q26 -20 34 10L35 44')
  },
  back(pen, { main }) {
    pen.piece(
      'M-38 0C-42 -26 -28 -43 0 -43C28 -43 42 -26 38 0C43 24 45 50 44 74Q0 84 -44 74C-45 50 -43 24 -38 0Z',
      main,
    )
    strands(
      pen,
      main.hex,
      'M-30 66Q-32 10 -18 -34',
      'M-12 72Q-12 10 -6 -38',
      'M12 72Q12 10 6 -38',
      'M30 66Q32 10 18 -34',
    )
  },
}

export const longWaves: HeadgearDrawing = {
  behind(pen, { main }) {
    pen.piece(
      'M-36 -16C-52 0 -40 14 -50 28C-56 42 -42 52 -48 64C-36 74 -20 62 -10 68L10 68C20 62 36 74 48 64C42 52 56 42 50 28C40 14 52 0 36 -16Z',
      main,
    )
    strands(pen, main.hex, 'M-42 56C-36 44 -46 38 -40 24', 'M42 56C36 44 46 38 40 24')
  },
  front(pen, { main }) {
    pen.piece(
      'M-8 -42C-36 -44 -44 -24 -40 -6C-50 6 -38 16 -44 28C-46 38 -36 42 -30 36C-34 26 -26 18 -30 6C-32 -4 -26 -14 -12 -24C2 -12 22 -14 30 4C26 18 34 26 30 36C36 42 46 38 44 28C38 16 50 6 40 -6C44 -26 30 -46 -8 -42Z',
      main,
    )
    strands(pen, main.hex, 'M-12 -24L-9 -41', 'M-10 -30C6 -22 24 -24 34 -6', 'M-18 -28C-32 -18 -34 -4 -36 10')
  },
  back(pen, { main }) {
    pen.piece(
      'M0 -43C34 -43 44 -22 40 -4C52 10 42 18 50 30C56 44 42 52 48 64C36 76 22 64 12 72C4 66 -4 66 -12 72C-22 64 -36 76 -48 64C-42 52 -56 44 -50 30C-42 18 -52 10 -40 -4C-44 -22 -34 -43 0 -43Z',
      main,
    )
    strands(
      pen,
      main.hex,
      'M-32 58C-24 44 -36 30 -26 10C-22 -6 -18 -26 -8 -38',
      'M32 58C24 44 36 30 26 10C22 -6 18 -26 8 -38',
      'M0 60C6 44 -6 24 0 0L0 -38',
    )
  },
}

const LOCS = [-34, -23, -12, 0, 12, 23, 34]
export const locs: HeadgearDrawing = {
  behind(pen, { main }) {
    for (const x of [-37, -29, 29, 37])
      pen.piece(`M${x - 5} -6L${x + 5} -6L${x + 4 + x * 0.06} 50Q${x + x * 0.08} 57 ${x - 4 + x * 0.1} 50Z`, main)
  },
  front(pen, { main, second }) {
    pen.piece(
      'M-38 10C-42 -22 -28 -45 0 -45C28 -45 42 -22 38 10L31 8L29 -12L18 -15L9 -12L0 -16L-9 -12L-18 -15L-29 -12L-31 8Z',
      main,
    )
    strands(
      pen,
      main.hex,
      'M-29 -12Q-26 -30 -10 -42',
      'M-14 -14Q-10 -32 -3 -43',
      'M4 -15Q6 -32 3 -43',
      'M22 -13Q22 -30 10 -41',
    )
    for (const side of [-1, 1]) {
      for (const x of [31, 38])
        pen.piece(
          `M${side * (x - 4)} 2L${side * (x + 4)} 2L${side * (x + 5)} 40Q${side * (x + 1)} 46 ${side * (x - 3)} 40Z`,
          main,
        )
      pen.piece(`M${side * 34} 30L${side * 43} 30L${side * 43} 35L${side * 34} 35Z`, second)
    }
  },
  back(pen, { main, second }) {
    pen.piece('M-38 10C-42 -22 -28 -45 0 -45C28 -45 42 -22 38 10Z', main)
    LOCS.forEach((x, index) => {
      const length = 52 + (index % 2) * 6
      pen.piece(
        `M${x - 6} -12L${x + 6} -12L${x * 1.1 + 5} ${length}Q${x * 1.1} ${length + 7} ${x * 1.1 - 5} ${length}Z`,
        main,
      )
      if (index % 3 === 1)
        pen.piece(`M${x * 1.1 - 6} 34L${x * 1.1 + 6} 34L${x * 1.1 + 6} 40L${x * 1.1 - 6} 40Z`, second)
    })
    strands(pen, main.hex, 'M-20 -14Q-14 -34 -2 -42', 'M20 -14Q14 -34 2 -42')
  },
}

/** Hair that shows under a hat: sides in front, a short fall behind. */
export const hairUnderHat = {
  front(pen: Pen, { second }: Paints) {
    pen.piece('M-36 -14C-40 0 -39 14 -36 24Q-31 27 -27 23C-30 8 -30 -4 -28 -14Z', second)
    pen.piece('M36 -14C40 0 39 14 36 24Q31 27 27 23C30 8 30 -4 28 -14Z', second)
  },
  back(pen: Pen, { second }: Paints) {
    pen.piece(NAPE, second)
    strands(pen, second.hex, ...FALL)
  },
}

/** A knot at the nape; from the front only smooth sides and a peep of it show. */
export const lowBun: HeadgearDrawing = {
  behind(pen, { main }) {
    pen.piece(ellipse(0, 28, 20, 12), main)
  },
  front(pen, { main }) {
    pen.piece('M-36 12C-40 -22 -26 -42 0 -42C26 -42 40 -22 36 12L30 12C33 -4 26 -18 2 -29C-22 -18 -33 -4 -30 12Z', main)
    strands(pen, main.hex, 'M1 -30L1 -41', 'M-6 -28C-22 -22 -32 -8 -33 6', 'M8 -28C22 -22 32 -8 33 6')
  },
  back(pen, { main, second }) {
    pen.piece('M-36 4C-39 -24 -26 -42 0 -42C26 -42 39 -24 36 4L33 16Q0 34 -33 16Z', main)
    strands(pen, main.hex, 'M0 -41Q-4 -10 -4 8', 'M-18 -36Q-26 -8 -10 10', 'M18 -36Q26 -8 10 10')
    pen.piece(ellipse(0, 22, 17, 14), main)
    strands(pen, main.hex, 'M-9 18Q0 10 9 18', 'M-10 26Q2 18 11 26')
    pen.piece(ellipse(0, 10, 8, 3.4), second)
  },
}

const CROWN_BRAID = [-33, -24, -13, 0, 13, 24, 33]

/** A braid laid round the head like a ring. */
export const crownBraid: HeadgearDrawing = {
  front(pen, { main }) {
    pen.piece('M-36 6C-38 -20 -28 -36 0 -36C28 -36 38 -20 36 6L31 5C30 -8 22 -15 0 -16C-22 -15 -30 -8 -31 5Z', main)
    for (const [i, x] of CROWN_BRAID.entries()) {
      const y = -42 + (x * x) / 55
      pen.piece(ellipse(x, y, 8.5, 7), main)
      strands(
        pen,
        main.hex,
        i % 2
          ? `M${x - 5} ${y + 2}Q${x} ${y - 5} ${x + 5} ${y - 2}`
          : `M${x - 5} ${y - 2}Q${x} ${y + 5} ${x + 5} ${y + 2}`,
      )
    }
  },
  back(pen, { main }) {
    pen.piece('M-36 4C-39 -22 -26 -38 0 -38C26 -38 39 -22 36 4L33 16Q0 34 -33 16Z', main)
    strands(pen, main.hex, 'M0 16L0 -30', 'M-20 12Q-22 -12 -12 -28', 'M20 12Q22 -12 12 -28')
    for (const x of CROWN_BRAID) {
      const y = -42 + (x * x) / 55
      pen.piece(ellipse(x, y, 8.5, 7), main)
      strands(pen, main.hex, `M${x - 5} ${y + 2}Q${x} ${y - 5} ${x + 5} ${y - 2}`)
    }
  },
}
