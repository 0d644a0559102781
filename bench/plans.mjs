import { cheapestOfEach, planSourcing } from '@outfit/core/sourcing'
import { solveAside } from '../server/dist/solver/asideSolver.js'
import { loadHighsSolver } from '../server/dist/solver/highsSolver.js'
import { bestKnown } from './bestKnown.mjs'
import { lowPriced } from './lowPriced.mjs'
import { randomProblem } from './randomProblem.mjs'

/** Even prices and shipping a tenth of the total; log-normal prices and shipping a third of it and more. */
const FAMILIES = { even: randomProblem, 'low-priced': lowPriced }
/** Needs, sellers, seconds for a plan, and seconds in which the best is looked for. */
const SIZES = [
  { size: [14, 12], seconds: 2, looking: 10 },
  { size: [40, 25], seconds: 5, looking: 40 },
  { size: [110, 50], seconds: 5, looking: 25 },
  { size: [60, 80], seconds: 5, looking: 25 },
  { size: [200, 120], seconds: 10, looking: 45 },
]
const SEEDS = [1, 2, 3, 4, 5, 6]
/** Plans of each problem, for how far they differ. */
const RUNS = 3

const all = Object.entries(FAMILIES).flatMap(([family, draw]) =>
  SIZES.map(({ size, ...seconds }) => ({
    family,
    name: `${family} ${size.join('x')}`,
    problems: SEEDS.map((seed) => ({ key: `${family} ${size.join('x')} ${seed}`, problem: draw(...size, seed) })),
    ...seconds,
  })),
)
const percent = (share) => Number((100 * share).toFixed(2))
const mean = (list) => list.reduce((sum, one) => sum + one, 0) / list.length

async function planner() {
  const solve = await loadHighsSolver()
  return (problem, seconds) =>
    planSourcing(
      { ...problem, limits: { ...problem.limits, seconds } },
      { solve, solveAside, now: () => performance.now() / 1000 },
    )
}

/**
 * Plans of both families: how far they are over the best known in the mean and at worst, how far their bounds are under it,
 * and how far runs of one problem are from each other.
 */
export async function plans(tell) {
  const plan = await planner()
  const known = bestKnown()
  for (const { name, problems, seconds } of all) {
    const measured = problems.map(({ key, problem }) => {
      const answers = Array.from({ length: RUNS }, () => plan(problem, seconds))
      for (const answer of answers)
        if (answer.unmet.length === 0 || answer.status === 'optimal')
          known.offer(
            key,
            answer.total,
            answer.status === 'optimal' ? `plan of ${seconds} s, proven` : `plan of ${seconds} s`,
          )
      return { key, answers, naive: cheapestOfEach(problem).total }
    })
    const over = measured.flatMap(({ key, answers }) => answers.map(({ total }) => total / known.of(key) - 1))
    const under = measured.flatMap(({ key, answers }) => answers.map(({ bound }) => 1 - bound / known.of(key)))
    const spread = measured.map(({ answers }) => {
      const totals = answers.map(({ total }) => total)
      return Math.max(...totals) / Math.min(...totals) - 1
    })
    tell(`plans, ${name}`, mean(measured.flatMap(({ answers }) => answers.map((answer) => answer.seconds))), 's', {
      budget: seconds,
      problems: measured.length,
      runs: RUNS,
      'over the best known %': percent(mean(over)),
      'at worst %': percent(Math.max(...over)),
      'bound under it %': percent(mean(under)),
      'between runs %': percent(Math.max(...spread)),
      proven: measured.flatMap(({ answers }) => answers).filter(({ status }) => status === 'optimal').length,
      'cheapest of each over it %': percent(mean(measured.map(({ key, naive }) => naive / known.of(key) - 1))),
    })
  }
  known.keep()
}

/** Look for better plans than are known, of all that are not proven, in more seconds than anybody waits. */
export async function best() {
  const plan = await planner()
  const known = bestKnown()
  for (const { problems, looking } of all)
    for (const { key, problem } of problems) {
      if (known.isProven(key)) continue
      const { total, status, unmet } = plan(problem, looking)
      // What leaves more unmet comes to less.
      if (unmet.length > 0 && status !== 'optimal') continue
      known.offer(key, total, status === 'optimal' ? `plan of ${looking} s, proven` : `plan of ${looking} s`)
      console.log(`${key}: ${total} ${status}`)
      known.keep()
    }
}
