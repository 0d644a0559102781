import { useLayoutEffect, useMemo, useRef, useState, type ReactNode } from 'react'
import type { Catalogue, Placement } from '@outfit/core/catalogue'
import type { Pin } from '@outfit/core/fitting'
import { drawFigure, FIGURE_WINDOW, svgBody, viewBox, type View } from '@outfit/core/mannequin'
import { PinLabels } from './PinLabels.tsx'

interface StageProps {
  placements: readonly Placement[]
  catalogue: Catalogue
  view: View
  name: string
  pins: readonly Pin[]
  activePin: string | null
  onRemedy: (placements: Placement[]) => void
  onPreview: (placements: Placement[] | null) => void
  children: ReactNode
}

/** The mannequin on ruled pattern paper with its pins and their lead lines. */
export function Stage({
  placements,
  catalogue,
  view,
  name,
  pins,
  activePin,
  onRemedy,
  onPreview,
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
  const drawing = useMemo(() => drawFigure(placements, catalogue, { view }), [placements, catalogue, view])
  const html = useMemo(() => svgBody(drawing.shapes), [drawing])
  const scale = Math.min(size.width / FIGURE_WINDOW.width, size.height / FIGURE_WINDOW.height)
  const left = (size.width - FIGURE_WINDOW.width * scale) / 2
  const toPixels = ({ x, y }: { x: number; y: number }) => ({
    x: left + (x - FIGURE_WINDOW.x) * scale,
    y: (y - FIGURE_WINDOW.y) * scale,
  })
  return (
    <section aria-label="Mannequin" className="pattern-paper relative h-full overflow-hidden">
      <div ref={frame} className="absolute inset-x-0 top-1 bottom-9">
        <svg
          key={view}
          role="img"
          aria-label={`${name}, ${view}`}
          viewBox={viewBox(FIGURE_WINDOW)}
          className="figure appearing h-full w-full"
          dangerouslySetInnerHTML={{ __html: html }}
        />
        {size.width > 0 && (
          <PinLabels
            pins={pins}
            active={activePin}
            anchors={drawing.anchors}
            toPixels={toPixels}
            width={size.width}
            height={size.height}
            onRemedy={onRemedy}
            onPreview={onPreview}
          />
        )}
      </div>
      {children}
    </section>
  )
}
