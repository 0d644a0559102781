import { MilpBuilder, type Milp } from '../solver/index.ts'
import type { Settlement } from './settle.ts'
import { INFINITE, summed, supplyModel, type SupplyModel, type SupplyOptions, type Uses } from './supplyModel.ts'
import type { SourcingProblem } from './types.ts'

/** The MILP of a sourcing problem, with the columns that carry the plan. */
export interface SourcingModel extends Pick<SupplyModel, 'steps' | 'parcels'> {
  milp: Milp
  /** Units left unmet of each need, aligned with problem.needs. */
  unmet: number[]
  /** The plan that is known, as one column; null where none was named. */
  known: number | null
  /** Column values of a purchase that keeps all limits, for the solver to start from. */
  valuesOf: (units: ReadonlyMap<string, number>, settled: Settlement) => number[]
}

/**
 * Build the model: needs filled by accepted parts, over `supplyModel`. `objective` is the total cost, the number of unmet
 * units or of parcels; with `mostUnmet` the unmet units are held at their best while the cost is minimised. A plan that
 * comes to `known` can be taken as a whole, as a column that meets all needs: then there is a point to begin from whatever else
 * is asked, and nothing dearer is looked at (which a row for the total does as well, but is dense and slows all down).
 */
export function sourcingModel(
  problem: SourcingProblem,
  objective: 'cost' | 'unmet' | 'parcels',
  mostUnmet = INFINITE,
  { known: total, ...options }: SupplyOptions & { known?: number | undefined } = {},
): SourcingModel {
  const build = new MilpBuilder()
  const money = (amount: number) => (objective === 'cost' ? amount : 0)
  type Values = (filled: ReadonlyMap<string, number>, open: ReadonlyMap<string, number>) => [number, number][]
  /** What each column is worth in a purchase, collected as columns are made. */
  const values: Values[] = []
  const byWhole = { integer: !options.sellersAlone }
  const used = new Map<string, Uses>()
  const known = total === undefined ? null : build.column(money(total), 1)
  const unmet = problem.needs.map((need) => {
    const missing = build.column(objective === 'unmet' ? 1 : 0, need.qty, byWhole)
    const fills = need.accept.map(({ part, penalty }) => {
      const fill = build.column(money(penalty), need.qty, byWhole)
      const list = used.get(part) ?? []
      used.set(part, list)
      list.push([fill, 1])
      values.push((filled) => [[fill, filled.get(`${need.id} ${part}`) ?? 0]])
      return fill
    })
    values.push((_, open) => [[missing, open.get(need.id) ?? 0]])
    build.row(need.qty, need.qty, [
      [missing, 1],
      ...fills.map((fill): [number, number] => [fill, 1]),
      ...(known === null ? [] : [[known, need.qty] as [number, number]]),
    ])
    return missing
  })
  if (mostUnmet < INFINITE)
    build.row(
      0,
      mostUnmet,
      unmet.map((column) => [column, 1]),
    )

  const { steps, parcels, pointOf } = supplyModel(build, problem, used, objective, options)
  // Beside the known plan nothing is bought, or what leftovers earn would be earned twice.
  if (known !== null && problem.resale.length > 0)
    build.row(-INFINITE, parcels.length, [
      [known, parcels.length],
      ...parcels.map(({ open }): [number, number] => [open, 1]),
    ])
  const valuesOf: SourcingModel['valuesOf'] = (units, settled) => {
    const point = build.model.columns.map(() => 0)
    const filled = summed(settled.fills.map(({ need, part, qty }) => [`${need} ${part}`, qty]))
    const open = summed(settled.unmet.map(({ need, qty }) => [need, qty]))
    for (const of of values) for (const [column, value] of of(filled, open)) point[column] = value
    for (const [column, value] of pointOf(units, settled)) point[column] = value
    return point
  }
  return { milp: build.model, steps, unmet, known, parcels, valuesOf }
}
