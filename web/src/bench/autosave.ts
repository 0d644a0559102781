import { createListenerMiddleware, isAnyOf } from '@reduxjs/toolkit'
import type { Placement } from '@outfit/core/catalogue'
import { api } from '../data/api.ts'
import type { AppDispatch } from '../data/hooks.ts'
import type { BenchRoot } from './hooks.ts'
import { changed, opened, redone, saveMoved, undone } from './benchSlice.ts'
import { dropDraft, keepDraft } from './drafts.ts'

/** Changes that come closer together than this are saved at once; a silent server is asked again after RETRY. */
const PAUSE = 200
const RETRY = 3000

export const autosave = createListenerMiddleware()
const listen = autosave.startListening.withTypes<BenchRoot, AppDispatch>()

let timer: ReturnType<typeof setTimeout> | undefined
/** Saves run one after the other, since each needs the version the one before it made. */
let queue: Promise<void> = Promise.resolve()

/** Save what is on the bench whenever it changes; retry while the server does not answer; stop at a conflict. */
listen({
  matcher: isAnyOf(changed, undone, redone, opened),
  effect: (_action, { getState, dispatch }) => {
    const { take, version, present, save } = getState().bench
    if (!take || save === 'saved') return
    keepDraft(take, { version, placements: present })
    saveSoon(getState, dispatch, take, PAUSE)
  },
})

function saveSoon(getState: () => BenchRoot, dispatch: AppDispatch, take: string, wait: number): void {
  clearTimeout(timer)
  timer = setTimeout(() => {
    queue = queue.then(() => save(getState, dispatch, take))
  }, wait)
}

async function save(getState: () => BenchRoot, dispatch: AppDispatch, take: string): Promise<void> {
  const { bench } = getState()
  if (bench.take !== take || bench.outfit === null || !['unsaved', 'offline'].includes(bench.save)) return
  const sent = bench.present
  dispatch(saveMoved({ save: 'saving' }))
  const answer = await dispatch(
    api.endpoints.savePlacements.initiate({ outfit: bench.outfit, take, version: bench.version, placements: sent }),
  )
  const now = getState().bench
  if (now.take !== take) return
  if (answer.data) {
    const newest = now.present === sent
    dispatch(saveMoved({ save: newest ? 'saved' : 'unsaved', version: answer.data.version }))
    if (newest) dropDraft(take)
    else saveSoon(getState, dispatch, take, 0)
    return
  }
  const { status } = answer.error as { status: number | string }
  if (status === 409 && (await wasOurs(dispatch, bench.outfit, take, sent))) return
  const refused = typeof status === 'number' && status < 500 && status !== 429
  dispatch(saveMoved({ save: refused ? 'conflict' : 'offline' }))
  if (!refused) saveSoon(getState, dispatch, take, RETRY)
}

/** A save whose answer was lost looks like a conflict with ourselves: what the server has is what was sent. */
async function wasOurs(
  dispatch: AppDispatch,
  outfit: string,
  take: string,
  sent: readonly Placement[],
): Promise<boolean> {
  const { data } = await dispatch(api.endpoints.outfit.initiate(outfit, { forceRefetch: true, subscribe: false }))
  const theirs = data?.takes.find(({ id }) => id === take)?.placements
  const asText = (list: readonly Placement[]) =>
    list
      .map(
        ({ slot, part, order, turned, altered = [] }) =>
          `${slot} ${order} ${part} ${turned} ${JSON.stringify(altered)}`,
      )
      .sort()
      .join('\n')
  if (!data || !theirs || asText(theirs) !== asText(sent)) return false
  dropDraft(take)
  dispatch(saveMoved({ save: 'saved', version: data.version }))
  return true
}
