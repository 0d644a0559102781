import type { Paints } from './headgear.ts'
import { ellipse, rect } from './path.ts'
import { darker, lighter, paint, type Pen } from './pen.ts'

/** Pieces for the small slots: before the face, round the wrists, under the feet. */

/** A piece before the face, in head units; its strap may be seen from behind. */
export interface FaceDrawing {
  front: (pen: Pen, paints: Paints) => void
  back?: (pen: Pen, paints: Paints) => void
}

const strap: FaceDrawing['back'] = (pen, { second }) => pen.piece('M-34 -8Q0 -2 34 -8L34 -1Q0 5 -34 -1Z', second)

/** Every face silhouette by name. */
export const FACE_PIECES: Record<string, FaceDrawing> = {
  goggles: {
    front(pen, { main, second }) {
      pen.piece('M-34 -9Q0 -15 34 -9L34 -2Q0 -8 -34 -2Z', second)
      for (const x of [-13, 13]) {
        pen.piece(ellipse(x, -3, 12, 10), second)
        pen.piece(ellipse(x, -3, 8.5, 7), main)
        pen.area(ellipse(x - 3, -6, 2), '#FFFFFF', undefined, 0.8)
      }
    },
    back: strap,
  },
  'dust-mask': {
    front(pen, { main, second }) {
      pen.line('M-33 2L-16 8M33 2L16 8M-33 14L-15 17M33 14L15 17', second.hex, 2)
      pen.piece('M-18 4Q0 -4 18 4L16 20Q0 29 -16 20Z', main)
      pen.line('M-15 10Q0 5 15 10M-15 16Q0 13 15 16', darker(main.hex, 0.3), 1.2)
    },
    back: strap,
  },
  'market-mask': {
    front(pen, { main, second }) {
      pen.piece(
        'M-32 -14Q-16 -20 0 -13Q16 -20 32 -14C34 0 24 8 12 5Q4 3 0 -2Q-4 3 -12 5C-24 8 -34 0 -32 -14ZM-19 -4Q-13 -10 -7 -4Q-13 1 -19 -4ZM19 -4Q13 1 7 -4Q13 -10 19 -4Z',
        main,
      )
      pen.area(ellipse(0, -11, 3), second.hex)
      for (const x of [-1, 1]) pen.line(`M${x * 26} -15L${x * 33} -26M${x * 29} -13L${x * 38} -21`, second.hex, 2.4)
    },
    back: strap,
  },
}

/** A piece round the wrist in arm units (sleeve straight down from 0,0, ending at 54); the same for both sides. */
export type WristDrawing = (pen: Pen, paints: Paints) => void

/** Every wrist silhouette by name. */
export const WRIST_PIECES: Record<string, WristDrawing> = {
  cuff(pen, { main, second }) {
    pen.piece(rect(-15.5, 40, 31, 15, 4), main)
    pen.line('M-14 45L14 45', second.hex, 2.4)
  },
  bangles(pen, { main, second }) {
    for (const [i, y] of [41, 46, 51].entries()) pen.piece(rect(-15, y, 30, 4.6, 2.2), i === 1 ? second : main)
  },
  gauntlet(pen, { main, second }) {
    pen.piece('M-18 28Q0 24 18 28L15 56Q0 60 -15 56Z', main)
    pen.piece('M-19 27Q0 22 19 27L18 34Q0 29 -18 34Z', second)
    pen.line('M0 34L0 56', darker(main.hex, 0.35), 1.2)
  },
}

/** A piece under the feet: ground at 0, its top at −height (figure units), which is where the sole stands. */
export type FeetDrawing = (pen: Pen, paints: Paints, height: number) => void

/** Every feet silhouette by name. */
export const FEET_PIECES: Record<string, FeetDrawing> = {
  'riser-plate'(pen, { main }, height) {
    pen.piece(rect(-50, -height, 100, height, 2), main)
    for (const x of [-25, 25])
      pen.line(`M${x - 14} ${-height + 2}L${x + 14} ${-height + 2}`, lighter(main.hex, 0.3), 1.4)
  },
  'step-stand'(pen, { main, second }, height) {
    const step = height * 0.45
    pen.piece(rect(-66, -step, 132, step, 2), second)
    pen.piece(rect(-50, -height, 100, height - step, 2), main)
    pen.line(`M-50 ${-step}L50 ${-step}`, darker(main.hex, 0.4), 1.2)
  },
  pontoon(pen, { main, second }, height) {
    pen.piece(`M-60 ${-height}L60 ${-height}Q66 ${-height * 0.3} 54 0L-54 0Q-66 ${-height * 0.3} -60 ${-height}Z`, main)
    for (const x of [-40, -20, 0, 20, 40]) pen.line(`M${x} ${-height + 1}L${x} -1`, darker(main.hex, 0.35), 1.2)
    pen.piece(rect(-62, -height, 124, Math.min(6, height / 2), 2), second)
  },
}

/** What is seen of a wrist piece nobody drew: a plain band. */
export const plainBand: WristDrawing = (pen, { main }) =>
  pen.piece(rect(-15, 44, 30, 10, 3), paint(main.hex, main.finish))
