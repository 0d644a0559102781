import { useVirtualizer } from '@tanstack/react-virtual'
import { Fragment, useEffect, useMemo, useRef, useState, type RefObject } from 'react'
import { DRESSINGS, isAllowed, SPINE, type Dressing } from '@outfit/core/anatomy'
import { LEVEL_WORDS, type HouseRules } from '@outfit/core/roster'
import type { Catalogue, Placement, Slot } from '@outfit/core/catalogue'
import { CAUTIONS, valueLost, type FittingContext } from '@outfit/core/fitting'
import { homeMoney } from '@outfit/core/market'
import { starterMouldsFor } from '@outfit/core/starter'
import type { View } from '@outfit/core/mannequin'
import { Link } from 'react-router'
import { errorText } from '../data/api.ts'
import { ErrorNote } from '../ui/Notes.tsx'
import { Candidate } from './Candidate.tsx'
import { MadeShelf } from './MadeShelf.tsx'
import { PartNote } from './PartNote.tsx'
import { MoneyField } from '../ui/MoneyField.tsx'
import { TRAY_ORDERS, type TrayEntry, type TrayOrder, type TraySettings } from './trayEntries.ts'
import type { Elsewhere } from './useElsewhere.ts'
import type { useTray } from './useTray.ts'
import { SameHead } from './SameHead.tsx'
import { StarterShelf } from './StarterShelf.tsx'
import { usePhone } from '../ui/usePhone.ts'
import { WhatIs } from '../ui/WhatIs.tsx'
import { Worn } from './Worn.tsx'

export const COLUMNS = 3
const ROW = 148

/** Slots whose exchange pulls arms out of a torso. */
const ARMS: readonly Slot[] = ['armRight', 'armLeft', 'torso']

interface TrayProps {
  /** Where something about this place is put off. */
  later: string
  row: string
  rules: HouseRules
  /** Where the house rules of this outfit are read and changed. */
  rulesAt: string
  /** Id of the roster the outfit is in. */
  roster: string
  dressing: Dressing
  onDressing: (key: string) => void
  settings: TraySettings
  onSettings: (settings: TraySettings) => void
  tray: ReturnType<typeof useTray>
  /** The other ways to dress the row that there are parts for, when this one has none. */
  elsewhere: readonly Elsewhere[]
  /** The figure as worn now, and as the candidates are drawn on (which may lag a frame behind). */
  present: readonly Placement[]
  shownOn: Placement[]
  catalogue: Catalogue
  context: FittingContext
  known: ReadonlySet<string>
  view: View
  picked: number
  onPick: (index: number) => void
  onWear: (entry: TrayEntry) => void
  onChange: (placements: Placement[]) => void
  onPreview: (placements: Placement[] | null) => void
  note: string | null
  onNote: (part: string) => void
  findRef: RefObject<HTMLInputElement | null>
  listRef: RefObject<HTMLDivElement | null>
}

const chip = (on: boolean) =>
  `rounded-full border px-2.5 py-0.5 text-[13px] ${on ? 'border-act bg-act font-semibold text-act-ink' : 'border-rule bg-card hover:border-act'}`

/** Candidates of the slot, drawn on the figure, with what the slot wears above and what is known of the picked one below. */
export function Tray(props: TrayProps) {
  const { row, dressing, settings, tray, note, catalogue } = props
  const { all, shown } = tray
  const dressings = DRESSINGS[row] ?? []
  const spineRow = SPINE.find(({ key }) => key === row)!
  const [adding, setAdding] = useState(false)
  const phone = usePhone()
  // A shelf that was opened for one place is not what is wanted in the next.
  useEffect(() => setAdding(false), [dressing.key, row])
  const allowed = (one: Dressing) => isAllowed(one, props.rules.takingApart)
  const set = (change: Partial<TraySettings>) => props.onSettings({ ...settings, ...change })
  return (
    <section
      aria-label="Tray"
      className="flex h-full flex-col gap-2 border-l border-rule px-4 pt-3 pb-3 phone:order-3 phone:h-auto phone:min-h-0 phone:flex-1 phone:gap-1.5 phone:border-l-0 phone:px-3 phone:pt-2 phone:pb-0"
    >
      <h2 className="text-lg leading-tight phone:text-base phone:leading-[44px]">
        {spineRow.label}
        <span className="ml-2 font-sans text-sm font-normal tracking-normal text-soft">
          {shown.length === all.length ? `${all.length} to choose from` : `${shown.length} of ${all.length}`}
        </span>
        <WhatIs word="tray" said="the tray" className="ml-1 phone:hidden" />
        <Link
          to={props.later}
          title="Note an improvement, or wait for a part"
          className="float-right font-sans text-[13.5px] font-semibold tracking-normal text-act hover:underline"
        >
          Put off …
        </Link>
      </h2>
      <Worn
        placements={props.present}
        slots={spineRow.slots}
        catalogue={catalogue}
        onChange={props.onChange}
        onNote={props.onNote}
        context={props.context}
        rulesAt={props.rulesAt}
        onPreview={props.onPreview}
      />
      {spineRow.key === 'head' && (
        <SameHead
          placements={props.present}
          company={props.context.company}
          roster={props.roster}
          catalogue={catalogue}
        />
      )}
      {dressings.length > 1 && (
        <div role="group" aria-label="What to put on" className="flex flex-wrap gap-1.5">
          {dressings.map((one) => {
            const { key, label } = one
            return (
              <button
                key={key}
                type="button"
                aria-pressed={key === dressing.key}
                disabled={!allowed(one)}
                title={
                  allowed(one)
                    ? undefined
                    : `The house rules leave this joined; things come apart so far: ${LEVEL_WORDS[props.rules.takingApart]}`
                }
                onClick={() => props.onDressing(key)}
                className={`${chip(key === dressing.key)} disabled:opacity-45 disabled:hover:border-rule`}
              >
                {label}
              </button>
            )
          })}
        </div>
      )}
      {ARMS.includes(dressing.slot) && dressing.pick !== 'assembly' && allowed(dressing) && (
        <p role="note" className="border-l-[3px] border-notice pl-2 text-[12.5px] leading-snug">
          {CAUTIONS.arms} <AtRisk placements={props.present} context={props.context} />
        </p>
      )}
      <div className="flex items-center gap-1.5">
        <input
          ref={props.findRef}
          type="search"
          value={settings.find}
          onChange={(event) => set({ find: event.target.value })}
          onKeyDown={(event) => {
            if (event.key === 'Escape' || event.key === 'Enter' || event.key === 'ArrowDown')
              props.listRef.current?.focus()
          }}
          placeholder="Name or colour"
          aria-label="Find in the tray"
          className="min-w-0 flex-1 rounded-[8px] border border-rule bg-card px-2 py-1 placeholder:text-soft"
        />
        <button
          type="button"
          aria-pressed={settings.ownedOnly}
          onClick={() => set({ ownedOnly: !settings.ownedOnly })}
          className={chip(settings.ownedOnly)}
        >
          owned
        </button>
        {all.length > 0 && (
          <button
            type="button"
            aria-pressed={adding}
            aria-label={adding ? 'Back to the tray' : 'Bring in one I have'}
            title={adding ? 'Back to the tray' : 'Bring in one I have'}
            onClick={() => setAdding(!adding)}
            className={chip(adding)}
          >
            {adding ? '‹' : '+'}
          </button>
        )}
        <select
          aria-label="Order of the tray"
          value={settings.order}
          onChange={(event) => set({ order: event.target.value as TrayOrder })}
          className="rounded-[8px] border border-rule bg-card px-1 py-1 text-[13px]"
        >
          {Object.entries(TRAY_ORDERS).map(([key, label]) => (
            <option key={key} value={key}>
              {label}
            </option>
          ))}
        </select>
      </div>
      <div className="flex items-center gap-1.5 text-[13px] phone:hidden">
        {settings.order === 'likeness' && (
          <label className="flex min-w-0 flex-1 items-center gap-1 text-soft">
            likeness
            <input
              type="range"
              min={0}
              max={1}
              step={0.1}
              value={settings.mix}
              aria-label="Likeness or price"
              onChange={(event) => set({ mix: Number(event.target.value) })}
              className="min-w-0 flex-1 accent-[var(--act)]"
            />
            price
          </label>
        )}
        {tray.wished && (
          <button
            type="button"
            aria-pressed={settings.wishedColour}
            onClick={() => set({ wishedColour: !settings.wishedColour })}
            className={chip(settings.wishedColour)}
          >
            <span
              aria-hidden
              className="mr-1 inline-block size-2.5 rounded-[3px] border border-ink/50"
              style={{ background: tray.wished.target }}
            />
            wished colour
          </button>
        )}
        <label className="ml-auto flex items-center gap-1 text-soft">
          up to
          <MoneyField
            value={settings.limit}
            onChange={(limit) => set({ limit })}
            label="Candidates up to a price"
            className="w-[58px]"
          />
        </label>
      </div>
      <MadeShelf dressing={dressing} present={props.present} catalogue={catalogue} onChange={props.onChange} />
      {adding ? (
        <StarterShelf
          key={dressing.key}
          row={row}
          dressing={dressing}
          onDressing={props.onDressing}
          onHad={() => setAdding(false)}
        />
      ) : allowed(dressing) ? (
        <Candidates {...props} />
      ) : (
        <p className="flex-1 px-2 py-8 text-center text-soft">
          The house rules leave these joined; things come apart so far: {LEVEL_WORDS[props.rules.takingApart]}. Change
          what these are joined to, or{' '}
          <Link to={props.rulesAt} className="font-semibold text-act underline">
            the house rules
          </Link>
          .
        </p>
      )}
      {note && !phone && (
        <PartNote
          code={note}
          catalogue={catalogue}
          likeness={tray.all.find(({ part }) => part.code === note)?.likeness}
        />
      )}
    </section>
  )
}

/** What a torso costs whose arms are about to be pulled. */
function AtRisk({ placements, context }: { placements: readonly Placement[]; context: FittingContext }) {
  const torso = context.catalogue.parts.get(placements.find(({ slot }) => slot === 'torso')?.part ?? '')
  const worth = torso && valueLost(torso, context)
  return worth ? <strong>{homeMoney(worth)} at risk.</strong> : null
}

function Candidates({
  row,
  tray,
  dressing,
  elsewhere,
  onDressing,
  shownOn,
  catalogue,
  context,
  known,
  view,
  picked,
  onPick,
  onWear,
  onNote,
  listRef,
  settings,
  onSettings,
}: TrayProps) {
  const { shown, all, error, isFetching, refetch } = tray
  const virtual = useVirtualizer({
    count: Math.ceil(shown.length / COLUMNS),
    getScrollElement: () => listRef.current,
    estimateSize: () => ROW,
    overscan: 1,
  })
  useEffect(() => {
    if (picked >= 0) virtual.scrollToIndex(Math.floor(picked / COLUMNS), { align: 'auto' })
  }, [picked, virtual])
  const hover = useRef<ReturnType<typeof setTimeout>>(undefined)
  useEffect(() => () => clearTimeout(hover.current), [])
  const onHover = useMemo(
    () => (entry: TrayEntry) => {
      clearTimeout(hover.current)
      hover.current = setTimeout(() => onNote(entry.part.code), 250)
    },
    [onNote],
  )
  if (error) return <ErrorNote onRetry={() => void refetch()}>{errorText(error)}</ErrorNote>
  if (all.length === 0 && !isFetching)
    return (
      <div className="flex min-h-0 flex-1 flex-col pt-2">
        {elsewhere.length > 0 && (
          <p className="mb-2">
            What you have for this row lies under{' '}
            {elsewhere.map(({ way, count }, i) => (
              <Fragment key={way.key}>
                {i > 0 && ', '}
                <button type="button" className="font-semibold text-act underline" onClick={() => onDressing(way.key)}>
                  {way.label}
                </button>{' '}
                ({count})
              </Fragment>
            ))}
            .
          </p>
        )}
        <p>
          Nothing for this is in your workspace yet.{' '}
          <Link to="/bring-in" className="font-semibold text-act underline">
            Bring a list in
          </Link>{' '}
          of what you own, as it is.
        </p>
        {(elsewhere.length === 0 || starterMouldsFor(dressing).length > 0) && (
          <StarterShelf key={dressing.key} row={row} dressing={dressing} onDressing={onDressing} />
        )}
      </div>
    )
  if (shown.length === 0)
    return (
      <div className="flex-1 py-8 text-center text-soft">
        {isFetching ? 'Laying out the tray…' : 'Nothing in the tray fits. '}
        {!isFetching && (settings.find || settings.ownedOnly || settings.wishedColour || settings.limit !== null) && (
          <button
            type="button"
            className="font-semibold text-act underline"
            onClick={() => onSettings({ ...settings, find: '', ownedOnly: false, wishedColour: false, limit: null })}
          >
            Show all
          </button>
        )}
      </div>
    )
  const current = shown[picked]
  return (
    <div
      ref={listRef}
      role="listbox"
      aria-label="Candidates"
      aria-activedescendant={current && `candidate-${current.part.code}`}
      tabIndex={0}
      // By keys alone: a press with the mouse brings the focus too, and what is picked then scrolls away under it.
      onFocus={({ currentTarget }) =>
        picked < 0 && shown.length > 0 && currentTarget.matches(':focus-visible') && onPick(0)
      }
      className="-mx-1 min-h-0 flex-1 overflow-y-auto px-1 pt-1"
    >
      <div className="relative" style={{ height: virtual.getTotalSize() }}>
        {virtual.getVirtualItems().map((line) => (
          <div key={line.key} className="absolute inset-x-0 grid grid-cols-3 gap-2" style={{ top: line.start }}>
            {shown.slice(line.index * COLUMNS, (line.index + 1) * COLUMNS).map((entry, i) => (
              <Candidate
                key={entry.part.code}
                entry={entry}
                dressing={dressing}
                placements={shownOn}
                catalogue={catalogue}
                context={context}
                known={known}
                view={view}
                picked={line.index * COLUMNS + i === picked}
                onWear={onWear}
                onPick={onHover}
              />
            ))}
          </div>
        ))}
      </div>
    </div>
  )
}
