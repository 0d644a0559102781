import type { OutfitDetail } from '@outfit/core/roster'
import type { ShelfOutfit } from '@outfit/core/shelf'
import { counted } from '../ui/counted.ts'
import type { Step } from './rooms.ts'

/** How far a step is: in a few words, and whether nothing is left to do there. */
export interface StepState {
  says: string
  done: boolean
}

type Known = Pick<OutfitDetail, 'takes' | 'brief'>
type Shelved = Pick<ShelfOutfit, 'placements' | 'pins' | 'toBuy' | 'arriving' | 'state'>

/** Pins that are more than hints. */
const matters = ({ severity }: { severity: string }) => severity !== 'hint'

/**
 * How far each step of an outfit is, of its chosen take as its shelf knows it. `likeness` is in points of a hundred, null
 * where there is nothing to be like.
 */
export function stepStates(
  { takes, brief }: Known,
  { placements, pins, toBuy, arriving, state }: Shelved,
  likeness: number | null,
): Record<Step, StepState> {
  const worn = placements.length
  const open = pins.filter(matters).length
  const built = state === 'built' || state === 'shown'
  const nothing = { says: 'nothing worn', done: false }
  return {
    brief:
      brief.wishes.length > 0
        ? { says: counted(brief.wishes.length, 'wish', 'wishes'), done: true }
        : { says: 'no wishes', done: false },
    bench:
      worn === 0
        ? nothing
        : open > 0
          ? { says: counted(open, 'pin'), done: false }
          : { says: counted(worn, 'part'), done: state !== 'fitting' },
    casting: likeness === null ? { says: '', done: false } : { says: `likeness ${likeness}`, done: likeness === 100 },
    takes: { says: takes.length === 1 ? 'one' : `${takes.length}`, done: takes.some(({ chosen }) => chosen) },
    sourcing:
      worn === 0
        ? nothing
        : toBuy > 0
          ? { says: `${toBuy} to buy`, done: false }
          : arriving > 0
            ? { says: `${arriving} on the way`, done: false }
            : { says: 'all owned', done: true },
    workbench: built ? { says: 'built', done: true } : { says: 'not built', done: false },
    card: state === 'shown' ? { says: 'shown', done: true } : { says: 'not shown', done: false },
  }
}
