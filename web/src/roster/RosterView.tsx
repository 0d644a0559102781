import { useParams } from 'react-router'
import { formatMoney } from '@outfit/core/market'
import { api, errorText } from '../app/api.ts'
import { EmptyNote, ErrorNote, Waiting } from '../ui/Notes.tsx'
import { Shelf } from './Shelf.tsx'
import { shelfFacts, shelfHeight } from './shelfData.ts'

const RULES: Record<string, string> = {
  'as-released': 'As released: whole assemblies as sold',
  'exchange-only': 'Exchange only: parts are swapped, nothing is altered',
  altered: 'Altered: trimming, painting and print removal allowed',
  'open-bench': 'Open bench: parts made by others too',
}

/** One roster: its shelf, larger, with its facts. */
export function RosterView() {
  const { roster: id } = useParams()
  const { data, error, isLoading, refetch } = api.endpoints.shelves.useQuery()
  if (isLoading) return <Waiting>Setting up the shelf…</Waiting>
  if (error) return <ErrorNote onRetry={() => void refetch()}>{errorText(error)}</ErrorNote>
  const roster = data?.rosters.find((r) => r.id === id)
  if (!roster)
    return (
      <EmptyNote title="There is no such roster">It may have been taken down. The others are under Rosters.</EmptyNote>
    )
  const due =
    roster.dueOn &&
    new Date(`${roster.dueOn}T12:00:00`).toLocaleDateString('en-GB', { day: 'numeric', month: 'long', year: 'numeric' })
  return (
    <div className="mx-auto max-w-[1400px] px-5 py-5">
      <h1 className="text-3xl">
        {roster.name}
        <span className="ml-3 font-sans text-sm font-normal tracking-normal text-soft">{shelfFacts(roster)}</span>
      </h1>
      <p className="mt-1 max-w-2xl">{roster.note}</p>
      <dl className="mt-3 flex flex-wrap gap-x-8 gap-y-1 text-soft">
        <div>
          <dt className="inline font-semibold text-ink">House rules</dt>{' '}
          <dd className="inline">{RULES[roster.rules] ?? roster.rules}</dd>
        </div>
        {roster.budget !== null && (
          <div>
            <dt className="inline font-semibold text-ink">Budget</dt>{' '}
            <dd className="inline">{formatMoney(roster.budget, roster.currency)}</dd>
          </div>
        )}
        {due && (
          <div>
            <dt className="inline font-semibold text-ink">Wanted by</dt> <dd className="inline">{due}</dd>
          </div>
        )}
      </dl>
      <div className="relative isolate mt-8">
        <Shelf outfits={roster.outfits} height={shelfHeight(roster.outfits, 1240, 324)} />
      </div>
    </div>
  )
}
