import type { Placement } from '../catalogue/index.ts'
import { browsAgainstHair } from './browsAgainstHair.ts'
import { neckStack } from './neckStack.ts'
import type { FittingContext, Pin, Rule } from './pin.ts'
import { printRunsOn } from './printRunsOn.ts'
import { skinAgrees } from './skinAgrees.ts'

/** Every rule, in the order pins are listed in. */
const RULES: readonly Rule[] = [skinAgrees, neckStack, browsAgainstHair, printRunsOn]

/** All pins of an outfit, problems first. */
export function pinsOf(placements: readonly Placement[], context: FittingContext): Pin[] {
  const rank = { problem: 0, notice: 1, hint: 2 }
  return RULES.flatMap((rule) => rule(placements, context)).sort((a, b) => rank[a.severity] - rank[b.severity])
}
