import { svgText } from './svgText.ts'
import type { Drawing } from './drawFigure.ts'
import type { Shape } from './pen.ts'
import { memoized } from '../base/index.ts'

/** A short stable name for a clip path, from its data (FNV-1a), so that equal clips share one definition. */
const clipName = memoized(hashOf, (d) => d)

function hashOf(d: string): string {
  let hash = 0x811c9dc5
  for (let i = 0; i < d.length; i++) hash = Math.imul(hash ^ d.charCodeAt(i), 0x01000193)
  return `c${(hash >>> 0).toString(36)}`
}

const element = ({ d, fill, stroke, strokeWidth, opacity, clip }: Shape) =>
  `<path d="${d}" fill="${fill}"` +
  (stroke ? ` stroke="${stroke}" stroke-width="${Math.round((strokeWidth ?? 1) * 100) / 100}"` : '') +
  (opacity === undefined ? '' : ` opacity="${opacity}"`) +
  (clip ? ` clip-path="url(#${clipName(clip)})"` : '') +
  '/>'

/** The inside of an `<svg>` in figure units: clip definitions, then shapes bottom first. */
export function svgBody(shapes: readonly Shape[]): string {
  const clips = new Set(shapes.flatMap((shape) => (shape.clip ? [shape.clip] : [])))
  const defs = [...clips].map((d) => `<clipPath id="${clipName(d)}"><path d="${d}"/></clipPath>`).join('')
  return `<defs>${defs}</defs><g stroke-linejoin="round" stroke-linecap="round">${shapes.map(element).join('')}</g>`
}

/** A window as an SVG viewBox. */
export const viewBox = ({ x, y, width, height }: Drawing['window']) => `${x} ${y} ${width} ${height}`

/** A whole SVG document of a drawing, `scale` pixels to a figure unit, with `title` for those who cannot see it. */
export function toSvg(drawing: Drawing, { scale = 2, title = '' } = {}): string {
  const { width, height } = drawing.window
  return (
    `<svg xmlns="http://www.w3.org/2000/svg" width="${width * scale}" height="${height * scale}" viewBox="${viewBox(drawing.window)}">` +
    `${title ? `<title>${svgText(title)}</title>` : ''}${svgBody(drawing.shapes)}</svg>`
  )
}
