import { useMemo, useRef, useState, type KeyboardEvent, type PointerEvent } from 'react'
import { wearMade } from '@outfit/core/anatomy'
import type { Catalogue } from '@outfit/core/catalogue'
import { pressed, snapped, type BoardKey } from '@outfit/core/made'
import { boundsOf, drawFigure, FIGURE_WINDOW, svgBody, viewBox, type Shape } from '@outfit/core/mannequin'
import type { MadeBody } from '../data/madeApi.ts'
import { shownIn } from './words.ts'

/** How much of the bare doll shows behind what is made. */
const GHOST = 0.28

const KEYS: Readonly<Record<string, BoardKey>> = {
  ArrowLeft: 'left',
  ArrowRight: 'right',
  ArrowUp: 'up',
  ArrowDown: 'down',
  ']': 'clockwise',
  '[': 'anticlockwise',
  '}': 'clockwise',
  '{': 'anticlockwise',
  m: 'mirror',
  f: 'front',
  d: 'copy',
  PageUp: 'later',
  PageDown: 'earlier',
  Delete: 'remove',
  Backspace: 'remove',
}

/** From behind, what is to the left on the screen is to the right on the board. */
const FROM_BEHIND: Partial<Record<BoardKey, BoardKey>> = {
  left: 'right',
  right: 'left',
  clockwise: 'anticlockwise',
  anticlockwise: 'clockwise',
}

interface MadeBoardProps {
  item: MadeBody
  catalogue: Catalogue
  picked: number
  onPick: (piece: number) => void
  /** `goesOn`: of a movement that was begun already, so that one undo takes all of it back. */
  onChange: (change: Pick<MadeBody, 'pieces'>, picked: number, goesOn?: boolean) => void
  view: 'front' | 'back'
}

/** The board: what is made on a faint doll, its pieces moved by pointer and keys. */
export function MadeBoard({ item, catalogue, picked, onPick, onChange, view }: MadeBoardProps) {
  const svg = useRef<SVGSVGElement>(null)
  const [drag, setDrag] = useState<{ piece: number; dx: number; dy: number; moved: boolean } | null>(null)
  const slot = shownIn(item.as)
  const drawn = useMemo(() => {
    const draw = (pieces: MadeBody['pieces'], bands: MadeBody['bands']) =>
      drawFigure(pieces.length > 0 ? wearMade([], slot, { ...item, id: 'board', pieces, bands }) : [], catalogue, {
        view,
        plinth: false,
      })
    const all = draw(item.pieces, item.bands)
    const own = ({ slot: at }: Shape) => at === slot
    // Where each piece can be taken hold of.
    const boxes = item.pieces.map((piece) => {
      const bounds = draw([piece], [])
        .shapes.filter(own)
        .map(({ d }) => boundsOf(d))
      if (bounds.length === 0) return null
      return {
        left: Math.min(...bounds.map(({ left }) => left)),
        top: Math.min(...bounds.map(({ top }) => top)),
        right: Math.max(...bounds.map(({ right }) => right)),
        bottom: Math.max(...bounds.map(({ bottom }) => bottom)),
      }
    })
    const faint = all.shapes
      .filter((shape) => !own(shape))
      .map((shape) => ({ ...shape, opacity: GHOST * (shape.opacity ?? 1) }))
    return { html: svgBody([...faint, ...all.shapes.filter(own)]), origin: all.boards[item.as], boxes }
  }, [item, catalogue, slot, view])
  const { origin, boxes } = drawn
  const flip = view === 'back' ? -1 : 1
  const window = useMemo(() => {
    const reach = boxes.flatMap((box) => box ?? [])
    const left = Math.min(FIGURE_WINDOW.x, ...reach.map((box) => box.left - 12))
    const top = Math.min(FIGURE_WINDOW.y + 60, ...reach.map((box) => box.top - 12))
    const right = Math.max(FIGURE_WINDOW.x + FIGURE_WINDOW.width, ...reach.map((box) => box.right + 12))
    const bottom = Math.max(24, ...reach.map((box) => box.bottom + 12))
    return { x: left, y: top, width: right - left, height: bottom - top }
  }, [boxes])
  /** A point of the screen on the board. */
  const onBoard = ({ clientX, clientY }: PointerEvent) => {
    const at = new DOMPoint(clientX, clientY).matrixTransform(svg.current!.getScreenCTM()!.inverse())
    return { x: (at.x - flip * origin.x) * flip, y: at.y - origin.y }
  }
  const take = (piece: number, event: PointerEvent) => {
    event.preventDefault()
    svg.current!.focus()
    svg.current!.setPointerCapture(event.pointerId)
    const { x, y } = onBoard(event)
    onPick(piece)
    setDrag({ piece, dx: item.pieces[piece]!.x - x, dy: item.pieces[piece]!.y - y, moved: false })
  }
  const move = (event: PointerEvent) => {
    if (!drag) return
    const { x, y } = onBoard(event)
    const to = snapped(x + drag.dx, y + drag.dy)
    const now = item.pieces[drag.piece]!
    if (to.x === now.x && to.y === now.y) return
    const pieces = item.pieces.map((piece, i) => (i === drag.piece ? { ...piece, ...to } : piece))
    onChange({ pieces }, drag.piece, drag.moved)
    if (!drag.moved) setDrag({ ...drag, moved: true })
  }
  const press = (event: KeyboardEvent) => {
    if (event.ctrlKey || event.metaKey || event.altKey) return
    const key = KEYS[event.key] ?? KEYS[event.key.toLowerCase()]
    if (!key || picked < 0) return
    event.preventDefault()
    const seen = view === 'back' ? (FROM_BEHIND[key] ?? key) : key
    const after = pressed(item.pieces, picked, seen, event.shiftKey)
    onChange({ pieces: after.pieces }, after.picked)
  }
  const [ox, oy] = [flip * origin.x, origin.y]
  return (
    <svg
      ref={svg}
      viewBox={viewBox(window)}
      // The board takes keys for the piece that is picked; the fields beside it do the same.
      role="group"
      aria-label="Board"
      aria-describedby="board-keys"
      tabIndex={0}
      onKeyDown={press}
      onPointerMove={move}
      onPointerUp={() => setDrag(null)}
      onPointerCancel={() => setDrag(null)}
      onPointerDown={(event) => event.target === svg.current && onPick(-1)}
      className="h-full w-full touch-none rounded-[12px] border border-rule bg-card outline-act"
    >
      <g aria-hidden stroke="var(--act)" strokeWidth={0.8} strokeDasharray="3 4" opacity={0.7}>
        <line x1={ox} x2={ox} y1={window.y} y2={window.y + window.height} />
        <line x1={window.x} x2={window.x + window.width} y1={oy} y2={oy} />
      </g>
      <g className="figure" dangerouslySetInnerHTML={{ __html: drawn.html }} />
      {boxes.map((box, i) => {
        if (!box) return null
        const isPicked = i === picked
        return (
          <rect
            key={i}
            x={box.left - 3}
            y={box.top - 3}
            width={box.right - box.left + 6}
            height={box.bottom - box.top + 6}
            rx={4}
            fill="transparent"
            stroke={isPicked ? 'var(--act)' : 'none'}
            strokeWidth={1.6}
            strokeDasharray="4 3"
            className="cursor-move"
            data-piece={i}
            onPointerDown={(event) => take(i, event)}
          />
        )
      })}
      <circle aria-hidden cx={ox} cy={oy} r={3.4} fill="var(--act)" stroke="var(--card)" strokeWidth={1.2} />
    </svg>
  )
}
