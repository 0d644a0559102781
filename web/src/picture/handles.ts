import type { KeyboardEvent, PointerEvent } from 'react'

const KEYS: Readonly<Record<string, readonly [x: number, y: number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
}

/** Where an arrow key moves what has the focus, in steps; ten at a time with Shift. Null for other keys. */
export function nudgeOf(event: KeyboardEvent): { x: number; y: number } | null {
  const by = KEYS[event.key]
  if (!by) return null
  event.preventDefault()
  event.stopPropagation()
  const steps = event.shiftKey ? 10 : 1
  return { x: by[0] * steps, y: by[1] * steps }
}

/** Follow a pointer that was pressed on something until it is let go, also where it leaves that. */
export function followed(
  event: PointerEvent<HTMLElement>,
  { onMove, onEnd }: { onMove: (move: globalThis.PointerEvent) => void; onEnd?: (up: globalThis.PointerEvent) => void },
): void {
  const target = event.currentTarget
  target.setPointerCapture(event.pointerId)
  target.addEventListener('pointermove', onMove)
  const end = (up: globalThis.PointerEvent) => {
    target.removeEventListener('pointermove', onMove)
    target.removeEventListener('pointerup', end)
    target.removeEventListener('pointercancel', end)
    onEnd?.(up)
  }
  target.addEventListener('pointerup', end)
  target.addEventListener('pointercancel', end)
}
