import type { Aside, SolveAside } from '../solver/index.ts'
import { sourcingModel, type SourcingModel } from './model.ts'
import type { SourcingProblem } from './types.ts'

/**
 * The proof that goes on beside a search: first of the problem with sellers and bands alone whole (`SupplyOptions.sellersAlone`),
 * whose bound comes soon and lies little below, and whose points say from whom to buy; once that is solved, of the problem as
 * it is.
 */
export class Proof {
  private aside: Aside
  private model: SourcingModel
  private isWhole = false
  private proven = -Infinity
  private seen = ''

  constructor(
    problem: SourcingProblem,
    private readonly fewest: number,
    private readonly solveAside: SolveAside,
    private readonly left: () => number,
    private readonly gap: number,
  ) {
    this.model = sourcingModel(problem, 'cost', fewest, { sellersAlone: true })
    this.aside = this.solve()
  }

  /** No plan that leaves as few units unmet comes to less. */
  bound(): number {
    return Math.max(this.proven, this.aside.bound())
  }

  /** Sellers of the best point, where they are others than those told last. */
  sellers(): Set<string> | null {
    const point = this.aside.point()
    if (!point) return null
    const sellers = this.model.parcels.flatMap(({ seller, open }) => (point[open]! > 0.5 ? [seller] : []))
    const key = sellers.join(' ')
    if (key === this.seen) return null
    this.seen = key
    return new Set(sellers)
  }

  /** Go on with the problem as it is, or what of it can be in a better plan, where the first proof has ended. */
  goOn(within: () => SourcingProblem): void {
    if (this.isWhole || !this.aside.solved()) return
    this.stop()
    this.isWhole = true
    this.model = sourcingModel(within(), 'cost', this.fewest)
    this.aside = this.solve()
  }

  stop(): void {
    this.proven = this.bound()
    this.aside.stop()
  }

  private solve(): Aside {
    return this.solveAside(this.model.milp, { seconds: this.left(), gap: this.gap })
  }
}
