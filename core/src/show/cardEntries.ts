import type { Catalogue, Placement } from '../catalogue/index.ts'
import type { Drawing } from '../mannequin/index.ts'
import type { CardEntry } from './card.ts'

const PAIRED = /, (left|right) leg$/

/** Breakdown lines of a figure: placements of one name and colour (a pair of hands, two legs) share a line. */
export function cardEntries(
  placements: readonly Placement[],
  catalogue: Catalogue,
  drawing: Drawing,
  sourceOf: (part: string) => string,
): CardEntry[] {
  const entries = new Map<string, CardEntry>()
  for (const { slot, part: code } of placements) {
    const part = catalogue.parts.get(code)
    const anchor = drawing.anchors[slot]
    if (!part || !anchor) continue
    const colour = catalogue.colours.get(part.colours[0] ?? '') ?? { name: 'no colour', hex: '#FFFFFF' }
    const name = part.name.replace(PAIRED, '')
    const known = entries.get(`${name} ${colour.name}`)
    if (known) {
      known.qty += 1
      known.anchors.push(anchor)
    } else entries.set(`${name} ${colour.name}`, { name, qty: 1, colour, source: sourceOf(code), anchors: [anchor] })
  }
  return [...entries.values()]
}
