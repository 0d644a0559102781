import { useParams, useSearchParams } from 'react-router'
import { takeNamed } from '@outfit/core/roster'
import { api, errorText } from '../data/api.ts'
import { ErrorNote, Waiting } from '../ui/Notes.tsx'
import { Buying } from './Buying.tsx'

/** The buying of one take of an outfit. */
export function SourcingView() {
  const { outfit: id = '' } = useParams()
  const [search] = useSearchParams()
  const { currentData: outfit, error, refetch } = api.endpoints.outfit.useQuery(id)
  const take = outfit && takeNamed(outfit.takes, search.get('take'))
  if (error) return <ErrorNote onRetry={() => void refetch()}>{errorText(error)}</ErrorNote>
  if (!outfit || !take) return <Waiting>Looking up what is missing…</Waiting>
  return (
    <Buying
      ask={{ outfit: outfit.id, take: take.id }}
      version={String(outfit.version)}
      currency={outfit.roster.currency}
      prices={`/outfits/${outfit.id}/prices`}
      back={{ to: `/outfits/${outfit.id}/bench?take=${encodeURIComponent(take.label)}`, label: 'Back to the bench' }}
    />
  )
}
