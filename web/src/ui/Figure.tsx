import { memo, useMemo } from 'react'
import type { Catalogue, Placement, Slot } from '@outfit/core/catalogue'
import { cropTo, drawFigure, svgBody, viewBox, type View } from '@outfit/core/mannequin'
import { selectCatalogue } from '../data/catalogueSlice.ts'
import { useAppSelector } from '../data/hooks.ts'
import { useInView } from './useInView.ts'

interface FigureProps {
  placements: readonly Placement[]
  /** What it shows, for those who cannot see it; empty where the words stand beside it. */
  label: string
  view?: View
  /** Show only the surroundings of a slot. */
  crop?: Slot
  /** Show this window of the drawing, in figure units. */
  window?: { x: number; y: number; width: number; height: number }
  plinth?: boolean
  /** How tall the bare doll stands as long as it wears no legs. */
  stature?: string
  /** Draw from this catalogue instead of the one that is loaded. */
  from?: Catalogue
  /** Show what is worn in full and the bare doll under it faintly. */
  ghost?: boolean
  className?: string
}

/** How much of the bare doll shows behind a single part. */
const GHOST = 0.22

/**
 * A drawn figure. The drawing goes in as one string, which the browser parses faster than React builds it, and only once it
 * comes near the window: a shelf of sixty is five thousand shapes, of which few are seen.
 */
export const Figure = memo(function Figure({
  placements,
  label,
  view = 'front',
  crop,
  window,
  plinth = true,
  stature,
  from,
  ghost = false,
  className,
}: FigureProps) {
  const loaded = useAppSelector(selectCatalogue)
  const catalogue = from ?? loaded
  const [ref, isNear] = useInView<SVGSVGElement>()
  const drawn = useMemo(() => {
    if (!catalogue) return null
    if (!isNear && window) return { box: viewBox(window), html: '', undrawable: undefined }
    const drawing = drawFigure(placements, catalogue, { view, plinth, stature })
    const box = viewBox(crop ? cropTo(drawing, crop) : (window ?? drawing.window))
    if (!isNear) return { box, html: '', undrawable: drawing.undrawable }
    const worn = new Set<string>(Object.keys(drawing.anchors))
    // The doll lies under what it wears, so that no faint sleeve dims a mitt.
    const shapes = ghost
      ? [
          ...drawing.shapes
            .filter((shape) => !worn.has(shape.slot))
            .map((shape) => ({ ...shape, opacity: GHOST * (shape.opacity ?? 1) })),
          ...drawing.shapes.filter((shape) => worn.has(shape.slot)),
        ]
      : drawing.shapes
    return { box, html: svgBody(shapes), undrawable: drawing.undrawable }
  }, [placements, catalogue, view, crop, window, plinth, stature, ghost, isNear])
  if (!drawn) return <div className={className} />
  return (
    <svg
      ref={ref}
      {...(label || drawn.undrawable
        ? { role: 'img', 'aria-label': `${label ?? ''}${drawn.undrawable ? ', cannot be drawn' : ''}` }
        : { 'aria-hidden': true })}
      viewBox={drawn.box}
      className={`figure ${className ?? ''}`}
      dangerouslySetInnerHTML={{ __html: drawn.html }}
    />
  )
})
