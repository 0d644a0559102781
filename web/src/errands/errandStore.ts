import { get, set, update } from 'idb-keyval'
import type { ErrandList, TickChange } from '@outfit/core/errands'

/**
 * What is needed without a connection, in the browser's own database: the list as it was read last, and what was ticked since
 * and not told yet. Both stay when the page is closed.
 */
const listOf = (roster: string) => `errands.list.${roster}`
const saidOf = (roster: string) => `errands.said.${roster}`

export type Said = Readonly<Record<string, TickChange>>

export const keepList = (list: ErrandList): Promise<void> => set(listOf(list.roster.id), list)

export const keptList = async (roster: string): Promise<ErrandList | null> =>
  (await get<ErrandList>(listOf(roster))) ?? null

export const keptSaid = async (roster: string): Promise<Said> => (await get<Said>(saidOf(roster))) ?? {}

/** Tick an errand; what was known before the first tick that is not told yet stays with it. */
export const say = (roster: string, change: TickChange): Promise<void> =>
  update<Said>(saidOf(roster), (said = {}) => ({
    ...said,
    [change.id]: { ...change, was: said[change.id]?.was ?? change.was },
  }))

/** What was told is no longer waiting; what was ticked again meanwhile is. */
export const told = (roster: string, changes: readonly TickChange[]): Promise<void> =>
  update<Said>(saidOf(roster), (said = {}) =>
    Object.fromEntries(
      Object.entries(said).flatMap(([id, one]) => {
        const sent = changes.find((change) => change.id === id)
        if (!sent) return [[id, one]]
        return sent.at === one.at ? [] : [[id, { ...one, was: sent.got }]]
      }),
    ),
  )
