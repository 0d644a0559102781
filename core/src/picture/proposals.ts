import {
  PLACE_FACTS,
  sameWish,
  traitNamed,
  withWishes,
  type BriefWish,
  type Place,
  type Stature,
} from '../brief/index.ts'
import { COLOUR_LIMITS, colourDifference, nearestColours, type NearColour } from '../colour/index.ts'
import type { Colour } from '../catalogue/index.ts'
import { areApart } from './limbs.ts'
import { mayBeSkin } from './skin.ts'
import type { PictureReading } from './readPicture.ts'
import type { Zone, ZoneColour } from './zones.ts'

/** A wish the picture speaks for. */
export interface Proposal {
  wish: BriefWish
  /** What was seen, as #RRGGBB; null for what is no colour. */
  seen: string | null
  /** The nearest of the palette; empty for what is no colour. */
  nearest: NearColour<Colour>[]
}

/** What a picture says of how tall somebody is; null where it says nothing. */
export interface StatureProposal {
  stature: Stature
  because: string
}

/** Colours of the palette offered for one that was seen. */
const OFFERED = 3
/** From this difference on no colour of the palette is what was seen, and the wish is for the picture's own. */
const BEYOND_PALETTE = 12
/** A second colour of a torso of at least so much of it is told. */
const SECOND_COLOUR = 0.25

/** The wishes a reading speaks for, from the head down. `palette` is what there are parts in. */
export function proposalsOf({ zones, sleeves, gloved, boots }: PictureReading, palette: readonly Colour[]): Proposal[] {
  const found: Proposal[] = []
  const colour = (place: Place, trait: string, weight: BriefWish['weight'], ...from: Zone[]) => {
    const seen = from.flatMap((zone) => zones[zone]?.[0] ?? []).sort((a, b) => b.share - a.share)[0]
    if (!seen) return
    const nearest = nearestColours(seen.hex, palette).slice(0, OFFERED)
    const best = nearest[0]
    const target = best && best.deltaE <= BEYOND_PALETTE ? best.colour.hex : seen.hex
    found.push({
      wish: { place, trait, target: target.toUpperCase(), weight },
      seen: seen.hex,
      nearest,
    })
  }
  const value = (place: Place, trait: string, target: string | null, weight: BriefWish['weight']) => {
    if (target !== null) found.push({ wish: { place, trait, target, weight }, seen: null, nearest: [] })
  }
  const hair = zones.hair?.[0]
  const face = zones.face?.[0]
  // A bald head shows its skin where hair would be.
  const isSkin = face !== undefined && mayBeSkin(face.lab)
  if (hair && isSkin && !areApart(hair, face)) value('headgear', 'hairLength', 'none', 'nice')
  else colour('headgear', 'colour', 'matters', 'hair')
  // A mask, a beard or a brim tells nothing of the skin.
  if (isSkin) colour('head', 'skin', 'matters', 'face')
  colour('torso', 'colour', 'matters', 'torso')
  value('torso', 'sleeve', sleeves, 'matters')
  if (!isBare(zones.sleeveRight ?? zones.sleeveLeft, face))
    colour('arms', 'colour', 'matters', 'sleeveRight', 'sleeveLeft')
  if (gloved) {
    value('hands', 'glove', 'yes', 'matters')
    colour('hands', 'colour', 'matters', 'handRight', 'handLeft')
  }
  colour('legs', 'colour', 'matters', 'legRight', 'legLeft')
  if (boots !== null && boots !== 'plain') {
    value('legs', 'boot', boots, 'nice')
    colour('legs', 'bootColour', 'matters', 'bootRight', 'bootLeft')
  }
  const [right, left] = [zones.heldRight, zones.heldLeft]
  if (right || left) colour('held', 'colour', 'nice', 'heldRight', 'heldLeft')
  return found
}

const isBare = (sleeve: readonly ZoneColour[] | undefined, face: ZoneColour | undefined) =>
  sleeve?.[0] !== undefined && face !== undefined && !areApart(sleeve[0], face)

/** What the reading shows that no wish can say, in words for the notes. */
export function asideOf({ zones, twoTone }: PictureReading, nameOf: (hex: string) => string): string[] {
  const words: string[] = []
  const second = zones.torso?.[1]
  if (second && second.share >= SECOND_COLOUR) words.push(`a good part of the torso in ${nameOf(second.hex)}`)
  const [right, left] = [zones.legRight?.[0], zones.legLeft?.[0]]
  if (twoTone && right && left) words.push(`right leg in ${nameOf(right.hex)}, left leg in ${nameOf(left.hex)}`)
  const [inRight, inLeft] = [zones.heldRight?.[0], zones.heldLeft?.[0]]
  if (inRight && inLeft) words.push(`in the right hand ${nameOf(inRight.hex)}, in the left hand ${nameOf(inLeft.hex)}`)
  return words
}

/** A head of more than this share of the height is a doll's, not a child's. */
const DOLL_HEADS = 4.6
/** So many heads high somebody is who is grown up; fewer may be how the picture is drawn. */
const GROWN = 6.2
/** Legs of our doll for its torso: short, middle, full. */
const DOLL_LEGS: readonly (readonly [below: number, Stature])[] = [
  [0.5, 'short'],
  [0.67, 'middle'],
  [Infinity, 'full'],
]
/** Heights in one picture for the tallest there, and what is called so. */
const BESIDE_OTHERS: readonly (readonly [below: number, Stature])[] = [
  [0.74, 'short'],
  [0.9, 'middle'],
  [Infinity, 'full'],
]

/**
 * How tall somebody is by a picture: beside others in it, `height` being of the tallest; else by proportion, where that says
 * anything: a picture of a doll by its legs, a person of more than six heads as grown up.
 */
export function statureOf({ heads, outline }: PictureReading, height: number | null): StatureProposal | null {
  if (height !== null) {
    const stature = BESIDE_OTHERS.find(([below]) => height < below)![1]
    return {
      stature,
      because:
        height < 1 ? `${Math.round(height * 100)} % of the tallest in the picture` : 'the tallest in the picture',
    }
  }
  if (heads < DOLL_HEADS) {
    const shoulder = (outline.shoulderRight.y + outline.shoulderLeft.y) / 2
    const legs = (outline.soles.y - outline.hip.y) / (outline.hip.y - shoulder)
    return { stature: DOLL_LEGS.find(([below]) => legs < below)![1], because: 'legs as long as that for the torso' }
  }
  return heads >= GROWN ? { stature: 'full', because: `${heads.toFixed(1)} heads high` } : null
}

/** A proposal in words: "Headgear: colour", "Torso: sleeves short". */
export function proposalWords({ wish: { place, trait, target }, seen }: Proposal): string {
  const { label, kind } = traitNamed(trait)
  return `${PLACE_FACTS[place].label}: ${label}${seen === null && kind !== 'yes-no' ? ` ${target}` : ''}`
}

/** Wishes with some of a picture in place of what they said of the same; how much that matters stays. */
export const withProposals = (wishes: readonly BriefWish[], proposals: readonly Proposal[]): BriefWish[] =>
  withWishes(
    wishes,
    proposals.map(({ wish }) => ({
      ...wish,
      weight: wishes.find((own) => sameWish(own, wish))?.weight ?? wish.weight,
    })),
  )

/** Whether what a picture shows is wished for already: the very target, or a colour nobody tells from the one that was seen. */
export function isWished(wishes: readonly BriefWish[], { wish, seen }: Proposal): boolean {
  const own = wishes.find((one) => sameWish(one, wish))
  if (!own) return false
  if (own.target.toUpperCase() === wish.target.toUpperCase()) return true
  return seen !== null && colourDifference(own.target, seen) <= COLOUR_LIMITS.same
}
