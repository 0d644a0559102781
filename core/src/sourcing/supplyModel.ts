import type { MilpBuilder } from '../solver/index.ts'
import { gainsByFillers } from './reduce.ts'
import { basketOf, type Settlement } from './settle.ts'
import type { Offer, SourcingProblem } from './types.ts'

export const INFINITE = 1e30
/** Weights may be fractions; a band begins this far above the one before. */
const JUST_ABOVE = { value: 1, count: 1, weight: 1e-4 } as const

/** Uses of a part in a model: columns, each with the units of the part that one of it takes. */
export type Uses = [column: number, units: number][]

/** What is bought and shipped, as columns of a model. */
export interface SupplyModel {
  /** Columns whose sum is the steps bought of each offer (units = steps × multiple), aligned with problem.offers. */
  steps: number[][]
  /** Of each seller with offers: whether there is a parcel, and which band it falls into. */
  parcels: { seller: string; open: number; bands: { pick: number; upTo: number }[] }[]
  /** Values of these columns in a purchase that keeps all limits. */
  pointOf: (units: ReadonlyMap<string, number>, settled: Settlement) => [column: number, value: number][]
}

/**
 * Steps of each offer that can be of use as parts: no more than the needs could take of what it yields. Buying beyond
 * that, less what is owned of it, only makes sense to earn by resale, in which case there is no such limit, or to fill a parcel up.
 */
export function usefulSteps({ needs, owned, offers, resale }: SourcingProblem): number[] {
  const wanted = new Map<string, number>()
  for (const { qty, accept } of needs)
    for (const part of new Set(accept.map((one) => one.part))) wanted.set(part, (wanted.get(part) ?? 0) + qty)
  // What is owned is used first, since it costs nothing.
  for (const { part, qty } of owned) if (wanted.has(part)) wanted.set(part, Math.max(0, wanted.get(part)! - qty))
  const worth = new Map(resale.map(({ part, price }) => [part, price]))
  return offers.map(({ qty: stock, multiple, price, yields }) => {
    const all = Math.floor(stock / multiple)
    const fetches = yields.reduce((sum, { part, qty }) => sum + qty * (worth.get(part) ?? 0), 0)
    if (fetches >= price) return all
    const most = yields.map(({ part, qty }) => Math.ceil((wanted.get(part) ?? 0) / (qty * multiple)))
    return Math.min(all, Math.max(0, ...most))
  })
}

export interface SupplyOptions {
  /** Whether parcels can be filled up with goods nobody needs. */
  fillers?: boolean
  /**
   * Whether sellers and shipping bands alone are whole: steps are bought in parts, and of the goods that fill a parcel up only
   * those are there that the cheapest filling takes. A relaxation that is solved much sooner, and little below.
   */
  sellersAlone?: boolean
  /** Offers whose steps of use are whole even so. */
  whole?: ReadonlySet<string>
}

/**
 * Build the side of a model that buys, ships and leaves over, for parts used by columns of the caller. `problem.needs` says
 * how many units of each part can be of use at most.
 *
 * Each shipping band is an alternative of its own with a copy of the basket's amount, which keeps the bound strong when
 * shipping falls as baskets grow. Steps of use as parts and steps that only fill a parcel up are columns of their own: the
 * former are bounded by the needs, which ties them closely to whether there is a parcel. Size: offers + sellers × bands
 * columns.
 */
export function supplyModel(
  build: MilpBuilder,
  problem: SourcingProblem,
  used: ReadonlyMap<string, Uses>,
  objective: 'cost' | 'unmet' | 'parcels' | 'spending',
  { fillers = true, sellersAlone = false, whole = new Set() }: SupplyOptions = {},
): SupplyModel {
  /** What goods, shipping and handling count for, and what leftovers fetch. */
  const money = (amount: number) => (objective === 'cost' || objective === 'spending' ? amount : 0)
  const fetched = (amount: number) => (objective === 'cost' ? amount : 0)
  const { limits } = problem
  /** What each column is worth in a purchase, collected as columns are made. */
  const values: ((purchase: Purchase) => [column: number, value: number][])[] = []
  const useful = usefulSteps(problem)
  const credits = new Map(problem.resale.map(({ part, price }) => [part, price]))
  const byWhole = { integer: !sellersAlone }
  const netPrice = ({ price, multiple, yields }: Offer) =>
    multiple * (price - yields.reduce((sum, { part, qty }) => sum + qty * (credits.get(part) ?? 0), 0))
  const moreOf = problem.offers.map(({ qty, multiple }, i) => Math.floor(qty / multiple) - useful[i]!)
  const filling = fillers
    ? fillersOf(problem, moreOf, netPrice, sellersAlone && limits.budget === null)
    : new Set<number>()
  const steps = problem.offers.map((offer, i) => {
    const price = offer.price * offer.multiple
    const columns = [build.column(money(price), useful[i]!, { integer: !sellersAlone || whole.has(offer.id) })]
    if (filling.has(i)) columns.push(build.column(money(price) - fetched(price - netPrice(offer)), moreOf[i]!, byWhole))
    return columns
  })
  const mostSteps = (i: number) => steps[i]!.reduce((sum, column) => sum + build.model.columns[column]!.upper, 0)
  const bought = new Map<string, [number, number][]>()
  problem.offers.forEach((offer, i) => {
    for (const { part, qty } of offer.yields) {
      const list = bought.get(part) ?? []
      bought.set(part, list)
      list.push([steps[i]![0]!, qty * offer.multiple])
    }
  })

  const owned = new Map<string, number>()
  for (const { part, qty } of problem.owned) owned.set(part, (owned.get(part) ?? 0) + qty)
  const resale = new Map(problem.resale.map(({ part, price }) => [part, price]))
  for (const part of new Set([...used.keys(), ...(objective === 'cost' ? resale.keys() : [])])) {
    const uses = used.get(part) ?? []
    const supply = bought.get(part) ?? []
    const own = owned.get(part) ?? 0
    const credit = resale.get(part) ?? 0
    const entries: [number, number][] = [...supply, ...uses.map(([column, n]): [number, number] => [column, -n])]
    // Bought + owned used − used − resold ≥ 0, where at most what is owned and used comes from the drawer.
    if (own > 0) {
      const fromDrawer = build.column(0, own, byWhole)
      entries.push([fromDrawer, 1])
      build.row(0, INFINITE, [...uses, [fromDrawer, -1]])
      values.push(({ drawn }) => [[fromDrawer, drawn.get(part) ?? 0]])
    }
    if (credit > 0 && supply.length > 0 && objective === 'cost') {
      const resold = build.column(-fetched(credit), INFINITE, byWhole)
      entries.push([resold, -1])
      values.push(({ surplus }) => [[resold, surplus.get(part) ?? 0]])
    }
    build.row(0, INFINITE, entries)
  }

  const spent: [number, number][] = []
  const parcels: [number, number][] = []
  const parcelColumns: SupplyModel['parcels'] = []
  for (const seller of problem.sellers) {
    const lines = problem.offers.flatMap((offer, i) =>
      offer.seller === seller.id && mostSteps(i) > 0 ? [{ offer, columns: steps[i]!, most: mostSteps(i) }] : [],
    )
    if (lines.length === 0) continue
    const open = build.column(objective === 'parcels' ? 1 : money(seller.handling), 1)
    parcels.push([open, 1])
    if (seller.handling > 0) spent.push([open, seller.handling])
    for (const { columns } of lines)
      for (const column of columns)
        build.row(-INFINITE, 0, [
          [column, 1],
          [open, -build.model.columns[column]!.upper],
        ])
    const goods = lines.flatMap(({ offer, columns }) =>
      columns.map((column): [number, number] => [column, offer.price * offer.multiple]),
    )
    spent.push(...goods)
    if (seller.minimum > 0) build.row(0, INFINITE, [...goods, [open, -seller.minimum]])

    const { basis, bands } = seller.shipping
    const weightOf = {
      value: (i: number) => lines[i]!.offer.price,
      count: () => 1,
      weight: (i: number) => lines[i]!.offer.weight,
    }[basis]
    const amounts = lines.flatMap(({ offer, columns }, i) =>
      columns.map((column): [number, number] => [column, weightOf(i) * offer.multiple]),
    )
    const largest = lines.reduce((sum, { offer, most }, i) => sum + weightOf(i) * most * offer.multiple, 0)
    const chosen: [number, number][] = []
    const shares: [number, number][] = []
    const bandColumns: { upTo: number; pick: number; share: number }[] = []
    bands.forEach((band, i) => {
      const from = i === 0 ? 0 : bands[i - 1]!.upTo! + JUST_ABOVE[basis]
      const upTo = Math.min(band.upTo ?? largest, largest)
      if (from > largest) return
      const pick = build.column(money(band.price), 1)
      const share = build.column(0, Math.max(0, upTo), { integer: false })
      chosen.push([pick, 1])
      shares.push([share, -1])
      bandColumns.push({ upTo: band.upTo ?? Infinity, pick, share })
      if (band.price > 0) spent.push([pick, band.price])
      build.row(-INFINITE, 0, [
        [share, 1],
        [pick, -upTo],
      ])
      if (from > 0)
        build.row(0, INFINITE, [
          [share, 1],
          [pick, -from],
        ])
    })
    parcelColumns.push({ seller: seller.id, open, bands: bandColumns })
    build.row(0, 0, [...chosen, [open, -1]])
    build.row(0, 0, [...amounts, ...shares])
    values.push(({ amountOf }) => {
      const amount = amountOf.get(seller.id)
      if (amount === undefined) return []
      const band = bandColumns.find(({ upTo }) => upTo >= amount - 1e-6)
      return band
        ? [
            [open, 1],
            [band.pick, 1],
            [band.share, amount],
          ]
        : [[open, 1]]
    })
  }
  if (limits.parcels !== null) build.row(0, limits.parcels, parcels)
  if (limits.budget !== null) build.row(-INFINITE, limits.budget, spent)
  const pointOf: SupplyModel['pointOf'] = (units, settled) => {
    const point: [number, number][] = []
    /** Parts in goods that only fill parcels up, whose resale their own price allows for. */
    const inFillers = new Map<string, number>()
    problem.offers.forEach(({ id, multiple, yields }, i) => {
      let open = (units.get(id) ?? 0) / multiple
      steps[i]!.forEach((column, nth) => {
        const value = Math.min(open, build.model.columns[column]!.upper)
        point.push([column, value])
        open -= value
        if (nth > 0)
          for (const { part, qty } of yields) inFillers.set(part, (inFillers.get(part) ?? 0) + value * multiple * qty)
      })
    })
    const purchase = purchaseOf(problem, units, settled, inFillers)
    for (const of of values) point.push(...of(purchase))
    return point
  }
  return { steps, parcels: parcelColumns, pointOf }
}

/**
 * Offers whose steps beyond those of use may fill a parcel up; `best`: without those that no cheapest filling in parts takes.
 * Where goods and what shipping goes by are two things to come up to, or a budget is kept, any of them may be in it.
 */
function fillersOf(
  { sellers, offers }: SourcingProblem,
  more: readonly number[],
  netPrice: (offer: Offer) => number,
  best: boolean,
): Set<number> {
  const ofSeller = new Map(sellers.filter(gainsByFillers).map(({ id }): [string, number[]] => [id, []]))
  offers.forEach(({ seller }, i) => (more[i]! > 0 ? ofSeller.get(seller)?.push(i) : undefined))
  for (const { id, minimum, shipping } of best ? sellers : []) {
    const all = ofSeller.get(id)
    const { basis, bands } = shipping
    if (!all || (minimum > 0 && basis !== 'value')) continue
    const falling = bands.flatMap(({ price }, b) =>
      b > 0 && price < bands[b - 1]!.price ? [bands[b - 1]!.upTo! + 1] : [],
    )
    let lack = Math.max(minimum, ...falling)
    const amountOf = (i: number) => {
      const { multiple, price, weight } = offers[i]!
      return multiple * (basis === 'value' ? price : basis === 'count' ? 1 : weight)
    }
    const rate = (i: number) => Math.max(0, netPrice(offers[i]!)) / amountOf(i)
    const kept: number[] = []
    for (const i of all.filter((one) => amountOf(one) > 0).sort((a, b) => rate(a) - rate(b))) {
      if (lack <= 0) break
      kept.push(i)
      lack -= more[i]! * amountOf(i)
    }
    ofSeller.set(id, kept)
  }
  return new Set([...ofSeller.values()].flat())
}

/** Units by offer id that the values of a model's columns buy. */
export function unitsInModel(
  problem: SourcingProblem,
  steps: readonly (readonly number[])[],
  values: readonly number[],
): Map<string, number> {
  return new Map(
    problem.offers.flatMap((offer, i): [string, number][] => {
      const bought = steps[i]!.reduce((sum, column) => sum + Math.round(values[column]!), 0) * offer.multiple
      return bought > 0 ? [[offer.id, bought]] : []
    }),
  )
}

/** A settled purchase by what the columns of the model stand for. */
interface Purchase {
  /** Units used out of the drawer, and left over from what was bought of use, by part. */
  drawn: ReadonlyMap<string, number>
  surplus: ReadonlyMap<string, number>
  /** What shipping goes by, of sellers with a parcel. */
  amountOf: ReadonlyMap<string, number>
}

/** Numbers under the same key added up. */
export function summed(entries: readonly [key: string, number: number][]): Map<string, number> {
  const sums = new Map<string, number>()
  for (const [key, number] of entries) sums.set(key, (sums.get(key) ?? 0) + number)
  return sums
}

function purchaseOf(
  problem: SourcingProblem,
  units: ReadonlyMap<string, number>,
  { fills, surplus, baskets }: Settlement,
  inFillers: ReadonlyMap<string, number>,
): Purchase {
  const sellers = new Map(problem.sellers.map((seller) => [seller.id, seller]))
  const offers = new Map(problem.offers.map((offer) => [offer.id, offer]))
  return {
    drawn: summed(fills.flatMap(({ part, qty, from }): [string, number][] => (from === 'owned' ? [[part, qty]] : []))),
    surplus: summed(surplus.map(({ part, qty }) => [part, qty - (inFillers.get(part) ?? 0)])),
    amountOf: new Map(
      baskets.map(({ seller, lines }) => [
        seller,
        basketOf(
          sellers.get(seller)!,
          lines.map(({ offer }) => ({ ...offers.get(offer)!, offer, qty: units.get(offer)! })),
        ).amount,
      ]),
    ),
  }
}
