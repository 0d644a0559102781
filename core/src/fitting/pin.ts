import type { Brief } from '../brief/index.ts'
import type { HouseRules } from '../roster/index.ts'
import type { Catalogue, Colour, Part, Placement, Print, Slot } from '../catalogue/index.ts'

export type Severity = 'problem' | 'notice' | 'hint'

/** Something one press puts right: the placements as they would be. */
export interface Remedy {
  label: string
  placements: Placement[]
}

/** A fitting remark stuck into one or more slots. */
export interface Pin {
  rule: string
  severity: Severity
  slots: Slot[]
  title: string
  /** The figures behind it, as in "Tar on Copper, ΔE 44". */
  detail: string
  /** Ways out, the best first; each is one press. */
  remedies: Remedy[]
}

/** What rules look at besides the placements. */
export interface FittingContext {
  catalogue: Catalogue
  /** Owned and free for this outfit, by part. */
  free: Readonly<Record<string, number>>
  /** What the outfit must show; null where nobody said. */
  brief?: Brief | null
  /** What the roster allows; exchange only unless told. */
  rules?: HouseRules
  /** Lowest single price by part, where it is known; home currency, minor units. */
  lowest?: Readonly<Record<string, number | null | undefined>>
}

export type Rule = (placements: readonly Placement[], context: FittingContext) => Pin[]

/** A worn part with what rules ask of it. */
export interface Worn {
  placement: Placement
  part: Part
  print: Print | undefined
  colour: Colour | undefined
}

/** The parts worn in a slot, innermost first. */
export function wornIn(placements: readonly Placement[], slot: Slot, { catalogue }: FittingContext): Worn[] {
  return placements
    .filter((placement) => placement.slot === slot)
    .sort((a, b) => a.order - b.order)
    .flatMap((placement) => {
      const part = catalogue.parts.get(placement.part)
      if (!part) return []
      return [
        {
          placement,
          part,
          print: part.print ? catalogue.prints.get(part.print) : undefined,
          colour: catalogue.colours.get(part.colours[0] ?? ''),
        },
      ]
    })
}
