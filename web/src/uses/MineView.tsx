import { useState } from 'react'
import { Link, useParams } from 'react-router'
import { homeMoney } from '@outfit/core/market'
import { partLabel, type Catalogue } from '@outfit/core/catalogue'
import type { MinedBoxes, MinedCrowd, MinedPart, MinedRelease } from '@outfit/core/uses'
import { api, errorText } from '../data/api.ts'
import { useSettings } from '../data/settingsApi.ts'
import { useKnownCatalogue } from '../data/useKnownCatalogue.ts'
import { usesApi } from '../data/usesApi.ts'
import { counted } from '../ui/counted.ts'
import { EmptyNote, ErrorNote, Waiting } from '../ui/Notes.tsx'
import { PartPicture } from '../ui/PartPicture.tsx'
import { BeforeAfter } from './BeforeAfter.tsx'
import { Officials } from './Officials.tsx'
import { gainInPoints } from './points.ts'

/** Parts listed at first; those further down do less. */
const FIRST = 12
/** Pieces named of what somebody wears of it. */
const NAMED = 3

/** A release looked through for what it could do: how many boxes, for whom, and part by part. */
export function MineView() {
  const { release: code = '' } = useParams()
  api.endpoints.basics.useQuery()
  const { currentData: data, error, refetch } = usesApi.endpoints.mined.useQuery(code)
  const catalogue = useKnownCatalogue(data)
  if (error) return <ErrorNote onRetry={() => void refetch()}>{errorText(error)}</ErrorNote>
  if (!data || !catalogue) return <Waiting>Trying everything in it on everybody…</Waiting>
  const { release, isCase, price, mined, asked, crowds, deals } = data
  const fresh = mined.filter(({ owned }) => owned === 0).length
  const link = 'font-semibold text-act underline'
  return (
    <div className="mx-auto max-w-[1240px] px-5 py-4">
      <h1 className="text-3xl">
        What {release.name} could do
        <span className="ml-3 font-sans text-sm font-normal tracking-normal text-soft">
          {release.kind}, {release.year}
          {isCase && ', a full case'}
          {price === null ? ', nobody sells it now' : `, from ${homeMoney(price)}`}
        </span>
      </h1>
      <p className="mt-1 text-soft">
        {fresh === 0 ? 'You own everything in it.' : `${fresh} of its ${counted(mined.length, 'part')} you do not own.`}{' '}
        <Link to={`/prices/release/${code}`} className={link}>
          Prices over time
        </Link>
        {' · '}
        <Link to={`/catalogue/releases/${code}`} className={link}>
          in the catalogue
        </Link>
        {isCase && (
          <>
            {' · '}
            <Link to={`/packs/${code}`} className={link}>
              what packs it takes
            </Link>
          </>
        )}
      </p>
      {deals.length === 0 ? (
        <EmptyNote title={asked === 0 ? 'Nobody has wishes yet' : 'Nobody would be more like their brief with it'}>
          {asked === 0
            ? 'What a box could do is told by the briefs of your outfits: say in one what must be right.'
            : `Its parts were tried on ${counted(asked, 'outfit')} with wishes.`}
        </EmptyNote>
      ) : (
        <Boxes data={data} catalogue={catalogue} />
      )}
      <Officials data={data} catalogue={catalogue} />
      <Crowds crowds={crowds} catalogue={catalogue} isCase={isCase} />
      <Parts mined={mined} catalogue={catalogue} />
    </div>
  )
}

/** Parts that many of a roster could wear at once. */
export function Crowds({
  crowds,
  catalogue,
  isCase,
}: {
  crowds: readonly MinedCrowd[]
  catalogue: Catalogue
  isCase: boolean
}) {
  if (crowds.length === 0) return null
  return (
    <section aria-labelledby="crowds" className="mt-6">
      <h2 id="crowds" className="text-xl">
        Many at once
      </h2>
      <ul className="mt-2 grid gap-3 lg:grid-cols-2">
        {crowds.map((crowd) => (
          <CrowdRow
            key={`${crowd.part} ${crowd.roster.id} ${crowd.frees.join(' ')}`}
            {...{ crowd, catalogue, isCase }}
          />
        ))}
      </ul>
    </section>
  )
}

/** What one box, two, three … do; who wears what of those that are picked. */
function Boxes({ data: { deals, goesOn, price, isCase }, catalogue }: { data: MinedRelease; catalogue: Catalogue }) {
  const { worth } = useSettings()
  const [picked, pick] = useState(0)
  const deal = deals[Math.min(picked, deals.length - 1)]!
  const more = (i: number) => deals[i]!.gain - (deals[i - 1]?.gain ?? 0)
  const pays = (i: number) => price !== null && (more(i) / 1000) * worth >= price
  return (
    <section aria-labelledby="boxes" className="mt-4">
      <h2 id="boxes" className="text-xl">
        {isCase ? 'How many cases' : 'How many boxes'}
      </h2>
      <div className="mt-1 overflow-x-auto">
        <table className="w-full max-w-[860px] text-left">
          <thead className="text-[13.5px] text-soft [&_th]:px-2 [&_th]:py-1 [&_th]:font-normal">
            <tr>
              <th>{isCase ? 'cases' : 'boxes'}</th>
              <th className="text-right">better dressed</th>
              <th className="text-right">points of likeness</th>
              <th className="text-right">of the last one</th>
              <th className="text-right">cost</th>
              <th className="text-right">parts nobody wears</th>
            </tr>
          </thead>
          <tbody>
            {deals.map((one, i) => (
              <BoxRow
                key={one.boxes}
                {...{ one, price, isPicked: one === deal, onPick: () => pick(i) }}
                more={more(i)}
                pays={pays(i)}
              />
            ))}
          </tbody>
        </table>
      </div>
      <p className="mt-1 text-[13.5px] text-soft">
        Parts go to whoever gains most by them, one after the other.{' '}
        {goesOn ? 'Still more of them would go on doing something.' : 'One more than these does nothing for anybody.'}
        {price !== null && ` A point of likeness is worth ${homeMoney(worth)} to you, as your settings have it.`}
      </p>
      <ul
        aria-label="Better dressed"
        className="mt-3 grid grid-cols-[repeat(auto-fill,minmax(min(290px,100%),1fr))] items-start gap-3"
      >
        {deal.dressed.map(({ outfit, name, roster, before, after, pieces, worn, placements }) => (
          <li key={outfit} className="rounded-[10px] border border-rule bg-card p-2.5">
            <div className="flex items-baseline gap-2">
              <Link to={`/outfits/${outfit}/bench`} className="min-w-0 truncate font-semibold hover:underline">
                {name}
              </Link>
              <strong className="ml-auto shrink-0 text-good">{gainInPoints(after - before)}</strong>
            </div>
            <div className="flex items-center gap-2">
              <BeforeAfter {...{ worn, placements, catalogue }} size="small" />
              <p className="min-w-0 text-[13.5px] leading-snug text-soft">
                {roster.name}
                <br />
                {namesOf(pieces, catalogue)}
              </p>
            </div>
          </li>
        ))}
      </ul>
    </section>
  )
}

function BoxRow({
  one: { boxes, gain, dressed, left },
  price,
  more,
  pays,
  isPicked,
  onPick,
}: {
  one: MinedBoxes
  price: number | null
  more: number
  pays: boolean
  isPicked: boolean
  onPick: () => void
}) {
  return (
    <tr className={`border-t border-rule [&_td]:px-2 [&_td]:py-1 ${isPicked ? 'bg-band' : ''}`}>
      <td>
        <label className="flex cursor-pointer items-center gap-2 font-semibold">
          <input type="radio" name="boxes" checked={isPicked} onChange={onPick} className="accent-[var(--act)]" />
          {boxes}
        </label>
      </td>
      <td className="text-right">{counted(dressed.length, 'outfit')}</td>
      <td className="text-right">{gainInPoints(gain)}</td>
      <td className="text-right">
        {gainInPoints(more)}
        {pays && <span className="ml-1.5 text-good">pays</span>}
      </td>
      <td className="text-right">{price === null ? '–' : homeMoney(price * boxes)}</td>
      <td className="text-right">{left.reduce((sum, { qty }) => sum + qty, 0)}</td>
    </tr>
  )
}

function CrowdRow({ crowd, catalogue, isCase }: { crowd: MinedCrowd; catalogue: Catalogue; isCase: boolean }) {
  const part = catalogue.parts.get(crowd.part)!
  const gain = crowd.members.reduce((sum, { before, after }) => sum + after - before, 0)
  return (
    <li className="flex gap-3 rounded-[10px] border border-rule bg-card p-3">
      <PartPicture part={part} catalogue={catalogue} label="" className="h-[64px] w-[64px] shrink-0" />
      <div className="min-w-0">
        <p>
          <strong>{partLabel(catalogue, part)}</strong> for {counted(crowd.members.length, 'outfit')} of{' '}
          <Link to={`/rosters/${crowd.roster.id}`} className="font-semibold text-act underline">
            {crowd.roster.name}
          </Link>
          , <strong className="text-good">{gainInPoints(gain)}</strong> together
        </p>
        <p className="text-[13.5px] text-soft">
          {crowd.frees.length === 0 ? 'where nothing is worn now' : `instead of ${namesOf(crowd.frees, catalogue)}`}
          {' · '}
          {isCase ? counted(crowd.boxes, 'case') : counted(crowd.boxes, 'box', 'boxes')}
          {crowd.singly !== null && `, or ${homeMoney(crowd.singly)} singly`}
        </p>
        <p className="text-[13.5px] text-soft">{crowd.members.map(({ name }) => name).join(', ')}</p>
        <Link
          to={`/rosters/${crowd.roster.id}/exchange?part=${crowd.part}&way=${crowd.way.key}`}
          className="font-semibold text-act underline"
        >
          Look at all of them with it
        </Link>
      </div>
    </li>
  )
}

/** Its parts, the most useful first. */
export function Parts({ mined, catalogue }: { mined: readonly MinedPart[]; catalogue: Catalogue }) {
  const [all, showAll] = useState(false)
  const list = all ? mined : mined.slice(0, FIRST)
  return (
    <section aria-labelledby="parts" className="mt-6">
      <h2 id="parts" className="text-xl">
        Its parts, the most useful first
      </h2>
      <ol className="mt-2 grid gap-3 lg:grid-cols-2">
        {list.map((one) => (
          <PartRow key={one.part} one={one} catalogue={catalogue} />
        ))}
      </ol>
      {list.length < mined.length && (
        <button type="button" className="mt-3 font-semibold text-act underline" onClick={() => showAll(true)}>
          Show the other {mined.length - list.length}
        </button>
      )}
    </section>
  )
}

function PartRow({ one, catalogue }: { one: MinedPart; catalogue: Catalogue }) {
  const part = catalogue.parts.get(one.part)!
  const [best] = one.best
  return (
    <li className="flex flex-wrap items-center gap-3 rounded-[10px] border border-rule bg-card p-3">
      <PartPicture part={part} catalogue={catalogue} label="" className="h-[84px] w-[84px] shrink-0" />
      <div className="min-w-[200px] flex-1">
        <Link to={`/parts/${one.part}`} className="font-semibold hover:text-act hover:underline">
          {partLabel(catalogue, part)}
        </Link>
        <p className="text-[13.5px] text-soft">
          {one.qty} in it ·{' '}
          {one.owned === 0 ? <strong className="text-notice">new to you</strong> : `you own ${one.owned}`}
          {one.lowest !== null && ` · ${homeMoney(one.lowest)} singly`}
        </p>
        {one.found === 0 ? (
          <p className="text-[13.5px] text-soft">raises nobody’s likeness</p>
        ) : (
          <p className="text-[13.5px]">
            lifts{' '}
            <Link to={`/parts/${one.part}/uses`} className="font-semibold text-act underline">
              {counted(one.found, 'outfit')}
            </Link>
            : {one.best.map(({ name, before, after }) => `${name} ${gainInPoints(after - before)}`).join(', ')}
            {one.found > one.best.length && ' …'}
          </p>
        )}
        {one.goesWith.map(({ part: other, reasons }) => (
          <p key={other} className="text-[13.5px] text-soft">
            as if made for your{' '}
            <Link to={`/parts/${other}`} className="text-act hover:underline">
              {partLabel(catalogue, catalogue.parts.get(other)!)}
            </Link>
            {reasons.length > 0 && ` (${reasons[0]})`}
          </p>
        ))}
      </div>
      {best && <BeforeAfter worn={best.worn} placements={best.placements} catalogue={catalogue} size="small" />}
    </li>
  )
}

/** Parts by their names, the first few, each with how many: "Deck cap · Tar, 2 × Mitt · Shell". */
function namesOf(codes: readonly string[], catalogue: Catalogue): string {
  const counts = new Map<string, number>()
  for (const code of codes) {
    const name = partLabel(catalogue, catalogue.parts.get(code)!)
    counts.set(name, (counts.get(name) ?? 0) + 1)
  }
  const names = [...counts].map(([name, qty]) => (qty > 1 ? `${qty} × ${name}` : name))
  if (names.length <= NAMED) return names.join(', ')
  return `${names.slice(0, NAMED).join(', ')} and ${names.length - NAMED} more`
}
