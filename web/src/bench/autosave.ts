import { createListenerMiddleware, isAnyOf } from '@reduxjs/toolkit'
import type { Placement } from '@outfit/core/catalogue'
import { api } from '../data/api.ts'
import type { AppDispatch } from '../data/hooks.ts'
import { Saver, type Kept } from '../data/saver.ts'
import type { BenchRoot } from './hooks.ts'
import { changed, opened, redone, saveMoved, takeRead, undone, versionSeen } from './benchSlice.ts'
import { draftKey } from './drafts.ts'
import { asText } from './placementsText.ts'

const WAITS = { pause: 200, retry: 3000 }

export const autosave = createListenerMiddleware()
const listen = autosave.startListening.withTypes<BenchRoot, AppDispatch>()

/** Of the take that is on the bench; there is one at a time. */
let saver: Saver<Placement[]> | null = null

listen({
  actionCreator: opened,
  effect: ({ payload: { outfit, take, version, placements, draft } }, { dispatch }) => {
    saver?.end()
    const own = new Saver(keptBy(dispatch, outfit, take), version, placements, WAITS, (save) =>
      // What the server does not take is told as what somebody else changed: the take, or the outfit, may be gone.
      dispatch(saveMoved({ save: save === 'refused' ? 'conflict' : save, version: own.version })),
    )
    saver = own
    if (draft) own.keep(draft)
  },
})

listen({
  matcher: isAnyOf(changed, undone, redone),
  effect: (_action, { getState }) => {
    const { take, present, save } = getState().bench
    if (take && save !== 'saved') saver?.keep(present)
  },
})

listen({
  actionCreator: versionSeen,
  effect: ({ payload }) => {
    if (saver) saver.version = payload
  },
})

// A version that somebody else made is not ours to write over: the next save asks whose is to stay.
listen({
  actionCreator: takeRead,
  effect: ({ payload: { version, placements } }, { dispatch }) => {
    if (saver?.saw(version, placements)) dispatch(versionSeen(version))
  },
})

/** Where a take is kept: its placements are written over a version of its outfit. */
const keptBy = (dispatch: AppDispatch, outfit: string, take: string): Kept<Placement[]> => ({
  key: draftKey(take),
  send: async (placements, version) => {
    const answer = await dispatch(api.endpoints.savePlacements.initiate({ outfit, take, version, placements }))
    if (answer.data) return answer.data
    const { status, data } = answer.error as { status: number | string; data?: { detail?: string } }
    return { status, detail: data?.detail ?? '' }
  },
  load: async () => {
    const asked = api.endpoints.outfit.initiate(outfit, { forceRefetch: true, subscribe: false })
    const { data } = await dispatch(asked)
    const theirs = data?.takes.find(({ id }) => id === take)
    return data && theirs ? { version: data.version, value: theirs.placements } : null
  },
  isSame: (a, b) => asText(a) === asText(b),
})
