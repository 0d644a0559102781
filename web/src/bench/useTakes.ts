import { useRef } from 'react'
import { useNavigate } from 'react-router'
import { useStore } from 'react-redux'
import { toast } from 'sonner'
import type { AcceptedPin, OutfitDetail } from '@outfit/core/roster'
import { api, errorText } from '../data/api.ts'
import { useAppDispatch } from '../data/hooks.ts'
import { type BenchRoot } from './hooks.ts'
import { versionSeen } from './benchSlice.ts'

/** How long something may wait for the last change to be saved, in milliseconds. */
const PATIENCE = 10_000

/** Opening, copying and choosing takes of an outfit. What is not saved yet is waited for rather than lost. */
export function useTakes(outfit: OutfitDetail) {
  const dispatch = useAppDispatch()
  const store = useStore<BenchRoot>()
  const navigate = useNavigate()
  const [addTake, adding] = api.endpoints.addTake.useMutation()
  const [chooseTake, choosing] = api.endpoints.chooseTake.useMutation()
  const making = useRef(false)
  const [acceptPin] = api.endpoints.acceptPin.useMutation()
  const [reload] = api.endpoints.outfit.useLazyQuery()
  const labelOf = (id: string | null) => outfit.takes.find((t) => t.id === id)?.label ?? ''
  const show = (label: string) =>
    void navigate(`/outfits/${outfit.id}/bench?take=${encodeURIComponent(label)}`, { replace: true })
  /** The take on the bench with its version, once all of it is saved; null when that takes too long. */
  const settled = () =>
    new Promise<{ take: string; version: number } | null>((resolve) => {
      const saved = () => {
        const { take, version, save } = store.getState().bench
        return save === 'saved' && take ? { take, version } : null
      }
      const now = saved()
      if (now) return resolve(now)
      const end = (found: ReturnType<typeof saved>) => {
        clearTimeout(timer)
        stop()
        resolve(found)
      }
      const stop = store.subscribe(() => {
        const found = saved()
        if (found) end(found)
      })
      const timer = setTimeout(() => {
        toast('Wait until all is saved, then try again.')
        end(null)
      }, PATIENCE)
    })
  return {
    busy: adding.isLoading || choosing.isLoading,
    open: (id: string) => show(labelOf(id)),
    add: async () => {
      // What is pressed twice is meant once; that a take is being made shows only after what is typed was saved.
      if (making.current) return
      making.current = true
      try {
        const now = await settled()
        if (!now) return
        const { take: made, version } = await addTake({
          outfit: outfit.id,
          version: now.version,
          from: now.take,
        }).unwrap()
        dispatch(versionSeen(version))
        const fresh = await reload(outfit.id).unwrap()
        const label = fresh.takes.find((t) => t.id === made)?.label ?? ''
        toast(`Take ${label} is a copy of take ${labelOf(now.take)}.`)
        show(label)
      } catch (error) {
        toast.error(errorText(error))
      } finally {
        making.current = false
      }
    },
    /** Want a pin as it is; an empty reason sticks it back in. */
    accept: async (pin: AcceptedPin) => {
      const now = await settled()
      if (!now) return
      const answer = await acceptPin({ outfit: outfit.id, ...now, ...pin })
      if (answer.error) return void toast.error(errorText(answer.error))
      dispatch(versionSeen(answer.data.version))
    },
    choose: async () => {
      const now = await settled()
      if (!now) return
      const answer = await chooseTake({ outfit: outfit.id, ...now })
      if (answer.error) return void toast.error(errorText(answer.error))
      dispatch(versionSeen(answer.data.version))
      toast(`Take ${labelOf(now.take)} stands on the shelf now.`)
    },
  }
}
