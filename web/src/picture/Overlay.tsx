import { useRef, type KeyboardEvent, type PointerEvent, type RefObject } from 'react'
import { LANDMARKS, type Box, type Landmark, type Outline, type Point } from '@outfit/core/picture'
import { followed, nudgeOf } from './handles.ts'
import type { OutlineWork } from './useOutline.ts'

const LABELS: Record<Landmark, string> = {
  crown: 'Crown',
  chin: 'Chin',
  shoulderRight: 'Right shoulder',
  shoulderLeft: 'Left shoulder',
  waist: 'Waist',
  hip: 'Hip',
  knees: 'Knees',
  soles: 'Soles',
}

/** The doll's lines, light under dark, so that they show on any picture. */
const LINES = [
  { stroke: '#FFFBF2', width: 1.5 },
  { stroke: '#2A2730', width: 0.6 },
] as const

/** How far an arrow key moves a point, in shares of the height that is seen. */
const NUDGE = 0.003
const inside = (value: number) => Math.min(1, Math.max(0, value))
const percent = (share: number) => `${share * 100}%`

interface OverlayProps {
  work: OutlineWork
  /** How wide the whole picture is for its height. */
  aspect: number
  /** What of it is seen. */
  view: Box
}

/** The doll's outline over a picture, with its points to drag or nudge; boxes to pick from, or to draw one. */
export function Overlay({ work, aspect, view }: OverlayProps) {
  const frame = useRef<HTMLDivElement>(null)
  const { outline, now, guessed } = work
  const at = ({ clientX, clientY }: { clientX: number; clientY: number }): Point => {
    const box = frame.current!.getBoundingClientRect()
    return {
      x: inside(view.x + ((clientX - box.left) / box.width) * view.width),
      y: inside(view.y + ((clientY - box.top) / box.height) * view.height),
    }
  }
  if (now.step === 'picking')
    return (
      <div className="absolute inset-0">
        {now.figures.map((figure, i) => (
          <button
            key={i}
            type="button"
            aria-label={`Figure ${i + 1} of ${now.figures.length}, from the left`}
            onClick={() => void work.pick(figure)}
            className="absolute rounded-[6px] border-2 border-act bg-act/10 hover:bg-act/25"
            style={styleOf(figure.box)}
          >
            <span className="absolute top-1 left-1 rounded-full bg-act px-2 text-[13px] font-bold text-act-ink">
              {i + 1}
            </span>
          </button>
        ))}
      </div>
    )
  if (now.step === 'boxing')
    return (
      <BoxDrawing
        boxes={now.boxes}
        onBox={(box) => work.begin({ step: 'boxing', boxes: [...now.boxes, box] })}
        at={at}
        frame={frame}
      />
    )
  if (!outline) return null
  const { points } = outline
  const doll = dollOver(points, aspect)
  const moved = (key: Landmark, point: Point) => ({ ...outline, points: { ...points, [key]: point } })
  const onKey = (key: Landmark) => (event: KeyboardEvent) => {
    const by = nudgeOf(event)
    if (!by) return
    const step = NUDGE * view.height
    const { x, y } = points[key]
    work.keep(moved(key, { x: inside(x + (by.x * step) / aspect), y: inside(y + by.y * step) }), {
      guessed: guessed.filter((one) => one !== key),
    })
  }
  const onDrag = (key: Landmark) => (event: PointerEvent<HTMLButtonElement>) => {
    const before = outline
    const onEnd = (up: globalThis.PointerEvent) => {
      const point = at(up)
      if (Math.hypot(point.x - before.points[key].x, point.y - before.points[key].y) < 0.002 * view.height)
        return work.move(before)
      work.keep(moved(key, point), {
        past: [...work.past, before],
        guessed: guessed.filter((one) => one !== key),
      })
    }
    followed(event, { onMove: (move) => work.move(moved(key, at(move))), onEnd })
  }
  return (
    <div ref={frame} className="absolute inset-0">
      <svg
        aria-hidden
        viewBox={[view.x * 100 * aspect, view.y * 100, view.width * 100 * aspect, view.height * 100].join(' ')}
        preserveAspectRatio="none"
        className="pointer-events-none absolute inset-0 h-full w-full"
      >
        {LINES.map(({ stroke, width }) => (
          <path
            key={stroke}
            d={doll}
            fill="none"
            stroke={stroke}
            strokeWidth={width * view.height}
            strokeLinejoin="round"
          />
        ))}
      </svg>
      {LANDMARKS.map((key) => (
        <button
          key={key}
          type="button"
          aria-label={`${LABELS[key]}${guessed.includes(key) ? ', guessed' : ''}: arrows move it`}
          title={`${LABELS[key]}${guessed.includes(key) ? ', guessed: drag it where it belongs' : ''}`}
          onKeyDown={onKey(key)}
          onPointerDown={onDrag(key)}
          className="group absolute grid size-6 -translate-1/2 cursor-move touch-none place-items-center"
          style={{
            left: percent((points[key].x - view.x) / view.width),
            top: percent((points[key].y - view.y) / view.height),
          }}
        >
          <span
            className={`block size-3 rounded-full border-2 border-ink group-hover:scale-125 ${guessed.includes(key) ? 'bg-notice' : 'bg-card'}`}
          />
        </button>
      ))}
    </div>
  )
}

const styleOf = ({ x, y, width, height }: Box) => ({
  left: percent(x),
  top: percent(y),
  width: percent(width),
  height: percent(height),
})

/** The doll as lines through the points, in a picture 100 high: head, body, arms and legs. */
function dollOver(points: Outline, aspect: number): string {
  const to = ({ x, y }: Point): Point => ({ x: x * 100 * aspect, y: y * 100 })
  const { crown, chin, shoulderRight, shoulderLeft, waist, hip, knees, soles } = Object.fromEntries(
    LANDMARKS.map((key) => [key, to(points[key])]),
  ) as Outline
  const head = (chin.y - crown.y) * 0.4
  const half = (shoulderLeft.x - shoulderRight.x) / 2
  const body = half * 0.62
  const line = (...through: readonly (readonly [number, number])[]) =>
    `M${through.map(([x, y]) => `${x.toFixed(2)} ${y.toFixed(2)}`).join('L')}`
  const headX = (crown.x + chin.x) / 2
  const arm = (from: Point, side: number) =>
    line(
      [from.x, from.y],
      [from.x + side * half * 0.18, hip.y - (hip.y - from.y) * 0.12],
      [from.x - side * half * 0.24, hip.y - (hip.y - from.y) * 0.12],
      [from.x - side * half * 0.36, from.y + (hip.y - from.y) * 0.2],
    )
  const leg = (side: number) =>
    line(
      [hip.x + side * body, hip.y],
      [knees.x + side * body * 0.95, knees.y],
      [soles.x + side * body * 1.15, soles.y],
      [soles.x + side * body * 0.15, soles.y],
      [knees.x + side * body * 0.12, knees.y],
      [hip.x + side * body * 0.06, hip.y],
    )
  return [
    `M${headX - head} ${(crown.y + chin.y) / 2}a${head} ${(chin.y - crown.y) / 2} 0 1 1 ${head * 2} 0a${head} ${(chin.y - crown.y) / 2} 0 1 1 ${-head * 2} 0Z`,
    `${line([shoulderRight.x, shoulderRight.y], [shoulderLeft.x, shoulderLeft.y], [waist.x + body, waist.y], [hip.x + body, hip.y], [hip.x - body, hip.y], [waist.x - body, waist.y])}Z`,
    arm(shoulderRight, -1),
    arm(shoulderLeft, 1),
    leg(-1),
    leg(1),
  ].join('')
}

/** A box smaller than this share of the picture is a slip of the hand. */
const LEAST_BOX = 0.05

function BoxDrawing({
  boxes,
  onBox,
  at,
  frame,
}: {
  boxes: readonly Box[]
  onBox: (box: Box) => void
  at: (event: { clientX: number; clientY: number }) => Point
  frame: RefObject<HTMLDivElement | null>
}) {
  const shown = useRef<HTMLSpanElement>(null)
  const onDown = (event: PointerEvent<HTMLDivElement>) => {
    const from = at(event)
    const boxTo = (to: Point): Box => ({
      x: Math.min(from.x, to.x),
      y: Math.min(from.y, to.y),
      width: Math.abs(to.x - from.x),
      height: Math.abs(to.y - from.y),
    })
    const onEnd = (up: globalThis.PointerEvent) => {
      const box = boxTo(at(up))
      shown.current!.removeAttribute('style')
      if (box.width >= LEAST_BOX && box.height >= LEAST_BOX) onBox(box)
    }
    followed(event, { onMove: (move) => Object.assign(shown.current!.style, styleOf(boxTo(at(move)))), onEnd })
  }
  return (
    <div ref={frame} onPointerDown={onDown} className="absolute inset-0 cursor-crosshair touch-none">
      {boxes.map((box, i) => (
        <span key={i} className="absolute border-2 border-act bg-act/15" style={styleOf(box)} />
      ))}
      <span ref={shown} className="absolute border-2 border-act bg-act/15" />
    </div>
  )
}
