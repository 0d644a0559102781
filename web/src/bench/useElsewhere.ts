import { useEffect, useState } from 'react'
import { canPick, type Dressing } from '@outfit/core/anatomy'
import type { Catalogue } from '@outfit/core/catalogue'
import { api } from '../data/api.ts'
import { useAppDispatch } from '../data/hooks.ts'

/** Another way to dress a row that there are parts for, and how many. */
export interface Elsewhere {
  way: Dressing
  count: number
}

/**
 * The other ways to dress a row that there are parts for, looked for once the one shown is known to have none: somebody may own
 * loose torsos and not one with its sleeves.
 */
export function useElsewhere(
  isEmpty: boolean,
  others: readonly Dressing[],
  catalogue: Catalogue,
): readonly Elsewhere[] {
  const dispatch = useAppDispatch()
  const [found, setFound] = useState<{ for: string; ways: Elsewhere[] } | null>(null)
  const asked = others.map(({ key }) => key).join()
  useEffect(() => {
    if (!isEmpty || asked === '') return
    let left = false
    const asks = others.map(({ slot }) => dispatch(api.endpoints.candidates.initiate(slot)))
    void Promise.all(asks).then((answers) => {
      if (left) return
      const ways = answers.map(({ data }, i) => {
        const way = others[i]!
        return { way, count: (data?.items ?? []).filter(({ part }) => canPick(way, part, catalogue)).length }
      })
      setFound({ for: asked, ways: ways.filter(({ count }) => count > 0) })
    })
    return () => {
      left = true
      for (const ask of asks) ask.unsubscribe()
    }
    // What is asked for says which ways they are; the rest is made anew at every drawing.
    // oxlint-disable-next-line react-hooks/exhaustive-deps
  }, [isEmpty, asked, catalogue, dispatch])
  return isEmpty && found?.for === asked ? found.ways : []
}
