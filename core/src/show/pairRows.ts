import type { Catalogue, Placement } from '../catalogue/index.ts'
import { partsBought } from '../drawer/index.ts'
import { homeMoney } from '../market/index.ts'
import type { ToFinish } from '../prices/index.ts'
import { compareTakes } from '../roster/index.ts'
import { cardEntries, type ToldOfPart } from './cardEntries.ts'
import type { CardPicture } from './cardFrame.ts'
import type { PairRow } from './pairCard.ts'

/** One of two that are compared: what it wears, and how it is shown. */
export interface Compared extends CardPicture {
  placements: readonly Placement[]
}

/** What is said of parts in a comparison, and what they cost together. */
export interface PairTold {
  told: (part: string) => ToldOfPart
  costs: (parts: readonly string[]) => ToFinish
}

/**
 * What was exchanged between two, from crown to sole, and what it comes to in a sentence. Prices are the lowest,
 * of a whole where that is less; a copy made by others is not bought, and what nobody sells is counted apart.
 */
export function pairRows(
  sides: readonly [before: Compared, after: Compared],
  catalogue: Catalogue,
  { told, costs: costsOf }: PairTold,
  { altered, prices }: { altered: boolean; prices: boolean },
): { rows: PairRow[]; verdict: string } {
  const compared = compareTakes(sides.map(({ placements }) => placements))
  const differing = compared.filter(({ alike }) => !alike)
  const costs = differing.map(({ worn }) => worn.map((placements) => costOf(placements, costsOf)))
  const rows = differing.map(({ label, worn }, i): PairRow => {
    const [before, after] = sides.map(({ drawing, photo }, side) =>
      cardEntries(worn[side]!, catalogue, photo ?? drawing, told, { altered }),
    )
    const [was, is] = costs[i]!.map((cost) => (prices ? costWords(cost) : ''))
    return { place: label, before: before!, after: after!, prices: { before: was!, after: is! } }
  })
  const stays = compared.length - rows.length
  const counts =
    rows.length === 0 ? 'Nothing is exchanged' : `${rows.length} of ${rows.length + stays} places exchanged`
  if (!prices || rows.length === 0) return { rows, verdict: `${counts}.` }
  // A torso with its sleeves is one thing to buy and two rows.
  const all = (side: 0 | 1) =>
    costOf(
      differing.flatMap(({ worn }) => worn[side] ?? []),
      costsOf,
    )
  const difference = all(1).money - all(0).money
  const unsold = all(0).unsold + all(1).unsold
  const money =
    difference === 0
      ? 'the price is the same'
      : `${homeMoney(Math.abs(difference))} ${difference < 0 ? 'less' : 'more'}`
  return { rows, verdict: `${counts}: ${money}${unsold > 0 ? `, without ${unsold} that nobody sells` : ''}.` }
}

interface Cost {
  money: number
  sold: number
  unsold: number
}

function costOf(placements: readonly Placement[], costs: PairTold['costs']): Cost {
  const bought = partsBought(placements)
  const { money, unsold } = costs(bought)
  return { money, sold: bought.length - unsold, unsold }
}

const costWords = ({ money, sold, unsold }: Cost): string =>
  [
    ...(sold > 0 ? [homeMoney(money)] : []),
    ...(unsold > 0 ? [sold > 0 ? `${unsold} not for sale` : 'not for sale'] : []),
  ].join(', ')
