import { overHairOf } from '../anatomy/index.ts'
import { mouldOf, piecesWorn, type Catalogue, type Colour, type Placement, type Slot } from '../catalogue/index.ts'
import { AGREEMENT_LIMITS, browsDiffer, nearlyOneColour, printStops, showsMainColour, skinDiffers } from './agree.ts'

/** A garment as its neighbours see it: its main colour and what print runs on across the belt. */
interface Cloth {
  colour: string
  runsOn: string | null
  /** Legs rather than a skirt or gown. */
  trousers: boolean
}

/**
 * What parts of an outfit have to agree about, by colour code. Facts of parts put together are the facts of the outfit,
 * so that what two parts think of each other can be worked out for the pair alone.
 */
export interface Facts {
  skin: string[]
  brows: string[]
  hair: string[]
  hands: string[]
  torso: Cloth[]
  legs: Cloth[]
  neck: string[]
  /** Main colours besides skin, hair and what is held, each once. */
  mains: string[]
}

const noFacts = (): Facts => ({ skin: [], brows: [], hair: [], hands: [], torso: [], legs: [], neck: [], mains: [] })

export const NO_FACTS: Facts = noFacts()

/** Slots whose main colours are counted. */
const MAIN_SLOTS: readonly Slot[] = ['headgear', 'torso', 'legRight', 'lower', 'neck', 'waist']

/** Facts of some placements. O(placements). */
export function factsOf(placements: readonly Placement[], catalogue: Catalogue): Facts {
  const facts = noFacts()
  const hidesHair = placements.some(({ slot, part: code }) => {
    const part = slot === 'headgear' && catalogue.parts.get(code)
    return part && overHairOf(mouldOf(catalogue, part)) === 'hides'
  })
  const mains = new Set<string>()
  for (const { slot, placement, part } of piecesWorn(placements, catalogue)) {
    const { turned } = placement
    const colour = catalogue.colours.get(part.colours[0] ?? '')
    if (!colour) continue
    const traits = catalogue.prints.get(part.print ?? '')?.traits ?? {}
    const mould = mouldOf(catalogue, part)
    const cloth = {
      colour: colour.code,
      runsOn: turned ? null : (traits['runsOn'] ?? null),
      trousers: slot === 'legRight',
    }
    if (slot === 'head') {
      facts.skin.push(colour.code)
      if (traits['brows']) facts.brows.push(traits['brows'])
    } else if (slot === 'headgear') {
      if (mould.traits['hat'] !== 'yes' && mould.traits['hair'] === 'yes' && !hidesHair) facts.hair.push(colour.code)
    } else if (slot === 'handRight' || slot === 'handLeft') {
      if (colour.family === 'skin') facts.hands.push(colour.code)
    } else if (slot === 'torso') facts.torso.push(cloth)
    // Legs come in twos; one speaks for both.
    else if (slot === 'legRight' || slot === 'lower') facts.legs.push(cloth)
    else if (slot === 'neck') facts.neck.push(colour.code)
    // Sleeves and hips follow torso and legs, or are a pin of their own.
    if (MAIN_SLOTS.includes(slot) && colour.family !== 'skin' && showsMainColour(slot, mould)) mains.add(colour.code)
  }
  return { ...facts, mains: [...mains].sort() }
}

/** Facts of two heaps of parts worn together. */
export function together(a: Facts, b: Facts): Facts {
  return {
    skin: [...a.skin, ...b.skin],
    brows: [...a.brows, ...b.brows],
    hair: [...a.hair, ...b.hair],
    hands: [...a.hands, ...b.hands],
    torso: [...a.torso, ...b.torso],
    legs: [...a.legs, ...b.legs],
    neck: [...a.neck, ...b.neck],
    mains: [...new Set([...a.mains, ...b.mains])].sort(),
  }
}

/** Milli-points taken off an outfit for each thing its parts disagree about. */
export const DEDUCTIONS = {
  /** A bare hand that is not the head's skin; both hands cost twice. */
  skin: 3000,
  brows: 4000,
  runsOn: 4000,
  /** Two garments nearly, but not quite, in one colour, which reads as a mistake. */
  harmony: 1500,
  /** Each main colour beyond MAIN_COLOURS. */
  mains: 2000,
} as const

/** Main colours an outfit commonly has at most, besides skin and hair. */
export const MAIN_COLOURS = AGREEMENT_LIMITS.mainColours

export interface Deduction {
  rule: keyof typeof DEDUCTIONS
  milli: number
  words: string
}

/** What two heaps of parts, neither of which is in the other, hold against each other. Main colours are counted apart. */
export function deductionsBetween(a: Facts, b: Facts, catalogue: Catalogue): Deduction[] {
  return [...oneWay(a, b, catalogue), ...oneWay(b, a, catalogue)]
}

/** All deductions of an outfit. */
export function deductionsOf(facts: Facts, catalogue: Catalogue): Deduction[] {
  const beyond = facts.mains.length - MAIN_COLOURS
  return [
    ...oneWay(facts, facts, catalogue),
    ...(beyond > 0
      ? [
          {
            rule: 'mains' as const,
            milli: beyond * DEDUCTIONS.mains,
            words: `${facts.mains.length} main colours: ${facts.mains.map((code) => catalogue.colours.get(code)?.name ?? code).join(', ')}`,
          },
        ]
      : []),
  ]
}

/** What the parts of `a` named first hold against those of `b` named second. */
function oneWay(a: Facts, b: Facts, catalogue: Catalogue): Deduction[] {
  const found: Deduction[] = []
  const colour = (code: string) => catalogue.colours.get(code)
  const name = (code: string) => colour(code)?.name ?? code
  const differ = (rule: (one: Colour, two: Colour) => boolean, x: string, y: string) => {
    const [one, two] = [colour(x), colour(y)]
    return one !== undefined && two !== undefined && rule(one, two)
  }
  for (const skin of a.skin)
    for (const hand of b.hands)
      if (differ(skinDiffers, skin, hand))
        found.push({
          rule: 'skin',
          milli: DEDUCTIONS.skin,
          words: `a hand in ${name(hand)} under a head in ${name(skin)}`,
        })
  for (const brows of a.brows)
    for (const hair of b.hair)
      if (differ(browsDiffer, brows, hair))
        found.push({
          rule: 'brows',
          milli: DEDUCTIONS.brows,
          words: `brows in ${name(brows)} under hair in ${name(hair)}`,
        })
  for (const torso of a.torso) {
    for (const legs of b.legs) {
      // A skirt takes no print from above, and nobody expects it to.
      if (legs.trousers && printStops(torso.runsOn, legs.runsOn))
        found.push({ rule: 'runsOn', milli: DEDUCTIONS.runsOn, words: `the ${torso.runsOn} stops at the belt` })
      found.push(...nearMiss(torso.colour, legs.colour))
    }
    for (const neck of b.neck) found.push(...nearMiss(torso.colour, neck))
  }
  return found

  function nearMiss(x: string, y: string): Deduction[] {
    if (!differ(nearlyOneColour, x, y)) return []
    return [{ rule: 'harmony', milli: DEDUCTIONS.harmony, words: `${name(x)} beside ${name(y)} is nearly one colour` }]
  }
}
