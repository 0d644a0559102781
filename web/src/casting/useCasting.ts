import { useStore } from 'react-redux'
import type { Place } from '@outfit/core/brief'
import { CASTING_SLOTS, type CastingAsk, type CastingPool } from '@outfit/core/casting'
import type { Part, Slot } from '@outfit/core/catalogue'
import { houseRulesFor } from '@outfit/core/fitting'
import type { OutfitDetail, Take } from '@outfit/core/roster'
import { api } from '../data/api.ts'
import { selectCatalogue } from '../data/catalogueSlice.ts'
import { useAppDispatch, type DataState } from '../data/hooks.ts'
import { useWorker } from '../data/useWorker.ts'
import type { Answer, Question } from './question.ts'

/** How a casting is asked for; kept in the browser. */
export interface CastingSettings {
  pool: CastingPool
  /** Points of likeness a currency unit is worth. */
  priceWeight: number
  /** Home currency, minor units. */
  limit: number | null
  keep: Place[]
}

const start = () => new Worker(new URL('./casting.worker.ts', import.meta.url), { type: 'module' })

/** One question at a time to the casting worker, with its progress. */
export function useCasting(outfit: OutfitDetail, take: Take) {
  const dispatch = useAppDispatch()
  const store = useStore<DataState>()
  const { state, ask: put, cancel } = useWorker<Question, Answer>(start)

  /** Fetch what a casting looks at; the catalogue of the screen knows all parts afterwards. */
  const gather = async (settings: CastingSettings): Promise<CastingAsk> => {
    const answers = await Promise.all(
      CASTING_SLOTS.map(
        async (slot) =>
          [slot, await dispatch(api.endpoints.candidates.initiate(slot, { subscribe: false })).unwrap()] as const,
      ),
    )
    const candidates: Partial<Record<Slot, Part[]>> = {}
    for (const [slot, { items }] of answers) candidates[slot] = items.map(({ part }) => part)
    const known = store.getState()
    return {
      brief: outfit.brief,
      catalogue: selectCatalogue(known)!,
      worn: take.placements,
      candidates,
      free: outfit.free,
      lowest: known.catalogue.lowest,
      avoided: new Set([...outfit.avoided, ...outfit.excluded]),
      rules: houseRulesFor(outfit),
      ...settings,
    }
  }

  const ask = (settings: CastingSettings, question: { kind: 'best' | 'curve' } | { kind: 'cheapest'; floor: number }) =>
    put({ state: 'running', words: 'laying out the parts' }, async () => {
      return { ...question, ask: await gather(settings), seconds: 20, count: 10 } as Question
    })
  return { state, ask, cancel }
}
