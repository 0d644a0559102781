import { buyAfter, planRoster, readRosterProblem } from '@outfit/core/wardrobe'
import { solveAside } from '../server/dist/solver/asideSolver.js'
import { loadHighsSolver } from '../server/dist/solver/highsSolver.js'
import { bestKnown } from './bestKnown.mjs'
import { randomRoster } from './randomRoster.mjs'

/** Outfits, slots, candidates, sellers, seconds; and how many problems of each kind. */
const SIZES = [
  { size: [3, 5, 12, 8], seconds: 5, seeds: 3 },
  { size: [9, 8, 40, 20], seconds: 20, seeds: 2 },
  { size: [50, 8, 60, 40], seconds: 60, seeds: 1 },
]
const KINDS = ['even', 'log-normal', 'drawer']

/**
 * Casting and buying decided together, over three kinds of random rosters: how far the value is from the best anybody found
 * (`bestKnown.json`, which better values are written to), from the bound, and below casting first and buying after.
 */
export async function roster(tell) {
  const solve = await loadHighsSolver()
  const now = () => performance.now() / 1000
  const known = bestKnown()
  for (const { size, seconds, seeds } of SIZES)
    for (const [kind, name] of KINDS.entries())
      for (let seed = 1; seed <= seeds; seed++) {
        const draw = (limits) =>
          readRosterProblem(randomRoster(...size, seed, { kind, limits: { seconds, ...limits } }))
        const problem = draw({})
        const plan = planRoster(problem, { solve, solveAside, now })
        report(
          tell,
          known,
          `${size.join('x')} ${name} ${seed}`,
          problem,
          plan,
          buyAfter(problem, { solve, now })?.value ?? null,
        )
        // A budget that binds: three quarters of what was spent on goods and shipping.
        if (size[0] !== 9) continue
        const spent = plan.baskets.reduce((sum, one) => sum + one.goods + one.shipping + one.handling, 0)
        const budget = Math.round(spent * 0.75)
        if (budget === 0) continue
        const tight = draw({ budget })
        report(
          tell,
          known,
          `${size.join('x')} ${name} ${seed} for ${budget}`,
          tight,
          planRoster(tight, { solve, solveAside, now }),
          null,
        )
      }
  known.keep()
}

function report(tell, known, name, problem, plan, after) {
  const key = `roster ${name}`
  const { status, value } = plan
  const by = `plan of ${problem.limits.seconds} s`
  if (status !== 'impossible') known.offer(key, value, status === 'optimal' ? `${by}, proven` : by)
  const percent = (share) => `${Math.round(share * 1000) / 10} %`
  tell('cast a roster', plan.seconds, 's', {
    budget: problem.limits.seconds,
    problem: name,
    status: plan.status,
    value: plan.value,
    'over the best known': plan.status === 'impossible' ? '–' : percent(plan.value / known.of(key) - 1),
    'bound below': percent(plan.gap),
    ...(after === null ? {} : { 'cast first, buy after': after, below: percent(1 - plan.value / after) }),
  })
}
