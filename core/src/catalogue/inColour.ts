import type { Catalogue, Layer, Part } from './types.ts'

/** Codes of what exists only to be looked at begin like this. */
const PREVIEW = 'preview '

/**
 * A part in a main colour it was never made in, and a catalogue that knows it, so that it is drawn like any other. Of an
 * assembly the components in its main colour take the other one, and so do layers of prints that repeat it.
 * O(catalogue), since the catalogue that is given stays as it is.
 */
export function inColour(part: Part, colour: string, catalogue: Catalogue): { part: Part; catalogue: Catalogue } {
  const [main] = part.colours
  const prints = new Map(catalogue.prints)
  const parts = new Map(catalogue.parts)
  const relaid = (layer: Layer) =>
    Object.fromEntries(Object.entries(layer).map(([key, value]) => [key, value === main ? colour : value])) as Layer
  const reprinted = (code: string | null): string | null => {
    const print = code === null ? undefined : catalogue.prints.get(code)
    if (!print) return code
    const preview = PREVIEW + print.code
    prints.set(preview, {
      ...print,
      code: preview,
      front: print.front.map(relaid),
      back: print.back.map(relaid),
    })
    return preview
  }
  const dyed = (own: Part): Part => {
    const preview: Part = {
      ...own,
      code: PREVIEW + own.code,
      print: reprinted(own.print),
      colours: own.colours[0] === main ? [colour, ...own.colours.slice(1)] : own.colours,
      components: own.components.map((component) => ({ ...component, part: PREVIEW + component.part })),
    }
    parts.set(preview.code, preview)
    return preview
  }
  for (const { part: code } of part.components) {
    const component = catalogue.parts.get(code)
    if (component) dyed(component)
  }
  return { part: dyed(part), catalogue: { ...catalogue, parts, prints } }
}
