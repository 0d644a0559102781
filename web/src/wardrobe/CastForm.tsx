import { Popover } from 'radix-ui'
import type { ReactNode } from 'react'
import { PLACE_FACTS, PLACES, type Place } from '@outfit/core/brief'
import { homeMoney } from '@outfit/core/market'
import type { RosterShelf, ShelfOutfit } from '@outfit/core/shelf'
import { Button } from '../ui/Button.tsx'
import { counted } from '../ui/counted.ts'
import { MoneyField } from '../ui/MoneyField.tsx'
import { wornPlaces, WORTHS, type CastSettings } from './castSettings.ts'

const FIELD = 'rounded-[8px] border border-rule bg-card px-2 py-1'

interface CastFormProps {
  roster: RosterShelf
  settings: CastSettings
  onChange: (change: Partial<CastSettings>) => void
  picked: ReadonlySet<string>
  onPick: (picked: ReadonlySet<string>) => void
  /** Places that stay as worn, by outfit. */
  kept: Readonly<Record<string, readonly Place[]>>
  onKeep: (kept: Readonly<Record<string, readonly Place[]>>) => void
  running: boolean
  onCast: () => void
  onStop: () => void
}

/** Who is cast, what stays, and what it may cost. */
export function CastForm({
  roster,
  settings,
  onChange,
  picked,
  onPick,
  kept,
  onKeep,
  running,
  onCast,
  onStop,
}: CastFormProps) {
  const { worth, budget, floor, parcels, arriveBy, facesDiffer, donors, market, uniformsStay } = settings
  const { outfits, uniforms } = roster
  const all = picked.size === outfits.length
  return (
    <form
      aria-label="How to cast"
      className="space-y-3"
      onSubmit={(event) => {
        event.preventDefault()
        onCast()
      }}
    >
      <fieldset>
        <legend className="flex w-full items-baseline justify-between font-semibold">
          Who takes part
          <button
            type="button"
            onClick={() => onPick(new Set(all ? [] : outfits.map(({ id }) => id)))}
            className="text-[13px] font-semibold text-act hover:underline"
          >
            {all ? 'nobody' : 'everybody'}
          </button>
        </legend>
        <ul className="mt-1 max-h-[172px] overflow-auto rounded-[10px] border border-rule bg-card px-2 py-1">
          {outfits.map((outfit) => (
            <li key={outfit.id} className="flex items-center gap-2 py-0.5">
              <label className="flex min-w-0 flex-1 items-center gap-2">
                <input
                  type="checkbox"
                  checked={picked.has(outfit.id)}
                  onChange={() => {
                    const next = new Set(picked)
                    if (!next.delete(outfit.id)) next.add(outfit.id)
                    onPick(next)
                  }}
                  className="size-4 shrink-0 accent-[var(--act)]"
                />
                <span className="truncate">{outfit.name}</span>
              </label>
              <Keeps
                outfit={outfit}
                kept={kept[outfit.id] ?? []}
                onChange={(places) => onKeep({ ...kept, [outfit.id]: places })}
              />
            </li>
          ))}
        </ul>
        {uniforms.length > 0 && (
          <Tick checked={uniformsStay} onChange={(on) => onChange({ uniformsStay: on })}>
            Uniforms stay as they are
          </Tick>
        )}
      </fieldset>
      <label className="block">
        A point of likeness is worth <strong>{homeMoney(worth)}</strong>
        <input
          type="range"
          min={0}
          max={WORTHS.length - 1}
          value={nearest(worth)}
          aria-valuetext={homeMoney(worth)}
          onChange={({ target }) => onChange({ worth: WORTHS[Number(target.value)]! })}
          className="mt-1 block w-full accent-[var(--act)]"
        />
        <span className="flex justify-between text-[13px] text-soft">
          <span>cheaper</span>
          <span>more like their briefs</span>
        </span>
      </label>
      <div className="grid grid-cols-2 gap-x-3 gap-y-2.5">
        <label>
          Spend at most
          <MoneyField
            label="Spend at most"
            className={`${FIELD} mt-0.5 block w-full`}
            value={budget}
            onChange={(money) => onChange({ budget: money })}
          />
        </label>
        <label>
          Each at least
          <span className="mt-0.5 flex items-center gap-1.5">
            <input
              type="number"
              min={0}
              max={100}
              value={floor}
              aria-label="Each at least so many points"
              onChange={({ target }) =>
                onChange({ floor: Math.max(0, Math.min(100, Math.floor(Number(target.value) || 0))) })
              }
              className={`${FIELD} w-[68px]`}
            />
            points
          </span>
        </label>
        <label>
          Most parcels
          <select
            value={parcels ?? ''}
            onChange={({ target }) => onChange({ parcels: target.value === '' ? null : Number(target.value) })}
            className={`${FIELD} mt-0.5 block w-full`}
          >
            <option value="">any number</option>
            {[...new Set([1, 2, 3, 4, 5, 6, 8, 10, ...(parcels === null ? [] : [parcels])])]
              .sort((a, b) => a - b)
              .map((n) => (
                <option key={n}>{n}</option>
              ))}
          </select>
        </label>
        <label>
          Here within
          <select
            value={arriveBy ?? ''}
            onChange={({ target }) => onChange({ arriveBy: target.value === '' ? null : Number(target.value) })}
            className={`${FIELD} mt-0.5 block w-full`}
          >
            <option value="">any time</option>
            {[...new Set([3, 5, 7, 10, 14, 21, 30, ...(arriveBy === null ? [] : [arriveBy])])]
              .sort((a, b) => a - b)
              .map((n) => (
                <option key={n} value={n}>
                  {counted(n, 'day')}
                </option>
              ))}
          </select>
        </label>
      </div>
      <div>
        <Tick checked={facesDiffer} onChange={(on) => onChange({ facesDiffer: on })}>
          Every face is another
        </Tick>
        <Tick checked={donors} onChange={(on) => onChange({ donors: on })}>
          Donors may be taken apart
        </Tick>
        <Tick checked={market} onChange={(on) => onChange({ market: on })}>
          What is missing is bought
        </Tick>
      </div>
      {running ? (
        <Button onClick={onStop}>Stop</Button>
      ) : (
        <Button look="act" type="submit" disabled={picked.size === 0}>
          Cast {picked.size === 1 ? 'one' : all ? `all ${picked.size}` : picked.size}
        </Button>
      )}
    </form>
  )
}

const nearest = (worth: number) =>
  WORTHS.reduce((best, one, i) => (Math.abs(one - worth) < Math.abs(WORTHS[best]! - worth) ? i : best), 0)

function Tick({
  checked,
  onChange,
  children,
}: {
  checked: boolean
  onChange: (on: boolean) => void
  children: ReactNode
}) {
  return (
    <label className="mt-1 flex items-start gap-2">
      <input
        type="checkbox"
        checked={checked}
        onChange={({ target }) => onChange(target.checked)}
        className="mt-1 size-4 shrink-0 accent-[var(--act)]"
      />
      {children}
    </label>
  )
}

/** Places of an outfit that stay as they are. */
function Keeps({
  outfit,
  kept,
  onChange,
}: {
  outfit: ShelfOutfit
  kept: readonly Place[]
  onChange: (places: Place[]) => void
}) {
  const worn = wornPlaces(outfit)
  if (worn.length === 0) return <span className="text-[13px] text-soft">wears nothing</span>
  return (
    <Popover.Root>
      <Popover.Trigger
        aria-label={`What ${outfit.name} keeps`}
        className="shrink-0 rounded-full border border-rule px-2 text-[13px] text-soft hover:border-act hover:text-act"
      >
        {kept.length === 0 ? 'keeps…' : `keeps ${kept.length}`}
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          align="start"
          sideOffset={6}
          aria-label={`What ${outfit.name} keeps`}
          className="z-20 rounded-[12px] border border-rule bg-card p-3 shadow-xl"
        >
          <p className="mb-1 text-[13px] text-soft">Stays as it is worn now:</p>
          {worn.map((place) => (
            <label key={place} className="flex items-center gap-2 py-0.5">
              <input
                type="checkbox"
                className="size-4 accent-[var(--act)]"
                checked={kept.includes(place)}
                onChange={({ target }) =>
                  onChange(PLACES.filter((one) => (one === place ? target.checked : kept.includes(one))))
                }
              />
              {PLACE_FACTS[place].label}
            </label>
          ))}
          <button
            type="button"
            onClick={() => onChange(kept.length === worn.length ? [] : worn)}
            className="mt-1 text-[13px] font-semibold text-act hover:underline"
          >
            {kept.length === worn.length ? 'keeps nothing' : 'keeps everything'}
          </button>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  )
}
