import { ellipse } from './path.ts'
import { darker, fine, lighter, type Paint, type Pen } from './pen.ts'

/**
 * A head mould in head units (origin in its middle): the outline prints are cut to, and what is moulded on besides.
 * Every outline keeps the width and the crown of the usual head, so that headgear sits on all of them.
 */
export interface HeadDrawing {
  outline: string
  /** Drawn under the head, such as ears. */
  under?: (pen: Pen, skin: Paint) => void
  /** Drawn over the print, such as a snout; the view decides what is seen. */
  over?: (pen: Pen, skin: Paint, back: boolean) => void
}

const usual: HeadDrawing = {
  outline:
    'M-33 -11C-33 -23 -24 -29 -12 -29L12 -29C24 -29 33 -23 33 -11L33 11C33 23 24 29 12 29L-12 29C-24 29 -33 23 -33 11Z',
}

const round: HeadDrawing = {
  outline: 'M-33 -2C-33 -20 -20 -29 0 -29C20 -29 33 -20 33 -2C33 18 20 29 0 29C-20 29 -33 18 -33 -2Z',
}

const broadJaw: HeadDrawing = {
  outline:
    'M-30 -14C-30 -24 -22 -29 -12 -29L12 -29C22 -29 30 -24 30 -14L34 12C34 24 26 30 14 30L-14 30C-26 30 -34 24 -34 12Z',
}

const pointedChin: HeadDrawing = {
  outline: 'M-33 -11C-33 -23 -24 -29 -12 -29L12 -29C24 -29 33 -23 33 -11L32 4C29 17 14 27 0 31C-14 27 -29 17 -32 4Z',
}

const otter: HeadDrawing = {
  outline: usual.outline,
  under(pen, skin) {
    for (const x of [-29, 29]) {
      pen.piece(ellipse(x, -25, 9, 8), skin)
      pen.area(ellipse(x, -24, 4.5, 4), darker(skin.hex, 0.3))
    }
  },
  over(pen, skin, back) {
    if (back) return
    pen.piece(ellipse(0, 13, 16, 11), { ...skin, hex: lighter(skin.hex, 0.35) })
    pen.area(ellipse(0, 7, 5.5, 4), '#2A2730')
    pen.line('M0 11L0 17M-5 18Q0 21 5 18', '#2A2730', 1.3)
    pen.line('M-14 11L-28 8M-14 14L-28 15M14 11L28 8M14 14L28 15', fine(skin.hex), 1)
  },
}

const lantern: HeadDrawing = {
  outline: 'M-24 -29L24 -29C30 -20 33 -12 33 0C33 12 30 20 24 29L-24 29C-30 20 -33 12 -33 0C-33 -12 -30 -20 -24 -29Z',
  over(pen, skin) {
    for (const y of [-20, 20]) pen.line(`M-30 ${y}Q0 ${y + Math.sign(y) * 5} 30 ${y}`, darker(skin.hex, 0.4), 1.4)
    for (const x of [-17, 17]) pen.line(`M${x} -28Q${x * 1.5} 0 ${x} 28`, darker(skin.hex, 0.3), 1)
  },
}

/** Every head silhouette by name. */
export const HEADS: Record<string, HeadDrawing> = {
  head: usual,
  'round-head': round,
  'broad-jaw': broadJaw,
  'pointed-chin': pointedChin,
  'otter-head': otter,
  'lantern-head': lantern,
}
