import { blocksIn, groupsOf, levelOf, type Piece } from '../anatomy/index.ts'
import { partLabel, SLOTS, type Catalogue, type Level, type Placement, type Slot } from '../catalogue/index.ts'
import type { Donor, Source } from '../drawer/index.ts'
import { assembliesWith, CAUTIONS_OF, FITTING_LIMITS, type Caution } from '../fitting/index.ts'

/** What makes a step worth special care: nobody sells the part and there is no other, it is dear, or it is under stress. */
export type Care = 'only-one' | 'dear' | 'stress'

/** One thing to do at the workbench. */
export interface Step {
  /** The same step of the same outfit keeps its key. */
  key: string
  /** "Take Parade drummer apart: pull the arms". */
  title: string
  /** What is handled, by part and slot. */
  pieces: { part: string; slot: Slot }[]
  cautions: Caution[]
  care: Care[]
  /** What is at risk, home currency, minor units; null where nothing is or nobody sells it. */
  atRisk: number | null
}

/** What is known about the parts of an outfit that is to be built. */
export interface StepsContext {
  catalogue: Catalogue
  /** Donors as they stand before. */
  donors: readonly Donor[]
  /** How many of each part are owned in all. */
  owned: Readonly<Record<string, number>>
  /** Lowest single prices, home currency, minor units. */
  prices: Readonly<Record<string, number | null | undefined>>
}

/** How far a donor is taken apart for some of its pieces: the least level at which no group is given in part. */
export function levelFor(pieces: readonly Piece[], given: readonly Piece[]): Level {
  const levels: readonly Level[] = [1, 2, 3, 4]
  const isWhole = (level: Level) =>
    groupsOf(pieces, level).every(
      (group) => group.every((p) => given.includes(p)) || !group.some((p) => given.includes(p)),
    )
  return levels.find(isWhole) ?? 4
}

/** What a donor is taken apart to, in words. */
const LEVEL_WORDS: Readonly<Record<Level, string>> = {
  0: 'keep it as it is',
  1: 'into headgear, head, torso and legs',
  2: 'pull the hands',
  3: 'pull the arms',
  4: 'pull the legs off the hips',
  5: 'alter it',
}

/** Slots handled together when a figure is put together, in building order. What is on the neck goes on before the head. */
const ORDER: readonly { key: string; title: string; slots: readonly Slot[] }[] = [
  { key: 'legs', title: 'Legs onto the hips', slots: ['hips', 'legRight', 'legLeft'] },
  { key: 'arms', title: 'Arms into the torso', slots: ['armRight', 'armLeft'] },
  { key: 'hands', title: 'Hands into the arms', slots: ['handRight', 'handLeft'] },
  { key: 'waist', title: 'Round the waist', slots: ['waist'] },
  { key: 'torso', title: 'Torso onto what carries it', slots: ['torso', 'lower'] },
  { key: 'neck', title: 'Round the neck, from the bottom', slots: ['neck'] },
  { key: 'head', title: 'Head onto the neck', slots: ['head'] },
  { key: 'face', title: 'On the face', slots: ['face'] },
  { key: 'wrists', title: 'Round the wrists', slots: ['wristRight', 'wristLeft'] },
  { key: 'held', title: 'Into the hands', slots: ['heldRight', 'heldLeft'] },
  { key: 'hair', title: 'Headgear, last of all on the figure', slots: ['headgear'] },
  { key: 'feet', title: 'Under the feet', slots: ['feet'] },
  { key: 'beside', title: 'Beside it', slots: ['beside'] },
]

const SLEEVES: readonly Slot[] = ['torso', 'armRight', 'armLeft', 'handRight', 'handLeft']
const TROUSERS: readonly Slot[] = ['hips', 'legRight', 'legLeft']

/**
 * The steps of building an outfit in order: donors apart, the least first; what is altered; legs; arms before hands; torso;
 * the neck from the bottom; head; headgear last; then what is under the feet and beside. `sources` say where each
 * placement comes from; what is made of several parts is put together before it is worn; what is lacking is left out of the steps.
 */
export function buildingSteps(
  placements: readonly Placement[],
  sources: readonly Source[],
  context: StepsContext,
): Step[] {
  const present = placements.map((placement, i) => ({ placement, source: sources[i] })).filter(({ source }) => source)
  const apart = context.donors.flatMap((donor) => {
    const wanted = present.filter(({ source }) => source?.donor === donor.code).map(({ placement }) => placement)
    return wanted.length > 0 ? [takeApart(donor, wanted, context)] : []
  })
  apart.sort((a, b) => a.level - b.level || (a.step.key < b.step.key ? -1 : 1))
  const altered = present.flatMap(({ placement }): Step[] => {
    const open = (placement.altered ?? []).filter(({ kind, final }) => kind !== 'by-others' && !final)
    if (open.length === 0) return []
    return [
      {
        key: `alter ${placement.slot} ${placement.order}`,
        title: `Alter it for good: ${open.map(({ kind }) => kind.replace('-', ' ')).join(', ')}`,
        pieces: [{ part: placement.part, slot: placement.slot }],
        cautions: [...new Set(open.flatMap(({ kind }) => CAUTIONS_OF[kind]))],
        care: [...careOf(placement, context), 'stress'],
        atRisk: context.prices[placement.part] ?? null,
      },
    ]
  })
  const isJoined = joinedOn(present, context)
  const together = ORDER.flatMap(({ key, title, slots }): Step[] => {
    const here = present
      .map(({ placement }) => placement)
      .filter((placement) => slots.includes(placement.slot) && !isJoined(placement))
      .sort((a, b) => slots.indexOf(a.slot) - slots.indexOf(b.slot) || a.order - b.order)
    if (here.length === 0) return []
    const care = new Set(here.flatMap((placement) => careOf(placement, context)))
    if (key === 'arms') care.add('stress')
    return [
      {
        key,
        title: titleOf(key, title, here, context),
        pieces: here.map(({ part, slot }) => ({ part, slot })),
        cautions: key === 'arms' ? ['arms'] : [],
        care: [...care],
        atRisk:
          key === 'arms'
            ? torsoWorth(
                present.map(({ placement }) => placement),
                context,
              )
            : null,
      },
    ]
  })
  return [...apart.map(({ step }) => step), ...altered, ...madeFirst(placements, sources, context), ...together]
}

/** Putting together what is made of several parts, of whose pieces something is there; each copy by itself. */
function madeFirst(placements: readonly Placement[], sources: readonly Source[], context: StepsContext): Step[] {
  const isThere = new Set(placements.filter((_, i) => sources[i]))
  return SLOTS.flatMap((slot) =>
    blocksIn(placements, slot).flatMap((block): Step[] => {
      const [first] = block
      const pieces = block.filter((placement) => isThere.has(placement))
      if (!first?.made || pieces.length === 0) return []
      const bands = (first.made.bands ?? []).map(({ name }) => name.toLowerCase())
      const lacks = block.length - pieces.length
      const notes = [
        ...(bands.length > 0 ? [`with ${bands.join(', ')}`] : []),
        ...(lacks > 0 ? [`${lacks} of its pieces still to come`] : []),
      ]
      return [
        {
          key: `made ${slot} ${first.order}`,
          title: `Put ${first.made.name.toLowerCase()} together${notes.length > 0 ? `: ${notes.join('; ')}` : ''}`,
          pieces: pieces.map(({ part }) => ({ part, slot })),
          cautions: [],
          care: [...new Set(pieces.flatMap((placement) => careOf(placement, context)))],
          atRisk: null,
        },
      ]
    }),
  )
}

/** Steps to mind before one begins: those with scarce or dear parts and those that strain something. */
export const firstToMind = (steps: readonly Step[]): Step[] => steps.filter(({ care }) => care.length > 0)

function takeApart(donor: Donor, wanted: readonly Placement[], context: StepsContext): { level: Level; step: Step } {
  const left = [...wanted]
  const given = donor.pieces.filter(({ part }) => {
    const at = left.findIndex((placement) => placement.part === part)
    if (at >= 0) left.splice(at, 1)
    return at >= 0
  })
  const level = levelFor(donor.pieces, given)
  const torso = donor.pieces.find(({ slot }) => slot === 'torso')
  const strains = level >= 3
  return {
    level,
    step: {
      key: `donor ${donor.code}`,
      title: `Take ${donor.name} apart: ${LEVEL_WORDS[level]}`,
      pieces: given.map(({ part, slot }) => ({ part, slot })),
      cautions: strains ? ['arms'] : [],
      care: [
        ...new Set([...given.flatMap((piece) => careOf(piece, context)), ...(strains ? (['stress'] as const) : [])]),
      ],
      atRisk: strains && torso ? worthOf(torso.part, context) : null,
    },
  }
}

function careOf({ part }: Pick<Placement, 'part'>, { owned, prices }: StepsContext): Care[] {
  const price = prices[part] ?? null
  return [
    ...((owned[part] ?? 0) <= 1 && price === null ? (['only-one'] as const) : []),
    ...(price !== null && price >= FITTING_LIMITS.dearTorso ? (['dear'] as const) : []),
  ]
}

/** What a torso is worth: itself, or sold with its arms. */
function worthOf(torso: string, { catalogue, prices }: StepsContext): number | null {
  const worth = [torso, ...assembliesWith(torso, 'torso', catalogue).map(({ code }) => code)].flatMap(
    (code) => prices[code] ?? [],
  )
  return worth.length > 0 ? Math.max(...worth) : null
}

function torsoWorth(placements: readonly Placement[], context: StepsContext): number | null {
  const torso = placements.find(({ slot }) => slot === 'torso')
  return torso ? worthOf(torso.part, context) : null
}

/** Whether a piece is still on the torso or the hips it came with, so that nothing is to be done. */
function joinedOn(
  present: readonly { placement: Placement; source: Source | undefined }[],
  { donors }: StepsContext,
): (placement: Placement) => boolean {
  const joined = new Set<Placement>()
  for (const group of [SLEEVES, TROUSERS]) {
    const worn = present.filter(({ placement, source }) => group.includes(placement.slot) && source?.donor)
    const carrier = worn.find(({ placement }) => placement.slot === group[0])
    for (const { placement, source } of worn)
      if (carrier && placement !== carrier.placement && source!.donor === carrier.source!.donor) {
        const piece = donors
          .find(({ code }) => code === source!.donor)
          ?.pieces.find(({ part, slot }) => part === placement.part && slot === placement.slot)
        if (piece && levelOf(piece) > 1) joined.add(placement)
      }
    // Hips with both legs on are one thing; hips alone are still to be dressed.
    if (
      group === TROUSERS &&
      carrier &&
      joined.size > 0 &&
      worn.every(({ placement }) => placement === carrier.placement || joined.has(placement))
    )
      joined.add(carrier.placement)
  }
  return (placement) => joined.has(placement)
}

function titleOf(key: string, title: string, here: readonly Placement[], { catalogue }: StepsContext): string {
  if (key === 'torso')
    return here.some(({ turned, slot }) => slot === 'torso' && turned) ? `${title}, turned round` : title
  if (key === 'head') return here.some(({ turned }) => turned) ? `${title}, the other face to the front` : title
  if (key === 'neck' && here.length === 1) return `Round the neck: ${labelOf(here[0]!.part, catalogue)}`
  return title
}

function labelOf(code: string, catalogue: Catalogue): string {
  const part = catalogue.parts.get(code)
  return part ? partLabel(catalogue, part) : code
}
