import {
  mainColour,
  mouldOf,
  type Catalogue,
  type Drawables,
  type Part,
  type Placement,
  type Slot,
} from '../catalogue/index.ts'
import { colourDifference } from '../colour/index.ts'
import type { Donor } from '../drawer/index.ts'

/** A figure that stands together and would lack a part that is taken off it, with what could go in its place. */
export interface Refill {
  donor: { code: string; name: string }
  slot: Slot
  /** The figure as it stands. */
  worn: Placement[]
  /** The same part bought again, lowest single price in the home currency's minor units; null where nobody sells it. */
  again: number | null
  /** What costs least of all that goes there; null where nobody sells any. */
  cheapest: { part: string; price: number } | null
  /** What lies loose, counts for nobody, and looks most like what is taken. */
  loose: string | null
}

/** Refills of every figure that has a part, as they go over the wire. */
export interface Refills extends Drawables {
  part: string
  refills: Refill[]
}

/** How much another shape counts against a part that takes the place of one, in ΔE. */
const OTHER_SHAPE = 15
const OTHER_PRINT = 5

/** How unlike two parts look, of the same kind; 0 for the same. */
function unlike(one: Part, other: Part, catalogue: Catalogue): number {
  const [a, b] = [mainColour(catalogue, one), mainColour(catalogue, other)]
  return (
    (a && b ? colourDifference(a.hex, b.hex) : 50) +
    (one.mould === other.mould ? 0 : OTHER_SHAPE) +
    (one.print === other.print ? 0 : OTHER_PRINT)
  )
}

/**
 * What to put on figures that stand together once a part is taken off them: the same again, what is cheapest, and what lies
 * loose and looks most like it. `candidates` are the other parts of its kind; `unclaimed` how many of each lie loose and count
 * for nobody. Deterministic: equals by code. O(donors · pieces + candidates).
 */
export function refillsOf(
  part: Part,
  donors: readonly Donor[],
  candidates: readonly Part[],
  {
    catalogue,
    unclaimed,
    priceOf,
  }: {
    catalogue: Catalogue
    unclaimed: (part: string) => number
    priceOf: (part: string) => number | null | undefined
  },
): Refill[] {
  const { kind } = mouldOf(catalogue, part)
  const others = candidates
    .filter(({ code, mould }) => code !== part.code && catalogue.moulds.get(mould)?.kind === kind)
    .sort((a, b) => (a.code < b.code ? -1 : 1))
  const least = <T>(list: readonly T[], by: (one: T) => number): T | null =>
    list.reduce<T | null>((best, one) => (best === null || by(one) < by(best) ? one : best), null)
  const priced = others.flatMap(({ code }) => {
    const price = priceOf(code) ?? null
    return price === null ? [] : [{ part: code, price }]
  })
  const cheapest = least(priced, ({ price }) => price)
  const loose = least(
    others.filter(({ code }) => unclaimed(code) > 0),
    (other) => unlike(part, other, catalogue),
  )
  return donors.flatMap(({ code, name, pieces }): Refill[] => {
    const piece = pieces.find((one) => one.part === part.code)
    if (!piece) return []
    const counted = new Map<Slot, number>()
    return [
      {
        donor: { code, name },
        slot: piece.slot,
        worn: pieces.map(({ slot, part: worn }) => {
          const order = counted.get(slot) ?? 0
          counted.set(slot, order + 1)
          return { slot, part: worn, order, turned: false }
        }),
        again: priceOf(part.code) ?? null,
        cheapest,
        loose: loose?.code ?? null,
      },
    ]
  })
}
