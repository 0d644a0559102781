import type { Catalogue, Colour } from '../catalogue/index.ts'
import { STARTER_COLOURS } from './colours.ts'

const known = new WeakMap<Catalogue['colours'], readonly Colour[]>()

/**
 * The colours there are to wish for and to name by: those of the catalogue first, then those of the starter shelf it does not have
 * by code. Kept for as long as the catalogue's colours are.
 */
export function paletteOf({ colours }: Pick<Catalogue, 'colours'>): readonly Colour[] {
  let palette = known.get(colours)
  if (!palette) {
    palette = [...colours.values(), ...STARTER_COLOURS.filter(({ code }) => !colours.has(code))]
    known.set(colours, palette)
  }
  return palette
}
