import { mouldOf, type AlterationKind, type Part, type Placement, type Slot } from '../catalogue/index.ts'
import type { OwnAlteration } from '../roster/index.ts'
import { rulesOf, type FittingContext } from './pin.ts'

/** Slots whose pieces can be made shorter and still do what they are for. */
const SHORTENED: readonly Slot[] = ['headgear', 'neck', 'waist', 'lower', 'heldRight', 'heldLeft', 'beside']

/** What the house rules let be done to a worn part, and the part allows: no print can be removed where there is none. */
export function alterationsFor(placement: Placement, context: FittingContext): AlterationKind[] {
  const part = context.catalogue.parts.get(placement.part)
  if (!part) return []
  const { alterations, byOthers } = rulesOf(context)
  const fits: Readonly<Record<OwnAlteration, boolean>> = {
    'print-removed': part.print !== null,
    trimmed: SHORTENED.includes(placement.slot),
    cut: SHORTENED.includes(placement.slot),
    painted: true,
    sticker: true,
  }
  const copy = byOthers && mouldOf(context.catalogue, part).traits['maker'] !== 'other'
  return [...alterations.filter((kind) => fits[kind]), ...(copy ? (['by-others'] as const) : [])]
}

/**
 * What is lost when a part is altered for good: what such a part costs today, since it fetches less or nothing afterwards
 * and has to be declared. null where nobody sells one; home currency, minor units.
 */
export const valueLost = (part: Part, { lowest = {} }: FittingContext): number | null => lowest[part.code] ?? null
