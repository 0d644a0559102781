import { groupBy } from '../base/index.ts'
import { supplyOf } from './supply.ts'
import type { RosterCandidate, RosterPlan, RosterProblem } from './types.ts'
import { Wardrobe } from './wardrobe.ts'

/** Where parts of an outfit come from: owned (`seller` null) or a seller's parcel. */
export interface Come {
  part: string
  qty: number
  seller: string | null
}

/** What an outfit would wear in a slot were it alone, and who has it instead. */
export interface GaveUp {
  slot: string
  candidate: string
  /** How much more it would score there, in milli-points. */
  points: number
  holders: string[]
}

/** For each outfit of a plan, where its parts come from; owned ones go to the outfits in their order. O(parts). */
export function comesFrom({ outfits, owned, offers }: RosterProblem, plan: RosterPlan): Map<string, Come[]> {
  const offerOf = new Map(offers.map((offer) => [offer.id, offer]))
  const stock = new Map<string, { seller: string | null; left: number }[]>()
  const put = (part: string, seller: string | null, qty: number) =>
    stock.set(part, [...(stock.get(part) ?? []), { seller, left: qty }])
  for (const { part, qty } of owned) put(part, null, qty)
  for (const { seller, lines } of plan.baskets)
    for (const { offer, qty } of lines)
      for (const { part, qty: each } of offerOf.get(offer)!.yields) put(part, seller, qty * each)
  return new Map(
    plan.outfits.map(({ id, choices }, i) => {
      const come: Come[] = []
      for (const { part, qty } of partsIn(outfits[i]!, choices)) {
        let wanted = qty
        for (const lot of stock.get(part) ?? []) {
          const taken = Math.min(lot.left, wanted)
          if (taken === 0) continue
          lot.left -= taken
          wanted -= taken
          const same = come.find((one) => one.part === part && one.seller === lot.seller)
          if (same) same.qty += taken
          else come.push({ part, qty: taken, seller: lot.seller })
        }
      }
      return [id, come]
    }),
  )
}

/**
 * What outfits would rather wear at lowest single prices, where somebody else has the face, or the owned parts for it are all
 * worn by others. O(candidates).
 */
export function gaveUpIn(problem: RosterProblem, plan: RosterPlan): Map<string, GaveUp[]> {
  const { outfits, limits, worth, owned } = problem
  const wardrobe = new Wardrobe(problem, supplyOf(problem), () => false)
  const chosen = plan.outfits.map(({ choices }, i) =>
    outfits[i]!.slots.map(({ id, candidates }) => candidates.find((one) => one.id === choices[id])!),
  )
  const free = new Map(owned.map(({ part, qty }) => [part, qty]))
  for (const { part, qty } of chosen.flat().flatMap(({ parts }) => parts))
    if (free.has(part)) free.set(part, free.get(part)! - qty)
  const wearers = groupBy(
    chosen.flatMap((slots, i) => slots.flatMap(({ parts }) => parts.map(({ part }) => ({ part, i })))),
    ({ part }) => part,
  )
  const holdersOf = ({ parts, face }: RosterCandidate, self: number): number[] => {
    const byFace =
      limits.faces === 'distinct' && face !== null
        ? chosen.flatMap((slots, i) => (i !== self && slots.some((one) => one.face === face) ? [i] : []))
        : []
    const taken = parts.filter(({ part, qty }) => free.has(part) && free.get(part)! < qty)
    const byPart = taken.flatMap(({ part }) => (wearers.get(part) ?? []).flatMap(({ i }) => (i === self ? [] : [i])))
    return [...new Set([...byFace, ...byPart])]
  }
  return new Map(
    plan.outfits.map(({ id }, i) => {
      const found = outfits[i]!.slots.flatMap(({ id: slot, candidates }, s): GaveUp[] => {
        const prices = wardrobe.leastPrice[wardrobe.placesOf[i]![s]!]!
        const value = (c: number) => (candidates[c]!.score * worth) / 1000 - prices[c]!
        const own = candidates.indexOf(chosen[i]![s]!)
        const best = candidates.reduce((most, _, c) => (value(c) > value(most) ? c : most), own)
        if (best === own) return []
        const holders = holdersOf(candidates[best]!, i)
        if (holders.length === 0) return []
        const points = candidates[best]!.score - candidates[own]!.score
        return [{ slot, candidate: candidates[best]!.id, points, holders: holders.map((h) => outfits[h]!.id) }]
      })
      return [id, found]
    }),
  )
}

const partsIn = ({ slots }: RosterProblem['outfits'][number], choices: Readonly<Record<string, string>>) =>
  slots.flatMap(({ id, candidates }) => candidates.find((one) => one.id === choices[id])!.parts)
