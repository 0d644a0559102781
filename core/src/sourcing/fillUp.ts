/** Goods to fill a parcel up with: what a step brings towards the aim, what it costs, and how many there are. */
export interface Filler {
  worth: number
  price: number
  stock: number
}

/** Most cells of the table a filling is looked for in, a few milliseconds; what needs more is filled up roughly first. */
const CELLS = 4_000_000

/**
 * Steps of each filler that are worth at least `target` together; null where all of them are not; worths are whole numbers.
 * At the least money where that takes no more than `CELLS` cells: a bounded knapsack over whole amounts (stocks split into
 * powers of two), O(fillers × log stock × target). Beyond that the best value for money is taken until the rest of the
 * target fits the table, which is then filled at the least money.
 */
export function fillUp(fillers: readonly Filler[], target: number): number[] | null {
  const rows = fillers.reduce((sum, { worth, stock }) => sum + (worth > 0 ? Math.log2(stock + 1) : 0), 1)
  const exact = Math.floor(CELLS / rows)
  if (target <= exact) return fillExactly(fillers, target)
  const rough = fillRoughly(fillers, target - exact)
  if (target - rough.worth > exact) return null
  const left = fillers.map((filler, i) => ({ ...filler, stock: filler.stock - rough.steps[i]! }))
  const rest = fillExactly(left, Math.max(0, target - rough.worth))
  return rest && rest.map((steps, i) => steps + rough.steps[i]!)
}

/** As much as there is of the best value for money, up to `target`; beyond it by one step at the most. */
function fillRoughly(fillers: readonly Filler[], target: number): { steps: number[]; worth: number } {
  const steps = fillers.map(() => 0)
  let worth = 0
  const rate = (i: number) => fillers[i]!.price / fillers[i]!.worth
  const order = [...fillers.keys()].filter((i) => fillers[i]!.worth > 0).sort((a, b) => rate(a) - rate(b))
  for (const i of order) {
    const { worth: each, stock } = fillers[i]!
    steps[i] = Math.max(0, Math.min(stock, Math.floor((target - worth) / each)))
    worth += steps[i]! * each
  }
  // What is left of each is worth more than what lacks: one step is enough.
  const last = worth < target ? order.find((i) => steps[i]! < fillers[i]!.stock) : undefined
  if (last !== undefined) {
    steps[last]! += 1
    worth += fillers[last]!.worth
  }
  return { steps, worth }
}

/** The same at the least money; time and memory go by rows × target. */
function fillExactly(fillers: readonly Filler[], target: number): number[] | null {
  const rows = fillers.flatMap(({ worth, price, stock }, filler) => {
    if (worth <= 0) return []
    // One, two, four, … steps at once, and what is left: together any number there is.
    const parts: { filler: number; steps: number; worth: number; price: number }[] = []
    for (let left = Math.min(stock, Math.ceil(target / worth)), steps = 1; left > 0; steps *= 2) {
      const taken = Math.min(left, steps)
      parts.push({ filler, steps: taken, worth: worth * taken, price: price * taken })
      left -= taken
    }
    return parts
  })
  /** The least money for each amount; what is worth more counts as the target. */
  const least = new Float64Array(target + 1).fill(Infinity)
  least[0] = 0
  /** Whether a row is part of that, by row and amount; and from which amount it reached the target. */
  const taken = new Uint8Array(rows.length * (target + 1))
  const from = new Int32Array(rows.length)
  rows.forEach(({ worth, price }, row) => {
    const at = row * (target + 1)
    for (let amount = target - 1; amount >= 0; amount--) {
      const spent = least[amount]! + price
      const to = amount + worth < target ? amount + worth : target
      if (!(spent < least[to]!)) continue
      least[to] = spent
      taken[at + to] = 1
      if (to === target) from[row] = amount
    }
  })
  if (least[target] === Infinity) return null
  const steps = fillers.map(() => 0)
  for (let row = rows.length - 1, amount = target; row >= 0; row--) {
    if (taken[row * (target + 1) + amount] === 0) continue
    steps[rows[row]!.filler]! += rows[row]!.steps
    amount = amount === target ? from[row]! : amount - rows[row]!.worth
  }
  return steps
}
