import type { Placement } from '../catalogue/index.ts'

/** How far an outfit is, in the order outfits come along. */
export const STATES = ['idea', 'brief', 'fitting', 'sourcing', 'on-the-way', 'ready', 'built', 'shown'] as const
export type State = (typeof STATES)[number]

/** A state in the words of one outfit and of a count ("2 with parts to buy"), and the fact it is told by. */
interface StateWords {
  label: string
  counted: string
  because: string
}

/** What is said of an outfit in each state. */
export const STATE_WORDS: Readonly<Record<State, StateWords>> = {
  idea: { label: 'only thought of', counted: 'only thought of', because: 'There is no brief and nothing is worn yet.' },
  brief: {
    label: 'to be dressed',
    counted: 'to be dressed',
    because: 'The brief says what to show; nothing is worn yet.',
  },
  fitting: {
    label: 'being dressed',
    counted: 'being dressed',
    because: 'A head, a torso or legs are missing, or a problem is pinned.',
  },
  sourcing: {
    label: 'has parts to buy',
    counted: 'with parts to buy',
    because: 'It is dressed without a problem; parts are still to be bought.',
  },
  'on-the-way': {
    label: 'waits for a parcel',
    counted: 'waiting for a parcel',
    because: 'All that is missing has been ordered and has not arrived.',
  },
  ready: { label: 'ready to build', counted: 'ready to build', because: 'Every part is in the drawer.' },
  built: { label: 'is built', counted: 'built', because: 'Every part stands together on the figure.' },
  shown: {
    label: 'is shown',
    counted: 'built and shown',
    because: 'It is built, and a picture of it was taken away.',
  },
}

/** What is known of an outfit. Counts are of placements of its chosen take. */
export interface StateFacts {
  /** The brief says anything: a wish, an age, an ability, a note or a picture. */
  briefed: boolean
  placements: readonly Pick<Placement, 'slot'>[]
  /** Pins that are problems and were not accepted. */
  problems: number
  /** Neither owned nor a copy by others. */
  missing: number
  /** Of those missing, on the way in a parcel. */
  arriving: number
  /** Every part lies on the figure itself. */
  built: boolean
  shown: boolean
}

/** Whether a figure has what every figure needs: a head, a torso, and legs or a skirt. */
export function isClothed(placements: readonly Pick<Placement, 'slot'>[]): boolean {
  const has = (...slots: readonly Placement['slot'][]) => placements.some(({ slot }) => slots.includes(slot))
  return has('head') && has('torso') && has('hips', 'lower', 'legRight', 'legLeft')
}

/** The state of an outfit: always worked out, never kept, so that it cannot be wrong. */
export function stateOf({ briefed, placements, problems, missing, arriving, built, shown }: StateFacts): State {
  if (placements.length === 0) return briefed ? 'brief' : 'idea'
  if (built) return shown ? 'shown' : 'built'
  if (!isClothed(placements) || problems > 0) return 'fitting'
  if (missing === 0) return 'ready'
  return arriving === missing ? 'on-the-way' : 'sourcing'
}
