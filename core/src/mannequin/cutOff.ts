import type { Alteration } from '../catalogue/index.ts'
import { boundsOf, rect } from './path.ts'
import type { Shape } from './pen.ts'

/** Shapes from one index up to another that one piece drew. */
export interface Stretch {
  altered: readonly Alteration[] | undefined
  from: number
  to: number
}

/** Share of a piece that is taken off its lower end, in [0, 0.9]; several cuts add up. */
function shareOff(altered: readonly Alteration[] = []): number {
  const percent = altered.reduce(
    (sum, { kind, share }) => sum + (kind === 'trimmed' || kind === 'cut' ? (share ?? 0) : 0),
    0,
  )
  return Math.min(0.9, percent / 100)
}

/**
 * Shapes without what trimming and cutting take off: each altered piece ends higher by its share of its own height. A
 * piece may have drawn several stretches, as hair does before and behind the head; they end at one line.
 */
export function withoutCutOff(shapes: readonly Shape[], stretches: readonly Stretch[]): Shape[] {
  const left: (Shape | null)[] = [...shapes]
  const pieces = new Map<readonly Alteration[], Stretch[]>()
  for (const stretch of stretches)
    if (stretch.altered && shareOff(stretch.altered) > 0)
      pieces.set(stretch.altered, [...(pieces.get(stretch.altered) ?? []), stretch])
  for (const [altered, own] of pieces) {
    const indexes = own.flatMap(({ from, to }) => Array.from({ length: to - from }, (_, i) => from + i))
    const boxes = indexes.map((i) => boundsOf(shapes[i]!.d))
    const top = Math.min(...boxes.map((box) => box.top))
    const bottom = Math.max(...boxes.map((box) => box.bottom))
    const end = bottom - (bottom - top) * shareOff(altered)
    for (const i of indexes) left[i] = endingAt(shapes[i]!, end)
  }
  return left.filter((shape) => shape !== null)
}

/** A shape as far as it lies above a height; null where nothing of it does. */
function endingAt(shape: Shape, end: number): Shape | null {
  const box = boundsOf(shape.d)
  if (box.bottom <= end) return shape
  if (box.top >= end) return null
  const above = rect(-400, -600, 800, 600 + end)
  if (!shape.clip) return { ...shape, clip: above }
  // A shape can be cut once only: sheens are plain strips and are made shorter, strands over the edge are left out.
  return shape.fill === 'none' ? null : { ...shape, d: rect(box.left, box.top, box.right - box.left, end - box.top) }
}
