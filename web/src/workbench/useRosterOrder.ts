import { useRef, useState } from 'react'
import { drawerApi } from '../data/drawerApi.ts'

/**
 * The rosters as the user last ordered them. A list of the shelves that was asked for before an order and comes in after it
 * shows the former one, and a second step taken on that would lose the first; so an order given stands here while the room
 * is open, unless the server refuses it, and orders are sent one after another.
 */
export function useRosterOrder<R extends { id: string }>(shelved: readonly R[]) {
  const [send] = drawerApi.endpoints.orderRosters.useMutation()
  const [given, give] = useState<readonly string[]>()
  const queue = useRef<Promise<unknown>>(Promise.resolve())
  const at = given ? new Map(given.map((id, i) => [id, i])) : undefined
  const rosters = at
    ? [...shelved].sort((a, b) => (at.get(a.id) ?? Infinity) - (at.get(b.id) ?? Infinity))
    : [...shelved]
  const order = (next: readonly string[]) => {
    give(next)
    const sent = queue.current.then(() => send([...next]))
    queue.current = sent
    return sent.then((answer) => {
      if (answer.error) give(undefined)
      return answer
    })
  }
  return { rosters, order }
}
