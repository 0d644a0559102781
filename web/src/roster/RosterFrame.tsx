import { formatDay } from '@outfit/core/base'
import type { ReactNode } from 'react'
import { homeMoney } from '@outfit/core/market'
import { isClothed, type RosterShelf } from '@outfit/core/shelf'
import { errorText } from '../data/api.ts'
import { EmptyNote, ErrorNote, Waiting } from '../ui/Notes.tsx'
import { Tabs } from '../ui/Tabs.tsx'
import { useUndoKey } from '../ui/useUndoKey.ts'
import { AddCharacters } from './AddCharacters.tsx'
import { RosterMenu } from './RosterMenu.tsx'
import { costsOf, stateCounts } from './progress.ts'
import { rulesInShort } from './rosterFacts.ts'
import { pinsInWords } from './shelfData.ts'
import { useRoster } from './useRoster.ts'

type Found = Omit<ReturnType<typeof useRoster>, 'roster'> & { roster: RosterShelf }

/** The frame of every view of a roster: what it is, how far it is, what it costs, and the ways to look at it. */
export function RosterFrame({
  wide = false,
  ownUndo = false,
  children,
}: {
  wide?: boolean
  /** The view takes its own changes back by Ctrl or Cmd+Z. */
  ownUndo?: boolean
  children: (found: Found) => ReactNode
}) {
  const found = useRoster()
  useUndoKey(!ownUndo)
  const { roster, isLoading, error, refetch } = found
  if (isLoading) return <Waiting>Setting up the shelf…</Waiting>
  if (error) return <ErrorNote onRetry={() => void refetch()}>{errorText(error)}</ErrorNote>
  if (!roster)
    return (
      <EmptyNote title="There is no such roster">It may have been taken down. The others are under Rosters.</EmptyNote>
    )
  const { outfits } = roster
  const cast = outfits.filter(({ placements }) => isClothed(placements)).length
  const audited = outfits.some(({ base }) => base !== null)
  const at = (path: string) => `/rosters/${roster.id}${path}`
  const views: [string, string, 'steps'?][] = [
    ['Shelf', at('')],
    ['Table', at('/table')],
    ['Briefs', at('/briefs')],
    ['Facts', at('/facts')],
    ['Uniforms and heads', at('/uniforms')],
    ['Cast the roster', at('/cast')],
    ['Team casting', at('/casting')],
    ['Line-up', at('/line-up')],
    ['Sheet', at('/sheet')],
    ['Series', at('/series'), 'steps'],
    ...(audited ? [['Audit', at('/audit')] as [string, string]] : []),
    ['Ranking', at('/ranking'), 'steps'],
    ['Buying', at('/buying')],
    ['To take along', at('/take-along')],
    ['Prices', at('/prices')],
    ['House rules', at('/rules')],
  ]
  return (
    <div className={`mx-auto px-5 py-4 ${wide ? '' : 'max-w-[1400px]'}`}>
      <div className="flex flex-wrap items-baseline gap-x-3 gap-y-1">
        <h1 className="min-w-0 text-3xl sm:truncate">
          {roster.name}
          <span className="ml-3 font-sans text-sm font-normal tracking-normal text-soft">
            {cast} of {outfits.length} cast · {stateCounts(outfits)} ·{' '}
            {pinsInWords(outfits.flatMap(({ pins }) => pins))}
          </span>
        </h1>
        <span className="ml-auto flex shrink-0 items-center gap-2">
          <AddCharacters roster={roster} />
          <RosterMenu roster={roster} rosters={found.rosters} />
        </span>
      </div>
      <div className="mt-1 flex flex-col gap-x-8 gap-y-2 lg:flex-row lg:items-start">
        <p className="min-w-0 flex-1">
          {roster.note}
          <span className="block text-soft">House rules: {rulesInShort(roster)}</span>
        </p>
        <Costs roster={roster} />
      </div>
      <Tabs label="Ways to look at the roster" views={views} />
      {children({ ...found, roster })}
    </div>
  )
}

/** Paid and to come against the budget, as a bar and in words. */
function Costs({ roster }: { roster: RosterShelf }) {
  const { paid, toCome, unsold, budget, over } = costsOf(roster)
  const due = roster.dueOn && formatDay(roster.dueOn, { day: 'numeric', month: 'long', year: 'numeric' })
  const whole = Math.max(budget ?? 0, paid + toCome, 1)
  return (
    <div className="lg:w-[460px] lg:shrink-0">
      <p className="lg:text-right">
        <strong>{homeMoney(paid)}</strong> paid, from <strong>{homeMoney(toCome)}</strong> to come
        {budget !== null && (
          <>
            {' '}
            of <strong>{homeMoney(budget)}</strong>
          </>
        )}
      </p>
      <div
        role="img"
        aria-label={
          budget === null
            ? 'No budget is set'
            : over > 0
              ? `${homeMoney(over)} over the budget`
              : `${homeMoney(-over)} of the budget left`
        }
        className="relative mt-1 h-2.5 overflow-hidden rounded-full bg-band"
      >
        <span className="absolute inset-y-0 left-0 bg-act" style={{ width: `${(100 * paid) / whole}%` }} />
        <span
          className={`absolute inset-y-0 ${over > 0 ? 'bg-problem/70' : 'bg-act/40'}`}
          style={{ left: `${(100 * paid) / whole}%`, width: `${(100 * toCome) / whole}%` }}
        />
        {budget !== null && (
          <span
            className="absolute inset-y-0 w-0.5 bg-ink"
            style={{ left: `calc(${(100 * budget) / whole}% - 2px)` }}
          />
        )}
      </div>
      <p className="mt-0.5 text-[13px] text-soft lg:text-right">
        {budget === null ? '' : over > 0 ? `${homeMoney(over)} over budget. ` : `${homeMoney(-over)} left. `}
        To come: lowest prices, before shipping
        {unsold > 0 ? `; ${unsold} not for sale` : ''}.{due ? ` Wanted by ${due}.` : ''}
      </p>
    </div>
  )
}
