import { useState } from 'react'
import { Link } from 'react-router'
import { partLabel, type Catalogue } from '@outfit/core/catalogue'
import type { NewFigure } from '@outfit/core/uses'
import { api, errorText } from '../data/api.ts'
import { rosterApi } from '../data/rosterApi.ts'
import { useKnownCatalogue } from '../data/useKnownCatalogue.ts'
import { usesApi } from '../data/usesApi.ts'
import { Button } from '../ui/Button.tsx'
import { counted } from '../ui/counted.ts'
import { Figure } from '../ui/Figure.tsx'
import { ErrorNote } from '../ui/Notes.tsx'
import { tellError } from '../ui/tell.ts'

/** Figures nobody has yet around a part, of what lies loose and nobody counts on. */
export function NewFigures({ part, name }: { part: string; name: string }) {
  const { currentData: data, error, refetch } = usesApi.endpoints.newFigures.useQuery(part)
  const { data: shelves } = api.endpoints.shelves.useQuery()
  const catalogue = useKnownCatalogue(data)
  const [chosen, choose] = useState('')
  const rosters = shelves?.rosters ?? []
  const roster = chosen || (rosters[0]?.id ?? '')
  return (
    <section aria-labelledby="new-figures" className="mt-6">
      <h2 id="new-figures" className="text-xl">
        New figures of what lies loose
      </h2>
      {error ? (
        <ErrorNote onRetry={() => void refetch()}>{errorText(error)}</ErrorNote>
      ) : !data || !catalogue ? (
        <p role="status" className="text-soft">
          Looking what goes well together…
        </p>
      ) : data.figures.length === 0 ? (
        <p className="text-soft">
          {data.loose === 0
            ? 'Nothing lies loose that nobody counts on.'
            : `Of the ${counted(data.loose, 'part')} that lie loose no whole figure comes together around ${name}: a head, a torso with its sleeves, or legs are missing.`}
        </p>
      ) : (
        <>
          <p className="flex flex-wrap items-center gap-x-4 gap-y-1 text-soft">
            <span>
              {data.claimed
                ? `What nobody counts on makes no figure. Of all ${counted(data.loose, 'part')} that lie loose, also those outfits count on:`
                : `Of ${counted(data.loose, 'part')} nobody counts on:`}{' '}
              {name} and what goes with it best, each with another head and torso.
            </span>
            {rosters.length > 0 && (
              <label className="flex items-center gap-2">
                They would join
                <select
                  value={roster}
                  onChange={({ target }) => choose(target.value)}
                  className="rounded-[8px] border border-rule bg-card px-2 py-0.5 text-ink"
                >
                  {rosters.map(({ id, name: own }) => (
                    <option key={id} value={id}>
                      {own}
                    </option>
                  ))}
                </select>
              </label>
            )}
          </p>
          <ol aria-label="New figures" className="mt-2 grid grid-cols-[repeat(auto-fill,minmax(190px,1fr))] gap-3">
            {data.figures.map((figure, i) => (
              <Made key={i} figure={figure} name={`${name} ${i + 1}`} roster={roster} catalogue={catalogue} />
            ))}
          </ol>
        </>
      )}
    </section>
  )
}

function Made({
  figure: { placements, reasons, harmony },
  name,
  roster,
  catalogue,
}: {
  figure: NewFigure
  name: string
  roster: string
  catalogue: Catalogue
}) {
  const { data: shelves } = api.endpoints.shelves.useQuery()
  const [add, { isLoading }] = rosterApi.endpoints.addCharacters.useMutation()
  const [made, setMade] = useState<string | null>(null)
  const of = shelves?.rosters.find(({ id }) => id === roster)
  const parts = [...new Set(placements.map(({ part }) => part))].flatMap((code) => catalogue.parts.get(code) ?? [])
  const make = async () => {
    if (!of) return
    const added = await add({
      roster,
      version: of.version,
      characters: [{ name, faction: '', years: null, notes: '', placements }],
    })
    if (added.error) return tellError(added.error)
    setMade(added.data.outfits[0]!)
  }
  return (
    <li className="flex flex-col rounded-[10px] border border-rule bg-card p-3">
      <Figure placements={placements} from={catalogue} label={`New figure: ${name}`} className="mx-auto h-[190px]" />
      <p className="mt-1 text-[13.5px]" title={parts.map((part) => partLabel(catalogue, part)).join(', ')}>
        {reasons.slice(0, 3).join('; ') || 'Nothing speaks against it.'}
        {harmony < 99.5 && (
          <span className="block text-soft">
            Its parts hold {(100 - harmony).toFixed(1)} points against each other.
          </span>
        )}
      </p>
      <p className="mt-auto pt-2">
        {made ? (
          <Link to={`/outfits/${made}/bench`} className="font-semibold text-act underline">
            {name}, on the bench
          </Link>
        ) : (
          <Button disabled={isLoading || !of} onClick={() => void make()} aria-label={`Make an outfit of ${name}`}>
            Make an outfit of it
          </Button>
        )}
      </p>
    </li>
  )
}
