import { COLOUR_LIMITS, colourDifference, differenceInWords } from '../colour/index.ts'
import { type Catalogue, type Colour, mouldOf, type Part, type PartKind, type Print } from '../catalogue/index.ts'

/** A kind of companion a part can have: what it is called, and the kinds of part looked through. */
export interface Companion {
  label: string
  kinds: readonly PartKind[]
  /** What decides: cloth beside cloth, skin against skin, or brows against hair. */
  by: 'cloth' | 'skin' | 'brows'
}

const LEGS: Companion = { label: 'Legs', kinds: ['leg-pair', 'lower'], by: 'cloth' }
const TORSOS: Companion = { label: 'Torsos', kinds: ['dressed-torso'], by: 'cloth' }
const HANDS: Companion = { label: 'Hands', kinds: ['hand'], by: 'skin' }
const HAIR: Companion = { label: 'Hair', kinds: ['headgear'], by: 'brows' }
const HEADS_BY_SKIN: Companion = { label: 'Heads', kinds: ['head'], by: 'skin' }
const HEADS_BY_BROWS: Companion = { label: 'Heads', kinds: ['head'], by: 'brows' }
const ARMS: Companion = { label: 'Arms', kinds: ['arm-right'], by: 'cloth' }

/** What each kind of part is matched with; things that are held, set down or hung round go with torsos. */
export const COMPANIONS_OF: Partial<Record<PartKind, readonly Companion[]>> = {
  headgear: [HEADS_BY_BROWS],
  head: [HAIR, HANDS],
  hand: [HEADS_BY_SKIN],
  torso: [LEGS, ARMS],
  'dressed-torso': [LEGS],
  'arm-left': [TORSOS],
  'arm-right': [TORSOS],
  hips: [TORSOS],
  'leg-left': [TORSOS],
  'leg-right': [TORSOS],
  'leg-pair': [TORSOS],
  lower: [TORSOS],
  neck: [TORSOS],
  waist: [LEGS, TORSOS],
  wrist: [TORSOS],
}

export interface Match {
  part: Part
  /** 0 to 1. */
  score: number
  /** Why, the weightiest first: "the same Quay Blue", "carries the coat on". */
  reasons: string[]
}

/**
 * How much each term can add to a score. Colour falls from 1 at a difference the eye calls the same to 0 at `FAR`
 * (CIEDE2000), in a straight line.
 */
export const MATCH_WEIGHTS = { colour: 0.6, runsOn: 0.25, style: 0.15 } as const
export const FAR = 30

const closeness = (deltaE: number) => Math.min(1, Math.max(0, (FAR - deltaE) / (FAR - COLOUR_LIMITS.same)))

/** Colours a print uses, by the codes its layers name. */
export function printColours(print: Print | undefined, catalogue: Catalogue): Colour[] {
  const codes = new Set([...(print?.front ?? []), ...(print?.back ?? [])].flatMap((layer) => Object.values(layer)))
  return [...codes].flatMap((code) => catalogue.colours.get(String(code)) ?? [])
}

interface ColourTerm {
  value: number
  reason: string
}

const saying = (deltaE: number, name: string) => {
  const words = differenceInWords(deltaE)
  return words === 'the same' ? `the same ${name}` : `${name} is ${words} (ΔE ${deltaE.toFixed(1)})`
}

/** The best match between two lists of colours, the first of each being the main one. */
function clothTerm(own: readonly Colour[], other: readonly Colour[]): ColourTerm | null {
  const [main] = other
  if (!main) return null
  let best: ColourTerm | null = null
  for (const [i, colour] of own.entries()) {
    const deltaE = colourDifference(colour.hex, main.hex)
    // Picking up a colour of the print suits well, the main colour itself suits best.
    const value = closeness(deltaE) * (i === 0 ? 1 : 0.85)
    const reason = i === 0 ? saying(deltaE, main.name) : `picks up the ${colour.name} of the print`
    if (!best || value > best.value) best = { value, reason }
  }
  return best
}

function colourTerm(by: Companion['by'], part: Part, other: Part, catalogue: Catalogue): ColourTerm | null {
  const printOf = ({ print }: Part) => (print === null ? undefined : catalogue.prints.get(print))
  const coloursOf = ({ colours }: Part) => colours.flatMap((code) => catalogue.colours.get(code) ?? [])
  if (by === 'cloth')
    return clothTerm([...coloursOf(part).slice(0, 1), ...printColours(printOf(part), catalogue)], coloursOf(other))
  if (by === 'skin') {
    const [a, b] = [coloursOf(part)[0], coloursOf(other)[0]]
    if (!a || !b || a.family !== 'skin' || b.family !== 'skin') return null
    const deltaE = colourDifference(a.hex, b.hex)
    return { value: closeness(deltaE), reason: `skin: ${saying(deltaE, b.name)}` }
  }
  const [head, hair] = mouldOf(catalogue, part).kind === 'head' ? [part, other] : [other, part]
  const brows = catalogue.colours.get(printOf(head)?.traits['brows'] ?? '')
  const strands = coloursOf(hair)[0]
  const mould = mouldOf(catalogue, hair)
  if (!brows || !strands || mould.traits['hair'] !== 'yes' || mould.traits['hat'] === 'yes') return null
  const deltaE = colourDifference(brows.hex, strands.hex)
  return { value: closeness(deltaE), reason: `${strands.name} hair, ${brows.name} brows: ${differenceInWords(deltaE)}` }
}

/** Years apart within which parts are drawn alike. */
const SAME_TIME = 4

/**
 * Parts that go best with a part, by colour distance, by whether the print runs on, and by style (a shared crew, the
 * drawing style, years not far apart). Deterministic: equals by code. O(candidates × colours).
 */
export function goesWith(
  part: Part,
  companion: Companion,
  candidates: readonly Part[],
  catalogue: Catalogue,
  most = 6,
): Match[] {
  const traitsOf = ({ print }: Part) => (print === null ? {} : (catalogue.prints.get(print)?.traits ?? {}))
  const own = traitsOf(part)
  const matches = candidates.flatMap((other): Match[] => {
    if (other.code === part.code || !companion.kinds.includes(mouldOf(catalogue, other).kind)) return []
    const colour = colourTerm(companion.by, part, other, catalogue)
    if (!colour) return []
    const theirs = traitsOf(other)
    const runs = own['runsOn'] ?? theirs['runsOn']
    const runsOn = runs === undefined ? 0.5 : Number(own['runsOn'] === theirs['runsOn'])
    const crew = own['team'] !== undefined && own['team'] === theirs['team']
    const gap = part.year === null || other.year === null ? null : Math.abs(part.year - other.year)
    const sameStyle = (own['style'] ?? 'new') === (theirs['style'] ?? 'new')
    const style = crew ? 1 : !sameStyle ? 0 : gap !== null && gap <= SAME_TIME ? 0.8 : 0.5
    const reasons = [
      [colour.value * MATCH_WEIGHTS.colour, colour.reason],
      [runs !== undefined && runsOn ? MATCH_WEIGHTS.runsOn : 0, `carries the ${runs} on`],
      [crew ? MATCH_WEIGHTS.style : 0, `the same ${own['team']} crew`],
      [!sameStyle ? 0.01 : 0, 'drawn in another style'],
      [runs !== undefined && !runsOn ? 0.01 : 0, `the ${runs} stops at the belt`],
    ] as const
    return [
      {
        part: other,
        score: colour.value * MATCH_WEIGHTS.colour + runsOn * MATCH_WEIGHTS.runsOn + style * MATCH_WEIGHTS.style,
        reasons: reasons
          .filter(([weight]) => weight > 0)
          .sort(([a], [b]) => b - a)
          .map(([, reason]) => reason),
      },
    ]
  })
  return matches.sort((a, b) => b.score - a.score || (a.part.code < b.part.code ? -1 : 1)).slice(0, most)
}
