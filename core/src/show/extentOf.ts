import { boundsOf, type Drawing } from '../mannequin/index.ts'

/** The box round all of a drawing, in figure units; smaller than its window, which all figures share. */
export function extentOf({ shapes }: Pick<Drawing, 'shapes'>): { x: number; y: number; width: number; height: number } {
  let [left, right, top, bottom] = [Infinity, -Infinity, Infinity, -Infinity]
  for (const { d } of shapes) {
    const bounds = boundsOf(d)
    left = Math.min(left, bounds.left)
    right = Math.max(right, bounds.right)
    top = Math.min(top, bounds.top)
    bottom = Math.max(bottom, bounds.bottom)
  }
  return { x: left, y: top, width: right - left, height: bottom - top }
}
