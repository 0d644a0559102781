import { wornAlone } from '@outfit/core/anatomy'
import type { Catalogue, Part, Slot } from '@outfit/core/catalogue'
import { cropTo, drawFigure, svgBody, viewBox } from '@outfit/core/mannequin'

/** The slot an assembly is looked at by. */
const MAIN_SLOTS: readonly Slot[] = ['torso', 'hips']

/** A part by itself as a picture in SVG, without the doll it is worn on. */
export function partSvg(part: Part, catalogue: Catalogue): string {
  const worn = wornAlone(part, catalogue)
  const drawing = drawFigure(worn, catalogue, { plinth: false })
  const own = new Set<string>(Object.keys(drawing.anchors))
  const slot = MAIN_SLOTS.find((main) => worn.some((one) => one.slot === main)) ?? worn[0]?.slot
  const box = viewBox(slot ? cropTo(drawing, slot) : drawing.window)
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="${box}" aria-hidden="true">${svgBody(drawing.shapes.filter((shape) => own.has(shape.slot)))}</svg>`
}
