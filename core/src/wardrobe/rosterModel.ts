import { MilpBuilder, type Milp } from '../solver/index.ts'
import {
  INFINITE,
  settle,
  UNMET,
  supplyModel,
  unitsInModel,
  type SourcingProblem,
  type Uses,
} from '../sourcing/index.ts'
import { LookTree } from './lookTree.ts'
import { WHOLE } from '../brief/index.ts'
import { missedWorth } from './types.ts'
import type { Wardrobe } from './wardrobe.ts'

/** The MILP of a roster problem, or of some of its choices and offers. */
export interface RosterModel {
  milp: Milp
  /** Choices by place that a point of the model wears. */
  choicesOf: (point: readonly number[]) => number[]
  /** Units by offer id that it buys. */
  unitsInModel: (point: readonly number[]) => Map<string, number>
  /** The point of a plan that keeps all limits; null where the model lacks one of its choices or offers. */
  pointOf: (choices: ArrayLike<number>, units: ReadonlyMap<string, number>) => number[] | null
}

/** Whole numbers up to this are counted as such by the exact solver, which does not end with far larger ones. */
const MOST_COUNTED = 1e9

type Entry = [column: number, coefficient: number]

/**
 * Build the model over the choices `allowed` of each place and the offers of `supply`: a binary a choice, what pairs take off
 * as a column for each choice that has any (at least what its partner takes off, unless it is not worn), the missed worth of
 * each outfit as a whole number (rounded as the format rounds), floors, faces, and the parts through `supplyModel`.
 * With another `objective` what is spent, or the number of parcels, is minimised.
 */
export function rosterModel(
  wardrobe: Wardrobe,
  supply: SourcingProblem,
  allowed: readonly (readonly number[])[],
  objective: 'cost' | 'spending' | 'parcels' = 'cost',
): RosterModel {
  const { problem, places } = wardrobe
  const { worth, outfits, limits } = problem
  const build = new MilpBuilder()
  const columns = places.map((_, place) => new Map(allowed[place]!.map((choice) => [choice, build.column(0, 1)])))
  for (const own of columns)
    build.row(
      1,
      1,
      [...own.values()].map((column): Entry => [column, 1]),
    )
  /** What each further column is worth where choices are given. */
  const values: [column: number, worn: (chosen: ArrayLike<number>) => number][] = []
  outfits.forEach((outfit, i) => {
    const likeness = likenessOf(wardrobe, i, build, columns, values)
    const least = leastLikeness(wardrobe, i)
    // A floor of nothing is one too: what pairs take off can come to more than all scores.
    if (outfit.floor > least) build.row(outfit.floor, INFINITE, likeness)
    // Rounded half up: the least whole number that is at least what is missed less 0.499, in whole thousandths.
    const lower = missedWorth(worth, mostLikeness(wardrobe, i))
    const upper = Math.max(lower, missedWorth(worth, least))
    // Beyond what a solver counts in, a fraction of a unit of money is nothing; the bound stays one.
    const integer = Math.max(Math.abs(lower), upper) < MOST_COUNTED
    const missed = build.column(objective === 'cost' ? 1 : 0, upper, { lower, integer })
    build.row((worth * WHOLE - 499) / 1000, INFINITE, [
      [missed, 1],
      ...likeness.map(([column, points]): Entry => [column, (worth * points) / 1000]),
    ])
    values.push([missed, (chosen) => missedWorth(worth, wornLikeness(wardrobe, i, chosen))])
  })
  if (limits.faces === 'distinct') facesApart(wardrobe, build, columns, values)
  const used = new Map<string, Uses>()
  const names = wardrobe.supply.needs.map(({ id }) => id)
  columns.forEach((own, place) => {
    for (const [choice, column] of own) {
      const { needs, counts } = places[place]!.choices[choice]!
      needs.forEach((need, k) => used.set(names[need]!, [...(used.get(names[need]!) ?? []), [column, counts[k]!]]))
    }
  })
  const model = supplyModel(build, supply, used, objective)
  fromOpenSellers(wardrobe, build, columns, new Map(model.parcels.map(({ seller, open }) => [seller, open])))
  const known = new Set(supply.offers.map(({ id }) => id))
  return {
    milp: build.model,
    choicesOf: (point) =>
      columns.map((own) => [...own].reduce((best, one) => (point[one[1]]! > point[best[1]]! ? one : best))[0]),
    unitsInModel: (point) => unitsInModel(supply, model.steps, point),
    pointOf: (choices, units) => {
      if ([...units.keys()].some((id) => !known.has(id))) return null
      const point = build.model.columns.map(() => 0)
      for (let place = 0; place < columns.length; place++) {
        const column = columns[place]!.get(choices[place]!)
        if (column === undefined) return null
        point[column] = 1
      }
      for (const [column, worn] of values) point[column] = worn(choices)
      const needs = needsOf(wardrobe, choices)
      for (const [column, value] of model.pointOf(units, settle({ ...supply, needs }, units))) point[column] = value
      return point
    },
  }
}

/**
 * Rows that follow from the others and make the relaxation tighter: of the choices of a place that only some sellers bring,
 * no more is worn than these sellers are open, together.
 */
function fromOpenSellers(
  { places, ledger, supply }: Wardrobe,
  build: MilpBuilder,
  columns: readonly ReadonlyMap<number, number>[],
  openOf: ReadonlyMap<string, number>,
): void {
  const opens = supply.sellers.map(({ id }) => openOf.get(id))
  /** Columns of the parcels that bring a need; null where the drawer may. */
  const bringing = ledger.ways.map((ways) =>
    ways.some(({ seller }) => seller === ledger.sellerCount)
      ? null
      : new Set(ways.flatMap(({ seller }) => opens[seller] ?? [])),
  )
  columns.forEach((own, place) => {
    const groups = new Map<string, { sellers: Set<number>; worn: number[] }>()
    for (const [choice, column] of own) {
      const sets = [...places[place]!.choices[choice]!.needs].flatMap((need) => bringing[need] ?? [])
      const fewest = sets.reduce<Set<number> | null>((few, set) => (!few || set.size < few.size ? set : few), null)
      if (!fewest) continue
      const key = [...fewest].sort((a, b) => a - b).join(' ')
      if (!groups.has(key)) groups.set(key, { sellers: fewest, worn: [] })
      groups.get(key)!.worn.push(column)
    }
    for (const { sellers } of groups.values()) {
      const within = [...groups.values()].filter((other) => [...other.sellers].every((seller) => sellers.has(seller)))
      build.row(0, INFINITE, [
        ...[...sellers].map((open): Entry => [open, 1]),
        ...within.flatMap(({ worn }) => worn.map((column): Entry => [column, -1])),
      ])
    }
  })
}

/** The parts that choices take together, as needs of the supply. */
export function needsOf({ places, supply }: Wardrobe, choices: ArrayLike<number>): SourcingProblem['needs'] {
  const wanted = new Int32Array(supply.needs.length)
  places.forEach(({ choices: all }, place) => {
    const { needs, counts } = all[choices[place]!]!
    needs.forEach((need, k) => (wanted[need]! += counts[k]!))
  })
  return supply.needs.flatMap((need, n) => (wanted[n]! > 0 ? [{ ...need, qty: wanted[n]! }] : []))
}

/** The likeness of an outfit as a sum of columns: scores, less a column for each choice of what pairs take off it. */
function likenessOf(
  { places, placesOf }: Wardrobe,
  outfit: number,
  build: MilpBuilder,
  columns: readonly ReadonlyMap<number, number>[],
  values: [column: number, worn: (chosen: ArrayLike<number>) => number][],
): Entry[] {
  const likeness: Entry[] = []
  for (const place of placesOf[outfit]!)
    for (const [choice, column] of columns[place]!) {
      let score = places[place]!.choices[choice]!.score
      for (const { place: other, width, off } of places[place]!.beside) {
        if (other < place) continue
        const taken = [...columns[other]!].map(([theirs, their]): Entry => [their, off[choice * width + theirs]!])
        const least = Math.min(...taken.map(([, points]) => points))
        const most = Math.max(...taken.map(([, points]) => points))
        score -= least
        if (most === least) continue
        const loss = build.column(0, most - least, { integer: false })
        likeness.push([loss, -1])
        build.row(least - most, INFINITE, [
          [loss, 1],
          ...taken.flatMap(([their, points]): Entry[] => (points > least ? [[their, least - points]] : [])),
          [column, least - most],
        ])
        values.push([loss, (chosen) => (chosen[place] === choice ? off[choice * width + chosen[other]!]! - least : 0)])
      }
      if (score !== 0) likeness.push([column, score])
    }
  return likeness
}

/** No face on two outfits; where an outfit may wear it in several places, a column says whether it does. */
function facesApart(
  { places, faces }: Wardrobe,
  build: MilpBuilder,
  columns: readonly ReadonlyMap<number, number>[],
  values: [column: number, worn: (chosen: ArrayLike<number>) => number][],
): void {
  faces.forEach((_, face) => {
    const wearers = new Map<number, { place: number; own: Entry[] }[]>()
    columns.forEach((all, place) => {
      const { outfit, choices } = places[place]!
      const own = [...all].flatMap(([choice, column]): Entry[] => (choices[choice]!.face === face ? [[column, 1]] : []))
      if (own.length > 0) wearers.set(outfit, [...(wearers.get(outfit) ?? []), { place, own }])
    })
    if (wearers.size < 2) return
    const worn = [...wearers.values()].flatMap((own): Entry[] => {
      if (own.length === 1) return own[0]!.own
      const any = build.column(0, 1)
      for (const { own: there } of own)
        build.row(0, INFINITE, [[any, 1], ...there.map(([column]): Entry => [column, -1])])
      values.push([
        any,
        (chosen) => (own.some(({ place }) => places[place]!.choices[chosen[place]!]!.face === face) ? 1 : 0),
      ])
      return [[any, 1]]
    })
    build.row(0, 1, worn)
  })
}

function wornLikeness({ places, placesOf }: Wardrobe, outfit: number, chosen: ArrayLike<number>): number {
  let sum = 0
  for (const place of placesOf[outfit]!) {
    const { choices, beside } = places[place]!
    sum += choices[chosen[place]!]!.score
    for (const { place: other, width, off } of beside)
      if (other > place) sum -= off[chosen[place]! * width + chosen[other]!]!
  }
  return sum
}

/** Nothing that can be had has a greater likeness than this; of a forest of pairs it is the greatest. */
export function mostLikeness(wardrobe: Wardrobe, outfit: number): number {
  const tree = new LookTree(wardrobe, outfit)
  for (const place of wardrobe.placesOf[outfit]!)
    wardrobe.places[place]!.choices.forEach(
      ({ score }, c) => (tree.costOf(place)[c] = wardrobe.leastPrice[place]![c]! < UNMET ? -score : Infinity),
    )
  return -tree.solve(1, new Int32Array(wardrobe.places.length))
}

/** Nor a smaller one than this. */
function leastLikeness({ places, placesOf }: Wardrobe, outfit: number): number {
  return placesOf[outfit]!.reduce((sum, place) => {
    const { choices, beside } = places[place]!
    const off = beside.reduce(
      (most, { place: other, off: all }) => (other > place ? most + Math.max(0, ...all) : most),
      0,
    )
    return sum + Math.min(...choices.map(({ score }) => score)) - off
  }, 0)
}
