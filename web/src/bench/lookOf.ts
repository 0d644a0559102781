import { partLabel, type Catalogue } from '@outfit/core/catalogue'

/** The label of a part without its side: what is alike on both sides is named once. */
export function lookOf(catalogue: Catalogue, code: string): string {
  const part = catalogue.parts.get(code)
  return part ? partLabel(catalogue, part).replace(/, (right|left) (leg|arm|sleeve)/, '') : code
}
