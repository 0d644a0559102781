import { lazy, Suspense, useState } from 'react'
import { Link } from 'react-router'
import { api, errorText } from '../data/api.ts'
import { Button } from '../ui/Button.tsx'
import { ErrorNote, Waiting } from '../ui/Notes.tsx'
import { NextSteps } from './NextSteps.tsx'
import { Shelf } from './Shelf.tsx'
import { shelfFacts, shelfHeight } from '../roster/shelfData.ts'

const TakenDown = lazy(async () => ({ default: (await import('../roster/TakenDown.tsx')).TakenDown }))
const EmptyWorkspace = lazy(async () => ({ default: (await import('./EmptyWorkspace.tsx')).EmptyWorkspace }))
const BeginRoster = lazy(async () => ({ default: (await import('../roster/BeginRoster.tsx')).BeginRoster }))

/** All rosters, each a shelf. */
export function RostersView() {
  const { data, error, isLoading, refetch } = api.endpoints.shelves.useQuery()
  const [beginning, begin] = useState(false)
  const [showsDown, showDown] = useState(false)
  const begun = beginning && (
    <Suspense>
      <BeginRoster onDone={() => begin(false)} />
    </Suspense>
  )
  if (isLoading) return <Waiting>Setting up the shelves…</Waiting>
  if (error) return <ErrorNote onRetry={() => void refetch()}>{errorText(error)}</ErrorNote>
  if (!data?.rosters.length)
    return (
      <Suspense>
        <EmptyWorkspace onBegin={() => begin(true)}>
          {begun}
          <div className="mx-auto max-w-[620px] text-left">
            <TakenDown silent />
          </div>
        </EmptyWorkspace>
      </Suspense>
    )
  return (
    <div className="mx-auto max-w-[1400px] px-5 py-5">
      <div className="float-right flex items-center gap-3">
        <Link to="/bring-in" className="text-[14px] font-semibold text-act hover:underline">
          Bring in a list or a recipe
        </Link>
        <Button className="px-2.5 py-1 text-[14px]" onClick={() => begin(true)}>
          Begin a roster
        </Button>
      </div>
      {begun}
      <h1 className="text-3xl">Rosters</h1>
      <p className="text-soft">Pick a figure to put it on the bench.</p>
      <NextSteps />
      {data.rosters.map((roster) => (
        <article key={roster.id} className="mt-6">
          <h2 className="text-xl">
            <Link to={`/rosters/${roster.id}`} className="hover:text-act hover:underline">
              {roster.name}
            </Link>
            <span className="ml-3 font-sans text-sm font-normal tracking-normal text-soft">{shelfFacts(roster)}</span>
          </h2>
          <div className="relative isolate mt-2">
            <Shelf outfits={roster.outfits} height={shelfHeight(roster.outfits, 1240, 216)} />
          </div>
        </article>
      ))}
      {showsDown ? (
        <Suspense>
          <TakenDown />
        </Suspense>
      ) : (
        <p className="mt-6">
          <Button look="plain" className="px-1.5 py-0.5" onClick={() => showDown(true)}>
            What was taken down or off
          </Button>
        </p>
      )}
    </div>
  )
}
