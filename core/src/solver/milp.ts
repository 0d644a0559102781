/** A mixed-integer linear program, minimised: columns with costs and bounds, rows with bounds on their activity. */
export interface Milp {
  columns: { cost: number; lower: number; upper: number; integer: boolean }[]
  rows: { lower: number; upper: number; entries: [column: number, coefficient: number][] }[]
}

export interface MilpOptions {
  /** Wall-clock limit. */
  seconds: number
  /** Relative gap between incumbent and bound at which the solver may stop. */
  gap: number
  /** A feasible point to start from. */
  start?: readonly number[]
  /** Asked now and then; when it says yes the best point so far is given. */
  stop?: () => boolean
  onProgress?: (progress: { best: number | null; bound: number | null }) => void
}

export interface MilpOutcome {
  status: 'optimal' | 'feasible' | 'infeasible' | 'unknown'
  /** Column values of the best point found; null when there is none. */
  values: readonly number[] | null
  /** A proven lower bound on the objective. */
  bound: number
}

/** The port to an exact solver; the server fills it with HiGHS. */
export type SolveMilp = (model: Milp, options: MilpOptions) => MilpOutcome

/** Grows a Milp by columns and rows; columns are referred to by the number returned. */
export class MilpBuilder {
  readonly model: Milp = { columns: [], rows: [] }

  column(cost: number, upper: number, { integer = true, lower = 0 } = {}): number {
    return this.model.columns.push({ cost, lower, upper, integer }) - 1
  }

  row(lower: number, upper: number, entries: [number, number][]): void {
    this.model.rows.push({ lower, upper, entries })
  }
}
