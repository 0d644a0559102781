import { useLayoutEffect, useMemo, useRef, useState, type ReactNode } from 'react'
import type { Catalogue, Placement } from '@outfit/core/catalogue'
import type { Pin } from '@outfit/core/fitting'
import { drawFigure, FIGURE_WINDOW, mmPerUnit, svgBody, viewBox, type View } from '@outfit/core/mannequin'
import { Accepted } from './Accepted.tsx'
import { PinLabels } from './PinLabels.tsx'

interface StageProps {
  placements: readonly Placement[]
  catalogue: Catalogue
  view: View
  /** How tall the bare doll stands as long as it wears no legs. */
  stature: string
  name: string
  pins: readonly Pin[]
  activePin: string | null
  onRemedy: (placements: Placement[]) => void
  accepted: readonly { pin: Pin; reason: string }[]
  onAccept: (pin: Pin, reason: string) => void
  onPreview: (placements: Placement[] | null) => void
  /** A picture that stands beside the mannequin at its height. */
  beside: { photo: string; caption: string } | null
  /** Pins without words, where there is no room for them. */
  bare: boolean
  children: ReactNode
}

/** Room for the picture, in pixels. */
const BESIDE = 216

/** The mannequin on ruled pattern paper with its pins and their lead lines. */
export function Stage({
  placements,
  catalogue,
  view,
  stature,
  name,
  pins,
  activePin,
  onRemedy,
  accepted,
  onAccept,
  onPreview,
  beside,
  bare,
  children,
}: StageProps) {
  const frame = useRef<HTMLDivElement>(null)
  const [size, setSize] = useState({ width: 0, height: 0 })
  useLayoutEffect(() => {
    const observer = new ResizeObserver(
      ([entry]) => entry && setSize({ width: entry.contentRect.width, height: entry.contentRect.height }),
    )
    observer.observe(frame.current!)
    return () => observer.disconnect()
  }, [])
  const drawing = useMemo(
    () => drawFigure(placements, catalogue, { view, stature }),
    [placements, catalogue, view, stature],
  )
  const html = useMemo(() => svgBody(drawing.shapes), [drawing])
  // Two sheets, so that a change fades from the one to the other; only the one that comes is drawn anew.
  const [sheets, setSheets] = useState({ shown: 0, html: [html, ''] })
  if (sheets.html[sheets.shown] !== html) {
    const next = 1 - sheets.shown
    setSheets({ shown: next, html: sheets.html.map((sheet, i) => (i === next ? html : sheet)) })
  }
  const scale = Math.min(size.width / FIGURE_WINDOW.width, size.height / FIGURE_WINDOW.height)
  const left = (size.width - FIGURE_WINDOW.width * scale) / 2
  const top = (size.height - FIGURE_WINDOW.height * scale) / 2
  const toPixels = ({ x, y }: { x: number; y: number }) => ({
    x: left + (x - FIGURE_WINDOW.x) * scale,
    y: top + (y - FIGURE_WINDOW.y) * scale,
  })
  return (
    <section
      aria-label="Mannequin"
      className="pattern-paper relative h-full overflow-hidden phone:order-1 phone:h-[35dvh] phone:shrink-0"
    >
      {beside && size.height > 0 && (
        <img
          src={`/api/photos/${beside.photo}`}
          alt={beside.caption || 'Reference picture'}
          className="absolute right-4 rounded-[10px] border border-rule object-cover"
          style={{
            width: (bare ? BESIDE / 2 : BESIDE) - 24,
            height: (drawing.height / mmPerUnit()) * scale,
            // Its ground is the ground the figure stands on.
            top: 4 + top + (-FIGURE_WINDOW.y - drawing.height / mmPerUnit()) * scale,
          }}
        />
      )}
      <div
        ref={frame}
        className="absolute top-1 bottom-9 left-0"
        style={{ right: beside ? (bare ? BESIDE / 2 : BESIDE) : 0 }}
      >
        {sheets.html.map((sheet, i) => (
          <svg
            key={i}
            {...(i === sheets.shown ? { role: 'img', 'aria-label': `${name}, ${view}` } : { 'aria-hidden': true })}
            viewBox={viewBox(FIGURE_WINDOW)}
            className={`figure absolute inset-0 h-full w-full transition-opacity duration-[120ms] motion-reduce:transition-none ${i === sheets.shown ? '' : 'opacity-0'}`}
            dangerouslySetInnerHTML={{ __html: sheet }}
          />
        ))}
        {size.width > 0 && (
          <PinLabels
            pins={pins}
            active={activePin}
            anchors={drawing.anchors}
            toPixels={toPixels}
            width={size.width}
            height={size.height}
            onRemedy={onRemedy}
            onAccept={onAccept}
            onPreview={onPreview}
            bare={bare || beside !== null}
          />
        )}
      </div>
      {accepted.length > 0 && <Accepted accepted={accepted} onBack={(pin) => onAccept(pin, '')} />}
      {children}
    </section>
  )
}
