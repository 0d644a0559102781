import { mouldOf, type Catalogue, type Part, type Placement } from '../catalogue/index.ts'
import { putOn } from './putOn.ts'

/** Kinds that come in pairs and are shown as pairs. */
const PAIRS: readonly string[] = ['hand', 'wrist']

/** A part hung on a bare doll: an assembly as its components, what comes in pairs on both sides. */
export function wornAlone(part: Part, catalogue: Catalogue): Placement[] {
  if (part.components.length > 0)
    return putOn(
      part.components.map((component) => ({ part: component.part, qty: 1 })),
      catalogue,
    )
  return putOn([{ part: part.code, qty: PAIRS.includes(mouldOf(catalogue, part).kind) ? 2 : 1 }], catalogue)
}
