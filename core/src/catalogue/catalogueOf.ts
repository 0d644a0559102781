import type { Catalogue, Colour, Mould, Part, Print } from './types.ts'

/** Index lists by code. Later entries win over earlier ones with the same code. O(n). */
export function catalogueOf(lists: {
  colours: readonly Colour[]
  moulds: readonly Mould[]
  prints: readonly Print[]
  parts: readonly Part[]
}): Catalogue {
  const byCode = <T extends { code: string }>(list: readonly T[]) => new Map(list.map((entry) => [entry.code, entry]))
  return {
    colours: byCode(lists.colours),
    moulds: byCode(lists.moulds),
    prints: byCode(lists.prints),
    parts: byCode(lists.parts),
  }
}

/** The mould of a part. Throws when the catalogue is incomplete, which is a fault of the caller. */
export function mouldOf(catalogue: Catalogue, part: Part): Mould {
  const mould = catalogue.moulds.get(part.mould)
  if (!mould) throw new Error(`Part ${part.code} uses mould ${part.mould}, which is not loaded. Load the moulds first.`)
  return mould
}

/** The main colour of a part, or undefined when it is not in the palette. */
export function mainColour(catalogue: Catalogue, part: Part): Colour | undefined {
  return catalogue.colours.get(part.colours[0] ?? '')
}

/** "Quay jacket · Quay Blue": the name and the main colour, as the interface writes a part. */
export function partLabel(catalogue: Catalogue, part: Part): string {
  const colour = mainColour(catalogue, part)
  return colour ? `${part.name} · ${colour.name}` : part.name
}
