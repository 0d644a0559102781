import { useCallback, useEffect, useRef, useState } from 'react'
import type { ErrandList, TickCollision } from '@outfit/core/errands'
import { errandApi, type ErrandsOf } from '../data/errandApi.ts'
import { keepList, keptList, keptSaid, say, told, type Said } from './errandStore.ts'

/** Milliseconds between two tries to tell what was ticked. */
const AGAIN = 4_000

/** A list one takes along: from the server where that answers, and otherwise as it was read last; ticks wait until it does. */
export function useErrands(of: ErrandsOf, onCollisions: (collisions: readonly TickCollision[]) => void) {
  const { currentData, error, isFetching, refetch } = errandApi.endpoints.errands.useQuery(of)
  const [send] = errandApi.endpoints.sayTicks.useMutation()
  const [kept, setKept] = useState<ErrandList | null>(null)
  const [said, setSaid] = useState<Said>({})
  const [away, setAway] = useState(false)
  const [reads, setReads] = useState(false)
  useEffect(() => {
    void keptSaid(of).then(setSaid)
    void keptList(of).then((list) => {
      setKept((now) => now ?? list)
      setReads(true)
    })
  }, [of])
  useEffect(() => {
    if (!currentData) return
    setKept(currentData)
    setAway(false)
    void keepList(of, currentData)
  }, [of, currentData])
  useEffect(() => {
    if (error && 'status' in error && error.status === 'FETCH_ERROR') setAway(true)
  }, [error])

  const telling = useRef(false)
  const tell = useCallback(async () => {
    if (telling.current) return
    telling.current = true
    try {
      const ticks = Object.values(await keptSaid(of))
      if (ticks.length === 0) return
      const { data, error: failed } = await send({ of, ticks })
      if (!data) {
        setAway(failed !== undefined && 'status' in failed && failed.status === 'FETCH_ERROR')
        return
      }
      setAway(false)
      await told(of, ticks)
      setSaid(await keptSaid(of))
      setKept((now) => {
        const next = now && { ...now, ticks: data.ticks }
        if (next) void keepList(of, next)
        return next
      })
      if (data.collisions.length > 0) onCollisions(data.collisions)
    } finally {
      telling.current = false
    }
  }, [of, send, onCollisions])
  const waiting = Object.keys(said).length
  useEffect(() => {
    if (waiting === 0 && !away) return
    const again = () => {
      void tell()
      if (away) void refetch()
    }
    const timer = setInterval(again, AGAIN)
    window.addEventListener('online', again)
    return () => {
      clearInterval(timer)
      window.removeEventListener('online', again)
    }
  }, [waiting, away, tell, refetch])

  const list = kept
  const got = (id: string): number => said[id]?.got ?? list?.ticks.find((tick) => tick.id === id)?.got ?? 0
  const tick = async (id: string, count: number) => {
    const change = { id, got: count, was: got(id), at: new Date().toISOString() }
    setSaid((now) => ({ ...now, [id]: { ...change, was: now[id]?.was ?? change.was } }))
    await say(of, change)
    void tell()
  }
  return { list, got, tick, waiting, away, problem: list || isFetching || !reads ? null : (error ?? null), refetch }
}
