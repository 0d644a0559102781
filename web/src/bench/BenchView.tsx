import { useEffect } from 'react'
import { useStore } from 'react-redux'
import { useParams, useSearchParams } from 'react-router'
import { toast } from 'sonner'
import { takeNamed } from '@outfit/core/roster'
import { api, errorText } from '../data/api.ts'
import { selectCatalogue } from '../data/catalogueSlice.ts'
import { useAppDispatch, useAppSelector } from '../data/hooks.ts'
import { useBenchSelector, type BenchRoot } from './hooks.ts'
import { ErrorNote, Waiting } from '../ui/Notes.tsx'
import { Bench } from './Bench.tsx'
import { followTheirs } from './followTheirs.ts'
import { opened, takeRead } from './benchSlice.ts'
import { findDraft } from './drafts.ts'

/** Puts the outfit of the address on the bench, with what was not saved last time. */
export function BenchView() {
  const { outfit: id = '' } = useParams()
  const [search] = useSearchParams()
  const { data: basics, error: basicsError } = api.endpoints.basics.useQuery()
  const { currentData: outfit, error, refetch } = api.endpoints.outfit.useQuery(id)
  const catalogue = useAppSelector(selectCatalogue)
  const onBench = useBenchSelector((state) => state.bench.outfit === id && state.bench.take)
  const dispatch = useAppDispatch()
  const store = useStore<BenchRoot>()
  const take = outfit && takeNamed(outfit.takes, search.get('take'))
  useEffect(() => {
    if (!outfit || !take) return
    if (onBench === take.id) {
      dispatch(takeRead({ version: outfit.version, placements: take.placements }))
      if (followTheirs(store, outfit.version, take.placements)) toast('Changed elsewhere; this is how it is now.')
    } else {
      // A draft keeps the version it was made from: where somebody else wrote since, saving it asks whose is to stay.
      const draft = findDraft(take.id)
      const { id: takeId, placements } = take
      const version = draft?.version ?? outfit.version
      dispatch(opened({ outfit: id, take: takeId, version, placements, draft: draft?.value ?? null }))
    }
    // The take on the bench is left out: only another address or another answer of the server changes it.
    // oxlint-disable-next-line react/exhaustive-deps
  }, [id, outfit, take?.id, dispatch])
  if (error ?? basicsError)
    return <ErrorNote onRetry={() => void refetch()}>{errorText(error ?? basicsError)}</ErrorNote>
  if (!outfit || !basics || !catalogue || !take || onBench !== take.id)
    return <Waiting>Putting the figure on the bench…</Waiting>
  return <Bench key={take.id} outfit={outfit} catalogue={catalogue} />
}
