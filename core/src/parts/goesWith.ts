import { COLOUR_LIMITS, colourDifference, differenceInWords } from '../colour/index.ts'
import {
  type Catalogue,
  type Colour,
  mouldOf,
  type Part,
  type PartKind,
  type Print,
  type Traits,
} from '../catalogue/index.ts'

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

/** How well the colours of two parts suit each other, 0 to 1, and why; the words are asked of the best only. */
interface ColourTerm {
  value: number
  reason: () => string
}

const saying = (deltaE: number, name: string) => {
  const words = differenceInWords(deltaE)
  return words === 'the same' ? `the same ${name}` : `${name} is ${words} (ΔE ${deltaE.toFixed(1)})`
}

/** The best match of a colour with a list of colours, the first of which is the main one. */
function clothTerm(own: readonly Colour[], main: Colour): ColourTerm | null {
  let best: ColourTerm | null = null
  for (const [i, colour] of own.entries()) {
    const deltaE = colourDifference(colour.hex, main.hex)
    // Picking up a colour of the print suits well, the main colour itself suits best.
    const value = closeness(deltaE) * (i === 0 ? 1 : 0.85)
    const reason = () => (i === 0 ? saying(deltaE, main.name) : `picks up the ${colour.name} of the print`)
    if (!best || value > best.value) best = { value, reason }
  }
  return best
}

/**
 * The colour term of one part with any other. Of a hundred thousand candidates there are a few hundred pairs of colours, so
 * that each pair is judged once.
 */
function colourTerms(
  by: Companion['by'],
  part: Part,
  print: Print | undefined,
  catalogue: Catalogue,
): (other: Part) => ColourTerm | null {
  const mainOf = ({ colours }: Part) => {
    for (const code of colours) if (catalogue.colours.has(code)) return catalogue.colours.get(code)
    return undefined
  }
  const once = (term: (a: Colour, b: Colour) => ColourTerm | null) => {
    const known = new Map<string, ColourTerm | null>()
    return (a: Colour | undefined, b: Colour | undefined) => {
      if (!a || !b) return null
      const key = `${a.code} ${b.code}`
      let found = known.get(key)
      if (found === undefined) known.set(key, (found = term(a, b)))
      return found
    }
  }
  const own = mainOf(part)
  if (by === 'cloth') {
    const all = [...(own ? [own] : []), ...printColours(print, catalogue)]
    const term = once((_, main) => clothTerm(all, main))
    return (other) => term(all[0], mainOf(other))
  }
  if (by === 'skin') {
    const term = once((a, b) => {
      if (a.family !== 'skin' || b.family !== 'skin') return null
      const deltaE = colourDifference(a.hex, b.hex)
      return { value: closeness(deltaE), reason: () => `skin: ${saying(deltaE, b.name)}` }
    })
    return (other) => term(own, mainOf(other))
  }
  const term = once((brows, strands) => {
    const deltaE = colourDifference(brows.hex, strands.hex)
    const reason = () => `${strands.name} hair, ${brows.name} brows: ${differenceInWords(deltaE)}`
    return { value: closeness(deltaE), reason }
  })
  const isHead = mouldOf(catalogue, part).kind === 'head'
  return (other) => {
    const [head, hair] = isHead ? [part, other] : [other, part]
    const mould = mouldOf(catalogue, hair)
    if (mould.traits['hair'] !== 'yes' || mould.traits['hat'] === 'yes') return null
    const face = isHead ? print : catalogue.prints.get(head.print ?? '')
    return term(catalogue.colours.get(face?.traits['brows'] ?? ''), mainOf(hair))
  }
}

/** Years apart within which parts are drawn alike. */
const SAME_TIME = 4

/**
 * Parts that go best with a part, by colour distance, by whether the print runs on, and by style (a shared crew, the
 * drawing style, years not far apart). Deterministic: equals by code. O(candidates), and `most` times that for the best.
 * `print` is the part's own with its layers, where the catalogue has only traits.
 */
export function goesWith(
  part: Part,
  companion: Companion,
  candidates: readonly Part[],
  catalogue: Catalogue,
  most = 6,
  print = part.print === null ? undefined : catalogue.prints.get(part.print),
): Match[] {
  const traitsOf = ({ print }: Part) => (print === null ? NONE : (catalogue.prints.get(print)?.traits ?? NONE))
  const own = print?.traits ?? NONE
  const colourOf = colourTerms(companion.by, part, print, catalogue)
  const best: Judged[] = []
  const judged = (other: Part): Judged | null => {
    if (other.code === part.code || !companion.kinds.includes(mouldOf(catalogue, other).kind)) return null
    const colour = colourOf(other)
    if (!colour) return null
    // Most are told by their colour alone, which saves looking their prints up.
    const atMost = colour.value * MATCH_WEIGHTS.colour + MATCH_WEIGHTS.runsOn + MATCH_WEIGHTS.style
    if (best.length === most && atMost < best.at(-1)!.score) return null
    const theirs = traitsOf(other)
    const runs = own['runsOn'] ?? theirs['runsOn']
    const runsOn = runs === undefined ? 0.5 : Number(own['runsOn'] === theirs['runsOn'])
    const crew = own['team'] !== undefined && own['team'] === theirs['team'] ? own['team'] : null
    const gap = part.year === null || other.year === null ? null : Math.abs(part.year - other.year)
    const sameStyle = (own['style'] ?? 'new') === (theirs['style'] ?? 'new')
    const style = crew !== null ? 1 : !sameStyle ? 0 : gap !== null && gap <= SAME_TIME ? 0.8 : 0.5
    const score = colour.value * MATCH_WEIGHTS.colour + runsOn * MATCH_WEIGHTS.runsOn + style * MATCH_WEIGHTS.style
    return { part: other, score, colour, runs, runsOn, crew, sameStyle }
  }
  for (const other of candidates) {
    const one = judged(other)
    if (!one || (best.length === most && !isBefore(one, best.at(-1)!))) continue
    best.splice(best.findLastIndex((better) => isBefore(better, one)) + 1, 0, one)
    if (best.length > most) best.pop()
  }
  return best.map((one) => ({ part: one.part, score: one.score, reasons: reasonsOf(one) }))
}

const NONE: Traits = {}

interface Judged {
  part: Part
  score: number
  colour: ColourTerm
  /** What the print of one of them carries on; undefined for neither. */
  runs: string | undefined
  runsOn: number
  /** The crew both are of. */
  crew: string | null
  sameStyle: boolean
}

const isBefore = (a: Judged, b: Judged): boolean =>
  a.score > b.score || (a.score === b.score && a.part.code < b.part.code)

function reasonsOf({ colour, runs, runsOn, crew, sameStyle }: Judged): string[] {
  const reasons = [
    [colour.value * MATCH_WEIGHTS.colour, colour.reason()],
    [runs !== undefined && runsOn ? MATCH_WEIGHTS.runsOn : 0, `carries the ${runs} on`],
    [crew !== null ? MATCH_WEIGHTS.style : 0, `the same ${crew} crew`],
    [!sameStyle ? 0.01 : 0, 'drawn in another style'],
    [runs !== undefined && !runsOn ? 0.01 : 0, `the ${runs} stops at the belt`],
  ] as const
  return reasons
    .filter(([weight]) => weight > 0)
    .sort(([a], [b]) => b - a)
    .map(([, reason]) => reason)
}
