import {
  isWhole,
  mouldOf,
  TAKING_APART,
  type Catalogue,
  type Level,
  type Part,
  type Placement,
  type Slot,
} from '../catalogue/index.ts'
import { SLOT_FACTS } from './slots.ts'
import { takeOff, wear } from './wear.ts'

/** One way of dressing a row of the spine: what may be picked, and which slots a pick fills. */
export interface Dressing {
  key: string
  label: string
  /** The slot whose parts are candidates, and whose surroundings show them. */
  slot: Slot
  /** Every slot a pick fills, and which taking off clears. */
  slots: readonly Slot[]
  /** Whole assemblies, atomic parts, or a part that is put on both sides. */
  pick: 'assembly' | 'atomic' | 'both-sides'
}

const single = (slot: Slot, label = SLOT_FACTS[slot].label): Dressing => ({
  key: slot,
  label,
  slot,
  slots: [slot],
  pick: 'atomic',
})

/** The ways to dress each row of the spine, the usual one first. */
export const DRESSINGS: Readonly<Record<string, readonly Dressing[]>> = {
  headgear: [single('headgear')],
  head: [single('head')],
  face: [single('face')],
  neck: [single('neck')],
  torso: [
    {
      key: 'dressed',
      label: 'With sleeves and mitts',
      slot: 'torso',
      slots: ['torso', 'armRight', 'armLeft', 'handRight', 'handLeft'],
      pick: 'assembly',
    },
    single('torso', 'Torso alone'),
  ],
  arms: [
    { key: 'both-arms', label: 'Both', slot: 'armRight', slots: ['armRight', 'armLeft'], pick: 'both-sides' },
    single('armRight', 'Right'),
    single('armLeft', 'Left'),
  ],
  hands: [
    { key: 'both-hands', label: 'Both', slot: 'handRight', slots: ['handRight', 'handLeft'], pick: 'both-sides' },
    single('handRight', 'Right'),
    single('handLeft', 'Left'),
  ],
  wrists: [
    { key: 'both-wrists', label: 'Both', slot: 'wristRight', slots: ['wristRight', 'wristLeft'], pick: 'both-sides' },
    single('wristRight', 'Right'),
    single('wristLeft', 'Left'),
  ],
  waist: [single('waist')],
  legs: [
    {
      key: 'pair',
      label: 'Pair',
      slot: 'hips',
      slots: ['hips', 'legRight', 'legLeft', 'lower'],
      pick: 'assembly',
    },
    single('lower', 'Skirt'),
    single('hips', 'Hips'),
    single('legRight', 'Right leg'),
    single('legLeft', 'Left leg'),
  ],
  feet: [single('feet')],
  heldRight: [single('heldRight')],
  heldLeft: [single('heldLeft')],
  beside: [single('beside')],
}

/**
 * Whether things are taken apart far enough for a way of dressing: a hand by itself takes its pulling, whole assemblies and
 * whatever is not joined take none. A row such as the hands may be left with none at all.
 */
export function isAllowed({ slot, pick }: Dressing, takingApart: Level): boolean {
  return pick === 'assembly' || (TAKING_APART[slot] ?? 0) <= takingApart
}

/**
 * The same part for the figure's other side: as it is when it fits there, else its mirrored twin; null when none was made.
 * Twins have the same colours, print and traits of their moulds. Not everybody calls both sides by one name, so that among
 * those the one whose name has most words in common is taken; equals by code. O(parts), once for a part of a catalogue.
 */
export function otherSideOf(part: Part, slot: Slot, catalogue: Catalogue): Part | null {
  const { accepts } = SLOT_FACTS[slot]
  const fits = (candidate: Part) => accepts.includes(mouldOf(catalogue, candidate).kind)
  if (fits(part)) return part
  let known = TWINS.get(catalogue)
  if (!known) TWINS.set(catalogue, (known = new WeakMap()))
  let twins = known.get(part)
  if (!twins) known.set(part, (twins = new Map()))
  let twin = twins.get(slot)
  if (twin === undefined) twins.set(slot, (twin = twinOf(part, fits, catalogue)))
  return twin
}

const TWINS = new WeakMap<Catalogue, WeakMap<Part, Map<Slot, Part | null>>>()

function twinOf(part: Part, fits: (candidate: Part) => boolean, catalogue: Catalogue): Part | null {
  const traitsOf = (p: Part) => JSON.stringify(Object.entries(mouldOf(catalogue, p).traits).sort())
  const look = (p: Part) => `${p.print}|${p.colours.join('+')}`
  const wordsOf = (p: Part) =>
    new Set(
      p.name
        .toLowerCase()
        .split(/[^\p{L}\p{N}]+/u)
        .filter(Boolean),
    )
  const [wanted, traits, words] = [look(part), traitsOf(part), wordsOf(part)]
  let best: { part: Part; alike: number } | null = null
  for (const candidate of catalogue.parts.values()) {
    if (look(candidate) !== wanted || !fits(candidate) || traitsOf(candidate) !== traits) continue
    const own = wordsOf(candidate)
    const common = [...own].filter((word) => words.has(word)).length
    const alike = candidate.name === part.name ? 2 : common / (own.size + words.size - common)
    if (!best || alike > best.alike || (alike === best.alike && candidate.code < best.part.code))
      best = { part: candidate, alike }
  }
  return best?.part ?? null
}

/** Whether a part can be picked in this way of dressing. */
export function canPick(dressing: Dressing, part: Part, catalogue: Catalogue): boolean {
  return isWhole(part, catalogue) === (dressing.pick === 'assembly')
}

/** Dress with a picked part. A stack takes each part once; a missing other side is left as it is. */
export function dress(
  placements: readonly Placement[],
  dressing: Dressing,
  part: Part,
  catalogue: Catalogue,
): Placement[] {
  const { slot, slots, pick } = dressing
  if (SLOT_FACTS[slot].stack && placements.some((p) => p.slot === slot && p.part === part.code && !p.made))
    return [...placements]
  if (pick !== 'both-sides') return wear(placements, slot, part, catalogue)
  return slots.reduce(
    (list, side) => {
      const twin = otherSideOf(part, side, catalogue)
      return twin ? wear(list, side, twin, catalogue) : list
    },
    [...placements],
  )
}

/** Whether every part this pick would put on is worn already. */
export function isDressed(placements: readonly Placement[], dressing: Dressing, part: Part): boolean {
  const worn = (slot: Slot, code: string) => placements.some((p) => p.slot === slot && p.part === code && !p.made)
  if (part.components.length > 0) return part.components.every((component) => worn(component.slot, component.part))
  return worn(dressing.slot, part.code)
}

/** Take off all that this way of dressing fills. */
export function undress(placements: readonly Placement[], dressing: Dressing): Placement[] {
  return dressing.slots.reduce((list, slot) => takeOff(list, slot), [...placements])
}
