import type { Placement } from '../catalogue/index.ts'
import type { AcceptedPin } from '../roster/index.ts'
import type { FittingContext, Pin, Rule } from './pin.ts'
import { abilitiesShown } from './rules/abilitiesShown.ts'
import { alterationsAllowed } from './rules/alterationsAllowed.ts'
import { asSold } from './rules/asSold.ts'
import { browsAgainstHair } from './rules/browsAgainstHair.ts'
import { byOthers } from './rules/byOthers.ts'
import { colourFamilies } from './rules/colourFamilies.ts'
import { donorIncomplete } from './rules/donorIncomplete.ts'
import { drawingStyles } from './rules/drawingStyles.ts'
import { excludedParts } from './rules/excludedParts.ts'
import { facesApart } from './rules/facesApart.ts'
import { hiddenPrint } from './rules/hiddenPrint.ts'
import { mainColours } from './rules/mainColours.ts'
import { neckOrder } from './rules/neckOrder.ts'
import { neckStack } from './rules/neckStack.ts'
import { neverMade } from './rules/neverMade.ts'
import { officialVersion } from './rules/officialVersion.ts'
import { onePartOneFigure } from './rules/onePartOneFigure.ts'
import { otherFace } from './rules/otherFace.ts'
import { printRunsOn } from './rules/printRunsOn.ts'
import { requirements } from './rules/requirements.ts'
import { samePersonSameHead } from './rules/samePersonSameHead.ts'
import { skinAgrees } from './rules/skinAgrees.ts'
import { skinTones } from './rules/skinTones.ts'
import { sleevesAgree } from './rules/sleevesAgree.ts'
import { spendingLimit } from './rules/spendingLimit.ts'
import { standsUp } from './rules/standsUp.ts'
import { symmetry } from './rules/symmetry.ts'
import { statureAgrees } from './rules/statureAgrees.ts'
import { statureInCompany } from './rules/statureInCompany.ts'
import { turnedTorso } from './rules/turnedTorso.ts'
import { valueAtRisk } from './rules/valueAtRisk.ts'
import { wholeFigure } from './rules/wholeFigure.ts'

/** Every rule, in the order pins are listed in. */
export const RULES = {
  byOthers,
  asSold,
  excludedParts,
  alterationsAllowed,
  skinTones,
  spendingLimit,
  requirements,
  wholeFigure,
  statureAgrees,
  skinAgrees,
  neckStack,
  neckOrder,
  turnedTorso,
  facesApart,
  samePersonSameHead,
  statureInCompany,
  browsAgainstHair,
  printRunsOn,
  sleevesAgree,
  symmetry,
  neverMade,
  valueAtRisk,
  standsUp,
  onePartOneFigure,
  donorIncomplete,
  drawingStyles,
  otherFace,
  mainColours,
  colourFamilies,
  hiddenPrint,
  officialVersion,
  abilitiesShown,
} satisfies Record<string, Rule>

const LIST: readonly Rule[] = Object.values(RULES)

/** All pins of an outfit, problems first. */
export function pinsOf(placements: readonly Placement[], context: FittingContext): Pin[] {
  const rank = { problem: 0, notice: 1, hint: 2 }
  return LIST.flatMap((rule) => rule(placements, context)).sort((a, b) => rank[a.severity] - rank[b.severity])
}

/** Whether somebody wants a pin as it is: the same pin, saying the same. It comes back when its cause changes. */
export const isAccepted = (
  pin: Pick<Pin, 'rule' | 'slots' | 'detail'>,
  accepted: readonly Pick<AcceptedPin, 'pin' | 'cause'>[],
): boolean => accepted.some((one) => one.pin === pinKey(pin) && one.cause === pin.detail)

/** A pin is known by its rule and place. */
export const pinKey = ({ rule, slots }: Pick<Pin, 'rule' | 'slots'>) => `${rule} ${slots.join(' ')}`
