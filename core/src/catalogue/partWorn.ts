import type { Alteration, Catalogue, Part, Placement } from './types.ts'

/** Parts as altered, made once for each list of alterations, so that what is remembered by part stays remembered. */
const ALTERED = new WeakMap<Part, Map<string, Part>>()

/**
 * The part of a placement as it looks on the figure: paint is its main colour, a sticker its print, a removed print is
 * none. Code and mould stay. undefined for a part the catalogue does not have.
 */
export function partWorn({ part: code, altered }: Placement, catalogue: Catalogue): Part | undefined {
  const part = catalogue.parts.get(code)
  if (!part || !altered?.length) return part
  const known = ALTERED.get(part) ?? new Map<string, Part>()
  ALTERED.set(part, known)
  const key = JSON.stringify(altered)
  const made = known.get(key) ?? altered.reduce(alter, part)
  known.set(key, made)
  return made
}

function alter(part: Part, { kind, colour, print }: Alteration): Part {
  if (kind === 'print-removed') return { ...part, print: null }
  if (kind === 'painted' && colour) return { ...part, colours: [colour, ...part.colours.slice(1)] }
  if (kind === 'sticker' && print) return { ...part, print }
  return part
}
