import type { Catalogue, Drawables } from '@outfit/core/catalogue'

/**
 * A catalogue that knows some more parts and prints. A part of a mould that was made a moment ago comes in with the moulds,
 * which are asked for anew at the same time; until then nobody can draw it.
 */
export function withDrawables(catalogue: Catalogue, { parts, prints }: Drawables): Catalogue {
  const known = parts.filter(({ mould }) => catalogue.moulds.has(mould))
  return {
    ...catalogue,
    parts: new Map([...catalogue.parts, ...known.map((part) => [part.code, part] as const)]),
    prints: new Map([...catalogue.prints, ...prints.map((print) => [print.code, print] as const)]),
  }
}
