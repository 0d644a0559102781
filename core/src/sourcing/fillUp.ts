/** Goods to fill a parcel up with: what a step brings towards the aim, what it costs, and how many there are. */
export interface Filler {
  worth: number
  price: number
  stock: number
}

interface Filling {
  spent: number
  filler: number
  before: Filling | null
}

/**
 * Steps of each filler, at the least money, that are worth at least `target` together; null where all of them are not. A
 * bounded knapsack over whole amounts, O(steps × target); worths are whole numbers.
 */
export function fillUp(fillers: readonly Filler[], target: number): number[] | null {
  /** The cheapest filling worth each amount; what is worth more counts as the target. */
  const best: (Filling | undefined)[] = [{ spent: 0, filler: -1, before: null }]
  fillers.forEach(({ worth, price, stock }, filler) => {
    if (worth <= 0) return
    for (let n = Math.min(stock, Math.ceil(target / worth)); n > 0; n--)
      for (let amount = target - 1; amount >= 0; amount--) {
        const before = best[amount]
        if (!before) continue
        const to = Math.min(target, amount + worth)
        const spent = before.spent + price
        if (!best[to] || spent < best[to].spent) best[to] = { spent, filler, before }
      }
  })
  if (!best[target]) return null
  const steps = fillers.map(() => 0)
  for (let filling = best[target]; filling.before; filling = filling.before) steps[filling.filler]! += 1
  return steps
}
