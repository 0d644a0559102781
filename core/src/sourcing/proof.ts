import type { Aside, SolveAside } from '../solver/index.ts'
import { sourcingModel, type SourcingModel } from './model.ts'
import type { SourcingProblem } from './types.ts'

/** How far from whole a value counts as in parts. */
const IN_PARTS = 1e-5

/** What a proof goes on with. */
export interface ProofWork {
  /** The problem, or what of it can be in a better plan than the best so far. */
  problem: SourcingProblem
  /** What the best plan so far comes to, where it leaves no more unmet than has to be. */
  known: number | undefined
}

/**
 * The proof that goes on beside a search: first of the problem with sellers and bands alone whole (`SupplyOptions.sellersAlone`),
 * whose bound comes soon and lies little below, and whose points say from whom to buy. What its best point buys in parts is made
 * whole, and it is solved again, until that point buys nothing in parts; then the problem as it is. Few offers are ever in parts, and
 * which they are cannot be told before: to ask for all to be whole at once takes many times as long.
 */
export class Proof {
  private aside: Aside
  private model: SourcingModel
  private readonly whole = new Set<string>()
  private isLast = false
  private proven = -Infinity
  private seen = ''

  constructor(
    private problem: SourcingProblem,
    private readonly fewest: number,
    solveAside: SolveAside,
    private readonly left: () => number,
    private readonly gap: number,
  ) {
    this.model = this.relaxed()
    this.aside = this.solve(solveAside)
  }

  /** No plan that leaves as few units unmet comes to less. */
  bound(): number {
    return Math.max(this.proven, this.aside.bound())
  }

  /** Sellers of the best point, where they are others than those told last. */
  sellers(): Set<string> | null {
    const point = this.point()
    if (!point) return null
    const sellers = this.model.parcels.flatMap(({ seller, open }) => (point[open]! > 0.5 ? [seller] : []))
    const key = sellers.join(' ')
    if (key === this.seen) return null
    this.seen = key
    return new Set(sellers)
  }

  /** Whether what was asked is solved, and there is more to ask. */
  get isReady(): boolean {
    return !this.isLast && this.aside.solved()
  }

  /** Go on with more of it whole where what was asked is solved. */
  goOn(work: () => ProofWork): void {
    if (!this.isReady) return
    const point = this.point()
    const inParts = this.problem.offers.filter((_, o) => {
      const bought = point?.[this.model.steps[o]![0]!] ?? 0
      return Math.abs(bought - Math.round(bought)) > IN_PARTS
    })
    for (const { id } of inParts) this.whole.add(id)
    this.isLast = inParts.length === 0
    this.proceed(work())
  }

  /** Begin anew with a plan so much better that it is sooner proven from there, unless what was asked is solved. */
  anew(work: () => ProofWork): void {
    if (this.isLast || this.aside.solved()) return
    this.proceed(work())
  }

  private proceed({ problem, known }: ProofWork): void {
    this.proven = this.bound()
    this.problem = problem
    this.model = this.isLast ? sourcingModel(problem, 'cost', this.fewest, { known }) : this.relaxed(known)
    this.aside = this.solve(this.aside.next)
  }

  stop(): void {
    this.proven = this.bound()
    this.aside.stop()
  }

  /** The best point so far, unless it is the plan that was known. */
  private point(): readonly number[] | null {
    const point = this.aside.point()
    const { known } = this.model
    return point && (known === null || point[known]! < 0.5) ? point : null
  }

  private relaxed(known?: number): SourcingModel {
    return sourcingModel(this.problem, 'cost', this.fewest, { sellersAlone: true, whole: this.whole, known })
  }

  private solve(solveAside: SolveAside): Aside {
    const { known, milp } = this.model
    const start = known === null ? {} : { start: milp.columns.map((_, c) => (c === known ? 1 : 0)), proveOnly: true }
    return solveAside(milp, { seconds: this.left(), gap: this.gap / 2, ...start })
  }
}
