import { FIGURE_WINDOW, mmPerUnit, type Drawing } from '../mannequin/index.ts'
import type { Outline, Point } from './outline.ts'

/** Half the width of our doll at its shoulders, sleeves and all, in figure units, and how far below their top that is. */
const SHOULDER = { half: 53, below: 10 }

/** Where the landmarks of a drawn figure are, in shares of the window all drawings stay inside. */
export function dollOutline({ levels, height }: Pick<Drawing, 'levels' | 'height'>): Outline {
  const at = (y: number, x = 0): Point => ({
    x: (x - FIGURE_WINDOW.x) / FIGURE_WINDOW.width,
    y: (y - FIGURE_WINDOW.y) / FIGURE_WINDOW.height,
  })
  const shoulder = levels.shoulder + SHOULDER.below
  return {
    crown: at(-height / mmPerUnit()),
    chin: at(levels.chin),
    shoulderRight: at(shoulder, -SHOULDER.half),
    shoulderLeft: at(shoulder, SHOULDER.half),
    waist: at(levels.waist),
    hip: at(levels.hip),
    knees: at((levels.hip + levels.sole) / 2),
    soles: at(levels.sole),
  }
}
