import type { CastProblem } from './problem.ts'

/** A slot with its place in the forest of pair terms: parents come before their children. */
export interface Branch {
  slot: number
  /** Index into the order; -1 for a root. */
  parent: number
  children: number[]
  /** Earlier slots, by index into the order, whose pair term is no edge of the forest and is charged as it comes. */
  charged: number[]
}

/**
 * Order slots so that the heaviest pair terms form a forest (Kruskal on the largest penalty of each pair); a forest can be
 * bounded exactly, the other pairs are charged when both ends are chosen. O(slots² × classes²).
 */
export function forestOf(problem: CastProblem, classes: readonly (readonly number[])[]): Branch[] {
  const n = problem.slots.length
  const edges: { i: number; j: number; weight: number }[] = []
  for (let i = 0; i < n; i++)
    for (let j = i + 1; j < n; j++) {
      let weight = 0
      for (const a of classes[i]!) for (const b of classes[j]!) weight = Math.max(weight, problem.penalty(i, a, j, b))
      if (weight > 0) edges.push({ i, j, weight })
    }
  edges.sort((a, b) => b.weight - a.weight || a.i - b.i || a.j - b.j)
  const root = Array.from({ length: n }, (_, i) => i)
  const find = (i: number): number => (root[i] === i ? i : (root[i] = find(root[i]!)))
  const neighbours: number[][] = Array.from({ length: n }, () => [])
  const left: { i: number; j: number }[] = []
  for (const { i, j } of edges) {
    if (find(i) === find(j)) left.push({ i, j })
    else {
      root[find(i)] = find(j)
      neighbours[i]!.push(j)
      neighbours[j]!.push(i)
    }
  }
  const order: Branch[] = []
  const at = new Map<number, number>()
  const visit = (slot: number, parent: number) => {
    const index = order.length
    at.set(slot, index)
    order.push({ slot, parent, children: [], charged: [] })
    if (parent >= 0) order[parent]!.children.push(index)
    for (const next of neighbours[slot]!) if (!at.has(next)) visit(next, index)
  }
  // Slots that many terms hang on come first, since their choice decides most.
  const degree = (slot: number) => neighbours[slot]!.length
  for (const slot of [...root.keys()].sort((a, b) => degree(b) - degree(a) || a - b)) if (!at.has(slot)) visit(slot, -1)
  for (const { i, j } of left) {
    const [first, second] = [at.get(i)!, at.get(j)!].sort((a, b) => a - b)
    order[second!]!.charged.push(first!)
  }
  return order
}
