export interface SubgradientOptions {
  /** How boldly prices are changed at first; Polyak's step is 1. */
  stepScale: number
  /** After so many rounds without a gain they are changed half as boldly, from the best prices. */
  stallRounds: number
  /** Steps less bold than this change nothing that matters. */
  leastStepScale: number
}

/** A gain smaller than this share of the bound is none. */
const GAIN = 1e-5

/**
 * Prices that raise the bound of a Lagrangian relaxation, by subgradient steps (Polyak, USSR Computational Mathematics and
 * Mathematical Physics 9, 1969; Held, Wolfe and Crowder, Mathematical Programming 6, 1974). Each round the caller works out
 * the value at `prices` and what lacks of each constraint there, tells the value by `gains` and moves on by `step`.
 */
export class Subgradient {
  bound = -Infinity
  private best: Float64Array
  private stepScale: number
  private stalled = 0

  /** `prices` to begin from, which are changed; none falls below its `lowest`. */
  constructor(
    readonly prices: Float64Array,
    private readonly lowest: Float64Array,
    private readonly options: SubgradientOptions,
  ) {
    this.best = prices.slice()
    this.stepScale = options.stepScale
  }

  /** Whether steps have become too small to matter. */
  get spent(): boolean {
    return this.stepScale <= this.options.leastStepScale
  }

  /** Take in the value at the prices; whether it is the best bound so far. */
  gains(value: number): boolean {
    if (value <= this.bound) {
      this.stalled += 1
      return false
    }
    this.stalled = value > this.bound + Math.abs(this.bound) * GAIN ? 0 : this.stalled + 1
    this.bound = value
    this.best = this.prices.slice()
    return true
  }

  /** Begin again from the best prices, so boldly. */
  restart(stepScale: number): void {
    this.stepScale = stepScale
    this.stalled = 0
    this.prices.set(this.best)
  }

  /**
   * Raise the price of what lacks and lower that of what is left over, for a value below a known one; `lacking` is cleared of
   * what is left over at its lowest price. False where nothing lacks, so that no step raises the bound.
   */
  step(value: number, lacking: Float64Array, known: number): boolean {
    const { prices, lowest, options } = this
    if (this.stalled >= options.stallRounds) {
      this.restart(this.stepScale / 2)
      return true
    }
    let norm = 0
    for (let p = 0; p < prices.length; p++) {
      if (lacking[p]! < 0 && prices[p]! <= lowest[p]!) lacking[p] = 0
      norm += lacking[p]! * lacking[p]!
    }
    if (norm < 1e-9) return false
    const step = (this.stepScale * Math.max(known - value, 1)) / norm
    for (let p = 0; p < prices.length; p++) prices[p] = Math.max(lowest[p]!, prices[p]! + step * lacking[p]!)
    return true
  }
}
