import { useState } from 'react'
import { Link, useSearchParams } from 'react-router'
import { skipToken } from '@reduxjs/toolkit/query'
import { listed } from '@outfit/core/base'
import { homeMoney } from '@outfit/core/market'
import { partLabel, type Catalogue } from '@outfit/core/catalogue'
import { exchangeSum, type Exchange, type ExchangedFigure } from '@outfit/core/uses'
import { PartPicker } from '../catalogue/PartPicker.tsx'
import { api, errorText } from '../data/api.ts'
import { castApi } from '../data/castApi.ts'
import { useKnownCatalogue } from '../data/useKnownCatalogue.ts'
import { usesApi } from '../data/usesApi.ts'
import { RosterFrame } from '../roster/RosterFrame.tsx'
import { Button } from '../ui/Button.tsx'
import { counted } from '../ui/counted.ts'
import { EmptyNote, ErrorNote, Waiting } from '../ui/Notes.tsx'
import { PartPicture } from '../ui/PartPicture.tsx'
import { tell, tellError } from '../ui/tell.ts'
import { BeforeAfter } from './BeforeAfter.tsx'
import { changeInPoints } from './points.ts'

/** One part for everybody: the whole roster with it, who gains and who loses, and one press for all who are ticked. */
export function ExchangeView() {
  return <RosterFrame>{({ roster }) => <Choice roster={roster.id} />}</RosterFrame>
}

function Choice({ roster }: { roster: string }) {
  const [query, setQuery] = useSearchParams()
  const [part, way] = [query.get('part'), query.get('way')]
  api.endpoints.basics.useQuery()
  const { currentData, error, refetch } = usesApi.endpoints.exchange.useQuery(
    part === null ? skipToken : { roster, part, way },
  )
  const catalogue = useKnownCatalogue(currentData)
  const pick = (
    <PartPicker title="A part for everybody" onPick={({ part: own }) => setQuery({ part: own.code })}>
      <Button look={part === null ? 'act' : 'quiet'}>{part === null ? 'Choose a part' : 'Another part'}</Button>
    </PartPicker>
  )
  if (part === null)
    return (
      <EmptyNote title="One part for everybody">
        Choose a part, and everybody of this roster is shown with it: who becomes more like their brief, who less, and
        what it costs. Nothing changes until you say so. <span className="mt-3 block">{pick}</span>
      </EmptyNote>
    )
  if (error) return <ErrorNote onRetry={() => void refetch()}>{errorText(error)}</ErrorNote>
  if (!currentData || !catalogue) return <Waiting>Putting it on everybody…</Waiting>
  return (
    <Wall
      // Another part or way is another choice of who wears it.
      key={`${part} ${currentData.way}`}
      exchange={currentData}
      catalogue={catalogue}
      pick={pick}
      onWay={(own) => setQuery({ part, way: own })}
    />
  )
}

const gainOf = ({ before, after }: ExchangedFigure) => after - before

/** Everybody of a roster with one part, and who is to wear it. */
export function Wall({
  exchange: { roster, part: code, ways, way, figures, wearing, barred, pieces },
  catalogue,
  pick,
  onWay,
}: {
  exchange: Exchange
  catalogue: Catalogue
  pick: React.ReactNode
  onWay: (way: string) => void
}) {
  const part = catalogue.parts.get(code)!
  // Who would lose by it is left as they are unless somebody wants it.
  const [without, setWithout] = useState<ReadonlySet<string>>(
    new Set(figures.filter((one) => gainOf(one) < 0).map(({ outfit }) => outfit)),
  )
  const [wear, { isLoading }] = castApi.endpoints.wearCast.useMutation()
  const [undo] = castApi.endpoints.undoCast.useMutation()
  const taking = figures.filter(({ outfit }) => !without.has(outfit))
  const wearAll = async () => {
    const outfits = taking.map(({ outfit, placements }) => ({ outfit, placements }))
    const answer = await wear({ roster: roster.id, outfits, why: 'exchange' })
    if (answer.error) return tellError(answer.error)
    const { takes } = answer.data
    tell(`${counted(takes.length, 'outfit')} of ${roster.name} wear it, each in a new take.`, () =>
      undo({ roster: roster.id, takes }),
    )
  }
  return (
    <>
      <div className="mt-4 flex flex-wrap items-center gap-4">
        <PartPicture part={part} catalogue={catalogue} label="" className="h-[72px] w-[72px] shrink-0" />
        <div className="min-w-0 flex-1">
          <h2 className="text-xl">{partLabel(catalogue, part)} for everybody</h2>
          <p className="text-soft">
            {[
              wearing.length > 0 && `${listed(wearing)} ${wearing.length === 1 ? 'wears' : 'wear'} it so already`,
              barred.length > 0 && `the house rules of ${listed(barred)} keep it out`,
            ]
              .filter(Boolean)
              .join('; ')}
          </p>
          {ways.length > 1 && (
            <label className="flex items-center gap-2">
              worn as
              <select
                value={way ?? ''}
                onChange={({ target }) => onWay(target.value)}
                className="rounded-[8px] border border-rule bg-card px-2 py-1"
              >
                {ways.map(({ key, label }) => (
                  <option key={key} value={key}>
                    {label}
                  </option>
                ))}
              </select>
            </label>
          )}
        </div>
        {pick}
      </div>
      {figures.length === 0 ? (
        <EmptyNote title="It changes nobody">
          {wearing.length + barred.length === 0
            ? 'There is nobody in this roster yet. Add characters to it first.'
            : wearing.length === 0
              ? 'The house rules keep it from everybody.'
              : 'All who may wear it do so already.'}
        </EmptyNote>
      ) : (
        <>
          <Sum taking={taking} pieces={pieces} catalogue={catalogue}>
            <Button look="act" disabled={isLoading || taking.length === 0} onClick={() => void wearAll()}>
              {taking.length === figures.length ? 'Let all wear it' : `Let ${taking.length} wear it`}
            </Button>
          </Sum>
          <ul
            aria-label="Everybody with it"
            className="mt-3 grid grid-cols-[repeat(auto-fill,minmax(min(270px,100%),1fr))] items-start gap-3"
          >
            {figures.map((one) => (
              <Card
                key={one.outfit}
                one={one}
                catalogue={catalogue}
                isTaking={!without.has(one.outfit)}
                onTaking={() => {
                  const next = new Set(without)
                  if (!next.delete(one.outfit)) next.add(one.outfit)
                  setWithout(next)
                }}
              />
            ))}
          </ul>
        </>
      )}
    </>
  )
}

/** What it comes to for those who are ticked. */
function Sum({
  taking,
  pieces,
  catalogue,
  children,
}: {
  taking: readonly ExchangedFigure[]
  pieces: Exchange['pieces']
  catalogue: Catalogue
  children: React.ReactNode
}) {
  const { gain, losing, missing, cost, unsold } = exchangeSum(taking, pieces)
  return (
    <div className="mt-4 flex flex-wrap items-center gap-x-4 gap-y-1 rounded-[12px] border border-rule bg-card px-4 py-2">
      <p className="min-w-[260px] flex-1">
        <strong>{counted(taking.length, 'outfit')}</strong>, {changeInPoints(gain)} points of likeness together
        {losing > 0 && <span className="text-problem">, {losing === 1 ? 'one loses' : `${losing} lose`}</span>}
        <span className="block text-[13.5px] text-soft">
          {missing === 0
            ? 'All of it lies free in the drawer.'
            : `${counted(missing, 'piece')} to buy: ${homeMoney(cost)} at lowest single prices, before shipping`}
          {unsold.length > 0 &&
            `; nobody sells ${listed(unsold.map((code) => partLabel(catalogue, catalogue.parts.get(code)!)))} singly`}
          {missing > 0 && '.'}
        </span>
      </p>
      {children}
    </div>
  )
}

function Card({
  one,
  catalogue,
  isTaking,
  onTaking,
}: {
  one: ExchangedFigure
  catalogue: Catalogue
  isTaking: boolean
  onTaking: () => void
}) {
  const { outfit, name, isBriefed, worn, placements, frees } = one
  const gain = gainOf(one)
  return (
    <li className="rounded-[10px] border border-rule bg-card p-2.5">
      <div className="flex items-baseline gap-2">
        <input
          type="checkbox"
          checked={isTaking}
          onChange={onTaking}
          aria-label={`${name} wears it`}
          className="size-4 shrink-0 self-center accent-[var(--act)]"
        />
        <Link to={`/outfits/${outfit}/bench`} className="min-w-0 truncate font-semibold hover:underline">
          {name}
        </Link>
        <strong className={`ml-auto shrink-0 ${gain > 0 ? 'text-good' : gain < 0 ? 'text-problem' : 'text-soft'}`}>
          {isBriefed ? changeInPoints(gain) : 'no wishes'}
        </strong>
      </div>
      <div className="flex items-center gap-2">
        <span className={isTaking ? '' : 'opacity-50'}>
          <BeforeAfter worn={worn} placements={placements} catalogue={catalogue} size="small" />
        </span>
        <p className="min-w-0 text-[13.5px] leading-snug text-soft">
          {frees.length === 0
            ? 'nothing comes off'
            : `frees ${listed(frees.slice(0, 2).map((code) => partLabel(catalogue, catalogue.parts.get(code)!)))}${frees.length > 2 ? ` and ${frees.length - 2} more` : ''}`}
        </p>
      </div>
    </li>
  )
}
