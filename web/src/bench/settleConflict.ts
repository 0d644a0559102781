import { api } from '../data/api.ts'
import type { AppDispatch } from '../data/hooks.ts'
import { dropDraft } from '../data/saver.ts'
import { opened } from './benchSlice.ts'
import { draftKey } from './drafts.ts'
import type { BenchRoot } from './hooks.ts'

/**
 * After somebody else changed the take: puts theirs on the bench, or keeps what is there as a change of theirs, which can be
 * undone. Where they took it away, what is kept becomes a take of its own, whose label is answered; no other take is written
 * over. Rejects with the error of RTK Query where the server does not answer; nothing is changed then.
 */
export async function settleConflict(
  { dispatch, getState }: { dispatch: AppDispatch; getState: () => BenchRoot },
  mine: boolean,
): Promise<string | null> {
  const { outfit, take } = getState().bench
  if (!outfit || !take) return null
  const asked = api.endpoints.outfit.initiate(outfit, { forceRefetch: true, subscribe: false })
  const fresh = await dispatch(asked).unwrap()
  const theirs = fresh.takes.find((t) => t.id === take)
  const { present } = getState().bench
  const own =
    theirs || !mine
      ? null
      : await dispatch(api.endpoints.addTake.initiate({ outfit, version: fresh.version, placements: present })).unwrap()
  const shown = theirs ?? fresh.takes[0]!
  dropDraft(draftKey(take))
  dispatch(
    opened({
      outfit,
      take: shown.id,
      version: own?.version ?? fresh.version,
      placements: shown.placements,
      draft: mine && theirs ? present : null,
    }),
  )
  return own?.label ?? null
}
