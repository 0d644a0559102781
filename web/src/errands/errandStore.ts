import { get, set, update } from 'idb-keyval'
import type { ErrandList, TickChange } from '@outfit/core/errands'

/**
 * What is needed without a connection, in the browser's own database: the list as it was read last, and what was ticked since
 * and not told yet. Both stay when the page is closed.
 */
const listOf = (of: string) => `errands.list.${of}`
const saidOf = (of: string) => `errands.said.${of}`

export type Said = Readonly<Record<string, TickChange>>

export const keepList = (of: string, list: ErrandList): Promise<void> => set(listOf(of), list)

export const keptList = async (of: string): Promise<ErrandList | null> => (await get<ErrandList>(listOf(of))) ?? null

export const keptSaid = async (of: string): Promise<Said> => (await get<Said>(saidOf(of))) ?? {}

/** Tick an errand; what was known before the first tick that is not told yet stays with it. */
export const say = (of: string, change: TickChange): Promise<void> =>
  update<Said>(saidOf(of), (said = {}) => ({
    ...said,
    [change.id]: { ...change, was: said[change.id]?.was ?? change.was },
  }))

/** What was told is no longer waiting; what was ticked again meanwhile is. */
export const told = (of: string, changes: readonly TickChange[]): Promise<void> =>
  update<Said>(saidOf(of), (said = {}) =>
    Object.fromEntries(
      Object.entries(said).flatMap(([id, one]) => {
        const sent = changes.find((change) => change.id === id)
        if (!sent) return [[id, one]]
        return sent.at === one.at ? [] : [[id, { ...one, was: sent.got }]]
      }),
    ),
  )
