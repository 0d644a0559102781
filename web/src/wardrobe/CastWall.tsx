import { Popover } from 'radix-ui'
import { Link } from 'react-router'
import { inPoints, PLACE_FACTS, placeOf, PLACES, type Place } from '@outfit/core/brief'
import { partLabel, type Catalogue, type Placement } from '@outfit/core/catalogue'
import type { RosterShelf } from '@outfit/core/shelf'
import type { CastFigure, CastPlan, CastReport, CastWho } from '@outfit/core/wardrobe'
import { counted } from '../ui/counted.ts'
import { Figure } from '../ui/Figure.tsx'

type Held = Readonly<Record<string, NonNullable<CastWho['held']>>>

interface CastWallProps {
  plan: CastPlan
  report: CastReport
  roster: RosterShelf
  catalogue: Catalogue
  /** Outfits that are not to wear it. */
  without: ReadonlySet<string>
  onWithout: (without: ReadonlySet<string>) => void
  held: Held
  onHold: (held: Held) => void
}

/** Everybody before and after, with where the new things come from and what was given up for others. */
export function CastWall({ plan, report, roster, catalogue, without, onWithout, held, onHold }: CastWallProps) {
  return (
    <ul className="mt-2 grid grid-cols-[repeat(auto-fill,minmax(min(290px,100%),1fr))] gap-3">
      {plan.figures.map((figure) => {
        const outfit = roster.outfits.find(({ id }) => id === figure.outfit)
        const now = report.now.find((one) => one.outfit === figure.outfit)
        if (!outfit || !now) return null
        const { changed } = figure
        const own = held[figure.outfit] ?? []
        return (
          <li key={figure.outfit} className="flex flex-col rounded-[12px] border border-rule bg-card p-3">
            <div className="flex items-baseline gap-2">
              <Link to={`/outfits/${figure.outfit}/bench`} className="min-w-0 truncate font-semibold hover:underline">
                {outfit.name}
              </Link>
              <span className="ml-auto shrink-0 tabular-nums">
                {inPoints(now.likeness)} → <strong>{inPoints(figure.likeness)}</strong>
              </span>
            </div>
            <div className="mt-1 flex">
              <Shown words="now" placements={now.placements} catalogue={catalogue} label={`${outfit.name}, now`} />
              <Shown
                words={changed.length === 0 ? 'stays' : 'cast'}
                placements={figure.placements}
                catalogue={catalogue}
                label={`${outfit.name}, cast`}
              />
            </div>
            <News figure={figure} plan={plan} catalogue={catalogue} />
            {figure.missed > 0 && (
              <p className="text-[13.5px] text-problem">{counted(figure.missed, 'must')} of its brief not met</p>
            )}
            {figure.without.length > 0 && (
              <p className="text-[13.5px] text-problem">
                Nothing is to be had for{' '}
                {figure.without.map((place) => PLACE_FACTS[place].label.toLowerCase()).join(', ')}
              </p>
            )}
            {figure.unmet > 0 && (
              <p className="text-[13.5px] text-problem">
                {counted(figure.unmet, 'part')} that {figure.unmet === 1 ? 'stays is' : 'stay are'} neither owned nor
                for sale
              </p>
            )}
            {figure.gaveUp
              .filter(({ points }) => points >= 500)
              .map(({ place, placements, points, holders }) => (
                <p key={place} className="text-[13.5px] text-soft">
                  Gave up {labelOf(placements, catalogue)} ({inPoints(points)}{' '}
                  {inPoints(points) === 1 ? 'point' : 'points'}):{' '}
                  {holders.map((id) => roster.outfits.find((one) => one.id === id)?.name ?? '').join(' and ')}{' '}
                  {holders.length === 1 ? 'wears it' : 'wear it'}.
                </p>
              ))}
            <div className="mt-auto flex items-center gap-3 pt-2 text-[14px]">
              {changed.length > 0 && (
                <label className="flex items-center gap-1.5">
                  <input
                    type="checkbox"
                    checked={!without.has(figure.outfit)}
                    onChange={() => {
                      const next = new Set(without)
                      if (!next.delete(figure.outfit)) next.add(figure.outfit)
                      onWithout(next)
                    }}
                    className="size-4 accent-[var(--act)]"
                  />
                  wears it
                </label>
              )}
              <Hold
                name={outfit.name}
                figure={figure}
                held={own}
                onChange={(places) => onHold({ ...held, [figure.outfit]: places })}
              />
            </div>
          </li>
        )
      })}
    </ul>
  )
}

function Shown({
  words,
  placements,
  catalogue,
  label,
}: {
  words: string
  placements: readonly Placement[]
  catalogue: Catalogue
  label: string
}) {
  return (
    <figure className="flex-1 text-center">
      {placements.length > 0 ? (
        <Figure placements={placements} from={catalogue} label={label} className="h-[150px] w-full" />
      ) : (
        <div className="grid h-[150px] place-items-center text-[13px] text-soft">wears nothing</div>
      )}
      <figcaption className="text-[13px] text-soft">{words}</figcaption>
    </figure>
  )
}

/** New parts named on a card; the bench shows the rest. */
const NAMED = 4

function News({ figure, plan, catalogue }: { figure: CastFigure; plan: CastPlan; catalogue: Catalogue }) {
  const bought = figure.come.filter(({ seller }) => seller !== null)
  const from = [...new Set(bought.map(({ seller }) => seller))].map((seller) => {
    const qty = bought.reduce((sum, one) => (one.seller === seller ? sum + one.qty : sum), 0)
    return `${qty} from ${plan.parcels.find((one) => one.seller === seller)?.name ?? seller}`
  })
  const owned = figure.come.reduce((sum, { seller, qty }) => (seller === null ? sum + qty : sum), 0)
  const places = figure.changed.map((place) => ({
    place,
    words: labelOf(
      figure.placements.filter(({ slot }) => placeOf(slot) === place),
      catalogue,
    ),
  }))
  return (
    <div className="mt-1 text-[13.5px]">
      {places.slice(0, NAMED).map(({ place, words }) => (
        <p key={place} className="truncate">
          <span className="text-soft">{PLACE_FACTS[place].label}:</span> {words}
        </p>
      ))}
      {places.length > NAMED && <p className="text-soft">and {counted(places.length - NAMED, 'more place')}</p>}
      <p className="text-soft">{[...(owned > 0 ? [`${owned} owned`] : []), ...from].join(', ')}</p>
    </div>
  )
}

/** The first of some parts by its name, which is that of a mould and a colour; heads go by their face, legs before hips. */
function labelOf(placements: readonly Placement[], catalogue: Catalogue): string {
  const first = placements.find(({ slot }) => slot !== 'hips') ?? placements[0]
  const part = first && catalogue.parts.get(first.part)
  if (!part) return 'nothing'
  if (first.slot !== 'head') return partLabel(catalogue, part)
  return `${catalogue.prints.get(part.print ?? '')?.name ?? part.name}${first.turned ? ', the other face' : ''}`
}

/** Hold a figure or some of its places as they were cast. */
function Hold({
  name,
  figure,
  held,
  onChange,
}: {
  name: string
  figure: CastFigure
  held: NonNullable<CastWho['held']>
  onChange: (held: NonNullable<CastWho['held']>) => void
}) {
  const { slots } = figure
  if (slots.length === 0) return null
  const whole = held.length === slots.length
  const places = slots.map(({ place }) => place)
  const hold = (chosen: readonly Place[]) => onChange(slots.filter(({ place }) => chosen.includes(place)))
  const now = held.map(({ place }) => place)
  return (
    <Popover.Root>
      <Popover.Trigger
        aria-label={`Hold ${name}`}
        className={`ml-auto rounded-full border px-2.5 py-0.5 text-[13.5px] hover:border-act ${held.length > 0 ? 'border-act bg-act text-act-ink' : 'border-rule text-act'}`}
      >
        {held.length === 0 ? 'Hold…' : whole ? 'Held' : `${held.length} held`}
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          align="end"
          sideOffset={6}
          aria-label={`Hold ${name}`}
          className="z-20 rounded-[12px] border border-rule bg-card p-3 shadow-xl"
        >
          <p className="mb-1 text-[13px] text-soft">Stays as cast when the others are cast again:</p>
          <label className="flex items-center gap-2 py-0.5 font-semibold">
            <input
              type="checkbox"
              className="size-4 accent-[var(--act)]"
              checked={whole}
              onChange={({ target }) => hold(target.checked ? places : [])}
            />
            the whole figure
          </label>
          {PLACES.filter((place) => places.includes(place)).map((place) => (
            <label key={place} className="flex items-center gap-2 py-0.5">
              <input
                type="checkbox"
                className="size-4 accent-[var(--act)]"
                checked={now.includes(place)}
                onChange={({ target }) =>
                  hold(places.filter((one) => (one === place ? target.checked : now.includes(one))))
                }
              />
              {PLACE_FACTS[place].label}
            </label>
          ))}
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  )
}
