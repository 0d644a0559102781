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
  /** Whether the start is likely as good as any point, so that nothing is looked for but the proof of it. */
  proveOnly?: boolean
  /** Asked now and then; when it says yes the best point so far is given. */
  stop?: () => boolean
  onProgress?: (progress: { best: number | null; bound: number | null }) => void
  /** Told of each better point. */
  onPoint?: (values: Float64Array) => void
  /** Simplex iterations after which it ends, the same on every machine. */
  iterations?: number
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

/** A model that is solved beside other work. */
export interface Aside {
  /** The lower bound proven so far. */
  bound: () => number
  /** The best point found so far; null when there is none. */
  point: () => readonly number[] | null
  /** Whether it was solved to the end. */
  solved: () => boolean
  /** Another model on the same thread, instead of this one. */
  next: SolveAside
  stop: () => void
}

/** The port to a solver that works on beside whoever asks, who is not told but looks; `MilpOptions` that tell are not for it. */
export type SolveAside = (model: Milp, options: Pick<MilpOptions, 'seconds' | 'gap' | 'start' | 'proveOnly'>) => Aside

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
