import type { Catalogue, Drawables } from '@outfit/core/catalogue'

/** A catalogue that knows some more parts and prints. */
export function withDrawables(catalogue: Catalogue, { parts, prints }: Drawables): Catalogue {
  return {
    ...catalogue,
    parts: new Map([...catalogue.parts, ...parts.map((part) => [part.code, part] as const)]),
    prints: new Map([...catalogue.prints, ...prints.map((print) => [print.code, print] as const)]),
  }
}
