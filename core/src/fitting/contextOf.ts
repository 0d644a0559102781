import type { Catalogue } from '../catalogue/index.ts'
import { houseRulesOf, type HouseRules, type OutfitDetail } from '../roster/index.ts'
import type { FittingContext } from './pin.ts'

/** The house rules an outfit is under: its school, what the roster changes, and what it does otherwise itself. */
export const houseRulesFor = ({
  roster,
  switches,
}: {
  roster: Pick<OutfitDetail['roster'], 'rules' | 'switches'>
  switches: OutfitDetail['switches']
}): HouseRules => houseRulesOf(roster.rules, roster.switches, switches)

/** What the rules look at when they check an outfit: all of it comes with the outfit but what the market and catalogue know. */
export function fittingContextOf(
  outfit: OutfitDetail,
  catalogue: Catalogue,
  market: Pick<FittingContext, 'lowest' | 'unmade'>,
): FittingContext {
  const { free, places, drawer, taken, brief, company, excluded } = outfit
  return {
    catalogue,
    free,
    places,
    drawer,
    taken,
    brief,
    company,
    rules: houseRulesFor(outfit),
    excluded: new Set(excluded),
    ...market,
  }
}
