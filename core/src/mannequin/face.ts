import { own } from '../base/index.ts'
import type { LayerDrawing } from './layer.ts'
import { ellipse, rect } from './path.ts'
import { darker, INK, mixInto } from './pen.ts'

/** Brow shapes for the viewer's right side; the other is its mirror. Head units. */
const BROWS: Record<string, string> = {
  calm: 'M6 -13.5Q13 -18 20 -14',
  arched: 'M6 -13Q14 -22 21 -13',
  stern: 'M5 -10.5L20 -16.5',
  worried: 'M6 -16.5Q14 -15.5 20 -10.5',
  straight: 'M6 -14L20 -14',
  soft: 'M7 -14.5Q13 -16.5 18 -14.5',
  bushy: 'M4.5 -12.5C8 -19 18 -20 22 -12.5',
}
const mirrored = (d: string) =>
  d.replace(/(-?\d+\.?\d*) (-?\d+\.?\d*)/g, (_, x: string, y: string) => `${-Number(x)} ${y}`)

const MOUTHS: Record<string, (c: Parameters<LayerDrawing>[0]) => void> = {
  smile: ({ pen }) => pen.line('M-9 11Q0 18.5 9 11', INK, 1.9),
  grin: ({ pen }) => {
    pen.area('M-11 10Q0 12.5 11 10Q9 20.5 0 20.5Q-9 20.5 -11 10Z', '#FFFDF6')
    pen.line('M-11 10Q0 12.5 11 10Q9 20.5 0 20.5Q-9 20.5 -11 10Z', INK, 1.5)
  },
  flat: ({ pen }) => pen.line('M-8 14L8 14', INK, 1.9),
  frown: ({ pen }) => pen.line('M-8 16.5Q0 10.5 8 16.5', INK, 1.9),
  smirk: ({ pen }) => pen.line('M-7 14.5Q3 17 10 10.5', INK, 1.9),
  open: ({ pen }) => {
    pen.area(ellipse(0, 15, 5, 5.5), '#7A2E33')
    pen.line(ellipse(0, 15, 5, 5.5), INK, 1.5)
    pen.area('M-3.4 17.6Q0 14.5 3.4 17.6Q0 21 -3.4 17.6Z', '#D9776E')
  },
  puff: ({ pen }) => {
    pen.line(ellipse(0, 14.5, 3.2, 3.6), INK, 1.7)
    pen.line('M10 11Q12.5 14.5 10 18', INK, 1.2)
    pen.line('M-10 11Q-12.5 14.5 -10 18', INK, 1.2)
  },
  shout: ({ pen }) => {
    pen.area('M-10 9.5Q0 7 10 9.5Q11 22 0 22.5Q-11 22 -10 9.5Z', '#7A2E33')
    pen.area('M-8.5 9.4Q0 7.6 8.5 9.4L8 12.4Q0 11 -8 12.4Z', '#FFFDF6')
    pen.line('M-10 9.5Q0 7 10 9.5Q11 22 0 22.5Q-11 22 -10 9.5Z', INK, 1.5)
  },
}

const EYES: Record<string, (c: Parameters<LayerDrawing>[0]) => void> = {
  bright: ({ pen, colour }) => {
    for (const x of [-13, 13]) {
      pen.area(ellipse(x, -2.5, 4, 4.6), colour('colour', INK))
      pen.area(ellipse(x + 1.4, -4.2, 1.4), '#FFFFFF')
    }
  },
  narrow: ({ pen, colour }) => {
    for (const x of [-13, 13]) {
      pen.area(`M${x - 5.5} -2.5Q${x} -6.5 ${x + 5.5} -2.5Q${x} 1.2 ${x - 5.5} -2.5Z`, colour('colour', INK))
      pen.area(ellipse(x + 1.2, -3.2, 1), '#FFFFFF')
    }
  },
  closed: ({ pen }) => {
    for (const x of [-13, 13]) pen.line(`M${x - 5} -3Q${x} 2 ${x + 5} -3`, INK, 1.8)
  },
  wide: ({ pen, colour }) => {
    for (const x of [-13, 13]) {
      pen.area(ellipse(x, -2.5, 5.6, 6), '#FFFDF6')
      pen.line(ellipse(x, -2.5, 5.6, 6), INK, 1.1)
      pen.area(ellipse(x, -2, 3, 3.3), colour('colour', INK))
      pen.area(ellipse(x + 1, -3.4, 1), '#FFFFFF')
    }
  },
  wink: ({ pen, colour }) => {
    pen.area(ellipse(-13, -2.5, 4, 4.6), colour('colour', INK))
    pen.area(ellipse(-11.6, -4.2, 1.4), '#FFFFFF')
    pen.line('M8 -2.5Q13 -6.5 18 -2.5', INK, 1.9)
  },
}

const pick = <T>(table: Record<string, T>, name: string, fallback: string): T => own(table, name) ?? table[fallback]!

/** Choices of the `shape` setting of face layers, by layer. */
export const FACE_SHAPES: Record<string, readonly string[]> = {
  'brows shape': Object.keys(BROWS),
  'eyes shape': Object.keys(EYES),
  'mouth shape': Object.keys(MOUTHS),
  'beard shape': ['full', 'goatee', 'chin'],
  'glasses shape': ['round', 'square'],
  'face-paint shape': ['stripes', 'star'],
}

/** Layers a head print may use, in head units. */
export const FACE_LAYERS: Record<string, LayerDrawing> = {
  brows: ({ pen, colour, word }) => {
    const shape = word('shape', 'calm')
    const d = pick(BROWS, shape, 'calm')
    const width = shape === 'bushy' ? 4.6 : shape === 'soft' ? 2.2 : 3.2
    pen.line(d, colour('colour', INK), width)
    pen.line(mirrored(d), colour('colour', INK), width)
  },
  eyes: (c) => pick(EYES, c.word('shape', 'bright'), 'bright')(c),
  mouth: (c) => pick(MOUTHS, c.word('shape', 'smile'), 'smile')(c),
  lashes: ({ pen }) => {
    for (const s of [-1, 1]) pen.line(`M${s * 16} -5.5L${s * 19.5} -7.5`, INK, 1.4)
    for (const s of [-1, 1]) pen.line(`M${s * 17} -3.2L${s * 20.5} -4`, INK, 1.4)
  },
  lips: ({ pen, colour }) => {
    pen.area('M-7 13Q-3.5 10 0 12Q3.5 10 7 13Q0 19.5 -7 13Z', colour('colour', '#B5463F'))
    pen.line('M-7 13Q0 15.5 7 13', INK, 1)
  },
  cheeks: ({ pen, colour, outline }) => {
    for (const x of [-22, 22]) pen.area(ellipse(x, 8, 5.5, 4), colour('colour', '#E07A5F'), outline, 0.45)
  },
  freckles: ({ pen, base }) => {
    for (const s of [-1, 1])
      for (const [x, y] of [
        [15, 5],
        [19, 7.5],
        [22, 4.5],
        [11.5, 7.8],
      ] as const)
        pen.area(ellipse(s * x, y, 1.1), darker(base, 0.38))
  },
  wrinkles: ({ pen, base }) => {
    for (const s of [-1, 1]) {
      pen.line(`M${s * 21} -1Q${s * 24} 0 ${s * 26} 3`, darker(base, 0.35), 1.1)
      pen.line(`M${s * 9} 6.5Q${s * 13} 8.5 ${s * 17} 6.5`, darker(base, 0.35), 1.1)
      pen.line(`M${s * 12} 12Q${s * 14} 15 ${s * 12.5} 18`, darker(base, 0.35), 1.1)
    }
  },
  scar: ({ pen, base }) => {
    pen.line('M20 -12L15 9', mixInto(base, '#FFFFFF', 0.45), 2)
    for (const [x, y] of [
      [18.6, -6],
      [16.4, 3],
    ] as const)
      pen.line(`M${x - 3} ${y - 1}L${x + 3} ${y + 1}`, mixInto(base, '#FFFFFF', 0.45), 1.3)
  },
  stubble: ({ pen, colour, outline }) =>
    pen.area('M-34 4L-25 6Q-14 4 -12 8Q0 5 12 8Q14 4 25 6L34 4L34 30L-34 30Z', colour('colour', INK), outline, 0.22),
  beard: ({ pen, colour, word, outline }) => {
    const hex = colour('colour', INK)
    const shape = word('shape', 'full')
    const d =
      shape === 'goatee'
        ? 'M-11 9Q0 5.5 11 9Q13 18 9 24Q0 30 -9 24Q-13 18 -11 9ZM-6.5 12.5Q0 17.5 6.5 12.5Q0 10.5 -6.5 12.5Z'
        : shape === 'chin'
          ? 'M-34 4L-27 2Q-25 17 -12 20Q0 22.5 12 20Q25 17 27 2L34 4L34 30L-34 30Z'
          : 'M-34 0L-27 -1Q-24 7 -13 7Q0 3 13 7Q24 7 27 -1L34 0L34 30L-34 30ZM-8 12.5Q0 19.5 8 12.5Q0 10 -8 12.5Z'
    pen.area(d, hex, outline)
    pen.line('M-7.5 12.5Q0 18.5 7.5 12.5', INK, 1.5)
    for (const x of [-18, -6, 6, 18]) pen.line(`M${x} 21Q${x + 1} 24 ${x} 27`, darker(hex, 0.4), 1.1, outline)
  },
  moustache: ({ pen, colour }) => {
    const hex = colour('colour', INK)
    pen.area('M0 7C6 4 12 6 16 11C11 13 5 13 0 10.5C-5 13 -11 13 -16 11C-12 6 -6 4 0 7Z', hex)
    pen.line('M0 7L0 10', darker(hex, 0.4), 1)
  },
  glasses: ({ pen, colour, word }) => {
    const hex = colour('colour', INK)
    const lens = (x: number) => (word('shape', 'round') === 'square' ? rect(x - 9, -9, 18, 14, 3) : ellipse(x, -2.5, 9))
    for (const x of [-13, 13]) {
      pen.area(lens(x), '#FFFFFF', undefined, 0.28)
      pen.line(lens(x), hex, 2)
    }
    pen.line('M-4 -3.5Q0 -6 4 -3.5', hex, 2)
    pen.line('M-22 -4L-32 -6', hex, 2)
    pen.line('M22 -4L32 -6', hex, 2)
  },
  'eye-patch': ({ pen }) => {
    pen.area('M-33 -16L33 -24L33 -21L-33 -13Z', INK)
    pen.area(ellipse(13, -3, 9, 8), INK)
  },
  sweat: ({ pen }) => {
    pen.area('M25 -14Q29 -8 25 -5.5Q21 -8 25 -14Z', '#9CC8DE')
    pen.line('M25 -14Q29 -8 25 -5.5Q21 -8 25 -14Z', INK, 0.9)
  },
  smudge: ({ pen, outline }) => pen.area('M-28 4Q-20 1 -15 6Q-20 10 -27 9Z', '#4A4038', outline, 0.55),
  nose: ({ pen, base }) => pen.line('M-2.5 5.5Q0 8 2.5 5.5', darker(base, 0.4), 1.4),
  'face-paint': ({ pen, colour, word, outline }) => {
    const hex = colour('colour', '#2F5D8A')
    if (word('shape', 'stripes') === 'star') {
      pen.area('M20 -2L22 3L27 3L23 6.5L24.5 12L20 9L15.5 12L17 6.5L13 3L18 3Z', hex, outline)
    } else for (const s of [-1, 1]) for (const y of [5, 10]) pen.area(rect(s * 22 - 7, y, 14, 3), hex, outline)
  },
  whiskers: ({ pen, colour }) => {
    const hex = colour('colour', INK)
    pen.area('M-4 4L4 4L0 9Z', hex)
    for (const s of [-1, 1])
      pen.line(`M${s * 11} 9L${s * 25} 6M${s * 11} 12L${s * 25} 13M${s * 11} 15L${s * 24} 19`, hex, 1.2)
  },
  teeth: ({ pen }) => {
    pen.area('M-12 10Q0 13 12 10Q10 19 0 19Q-10 19 -12 10Z', '#FFFDF6')
    pen.line('M-12 10Q0 13 12 10Q10 19 0 19Q-10 19 -12 10Z', INK, 1.5)
    for (const x of [-6, -2, 2, 6]) pen.line(`M${x} 12L${x * 0.9} 18`, INK, 0.9)
  },
}
