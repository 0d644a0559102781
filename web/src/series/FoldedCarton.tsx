import { useEffect, useId, useMemo, useRef, useState, type KeyboardEvent, type PointerEvent } from 'react'
import { boxOf, foldNet, moved, pathOf, type Movement, type Net, type Panel } from '@outfit/core/net'
import type { CartonArt } from '@outfit/core/series'
import { marksSvg } from '@outfit/core/show'
import { Button } from '../ui/Button.tsx'
import { SCREEN_FACES } from './PagePicture.tsx'

/** Screen dots to a millimetre of the pieces; all of it is then made smaller, so that it stays sharp. */
const DOTS = 4
/** Where the box stands, in dots. */
const ROOM = { width: 300, height: 330 }
/** Millimetres pieces overlap. */
const HAIR = 0.2
/** Dots that what is tucked in lies behind what covers it. */
const TUCKED = 4
/** Inside of the cardboard. */
const INSIDE = '#E7DCC4'
/** Milliseconds of folding up by itself. */
const FOLDING_MS = 1600

const matrix = (m: Movement) =>
  `matrix3d(${[m[0], m[4], m[8], 0, m[1], m[5], m[9], 0, m[2], m[6], m[10], 0, m[3] * DOTS, m[7] * DOTS, m[11] * DOTS, 1].map((value) => value.toFixed(5)).join()})`

/** Ends of a pillow: each of several pieces that make one bent flap, so that it is moved as one. */
const BENT = /^(front|back)-\d+-(top|foot)$/

/** Where a piece is; flaps a little behind what they are tucked in at, so that it is plain what covers what. */
function placed({ id, kind }: Panel, movement: Movement): string {
  const bent = BENT.exec(id)
  if (bent)
    return `translate3d(0,${bent[1] === 'front' ? 0 : bent[2] === 'top' ? TUCKED : -TUCKED}px,0) ${matrix(movement)}`
  return `${matrix(movement)}${kind === 'face' ? '' : ` translateZ(${-TUCKED}px)`}`
}

/** The carton as it folds: dragged to be turned, a slider from flat to closed. */
export function FoldedCarton({ net, art }: { net: Net; art: CartonArt }) {
  const [closed, close] = useState(1)
  const [turn, setTurn] = useState({ x: -14, y: -30 })
  const grip = useRef<{ x: number; y: number; from: typeof turn } | null>(null)
  const names = useId().replaceAll(':', '')
  const folding = useRef(0)
  useEffect(() => () => cancelAnimationFrame(folding.current), [])

  const movements = useMemo(() => foldNet(net, closed), [net, closed])
  const { centre, scale } = useMemo(() => {
    const points = net.panels.flatMap(({ id, outline }) => outline.map((point) => moved(movements.get(id)!, point)))
    const span = (of: 'x' | 'y' | 'z') => {
      const values = points.map((point) => point[of])
      const [least, most] = [Math.min(...values), Math.max(...values)]
      return { middle: (least + most) / 2, size: most - least }
    }
    const [x, y, z] = [span('x'), span('y'), span('z')]
    const wide = Math.hypot(x.size, z.size)
    return {
      centre: { x: x.middle, y: y.middle, z: z.middle },
      scale: 0.86 * Math.min(ROOM.width / (wide * DOTS), ROOM.height / (Math.hypot(y.size, z.size * 0.4) * DOTS)),
    }
  }, [net, movements])
  /** What is printed, once for all pieces. */
  const defs = useMemo(
    () =>
      `<defs>${art.marks.map(({ face, mark }) => `<g id="${names}-${face}">${marksSvg([mark], SCREEN_FACES)}</g>`).join('')}<g id="${names}-colour">${art.colour.map(({ fill, d }) => `<path d="${d}" fill="${fill}"/>`).join('')}</g></defs>`,
    [art, names],
  )
  const pieces = useMemo(() => net.panels.map((panel) => ({ panel, ...pieceOf(panel, net, names) })), [net, names])

  const fold = () => {
    cancelAnimationFrame(folding.current)
    const [from, to] = closed > 0.5 ? [1, 0] : [0, 1]
    if (matchMedia('(prefers-reduced-motion: reduce)').matches) return close(to)
    const began = performance.now()
    const step = (now: number) => {
      const share = Math.min(1, (now - began) / FOLDING_MS)
      close(from + (to - from) * share)
      if (share < 1) folding.current = requestAnimationFrame(step)
    }
    folding.current = requestAnimationFrame(step)
  }
  const grab = (event: PointerEvent<HTMLDivElement>) => {
    event.currentTarget.setPointerCapture(event.pointerId)
    grip.current = { x: event.clientX, y: event.clientY, from: turn }
  }
  const drag = ({ clientX, clientY }: PointerEvent) => {
    if (!grip.current) return
    const { x, y, from } = grip.current
    setTurn({
      x: Math.max(-80, Math.min(80, from.x - (clientY - y) * 0.5)),
      y: from.y + (clientX - x) * 0.6,
    })
  }
  const press = (event: KeyboardEvent) => {
    const step = { ArrowLeft: [0, -10], ArrowRight: [0, 10], ArrowUp: [10, 0], ArrowDown: [-10, 0] }[event.key]
    if (!step) return
    event.preventDefault()
    setTurn(({ x, y }) => ({ x: Math.max(-80, Math.min(80, x + step[0]!)), y: y + step[1]! }))
  }
  return (
    <section aria-label="The carton folded" className="flex w-[300px] max-w-full flex-col items-center">
      <svg width="0" height="0" aria-hidden className="absolute" dangerouslySetInnerHTML={{ __html: defs }} />
      <div
        role="application"
        tabIndex={0}
        aria-label={`The carton, ${Math.round(closed * 100)} % closed. Arrow keys turn it.`}
        onPointerDown={grab}
        onPointerMove={drag}
        onPointerUp={() => (grip.current = null)}
        onPointerCancel={() => (grip.current = null)}
        onKeyDown={press}
        style={{ width: ROOM.width, height: ROOM.height, perspective: 1100 }}
        className="relative max-w-full cursor-grab touch-none overflow-hidden rounded-[10px] active:cursor-grabbing"
      >
        <div
          className="absolute top-1/2 left-1/2"
          style={{
            transformStyle: 'preserve-3d',
            transform: `scale3d(${scale},${scale},${scale}) rotateX(${turn.x}deg) rotateY(${turn.y}deg) translate3d(${-centre.x * DOTS}px,${-centre.y * DOTS}px,${-centre.z * DOTS}px)`,
          }}
        >
          {pieces.map(({ panel, box, inside, outside }) => (
            <div
              key={panel.id}
              className="absolute top-0 left-0"
              style={{
                transformStyle: 'preserve-3d',
                transformOrigin: '0 0',
                transform: placed(panel, movements.get(panel.id)!),
              }}
            >
              {(['inside', 'outside'] as const).map((side) => (
                <svg
                  key={side}
                  aria-hidden
                  viewBox={`${box.x} ${box.y} ${box.width} ${box.height}`}
                  className="absolute max-w-none"
                  style={{
                    left: box.x * DOTS,
                    top: box.y * DOTS,
                    width: box.width * DOTS,
                    height: box.height * DOTS,
                    ...(side === 'outside' ? { backfaceVisibility: 'hidden' } : { transform: 'translateZ(-0.8px)' }),
                  }}
                  dangerouslySetInnerHTML={{ __html: side === 'inside' ? inside : outside }}
                />
              ))}
            </div>
          ))}
        </div>
      </div>
      <p className="mt-1 text-[13.5px] text-soft">Drag to turn</p>
      <label className="mt-2 flex w-full items-center gap-3 text-[13.5px] text-soft">
        flat
        <input
          type="range"
          min={0}
          max={1}
          step={0.01}
          value={closed}
          aria-label="How far it is folded"
          onChange={({ target }) => {
            cancelAnimationFrame(folding.current)
            close(Number(target.value))
          }}
          className="min-w-0 flex-1 accent-[var(--act)]"
        />
        closed
      </label>
      <Button look="plain" className="mt-1" onClick={fold}>
        {closed > 0.5 ? 'Lay it flat' : 'Fold it up'}
      </Button>
    </section>
  )
}

/** Both sides of a piece of cardboard. */
function pieceOf(panel: Panel, net: Net, names: string) {
  const box = boxOf(panel.outline)
  const d = pathOf(panel.outline)
  const middle = { x: box.x + box.width / 2, y: box.y + box.height / 2 }
  // Neighbours overlap by a hair, so that no light falls through.
  const grown = panel.outline.map(({ x, y }) => ({
    x: x + HAIR * Math.sign(x - middle.x),
    y: y + HAIR * Math.sign(y - middle.y),
  }))
  const clip = `${names}-${panel.id}`
  const face = panel.kind === 'face' && net.faces.find(({ id }) => panel.id === id || panel.id.startsWith(`${id}-`))
  const plain = `<path d="${d}" fill="${INSIDE}" stroke="${INSIDE}" stroke-width="0.3"/>`
  return {
    box: { x: box.x - HAIR, y: box.y - HAIR, width: box.width + 2 * HAIR, height: box.height + 2 * HAIR },
    inside: plain,
    outside: `<clipPath id="${clip}"><path d="${pathOf(grown)}"/></clipPath><path d="${d}" fill="#FFFFFF"/><g clip-path="url(#${clip})">${panel.kind === 'glue' ? '' : `<use href="#${names}-colour"/>`}${face ? `<use href="#${names}-${face.name}"/>` : ''}</g>`,
  }
}
