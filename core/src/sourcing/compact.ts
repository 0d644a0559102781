import { settle } from './settle.ts'
import type { Offer, SourcingProblem } from './types.ts'

/** An offer of one kind of part as a way to fill a need. */
export interface Option {
  offer: number
  seller: number
  /** Parts a step brings. */
  perStep: number
  /** Units bought in a step. */
  multiple: number
  /** What a step costs, and a part of it with the penalty of the need. */
  stepPrice: number
  partCost: number
}

/** An offer of several parts at once, such as a figure or a box. */
export interface Bundle {
  offer: number
  seller: number
  price: number
  /** Most that can be bought. */
  stock: number
  /** Needs each of its parts could fill, with the penalty there, and what the part fetches if none does. */
  parts: { qty: number; needs: { need: number; penalty: number }[]; resale: number }[]
}

export interface CompactSeller {
  minimum: number
  handling: number
  basis: 'value' | 'count' | 'weight'
  upTo: number[]
  price: number[]
}

/** A sourcing problem as arrays by index, ready to be priced many thousand times. */
export interface Compact {
  problem: SourcingProblem
  /** Units of each need the drawer leaves open. */
  open: Int32Array
  /** Ways to fill each need with single parts, the cheapest first. */
  options: Option[][]
  /** Bundles by seller. */
  bundles: Bundle[][]
  sellers: CompactSeller[]
  /** Steps in stock and weight of a unit, by offer. */
  steps: Int32Array
  weight: Float64Array
}

const isSingle = (offer: Offer) => offer.yields.length === 1

/** Turn a problem into arrays. What the drawer gives is filled first, as cheaply as it can be. O(size). */
export function compactOf(problem: SourcingProblem): Compact {
  const { needs, offers } = problem
  const sellerAt = new Map(problem.sellers.map(({ id }, i) => [id, i]))
  const needsOf = new Map<string, { need: number; penalty: number }[]>()
  needs.forEach(({ accept }, need) => {
    for (const { part, penalty } of accept) {
      const list = needsOf.get(part) ?? []
      needsOf.set(part, list)
      list.push({ need, penalty })
    }
  })
  const resale = new Map(problem.resale.map(({ part, price }) => [part, price]))
  const options: Option[][] = needs.map(() => [])
  const bundles: Bundle[][] = problem.sellers.map(() => [])
  offers.forEach((offer, at) => {
    const seller = sellerAt.get(offer.seller)
    if (seller === undefined) return
    if (isSingle(offer)) {
      const [{ part, qty }] = offer.yields as [Offer['yields'][number]]
      const perStep = qty * offer.multiple
      const stepPrice = offer.price * offer.multiple
      for (const { need, penalty } of needsOf.get(part) ?? [])
        options[need]!.push({
          offer: at,
          seller,
          perStep,
          multiple: offer.multiple,
          stepPrice,
          partCost: stepPrice / perStep + penalty,
        })
    } else if (offer.multiple === 1) {
      const parts = offer.yields.map(({ part, qty }) => ({
        qty,
        needs: needsOf.get(part) ?? [],
        resale: resale.get(part) ?? 0,
      }))
      if (parts.some((part) => part.needs.length > 0))
        bundles[seller]!.push({ offer: at, seller, price: offer.price, stock: offer.qty, parts })
    }
  })
  for (const list of options) list.sort((a, b) => a.partCost - b.partCost || a.offer - b.offer)
  const unmet = new Map(settle(problem, new Map()).unmet.map(({ need, qty }) => [need, qty]))
  return {
    problem,
    open: Int32Array.from(needs, ({ id }) => unmet.get(id) ?? 0),
    options,
    bundles,
    sellers: problem.sellers.map(({ minimum, handling, shipping }) => ({
      minimum,
      handling,
      basis: shipping.basis,
      upTo: shipping.bands.map(({ upTo }) => upTo ?? Infinity),
      price: shipping.bands.map(({ price }) => price),
    })),
    steps: Int32Array.from(offers, ({ qty, multiple }) => Math.floor(qty / multiple)),
    weight: Float64Array.from(offers, ({ weight }) => weight),
  }
}
