import type { Catalogue, MadeAs, Placement } from '@outfit/core/catalogue'
import { boundsOf, drawFigure } from '@outfit/core/mannequin'
import { shownIn } from './words.ts'

const MARGIN = 14
const LEAST = 110

/** The surroundings of something made that is worn so: all of it, and no less than a hand's breadth. */
export function windowAround(worn: readonly Placement[], as: MadeAs, catalogue: Catalogue) {
  const { shapes, boards } = drawFigure(worn, catalogue, { plinth: false })
  const boxes = shapes.filter(({ slot }) => slot === shownIn(as)).map(({ d }) => boundsOf(d))
  const { x, y } = boards[as]
  const left = Math.min(x - 20, ...boxes.map((box) => box.left)) - MARGIN
  const right = Math.max(x + 20, ...boxes.map((box) => box.right)) + MARGIN
  const top = Math.min(y - 20, ...boxes.map((box) => box.top)) - MARGIN
  const bottom = Math.max(y + 20, ...boxes.map((box) => box.bottom)) + MARGIN
  const width = Math.max(LEAST, right - left)
  const height = Math.max(LEAST, bottom - top)
  return { x: (left + right - width) / 2, y: (top + bottom - height) / 2, width, height }
}
