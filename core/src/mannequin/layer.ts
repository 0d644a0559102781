import type { Layer } from '../catalogue/index.ts'
import type { Pen } from './pen.ts'

/** What a print layer may ask for: settings of its recipe and colours by name, already looked up. */
export interface LayerContext {
  pen: Pen
  /** Main colour of the part the print is on, as #RRGGBB. */
  base: string
  /** Edge of the printed surface; layers cut themselves to it. */
  outline: string
  /** A colour setting as #RRGGBB; `base` when it is missing or unknown. */
  colour: (setting: string, fallback?: string) => string
  /** A word setting. */
  word: (setting: string, fallback: string) => string
}

export type LayerDrawing = (context: LayerContext) => void

/** Make the context of one layer. `hexOf` finds a palette colour by its code. */
export function contextFor(
  layer: Layer,
  pen: Pen,
  base: string,
  outline: string,
  hexOf: (code: string) => string | undefined,
): LayerContext {
  return {
    pen,
    base,
    outline,
    colour: (setting, fallback = base) => hexOf(String(layer[setting] ?? '')) ?? fallback,
    word: (setting, fallback) => String(layer[setting] ?? fallback),
  }
}
