import { useMemo, type ReactNode } from 'react'
import type { Catalogue } from '@outfit/core/catalogue'
import { beginSeries, seriesMembers, type SealedPacks, type Series, type SeriesMember } from '@outfit/core/series'
import type { RosterShelf } from '@outfit/core/shelf'
import { errorText } from '../data/api.ts'
import { selectCatalogue } from '../data/catalogueSlice.ts'
import { useAppSelector } from '../data/hooks.ts'
import { seriesApi } from '../data/seriesApi.ts'
import { settingsApi } from '../data/settingsApi.ts'
import { RosterFrame } from '../roster/RosterFrame.tsx'
import { useChoices, type Choices } from '../show/useChoices.ts'
import { Button } from '../ui/Button.tsx'
import { ErrorNote, Waiting } from '../ui/Notes.tsx'
import { Tabs } from '../ui/Tabs.tsx'
import { tellError } from '../ui/tell.ts'

export interface SeriesShown {
  roster: RosterShelf
  choices: Choices<Series>
  members: SeriesMember[]
  catalogue: Catalogue
  sealed: SealedPacks | null
}

/** The frame of every view of a series: its roster, and the steps in which a series is made. */
export function SeriesFrame({ children }: { children: (shown: SeriesShown) => ReactNode }) {
  return (
    <RosterFrame ownUndo>
      {({ roster }) => (
        <Kept key={roster.id} roster={roster}>
          {children}
        </Kept>
      )}
    </RosterFrame>
  )
}

function Kept({ roster, children }: { roster: RosterShelf; children: (shown: SeriesShown) => ReactNode }) {
  const { currentData, error, refetch } = seriesApi.endpoints.series.useQuery(roster.id)
  const catalogue = useAppSelector(selectCatalogue)
  if (error) return <ErrorNote onRetry={() => void refetch()}>{errorText(error)}</ErrorNote>
  if (!currentData || !catalogue) return <Waiting>Laying out the series…</Waiting>
  if (!currentData.series) return <Begin roster={roster} />
  return (
    <Made roster={roster} series={currentData.series} sealed={currentData.sealed} catalogue={catalogue}>
      {children}
    </Made>
  )
}

/** A roster that is no series yet. */
function Begin({ roster }: { roster: RosterShelf }) {
  const [begin, { isLoading }] = seriesApi.endpoints.beginSeries.useMutation()
  const { data: settings } = settingsApi.endpoints.settings.useQuery()
  const make = async () => {
    const answer = await begin({ id: roster.id, series: beginSeries(roster, settings?.maker ?? '') })
    if (answer.error) tellError(answer.error)
  }
  return (
    <div className="mx-auto mt-10 max-w-[620px]">
      <h2 className="text-2xl">Show {roster.name} as a numbered series</h2>
      <p className="mt-2">
        Every outfit gets its number and a line of text. From that come a leaflet to fold, a carton to cut and glue, and
        blind packs: who is in which, with labels, a key, and what is still lacking to fill them.
      </p>
      <p className="mt-2 text-soft">
        {roster.outfits.length === 0
          ? 'There are no outfits yet. Add characters first; the series can be begun all the same.'
          : `The ${roster.outfits.length} outfits are numbered as they stand on the shelf. All of it can be changed, and nothing else of the roster changes.`}
      </p>
      <Button look="act" className="mt-4" disabled={isLoading} onClick={() => void make()}>
        Make it a series
      </Button>
    </div>
  )
}

function Made({
  roster,
  series,
  sealed,
  catalogue,
  children,
}: {
  roster: RosterShelf
  series: Series
  sealed: SealedPacks | null
  catalogue: Catalogue
  children: (shown: SeriesShown) => ReactNode
}) {
  const [save] = seriesApi.endpoints.keepSeries.useMutation()
  const choices = useChoices(series, (next) => save({ id: roster.id, series: next }))
  const { entries } = choices.value
  const members = useMemo(() => seriesMembers(roster.outfits, entries, catalogue), [roster.outfits, entries, catalogue])
  const at = (path: string) => `/rosters/${roster.id}/series${path}`
  return (
    <>
      <Tabs
        label="Steps of the series"
        views={[
          ['Numbers and lines', at('')],
          ['Leaflet', at('/leaflet')],
          ['Carton', at('/carton')],
          ['Packs', at('/packs')],
          ['Opening', at('/opening')],
        ]}
      />
      {children({ roster, choices, members, catalogue, sealed })}
    </>
  )
}
