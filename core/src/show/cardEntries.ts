import { partWorn, SLOTS, type Catalogue, type Placement } from '../catalogue/index.ts'
import { isCopy } from '../drawer/index.ts'
import { ALTERATION_WORDS } from '../roster/index.ts'
import type { Drawing } from '../mannequin/index.ts'
import type { CardEntry } from './card.ts'

const fromHeadToFoot = (placements: readonly Placement[]) =>
  [...placements].sort((a, b) => SLOTS.indexOf(a.slot) - SLOTS.indexOf(b.slot) || a.order - b.order)

const PAIRED = /, (left|right) leg$/

/** What is told of a part besides what it is. */
export interface ToldOfPart {
  source: string
  price: string
}

/**
 * Breakdown lines of a figure: placements of one name and colour (a pair of hands, two legs) share a line. With `altered`
 * the name says what was done to it. Pieces of what is made of several parts say what they are part of.
 */
export function cardEntries(
  placements: readonly Placement[],
  catalogue: Catalogue,
  { anchors, pieces = {} }: Pick<Drawing, 'anchors'> & Partial<Pick<Drawing, 'pieces'>>,
  toldOf: (part: string) => ToldOfPart,
  { altered = true } = {},
): CardEntry[] {
  const entries = new Map<string, CardEntry>()
  for (const placement of fromHeadToFoot(placements)) {
    const { slot, part: code } = placement
    const part = partWorn(placement, catalogue)
    const anchor = pieces[`${slot} ${placement.order}`] ?? anchors[slot]
    if (!part || !anchor) continue
    const colour = catalogue.colours.get(part.colours[0] ?? '') ?? { name: 'no colour', hex: '#FFFFFF' }
    // What was done to a part is part of the breakdown: whoever builds or buys it has to know.
    const done = (altered ? (placement.altered ?? []) : []).map(({ kind }) => ALTERATION_WORDS[kind].done)
    const own = [part.name.replace(PAIRED, ''), ...done].join(', ')
    const name = placement.made ? `${placement.made.name}: ${own}` : own
    // A copy made by others has no price of ours.
    const told = isCopy(placement) ? { ...toldOf(code), price: '' } : toldOf(code)
    const known = entries.get(`${name} ${colour.name}`)
    if (known) {
      known.qty += 1
      known.anchors.push(anchor)
    } else entries.set(`${name} ${colour.name}`, { name, qty: 1, colour, ...told, anchors: [anchor] })
  }
  return [...entries.values()]
}
