import { Link } from 'react-router'
import { errorText } from '../data/api.ts'
import { seriesApi } from '../data/seriesApi.ts'
import { useRoster } from '../roster/useRoster.ts'
import { Buying } from '../sourcing/Buying.tsx'
import { EmptyNote, ErrorNote, Waiting } from '../ui/Notes.tsx'
import { counted } from '../ui/counted.ts'

/** The buying of what is lacking to fill the packs of a series. */
export function PacksBuyingView() {
  const { roster, isLoading, error, refetch } = useRoster()
  const id = roster?.id ?? ''
  const lack = seriesApi.endpoints.packsLack.useQuery(id, { skip: !roster })
  if (isLoading) return <Waiting>Looking up what is missing…</Waiting>
  if (error) return <ErrorNote onRetry={() => void refetch()}>{errorText(error)}</ErrorNote>
  if (!roster)
    return (
      <EmptyNote title="There is no such roster">It may have been taken down. The others are under Rosters.</EmptyNote>
    )
  if (lack.error) return <ErrorNote onRetry={() => void lack.refetch()}>{errorText(lack.error)}</ErrorNote>
  if (!lack.currentData) return <Waiting>Counting what is lacking…</Waiting>
  const { parts, packs, conflicts } = lack.currentData
  const back = { to: `/rosters/${id}/series/packs`, label: 'Back to the packs' }
  if (parts.length === 0)
    return (
      <EmptyNote title={conflicts.length > 0 ? 'There are no packs yet' : 'Nothing to buy'}>
        <p>{conflicts.join(' ') || `The drawer fills all ${packs} packs.`}</p>
        <Link to={back.to} className="font-semibold text-act hover:underline">
          {back.label}
        </Link>
      </EmptyNote>
    )
  return (
    <Buying
      ask={{ roster: id, parts: parts.map(({ part, qty, forWhat }) => ({ part, qty, forWhat })) }}
      version={String(lack.fulfilledTimeStamp ?? '')}
      currency={roster.currency}
      prices={`/rosters/${id}/prices`}
      back={back}
      aside={<span>for {counted(packs, 'pack')}</span>}
    />
  )
}
