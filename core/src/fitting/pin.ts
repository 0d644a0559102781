import type { Brief } from '../brief/index.ts'
import { HOUSE_RULES, type Company, type HouseRules } from '../roster/index.ts'
import {
  piecesWorn,
  type Alteration,
  type Catalogue,
  type Colour,
  type Part,
  type Placement,
  type Print,
  type Slot,
} from '../catalogue/index.ts'
import type { Drawer } from '../drawer/index.ts'

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
  /** The usual care, where what the pin is about can hurt a hand or a part. */
  caution?: string
  /** Ways out, the best first; each is one press. Worked out when they are first asked for. */
  readonly remedies: readonly Remedy[]
}

/** A pin whose remedies are looked for only once somebody wants them: the tray asks for pins of hundreds of figures. */
export function pinned(pin: Omit<Pin, 'remedies'>, remedies: () => Remedy[] = () => []): Pin {
  let found: Remedy[] | null = null
  return {
    ...pin,
    get remedies() {
      return (found ??= remedies())
    },
  }
}

/** What rules look at besides the placements. */
export interface FittingContext {
  catalogue: Catalogue
  /** Owned and free for this outfit, by part. */
  free: Readonly<Record<string, number>>
  /** Where a free part lies, in words. */
  places?: Readonly<Record<string, string>>
  /** What the drawer has for this outfit: loose parts and donors. */
  drawer?: Drawer
  /** Names of other outfits that have an owned part this one wants too, by part. */
  taken?: Readonly<Record<string, readonly string[]>>
  /** What the outfit must show; null where nobody said. */
  brief?: Brief | null
  /** What the roster allows; exchange only unless told. */
  rules?: HouseRules
  /** Parts the house rules leave out because of where they come from. */
  excluded?: ReadonlySet<string>
  /** Parts that nothing released, offered or owned has: somebody drew or wished them. */
  unmade?: ReadonlySet<string>
  /** The other outfits of the roster; rules that look beyond one outfit are silent without them. */
  company?: Company
  /** Lowest single price by part, where it is known; home currency, minor units. */
  lowest?: Readonly<Record<string, number | null | undefined>>
}

export type Rule = (placements: readonly Placement[], context: FittingContext) => Pin[]

/** What the roster allows. */
export const rulesOf = ({ rules }: FittingContext): HouseRules => rules ?? HOUSE_RULES['exchange-only']

/** A worn part with what rules ask of it. */
export interface WornPart {
  placement: Placement
  /** As it looks when its alterations are done. */
  part: Part
  print: Print | undefined
  colour: Colour | undefined
}

/** The parts worn in a slot, innermost first. */
export function wornIn(
  placements: readonly Placement[],
  slot: Slot,
  { catalogue }: Pick<FittingContext, 'catalogue'>,
): WornPart[] {
  const there = placements.filter((placement) => placement.slot === slot)
  // Where something is worn it is that which is seen.
  return piecesWorn(there.length > 0 ? there : placements, catalogue)
    .filter((piece) => piece.slot === slot)
    .sort((a, b) => a.placement.order - b.placement.order)
    .map(({ placement, part }) => ({
      placement,
      part,
      print: part.print ? catalogue.prints.get(part.print) : undefined,
      colour: catalogue.colours.get(part.colours[0] ?? ''),
    }))
}

/** Alterations of a placement; none for a part as it was made. */
export const alterationsOf = ({ altered = [] }: Placement): readonly Alteration[] => altered

/** A placement in the name of a rule that looks at each by itself: its slot, and its place in a stack. */
export const placeKey = ({ slot, order }: Placement): string => (order > 0 ? `${slot}-${order}` : slot)
