import { comparedOf, type CastOptions, type CastPlan, type CastReport } from '@outfit/core/wardrobe'

type Money = (minor: number) => string

/** What stands against every plan, in words a person can act on, and the smallest change that would do. */
export interface Obstacle {
  words: string
  /** What to press, and what that changes. */
  mend: { label: string; change: Partial<CastOptions> } | null
}

/** Why a cast came to nothing. `names` are outfits by id. */
export function obstacleOf(
  { limit, outfit, would, why = '' }: Pick<CastPlan, 'limit' | 'outfit' | 'would' | 'why'>,
  { budget, floor, parcels, arriveBy }: CastOptions,
  names: ReadonlyMap<string, string>,
  money: Money,
): Obstacle {
  const who = names.get(outfit ?? '') ?? 'somebody'
  if (limit === 'budget' && would !== undefined && budget !== null)
    return {
      words: `All of that cannot be had for ${money(budget)}; ${money(would)} would do.`,
      mend: { label: `Spend up to ${money(would)}`, change: { budget: would } },
    }
  if (limit === 'parcels' && would !== undefined && parcels !== null)
    return {
      words: `All of that does not come in ${parcelsOf(parcels)}; ${would} would do.`,
      mend: { label: `Allow ${parcelsOf(would)}`, change: { parcels: would } },
    }
  if (limit === 'arriveBy' && arriveBy !== null)
    return {
      words: `Not everything for ${who} can be here in ${daysOf(arriveBy)}${would === undefined ? '' : `; ${daysOf(would)} would do`}.`,
      mend: would === undefined ? null : { label: `Wait ${daysOf(would)}`, change: { arriveBy: would } },
    }
  if (limit === 'faces')
    return {
      words: `${who} finds no face of its own among those that can be had.`,
      mend: { label: 'Let faces be alike', change: { facesDiffer: false } },
    }
  if (would !== undefined && outfit !== undefined) {
    const most = Math.floor(would / 1000)
    return {
      words: `${who} cannot come to a likeness of ${floor} with what can be had; the most is ${most}.`,
      mend: { label: `Ask for ${most}`, change: { floor: Math.max(0, most) } },
    }
  }
  // Outfits are named by their ids in what the solver says.
  const said = [...names].reduce((words, [id, name]) => words.replaceAll(`outfit ${id}`, name), why)
  return { words: `${said.charAt(0).toUpperCase()}${said.slice(1)}.`, mend: null }
}

const parcelsOf = (n: number) => (n === 1 ? 'one parcel' : `${n} parcels`)
const daysOf = (n: number) => (n === 1 ? 'one day' : `${n} days`)

/** Mean likeness as it is written. */
export const meanPoints = (likeness: number, outfits: number): string =>
  (likeness / Math.max(1, outfits) / 1000).toFixed(1)

/** How good a plan is proven to be. */
export function provenInWords({ status, value, bound }: CastPlan, money: Money): string {
  if (status === 'optimal') return 'Proven: nothing comes to less all in all.'
  return `At most ${money(Math.max(0, value - bound))} could still be saved all in all; more is not proven.`
}

/** What the joint cast brings, in one sentence; ways that leave something unbought are no comparison. */
export function findingOf({ plans, asTheyAre, castFirst, now }: CastReport, money: Money): string {
  const [plan] = plans
  if (!plan) return ''
  const { spending, likeness } = comparedOf(plan)
  const gain = (likeness - now.reduce((sum, one) => sum + one.likeness, 0)) / 1000 / Math.max(1, now.length)
  const points =
    Math.abs(gain) < 0.05
      ? ''
      : `, ${Math.abs(gain).toFixed(1)} points ${gain > 0 ? 'more' : 'less'} like their briefs on average`
  const found = [
    ...(asTheyAre?.unmet === 0 ? [`${difference(asTheyAre.spending - spending, money)} as they are${points}`] : []),
    ...(castFirst ? [`${difference(castFirst.spending - spending, money)} cast one by one and bought afterwards`] : []),
  ].join('; ')
  return found === '' ? '' : `${found.charAt(0).toUpperCase()}${found.slice(1)}.`
}

const difference = (saved: number, money: Money) =>
  saved === 0 ? 'the same money as' : saved > 0 ? `${money(saved)} less than` : `${money(-saved)} more than`
