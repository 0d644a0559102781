import { useState } from 'react'
import { Link } from 'react-router'
import { inPoints } from '@outfit/core/brief'
import { partLabel, type Catalogue } from '@outfit/core/catalogue'
import { NEARNESS, type Buildable, type Nearness } from '@outfit/core/workbench'
import { api, errorText } from '../data/api.ts'
import { drawerApi } from '../data/drawerApi.ts'
import { useKnownCatalogue } from '../data/useKnownCatalogue.ts'
import { DrawerFrame } from '../drawer/DrawerFrame.tsx'
import { Figure } from '../ui/Figure.tsx'
import { EmptyNote, ErrorNote, Waiting } from '../ui/Notes.tsx'

const WORDS: Readonly<Record<Nearness, { title: string; about: string }>> = {
  complete: { title: 'Complete', about: 'Every part lies loose; nobody loses anything.' },
  apart: { title: 'By taking something apart', about: 'Everything is owned; some of it stands on a figure.' },
  'before-others': { title: 'Before others', about: 'Everything is owned, but others count on some of it.' },
  'on-its-way': { title: 'On its way', about: 'Nothing is to be bought: what is missing comes with a parcel.' },
  'lacks-one': { title: 'Lacks one part', about: 'What could be worn instead is told, and how much likeness is kept.' },
  'lacks-more': { title: 'Lacks more', about: 'The fewest first.' },
}

/** What could be built today from what is owned, the nearest first. */
export function BuildableView() {
  return <DrawerFrame>{() => <List />}</DrawerFrame>
}

function List() {
  const { data, error, refetch } = drawerApi.endpoints.buildable.useQuery()
  const { data: shelves } = api.endpoints.shelves.useQuery()
  const catalogue = useKnownCatalogue(data)
  const [roster, setRoster] = useState('')
  if (error) return <ErrorNote onRetry={() => void refetch()}>{errorText(error)}</ErrorNote>
  if (!data || !catalogue || !shelves) return <Waiting>Laying everything out…</Waiting>
  const outfits = data.outfits.filter((one) => roster === '' || one.roster === roster)
  const worn = new Map(shelves.rosters.flatMap((one) => one.outfits).map(({ id, placements }) => [id, placements]))
  return (
    <div className="mt-3">
      <label className="flex items-center gap-2">
        Roster
        <select
          value={roster}
          onChange={({ target }) => setRoster(target.value)}
          className="rounded-[8px] border border-rule bg-card px-2 py-1"
        >
          <option value="">all</option>
          {shelves.rosters.map(({ id, name }) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
        </select>
      </label>
      {outfits.length === 0 && (
        <EmptyNote title="Nothing waits to be built">
          Everything that is dressed stands built. Dress another outfit on the bench.
        </EmptyNote>
      )}
      {NEARNESS.map((nearness) => {
        const here = outfits.filter((one) => one.nearness === nearness)
        if (here.length === 0) return null
        const { title, about } = WORDS[nearness]
        return (
          <section key={nearness} aria-label={title} className="mt-4">
            <h2 className="text-lg">
              {title} <span className="font-sans text-sm font-normal tracking-normal text-soft">{here.length}</span>
            </h2>
            <p className="text-[13px] text-soft">{about}</p>
            <ul className="mt-2 grid gap-2 sm:grid-cols-2 xl:grid-cols-3">
              {here.map((one) => (
                <li key={one.id} className="flex gap-3 rounded-[12px] border border-rule bg-card p-2.5">
                  <span aria-hidden className="h-[92px] w-[58px] shrink-0">
                    <Figure placements={worn.get(one.id) ?? []} label="" from={catalogue} className="h-full w-full" />
                  </span>
                  <div className="min-w-0 flex-1">
                    <p className="truncate">
                      <Link
                        to={`/outfits/${one.id}/workbench`}
                        className="font-semibold hover:text-act hover:underline"
                      >
                        {one.name}
                      </Link>{' '}
                      <span className="text-[13px] text-soft">{one.rosterName}</span>
                    </p>
                    <What one={one} catalogue={catalogue} donors={data.donors} />
                  </div>
                </li>
              ))}
            </ul>
          </section>
        )
      })}
    </div>
  )
}

/** What building it takes, in a line or two. */
function What({
  one,
  catalogue,
  donors,
}: {
  one: Buildable
  catalogue: Catalogue
  donors: readonly { code: string; name: string }[]
}) {
  const label = (code: string) => {
    const part = catalogue.parts.get(code)
    return part ? partLabel(catalogue, part) : code
  }
  const apart = one.donors.map((code) => donors.find((donor) => donor.code === code)?.name ?? code).join(', ')
  const { likeness } = one
  const lacksOne = one.nearness === 'lacks-one'
  return (
    <div className="text-[13px] leading-snug">
      {apart && (
        <p>
          Takes apart: <strong>{apart}</strong>
        </p>
      )}
      {one.others.length > 0 && (
        <p>
          Takes from: <strong>{one.others.join(', ')}</strong>
        </p>
      )}
      {one.coming.length > 0 && (
        <p>
          On its way:{' '}
          {one.coming
            .slice(0, 3)
            .map(({ part }) => label(part))
            .join(', ')}
          {one.coming.length > 3 && ' …'}
        </p>
      )}
      {lacksOne && (
        <p>
          Lacks{' '}
          <Link to={`/parts/${one.lacks[0]!.part}`} className="font-semibold hover:text-act hover:underline">
            {label(one.lacks[0]!.part)}
          </Link>
          {one.instead[0] ? (
            <>
              ; owned instead: {label(one.instead[0].part)}
              {one.instead[0].apart === 0 ? ', which looks the same' : ''}
            </>
          ) : (
            '; nothing like it is spare'
          )}
          .
        </p>
      )}
      {one.nearness === 'lacks-more' && (
        <p>
          Lacks {one.lacks.length}:{' '}
          {one.lacks
            .slice(0, 3)
            .map(({ part }) => label(part))
            .join(', ')}
          {one.lacks.length > 3 && ' …'}
        </p>
      )}
      {likeness && one.lacks.length > 0 && (
        <p className="text-soft">
          Likeness {inPoints(likeness.built)} of the {inPoints(likeness.planned)} planned
        </p>
      )}
      <p className="mt-1">
        <Link to={`/outfits/${one.id}/workbench`} className="font-semibold text-act hover:underline">
          To the workbench
        </Link>
        {one.lacks.length > 0 && (
          <>
            {' · '}
            <Link to={`/outfits/${one.id}/sourcing`} className="font-semibold text-act hover:underline">
              Buy what is missing
            </Link>
          </>
        )}
      </p>
    </div>
  )
}
