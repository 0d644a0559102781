import type { Placement } from '../catalogue/index.ts'
import { browsAgainstHair } from './browsAgainstHair.ts'
import { hiddenPrint } from './hiddenPrint.ts'
import { keepsHouseRules } from './keepsHouseRules.ts'
import { mainColours } from './mainColours.ts'
import { neckOrder } from './neckOrder.ts'
import { neckStack } from './neckStack.ts'
import { otherFace } from './otherFace.ts'
import type { FittingContext, Pin, Rule } from './pin.ts'
import { printRunsOn } from './printRunsOn.ts'
import { requirements } from './requirements.ts'
import { skinAgrees } from './skinAgrees.ts'
import { sleevesAgree } from './sleevesAgree.ts'
import { standsUp } from './standsUp.ts'
import { turnedTorso } from './turnedTorso.ts'

/** Every rule, in the order pins are listed in. */
const RULES: readonly Rule[] = [
  keepsHouseRules,
  requirements,
  skinAgrees,
  neckStack,
  neckOrder,
  turnedTorso,
  browsAgainstHair,
  printRunsOn,
  sleevesAgree,
  standsUp,
  otherFace,
  mainColours,
  hiddenPrint,
]

/** All pins of an outfit, problems first. */
export function pinsOf(placements: readonly Placement[], context: FittingContext): Pin[] {
  const rank = { problem: 0, notice: 1, hint: 2 }
  return RULES.flatMap((rule) => rule(placements, context)).sort((a, b) => rank[a.severity] - rank[b.severity])
}
