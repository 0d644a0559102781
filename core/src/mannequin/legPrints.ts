import type { LayerDrawing } from './layer.ts'
import { rect, ellipse } from './path.ts'
import { darker, INK } from './pen.ts'
import { type LegLength, MEASURES } from './geometry.ts'

/** One leg in its own units: top middle at 0,0, half width 21, `length` high, shoe cap of 20 at the foot. */
export function legOutline(length: LegLength): string {
  const bottom = MEASURES.leg[length]
  return `M-21 0L21 0L21 ${bottom - 4}Q21 ${bottom} 17 ${bottom}L-17 ${bottom}Q-21 ${bottom} -21 ${bottom - 4}Z`
}

/** Layers a leg print may use. `outline` tells the length; measures that depend on it come from its bottom edge. */
export function legLayers(length: LegLength): Record<string, LayerDrawing> {
  const bottom = MEASURES.leg[length]
  const shoe = bottom - MEASURES.leg.shoe
  return {
    shoe: ({ pen, colour, outline }) => {
      pen.area(rect(-24, shoe, 48, 24), colour('colour', '#3A2A20'), outline)
      pen.line(`M-21 ${shoe}L21 ${shoe}`, INK, 1.4)
    },
    boot: ({ pen, colour, outline }) => {
      const top = Math.max(14, shoe - 22)
      pen.area(rect(-24, top, 48, bottom - top + 4), colour('colour', '#3A2A20'), outline)
      pen.area(rect(-24, top, 48, 7), colour('cuff', darker(colour('colour', '#3A2A20'), 0.3)), outline)
      pen.line(`M-21 ${top}L21 ${top}`, INK, 1.4)
      pen.line(`M-21 ${bottom - 7}L21 ${bottom - 7}`, darker(colour('colour', '#3A2A20'), 0.5), 1.3)
    },
    stripe: ({ pen, colour, outline, word }) =>
      pen.area(rect(word('side', 'right') === 'right' ? 11 : -19, 0, 8, bottom), colour('colour'), outline),
    cuff: ({ pen, colour, outline }) => pen.area(rect(-24, shoe - 9, 48, 9), colour('colour'), outline),
    seam: ({ pen, base }) => pen.line(`M0 6L0 ${shoe}`, darker(base, 0.3), 1.3),
    pocket: ({ pen, base }) => pen.line('M-15 4Q-12 15 0 16', darker(base, 0.45), 1.5),
    knee: ({ pen, colour, outline }) => {
      const y = Math.max(12, shoe / 2 - 6)
      pen.area(rect(-12, y, 24, 17, 3), colour('colour'), outline)
      pen.line(rect(-12, y, 24, 17, 3), darker(colour('colour'), 0.45), 1.2)
    },
    hem: ({ pen, colour, outline }) => {
      pen.area(rect(-24, -1, 48, shoe * 0.72), colour('colour'), outline)
      pen.line(`M-21 ${shoe * 0.72}L21 ${shoe * 0.72}`, darker(colour('colour'), 0.5), 1.5)
    },
    hoops: ({ pen, colour, outline }) => {
      for (let y = 10; y < shoe - 4; y += 16) pen.area(rect(-24, y, 48, 8), colour('colour'), outline)
    },
    shorts: ({ pen, colour, outline }) => {
      pen.area(rect(-24, shoe * 0.5, 48, bottom), colour('skin'), outline)
      pen.line(`M-21 ${shoe * 0.5}L21 ${shoe * 0.5}`, INK, 1.4)
    },
    socks: ({ pen, colour, outline }) => pen.area(rect(-24, shoe - 16, 48, 16), colour('colour'), outline),
    waders: ({ pen, colour, outline }) => {
      pen.area(rect(-24, -1, 48, bottom + 2), colour('colour'), outline)
      pen.line('M-21 12L21 12', darker(colour('colour'), 0.45), 1.6)
      pen.area(ellipse(0, 22, 3), darker(colour('colour'), 0.45))
    },
    dots: ({ pen, colour, outline }) => {
      for (let y = 12; y < shoe - 4; y += 14)
        for (const x of [-11, 10]) pen.area(ellipse(x + ((y / 14) % 2) * 4, y, 2.2), colour('colour'), outline)
    },
  }
}
