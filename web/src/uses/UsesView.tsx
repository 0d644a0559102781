import { useState } from 'react'
import { Link, useParams } from 'react-router'
import { mainColour, partLabel, type Catalogue } from '@outfit/core/catalogue'
import type { PartUse } from '@outfit/core/uses'
import { useNewTake } from '../casting/useNewTake.ts'
import { api, errorText } from '../data/api.ts'
import { useKnownCatalogue } from '../data/useKnownCatalogue.ts'
import { usesApi } from '../data/usesApi.ts'
import { Button } from '../ui/Button.tsx'
import { counted } from '../ui/counted.ts'
import { EmptyNote, ErrorNote, Waiting } from '../ui/Notes.tsx'
import { PartPicture } from '../ui/PartPicture.tsx'
import { Swatch } from '../ui/Swatch.tsx'
import { BeforeAfter } from './BeforeAfter.tsx'
import { NewFigures } from './NewFigures.tsx'
import { Refilled } from './Refilled.tsx'
import { apartInPoints } from './points.ts'

/** The other way round than casting: one part, and everybody it would make more like their brief. */
export function UsesView() {
  const { part: code = '' } = useParams()
  api.endpoints.basics.useQuery()
  const { currentData: data, error, refetch } = usesApi.endpoints.uses.useQuery(code)
  const catalogue = useKnownCatalogue(data)
  if (error) return <ErrorNote onRetry={() => void refetch()}>{errorText(error)}</ErrorNote>
  const part = catalogue?.parts.get(code)
  if (!data || !catalogue || !part) return <Waiting>Trying it on everybody…</Waiting>
  const colour = mainColour(catalogue, part)
  const { uses, asked, found, wornBy } = data
  return (
    <div className="mx-auto max-w-[1240px] px-5 py-4">
      <div className="flex items-center gap-4">
        <PartPicture part={part} catalogue={catalogue} label="" className="h-[84px] w-[84px] shrink-0" />
        <div>
          <h1 className="text-2xl">What {part.name} could do</h1>
          <p className="flex flex-wrap items-center gap-1.5 text-soft">
            <Swatch colour={colour} /> {colour?.name} ·{' '}
            <Link to={`/parts/${code}`} className="font-semibold text-act underline">
              all about this part
            </Link>
            {' · '}
            {wornBy > 0 ? `worn by ${counted(wornBy, 'outfit')} now` : 'worn by nobody now'}
          </p>
        </div>
      </div>
      {uses.length === 0 ? (
        <EmptyNote title={asked === 0 ? 'Nobody has wishes yet' : 'Nobody would be more like their brief with it'}>
          {asked === 0
            ? 'Uses are told by the briefs of your outfits: say in one what must be right, and this part is tried on it.'
            : `It was tried on ${counted(asked, 'outfit')} with wishes.`}
        </EmptyNote>
      ) : (
        <>
          <p className="mt-3">
            <strong>{counted(found, 'outfit')}</strong> of {asked} with wishes would be more like{' '}
            {found === 1 ? 'its' : 'their'} brief{found > uses.length && `; the ${uses.length} that gain most`}.
          </p>
          <ol aria-label="Uses" className="mt-3 grid gap-3 lg:grid-cols-2">
            {uses.map((use) => (
              <UseCard key={use.outfit} use={use} catalogue={catalogue} />
            ))}
          </ol>
        </>
      )}
      <Refilled part={code} />
      <NewFigures part={code} name={part.name} />
    </div>
  )
}

function UseCard({ use, catalogue }: { use: PartUse; catalogue: Catalogue }) {
  const { outfit, version, placements } = use
  const { make, busy } = useNewTake({ id: outfit, version })
  const [made, setMade] = useState<string | null>(null)
  const at = (label: string) => `/outfits/${outfit}/bench?take=${encodeURIComponent(label)}`
  const wear = async () => setMade(await make(placements, `of ${use.name} wears it`))
  const labels = (codes: readonly string[]) =>
    codes.map((code) => partLabel(catalogue, catalogue.parts.get(code)!)).join(', ')
  const [before, after] = apartInPoints(use.before, use.after)
  return (
    <li className="flex flex-wrap gap-4 rounded-[10px] border border-rule bg-card p-3">
      <BeforeAfter worn={use.worn} placements={placements} catalogue={catalogue} />
      <div className="min-w-[180px] flex-1">
        <h2 className="text-lg leading-tight">
          <Link to={at(use.take.label)} className="hover:text-act hover:underline">
            {use.name}
          </Link>
          <span className="ml-2 font-sans text-[13px] font-normal tracking-normal text-soft">{use.roster.name}</span>
        </h2>
        <p>
          Likeness <strong>{after}</strong>
          <span className="text-soft"> instead of {before}</span>
          <span className="text-soft"> · {use.way}</span>
          {use.free > 0 && <span className="font-semibold text-good"> · you have it free</span>}
        </p>
        <dl className="mt-1 grid grid-cols-[56px_1fr] text-[13.5px] leading-snug [&_dt]:text-soft">
          {use.frees.length > 0 && (
            <>
              <dt>frees</dt>
              <dd>{labels(use.frees)}</dd>
            </>
          )}
          {use.mends.length > 0 && (
            <>
              <dt>mends</dt>
              <dd className="text-good">{use.mends.join('; ')}</dd>
            </>
          )}
          {use.brings.length > 0 && (
            <>
              <dt>brings</dt>
              <dd className="text-notice">{use.brings.join('; ')}</dd>
            </>
          )}
        </dl>
        <p className="mt-2">
          {made === null ? (
            <Button onClick={() => void wear()} disabled={busy} aria-label={`Wear it as a new take of ${use.name}`}>
              Wear as a new take
            </Button>
          ) : (
            <Link to={at(made)} className="font-semibold text-act underline">
              Take {made}, on the bench
            </Link>
          )}
        </p>
      </div>
    </li>
  )
}
