import type { Placement } from '../catalogue/index.ts'
import type { FittingContext, Pin } from './pin.ts'
import { pinsOf } from './pinsOf.ts'

/** Remedies applied at most; more would be a figure of its own. */
const MOST = 20

/** What mending did: the outfit as it is then, and each remedy in words. */
export interface Mended {
  placements: Placement[]
  done: string[]
}

const WEIGHT = { problem: 100, notice: 10, hint: 1 } as const
const weigh = (pins: readonly Pin[]) => pins.reduce((sum, { severity }) => sum + WEIGHT[severity], 0)

/**
 * Apply the best remedies one after the other: always the one that leaves the least amiss, as long as one leaves less than
 * before, so that no remedy undoes another. `skip` keeps pins out, such as accepted ones. Deterministic.
 */
export function mendAll(
  placements: readonly Placement[],
  context: FittingContext,
  skip: (pin: Pin) => boolean = () => false,
): Mended {
  let now = [...placements]
  const done: string[] = []
  const open = (list: readonly Placement[]) => pinsOf(list, context).filter((pin) => !skip(pin))
  for (let round = 0; round < MOST; round++) {
    const pins = open(now)
    let least = weigh(pins)
    let best: { placements: Placement[]; label: string } | null = null
    for (const remedy of pins.flatMap(({ remedies }) => remedies)) {
      const left = weigh(open(remedy.placements))
      if (left < least) [least, best] = [left, remedy]
    }
    if (best === null) break
    now = best.placements
    done.push(best.label)
  }
  return { placements: now, done }
}
