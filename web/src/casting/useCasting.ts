import { useCallback, useEffect, useRef, useState } from 'react'
import { useStore } from 'react-redux'
import { PLACE_FACTS, PLACES, type Place } from '@outfit/core/brief'
import type { CastingAsk, CastingPool } from '@outfit/core/casting'
import type { Part, Slot } from '@outfit/core/catalogue'
import type { OutfitDetail, Take } from '@outfit/core/roster'
import { api, errorText } from '../app/api.ts'
import { selectCatalogue } from '../app/catalogueSlice.ts'
import { useAppDispatch, type RootState } from '../app/store.ts'
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

/** Slots whose candidates a casting looks at. */
const SLOTS: readonly Slot[] = [
  ...new Set([...PLACES.flatMap((place) => PLACE_FACTS[place].slots[0]!), 'hips', 'lower', 'heldLeft'] as const),
]

type State = Answer | { state: 'idle' }

/** One question at a time to the casting worker, with its progress; a new one, or leaving, ends the one before. */
export function useCasting(outfit: OutfitDetail, take: Take) {
  const dispatch = useAppDispatch()
  const store = useStore<RootState>()
  const [state, setState] = useState<State>({ state: 'idle' })
  const worker = useRef<Worker>(undefined)
  const asked = useRef(0)
  const stop = useCallback(() => {
    asked.current += 1
    worker.current?.terminate()
    worker.current = undefined
  }, [])
  useEffect(() => stop, [stop])

  /** Fetch what a casting looks at; the catalogue of the screen knows all parts afterwards. */
  const gather = async (settings: CastingSettings): Promise<CastingAsk> => {
    const answers = await Promise.all(
      SLOTS.map(
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
      avoided: new Set(outfit.avoided),
      rules: outfit.roster.rules,
      ...settings,
    }
  }

  const ask = async (
    settings: CastingSettings,
    question: { kind: 'best' | 'curve' } | { kind: 'cheapest'; floor: number },
  ) => {
    stop()
    const mine = asked.current
    setState({ state: 'running', words: 'laying out the parts' })
    try {
      const all = await gather(settings)
      if (asked.current !== mine) return
      const own = new Worker(new URL('./casting.worker.ts', import.meta.url), { type: 'module' })
      worker.current = own
      own.onmessage = ({ data }: MessageEvent<Answer>) => {
        setState(data)
        if (data.state !== 'running') own.terminate()
      }
      own.onerror = ({ message }) => setState({ state: 'failed', why: message })
      own.postMessage({ ...question, ask: all, seconds: 20, count: 10 } as Question)
    } catch (error) {
      if (asked.current === mine) setState({ state: 'failed', why: errorText(error) })
    }
  }
  const cancel = () => {
    stop()
    setState({ state: 'idle' })
  }
  return { state, ask, cancel }
}
