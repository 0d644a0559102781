import type { Placement } from '@outfit/core/catalogue'
import type { AppDispatch } from '../data/hooks.ts'
import { opened } from './benchSlice.ts'
import type { BenchRoot } from './hooks.ts'
import { asText } from './placementsText.ts'

/**
 * The take on the bench was changed elsewhere, and nothing of it waits here to be saved: have it as it is now. What is not
 * saved yet is left alone, and asks whose is to stay when it is saved. Whether anything became another.
 */
export function followTheirs(
  { dispatch, getState }: { dispatch: AppDispatch; getState: () => BenchRoot },
  version: number,
  placements: Placement[],
): boolean {
  const { outfit, take, save, version: known, present } = getState().bench
  if (!outfit || !take || save !== 'saved' || version <= known || asText(placements) === asText(present)) return false
  dispatch(opened({ outfit, take, version, placements, draft: null }))
  return true
}
