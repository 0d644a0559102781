import { useState } from 'react'
import { Link, useSearchParams } from 'react-router'
import { inPoints, WEIGHTS } from '@outfit/core/brief'
import type { CastingResult, CastOutfit } from '@outfit/core/casting'
import type { Catalogue } from '@outfit/core/catalogue'
import { homeMoney } from '@outfit/core/market'
import { houseRulesFor } from '@outfit/core/fitting'
import type { PictureReading } from '@outfit/core/picture'
import type { OutfitDetail, Take } from '@outfit/core/roster'
import { useOutfit } from '../data/useOutfit.ts'
import { Terms } from '../brief/Terms.tsx'
import { counted } from '../ui/counted.ts'
import { Button } from '../ui/Button.tsx'
import { Figure } from '../ui/Figure.tsx'
import { EmptyNote, ErrorNote, Waiting } from '../ui/Notes.tsx'
import { ForLess } from './ForLess.tsx'
import { rememberedSettings, rememberSettings, Settings } from './Settings.tsx'
import { useAgainst, usePictureZones } from '../picture/useAgainst.ts'
import { ZoneList } from '../picture/ZoneList.tsx'
import { useCasting, type CastingSettings } from './useCasting.ts'
import { useNewTake } from './useNewTake.ts'

/** The best outfits for a brief, and what likeness costs. */
export function CastingView() {
  const loaded = useOutfit()
  if (loaded.state === 'failed') return <ErrorNote onRetry={loaded.retry}>{loaded.problem}</ErrorNote>
  if (loaded.state === 'waiting') return <Waiting>Laying out the parts…</Waiting>
  return <Casting key={loaded.take.id} {...loaded} />
}

export const money = (minor: number) => (minor === 0 ? 'all owned' : homeMoney(minor))

function Casting({ outfit, take, catalogue }: { outfit: OutfitDetail; take: Take; catalogue: Catalogue }) {
  const [search, setSearch] = useSearchParams()
  const forLess = search.get('for') === 'less'
  // A limit of the house rules is where one begins; it can be changed for a casting.
  const [settings, setSettings] = useState(() => ({
    ...rememberedSettings(),
    limit: houseRulesFor(outfit).spendingLimit,
  }))
  const change = (next: CastingSettings) => {
    setSettings(next)
    rememberSettings(next)
  }
  const { state, ask, cancel } = useCasting(outfit, take)
  const running = state.state === 'running'
  const tab = (less: boolean) => {
    cancel()
    setSearch({ take: take.label, ...(less ? { for: 'less' } : {}) }, { replace: true })
  }
  const { wishes, statureWeight } = outfit.brief
  return (
    <div className="grid h-full min-w-[1180px] grid-cols-[264px_minmax(0,1fr)] grid-rows-[minmax(0,1fr)] phone:block phone:h-auto phone:min-w-0">
      <aside
        aria-label="How to cast"
        className="flex h-full min-h-0 flex-col overflow-y-auto border-r border-rule px-4 pt-3 pb-4 phone:h-auto phone:border-r-0 phone:border-b"
      >
        <h1 className="text-lg">Casting</h1>
        <p className="mb-3 text-[13.5px] text-soft">
          For {outfit.name}, by{' '}
          <Link
            to={`/outfits/${outfit.id}/brief?take=${encodeURIComponent(take.label)}`}
            className="font-semibold text-act hover:underline"
          >
            {counted(wishes.length, 'wish', 'wishes')}
          </Link>
          {WEIGHTS[statureWeight].share > 0 && ' and the stature'}.
        </p>
        <div role="tablist" aria-label="What to work out" className="mb-4 flex border-b border-rule">
          {[
            { less: false, label: 'The ten best' },
            { less: true, label: 'For less money' },
          ].map(({ less, label }) => (
            <button
              key={label}
              type="button"
              role="tab"
              aria-selected={less === forLess}
              onClick={() => tab(less)}
              className={`-mb-px border-b-2 px-2 pb-1 ${less === forLess ? 'border-[#d9573f] font-bold' : 'border-transparent text-soft hover:text-ink'}`}
            >
              {label}
            </button>
          ))}
        </div>
        <Settings settings={settings} onChange={change} brief={outfit.brief} weighed={!forLess} />
        <div className="mt-5">
          {running ? (
            <Button className="w-full" onClick={cancel}>
              Cancel
            </Button>
          ) : (
            <Button
              look="act"
              className="w-full"
              onClick={() => void ask(settings, { kind: forLess ? 'curve' : 'best' })}
            >
              {forLess ? 'Draw the curve' : 'Cast ten outfits'}
            </Button>
          )}
          <p role="status" className="mt-1.5 min-h-5 text-center text-[13px] text-soft">
            {running && state.words}
          </p>
        </div>
      </aside>
      <section aria-label="Outfits that were cast" className="h-full min-h-0 min-w-0">
        {state.state === 'failed' ? (
          <ErrorNote onRetry={() => void ask(settings, { kind: forLess ? 'curve' : 'best' })}>{state.why}</ErrorNote>
        ) : state.state === 'none' ? (
          <EmptyNote title="Nothing can be cast">{state.why}</EmptyNote>
        ) : forLess ? (
          <ForLess
            outfit={outfit}
            take={take}
            catalogue={catalogue}
            state={state}
            onAsk={(floor) => void ask(settings, { kind: 'cheapest', floor })}
          />
        ) : state.state === 'best' ? (
          <Row result={state.result} outfit={outfit} catalogue={catalogue} />
        ) : (
          <EmptyNote title={running ? 'Casting…' : 'Who could it be?'}>
            {running
              ? 'Every outfit that meets the musts is weighed; the ten best stand here in a moment.'
              : 'Press “Cast ten outfits”: the ten best whole outfits for the brief stand here, drawn, with their likeness, what is left to buy and what sets them apart.'}
          </EmptyNote>
        )}
      </section>
    </div>
  )
}

/** The outfits in a row, the best first, and why the picked one is where it is. */
function Row({ result, outfit, catalogue }: { result: CastingResult; outfit: OutfitDetail; catalogue: Catalogue }) {
  const picture = usePictureZones(outfit.references)
  const [picked, setPicked] = useState(0)
  const { make, busy } = useNewTake(outfit)
  const shown = result.outfits[picked] ?? result.outfits[0]!
  const against = useAgainst(picture, shown.placements, catalogue)
  const words = `was cast with a likeness of ${inPoints(shown.likeness.milli)}`
  return (
    <div className="grid h-full grid-cols-[minmax(0,1fr)_300px] grid-rows-[minmax(0,1fr)]">
      <div className="min-h-0 overflow-y-auto px-4 pt-3">
        <p className="text-[13.5px] text-soft">
          {result.complete
            ? `The ${result.outfits.length} best there are: every other outfit is proven to be worth less.`
            : `The best found in the time; none can be worth more than ${inPoints(result.bound)} points after its price.`}
        </p>
        <ol aria-label="Outfits" className="grid grid-cols-5 gap-2 pt-2 pb-3">
          {result.outfits.map((cast, index) => (
            <li key={index}>
              <Card
                cast={cast}
                index={index}
                picked={index === picked}
                onPick={() => setPicked(index)}
                picture={picture}
                catalogue={catalogue}
              />
            </li>
          ))}
        </ol>
      </div>
      <aside
        aria-label="About this outfit"
        className="flex min-h-0 flex-col border-l border-rule bg-band/40 px-4 pt-3 pb-3"
      >
        <h2 className="text-lg">Number {picked + 1}</h2>
        <p className="text-[13.5px] text-soft">
          {inPoints(shown.likeness.milli)} of 100, {money(shown.price)}
          {shown.price > 0 && ' to buy, before shipping'}
        </p>
        <Button look="act" className="my-2" disabled={busy} onClick={() => void make(shown.placements, words)}>
          Wear as a new take
        </Button>
        <div tabIndex={0} className="min-h-0 flex-1 overflow-y-auto">
          {against && (
            <details className="pb-1.5" open>
              <summary className="cursor-pointer font-semibold">Against the picture {against.points} of 100</summary>
              <ZoneList likeness={against} />
            </details>
          )}
          <Terms likeness={shown.likeness} />
        </div>
      </aside>
    </div>
  )
}

function Card({
  cast,
  index,
  picked,
  onPick,
  picture,
  catalogue,
}: {
  cast: CastOutfit
  index: number
  picked: boolean
  onPick: () => void
  picture: PictureReading['zones'] | null
  catalogue: Catalogue
}) {
  const { likeness, price, apart } = cast
  const against = useAgainst(picture, cast.placements, catalogue)
  return (
    <button
      type="button"
      aria-pressed={picked}
      aria-label={`Number ${index + 1}: likeness ${inPoints(likeness.milli)}, ${money(price)}`}
      onClick={onPick}
      className={`flex h-full w-full flex-col rounded-[10px] border bg-card px-2 pt-1 pb-2 text-left ${picked ? 'border-act outline-2 outline-act' : 'border-rule hover:border-act'}`}
    >
      <span className="flex w-full items-baseline">
        <strong className="font-head text-[19px] text-act">{inPoints(likeness.milli)}</strong>
        <span className="ml-auto text-[13px]">{money(price)}</span>
      </span>
      {picture && (
        <span className="-mt-0.5 text-[12.5px] text-soft" title="Likeness to the picture, of 100">
          picture {against?.points ?? '…'}
        </span>
      )}
      <Figure placements={cast.placements} label="" className="h-[196px] w-full" />
      <span className="line-clamp-3 text-[12.5px] leading-tight text-soft">
        {apart.length === 0 ? 'the best' : apart.join(', ')}
      </span>
    </button>
  )
}
