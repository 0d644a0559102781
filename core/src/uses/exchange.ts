import { dress, type Dressing } from '../anatomy/index.ts'
import { likenessOf } from '../brief/index.ts'
import type { Catalogue, Part, Placement } from '../catalogue/index.ts'
import type { Exchange, ExchangedFigure } from './contract.ts'
import { changesOf, waysToWear, type Wearer } from './usesOf.ts'

/** What putting one part on an outfit makes of it, for better or worse. */
export interface Exchanged {
  placements: Placement[]
  before: number
  after: number
  frees: Placement[]
  takes: Placement[]
}

/**
 * Put a part on in one way whatever comes of it: "wearing" where that changes nothing, "barred" where the house rules keep it from being
 * worn so. Likeness is 0 before and after where nothing is wished for.
 */
export function exchangeOn(
  part: Part,
  way: Dressing['key'],
  { placements, brief, level }: Wearer,
  catalogue: Catalogue,
): Exchanged | 'wearing' | 'barred' {
  const own = waysToWear(part, catalogue, level).find(({ key }) => key === way)
  if (!own) return 'barred'
  const worn = dress(placements, own, part, catalogue)
  const { frees, takes } = changesOf(placements, worn)
  if (frees.length + takes.length === 0) return 'wearing'
  const likeness = (all: readonly Placement[]) =>
    brief.wishes.length === 0 ? 0 : likenessOf(all, brief, catalogue).milli
  return { placements: worn, before: likeness(placements), after: likeness(worn), frees, takes }
}

/** What an exchange comes to for some of a roster. */
export interface ExchangeSum {
  /** Milli-points gained by all together; below 0 where they lose. */
  gain: number
  /** How many lose by it. */
  losing: number
  /** Pieces that do not lie free, and what those somebody sells cost at the lowest price each, in minor units. */
  missing: number
  cost: number
  /** Missing pieces nobody sells by themselves. */
  unsold: string[]
}

/** Add up for whoever is to wear it. O(pieces). */
export function exchangeSum(taking: readonly ExchangedFigure[], pieces: Exchange['pieces']): ExchangeSum {
  const needed = new Map<string, number>()
  for (const piece of taking.flatMap(({ takes }) => takes)) needed.set(piece, (needed.get(piece) ?? 0) + 1)
  const missing = pieces.flatMap(({ part, free, lowest }) => {
    const qty = (needed.get(part) ?? 0) - free
    return qty > 0 ? [{ part, lowest, qty }] : []
  })
  const gains = taking.map(({ before, after }) => after - before)
  return {
    gain: gains.reduce((sum, gain) => sum + gain, 0),
    losing: gains.filter((gain) => gain < 0).length,
    missing: missing.reduce((sum, { qty }) => sum + qty, 0),
    cost: missing.reduce((sum, { lowest, qty }) => sum + (lowest ?? 0) * qty, 0),
    unsold: missing.flatMap(({ part, lowest }) => (lowest === null ? part : [])),
  }
}
