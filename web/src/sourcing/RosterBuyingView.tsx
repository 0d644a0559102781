import { Popover } from 'radix-ui'
import { useState } from 'react'
import { Link, useSearchParams } from 'react-router'
import type { RosterShelf } from '@outfit/core/shelf'
import { api, errorText } from '../data/api.ts'
import { useRoster } from '../roster/useRoster.ts'
import { EmptyNote, ErrorNote, Waiting } from '../ui/Notes.tsx'
import { Buying } from './Buying.tsx'
import { counted } from '../ui/counted.ts'

/** The buying of a whole roster at once, or of some of its outfits. */
export function RosterBuyingView() {
  const { roster, isLoading, error, refetch } = useRoster()
  const shelves = api.endpoints.shelves.useQuery()
  const [search] = useSearchParams()
  if (isLoading) return <Waiting>Looking up what is missing…</Waiting>
  if (error) return <ErrorNote onRetry={() => void refetch()}>{errorText(error)}</ErrorNote>
  if (!roster)
    return (
      <EmptyNote title="There is no such roster">It may have been taken down. The others are under Rosters.</EmptyNote>
    )
  if (roster.outfits.length === 0)
    return <EmptyNote title="Nothing to buy">{roster.name} has no outfits yet.</EmptyNote>
  const named = search.get('outfits')?.split(',') ?? []
  const chosen = roster.outfits.filter(({ id }) => named.includes(id)).map(({ id }) => id)
  return (
    <Buying
      ask={chosen.length > 0 ? { outfits: chosen } : { roster: roster.id }}
      version={`${roster.version} ${shelves.fulfilledTimeStamp ?? ''}`}
      currency={roster.currency}
      prices={`/rosters/${roster.id}/prices`}
      back={{ to: `/rosters/${roster.id}`, label: 'Back to the shelf' }}
      aside={<For roster={roster} chosen={chosen} />}
    />
  )
}

/** Whom it is bought for. */
function For({ roster, chosen }: { roster: RosterShelf; chosen: readonly string[] }) {
  const [, setSearch] = useSearchParams()
  // Chosen first and taken when the list is left, as with the sellers.
  const [draft, setDraft] = useState<readonly string[] | null>(null)
  const all = roster.outfits.map(({ id }) => id)
  const now = draft ?? (chosen.length > 0 ? chosen : all)
  const choose = (id: string, on: boolean) => {
    setDraft(all.filter((one) => (one === id ? on : now.includes(one))))
  }
  const leave = () => {
    setDraft(null)
    if (draft === null) return
    const every = draft.length === 0 || draft.length === all.length
    setSearch(every ? {} : { outfits: draft.join(',') }, { replace: true })
  }
  return (
    <span className="flex items-center gap-2">
      <Link to={`/rosters/${roster.id}`} className="font-semibold text-act underline">
        {roster.name}
      </Link>
      <Popover.Root onOpenChange={(open) => !open && leave()}>
        <Popover.Trigger className="rounded-full border border-rule bg-card px-3 py-1 hover:border-act">
          {chosen.length > 0 ? `${chosen.length} of ${all.length} outfits` : `all ${counted(all.length, 'outfit')}`}
        </Popover.Trigger>
        <Popover.Portal>
          <Popover.Content
            align="end"
            sideOffset={6}
            aria-label="Outfits to buy for"
            className="z-20 max-h-[60vh] overflow-y-auto rounded-[12px] border border-rule bg-card p-3 shadow-xl"
          >
            {roster.outfits.map(({ id, name }) => (
              <label key={id} className="flex items-center gap-2 py-0.5">
                <input
                  type="checkbox"
                  className="size-4"
                  checked={now.includes(id)}
                  onChange={({ target }) => choose(id, target.checked)}
                />
                {name}
              </label>
            ))}
          </Popover.Content>
        </Popover.Portal>
      </Popover.Root>
    </span>
  )
}
