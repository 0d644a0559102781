import { setFlagsFromString } from 'node:v8'
import loader, { type Highs } from 'highs'
import { keptSolver, type Milp, type MilpOptions, type MilpOutcome, type SolveMilp } from '@outfit/core/solver'

// The package types its ES module as CommonJS, where the loader would be one step further down.
const loadHighs = loader as unknown as (typeof loader)['default']

/**
 * HiGHS has thousands of functions, and compiling each anew for speed as soon as it is a little used makes the first proof
 * of a process take three times as long as the next. So only what is used very much is.
 */
setFlagsFromString('--wasm-tiering-budget=300000000')

/** How the error begins that HiGHS raises where its simplex comes to grief over numbers too far apart. */
const RUN_FAILED = 'run failed'

/** What is said of a model the solver could not work on. */
const UNKNOWN: MilpOutcome = { status: 'unknown', values: null, bound: -Infinity }

/**
 * Load the HiGHS WebAssembly build and give it as the solver port of core. Calls block their thread.
 *
 * Its presolve writes past its memory for some models (tiny ones with numbers far apart), and what has done that is good for
 * nothing more. A second one stands ready for that, which is given the model without presolve; while no other is loaded,
 * models stay unsolved (`settled` waits for it). So do models that fail both ways.
 */
export async function loadHighsSolver(): Promise<SolveMilp & { settled: () => Promise<unknown> }> {
  const ready: Highs[] = await Promise.all([loadHighs(), loadHighs()])
  let loading: Promise<unknown> = Promise.resolve()
  const solveOn = (model: Milp, options: MilpOptions, presolve: boolean): MilpOutcome | null => {
    const [highs] = ready
    if (!highs) return UNKNOWN
    try {
      return solve(highs, model, options, presolve)
    } catch (error) {
      // By their names, since a test's realm has classes of its own.
      const { name, message } = error as Error
      if (name === 'RuntimeError') {
        ready.shift()
        loading = Promise.all([loading, loadHighs().then((fresh) => ready.push(fresh))])
      } else if (name !== 'HighsError' || !message.startsWith(RUN_FAILED)) throw error
      return null
    }
  }
  const solveBoth: SolveMilp = (model, options) =>
    solveOn(model, options, true) ?? solveOn(model, options, false) ?? UNKNOWN
  return Object.assign(solveBoth, { settled: () => loading })
}

let shared: Promise<SolveMilp> | null = null

/**
 * The solver of this process for problems that are small and asked again and again; what it has proven it answers at once. Loading
 * and warming it up takes longer than most of them.
 */
export function sharedSolver(): Promise<SolveMilp> {
  const loading = (shared ??= loadHighsSolver().then((solving) => keptSolver(solving)))
  loading.catch(() => (shared = null))
  return loading
}

function solve(
  highs: Highs,
  model: Milp,
  { seconds, gap, start, stop, onProgress, onPoint, iterations = Infinity, proveOnly }: MilpOptions,
  presolve: boolean,
): MilpOutcome {
  const { columns, rows } = model
  const starts = [0]
  const index: number[] = []
  const value: number[] = []
  for (const row of rows) {
    // HiGHS refuses two entries of a row for one column; parts accepted twice would make them.
    const merged = new Map<number, number>()
    for (const [column, coefficient] of row.entries) merged.set(column, (merged.get(column) ?? 0) + coefficient)
    for (const [column, coefficient] of merged) {
      index.push(column)
      value.push(coefficient)
    }
    starts.push(index.length)
  }
  // HiGHS takes no solution of nothing; where nothing is to be decided, what the rows ask for is there or it is not.
  if (columns.length === 0) {
    const met = rows.every(({ lower, upper }) => lower <= 0 && upper >= 0)
    return { status: met ? 'optimal' : 'infeasible', values: met ? [] : null, bound: met ? 0 : Infinity }
  }
  const { integer, continuous } = highs.constants.variableType
  const highsModel = highs.createModel({
    numCols: columns.length,
    numRows: rows.length,
    colCost: columns.map((c) => c.cost),
    colLower: columns.map((c) => c.lower),
    colUpper: columns.map((c) => c.upper),
    rowLower: rows.map((r) => r.lower),
    rowUpper: rows.map((r) => r.upper),
    matrix: { format: 'csr', numRows: rows.length, numCols: columns.length, starts, indices: index, values: value },
    integrality: columns.map((c) => (c.integer ? integer : continuous)),
  })
  try {
    highsModel.options.set('output_flag', false)
    if (!presolve) highsModel.options.set('presolve', 'off')
    highsModel.options.set('time_limit', seconds)
    highsModel.options.set('mip_rel_gap', gap)
    // Restarts, of use where much of a model is fixed at the root, double the time a proof of ours takes.
    highsModel.options.set('mip_allow_restart', false)
    // What weighs most in a model of ours is soon known, so that trying many branches first costs more than it saves; and
    // there is hardly any symmetry to be found.
    highsModel.options.set('mip_pscost_minreliable', 1)
    highsModel.options.set('mip_detect_symmetry', false)
    if (proveOnly)
      for (const heuristic of ['rins', 'rens', 'root_reduced_cost'])
        highsModel.options.set(`mip_heuristic_run_${heuristic}`, false)
    if (start) highsModel.setSolution({ colValue: [...start] })
    const report = (primal: number | undefined, dual: number | undefined) => {
      const finite = (x: number | undefined) => (x !== undefined && Math.abs(x) < 1e20 ? x : null)
      onProgress?.({ best: finite(primal), bound: finite(dual) })
    }
    const { mipInterrupt, mipImprovingSolution } = highs.constants.callbackType
    highsModel.run({
      ...(onProgress || stop || iterations < Infinity
        ? {
            [mipInterrupt]: (event) => {
              const { mip_primal_bound: primal, mip_dual_bound: dual, mip_total_lp_iterations: done } = event.data
              report(primal, dual)
              if (stop?.() || Number(done ?? 0) > iterations) event.interrupt()
            },
          }
        : {}),
      ...(onPoint
        ? { [mipImprovingSolution]: ({ data }) => void (data.mip_solution && onPoint(data.mip_solution)) }
        : {}),
    })
    const status = highsModel.getModelStatus()
    const { optimal, infeasible } = highs.constants.modelStatus
    const info = (name: string) => Number(highsModel.info.get(name))
    // Without whole numbers an optimum is its own bound.
    const relaxed = columns.every((column) => !column.integer)
    const bound = !relaxed ? info('mip_dual_bound') : status === optimal ? info('objective_function_value') : -Infinity
    if (status === infeasible) return { status: 'infeasible', values: null, bound: Infinity }
    const found = info('primal_solution_status') === highs.constants.solutionStatus.feasible
    const values = found ? Array.from(highsModel.getSolution().colValue) : null
    return {
      status: status === optimal ? 'optimal' : found ? 'feasible' : 'unknown',
      values,
      bound: Number.isFinite(bound) && Math.abs(bound) < 1e20 ? bound : -Infinity,
    }
  } finally {
    highsModel.dispose?.()
  }
}
