import { useCallback, useDeferredValue, useMemo, useRef, useState } from 'react'
import { shallowEqual, useStore } from 'react-redux'
import { Image as ImageIcon, Redo2, Scale, Undo2, Wrench } from 'lucide-react'
import { Link } from 'react-router'
import { toast } from 'sonner'
import { DRESSINGS, dress, isAllowed, SPINE, turn, undress } from '@outfit/core/anatomy'
import type { Catalogue, Placement } from '@outfit/core/catalogue'
import { judgesOf, likenessBy, placeOf } from '@outfit/core/brief'
import { apartByComing, missingFrom } from '@outfit/core/allotment'
import { wholesWanted } from '@outfit/core/prices'
import { houseRulesFor, isAccepted, mendAll, pinKey, pinsOf, type Pin } from '@outfit/core/fitting'
import type { OutfitDetail } from '@outfit/core/roster'
import { api } from '../data/api.ts'
import { useFitting } from '../data/useFitting.ts'
import { useSingleKeys } from '../data/singleKeys.ts'
import { useAppDispatch, useAppSelector } from '../data/hooks.ts'
import { type BenchRoot, useBenchSelector } from './hooks.ts'
import { useBenchKeys } from './benchKeys.ts'
import { changed, redone, rowPicked, undone, viewTurned } from './benchSlice.ts'
import { Cost } from './Cost.tsx'
import { AgainstNote } from '../picture/AgainstNote.tsx'
import { useAgainst, usePictureZones } from '../picture/useAgainst.ts'
import { LikenessNote } from './LikenessNote.tsx'
import { usePhone } from '../ui/usePhone.ts'
import { PinSheet } from './PinSheet.tsx'
import { Spine } from './Spine.tsx'
import { Stage } from './Stage.tsx'
import { Takes } from './Takes.tsx'
import { COLUMNS, Tray } from './Tray.tsx'
import { useTraySettings } from './traySettings.ts'
import { useTakes } from './useTakes.ts'
import type { TrayEntry } from './trayEntries.ts'
import { useRemedyParts } from './useRemedyParts.ts'
import { useElsewhere } from './useElsewhere.ts'
import { useTray } from './useTray.ts'

/** The bench: spine, mannequin, tray and cost tape of one take. */
export function Bench({ outfit, catalogue }: { outfit: OutfitDetail; catalogue: Catalogue }) {
  const dispatch = useAppDispatch()
  const store = useStore<BenchRoot>()
  const { present, past, future, take, row, view } = useBenchSelector(
    ({ bench: { present, past, future, take, row, view } }) => ({ present, past, future, take, row, view }),
    shallowEqual,
  )
  const lowest = useAppSelector((state) => state.catalogue.lowest)
  const singleKeys = useSingleKeys()
  const [settings, setSettings] = useTraySettings()
  const [dressingKey, setDressingKey] = useState<string | null>(null)
  const [pickedCode, setPickedCode] = useState<string | null>(null)
  const [noted, setNoted] = useState<string | null>(null)
  // A preview is of what is worn now; it ends with any change, also where its button is gone by then.
  const [preview, setPreview] = useState<{ on: Placement[]; placements: Placement[] } | null>(null)
  const [before, showBefore] = useState(false)
  const [activePin, setActivePin] = useState<string | null>(null)
  // The reference picture that stands beside the mannequin; past the last there is none.
  const [pictured, setPictured] = useState(-1)
  const findRef = useRef<HTMLInputElement>(null)
  const listRef = useRef<HTMLDivElement>(null)

  // The commonest remedy is another pair of mitts, so every mitt is known before it is asked for.
  api.endpoints.candidates.useQuery('handRight')

  const { free } = outfit
  const rules = useMemo(() => houseRulesFor(outfit), [outfit])
  const dressings = DRESSINGS[row]!
  const open = dressings.filter((one) => isAllowed(one, rules.takingApart))
  const dressing = open.find(({ key }) => key === dressingKey) ?? open[0] ?? dressings[0]!
  const unwanted = useMemo(() => [...outfit.avoided, ...outfit.excluded], [outfit.avoided, outfit.excluded])
  const tray = useTray(dressing, settings, free, catalogue, outfit.brief, unwanted, rules)
  const elsewhere = useElsewhere(
    tray.isEmpty,
    open.filter((one) => one.key !== dressing.key),
    catalogue,
  )
  // The way that there are parts for comes first, until another is asked for.
  const fitting = dressingKey === null ? elsewhere[0]?.way.key : undefined
  if (fitting) setDressingKey(fitting)
  const shownOn = useDeferredValue(present)
  const context = useFitting(outfit, catalogue)
  const all = useMemo(() => pinsOf(present, context), [present, context])
  const known = useMemo(() => new Set(pinsOf(shownOn, context).map(pinKey)), [shownOn, context])
  const accepted = outfit.takes.find((t) => t.id === take)?.accepted ?? []
  const left = (pin: Pin) => isAccepted(pin, accepted)
  const pins = all.filter((pin) => !left(pin))
  useRemedyParts(pins)
  const judges = useMemo(() => judgesOf(outfit.brief, catalogue), [outfit.brief, catalogue])
  const likeness = useMemo(() => likenessBy(judges, present, catalogue), [judges, present, catalogue])
  const against = useAgainst(usePictureZones(outfit.references), present, catalogue)
  const { toBuy: missing, coming } = useMemo(
    () => apartByComing(missingFrom(present, outfit.drawer, rules.takingApart), outfit.arriving),
    [present, outfit.drawer, outfit.arriving, rules.takingApart],
  )
  const priceOf = useCallback((part: string) => lowest[part], [lowest])
  const wholes = useMemo(
    () =>
      wholesWanted(
        missing.map(({ part }) => part),
        catalogue,
        priceOf,
        rules.takingApart,
      ),
    [missing, catalogue, priceOf, rules.takingApart],
  )
  const picked = tray.shown.findIndex(({ part }) => part.code === pickedCode)
  const spineRow = SPINE.find(({ key }) => key === row)!
  const wornHere = present.find((p) => spineRow.slots.includes(p.slot))?.part
  const note = noted ?? wornHere ?? tray.shown[0]?.part.code ?? null

  const change = useCallback((placements: Placement[]) => void dispatch(changed(placements)), [dispatch])
  const wearEntry = useCallback(
    (entry: TrayEntry) => {
      setPickedCode(entry.part.code)
      setNoted(entry.part.code)
      dispatch(changed(dress(store.getState().bench.present, dressing, entry.part, catalogue)))
    },
    [dispatch, store, dressing, catalogue],
  )
  const goTo = (next: string) => {
    dispatch(rowPicked(next))
    setDressingKey(null)
    setPickedCode(null)
    setNoted(null)
    if (listRef.current) listRef.current.scrollTop = 0
  }
  const pickAt = (index: number) => {
    const entry = tray.shown[index]
    if (!entry) return
    setPickedCode(entry.part.code)
    setNoted(entry.part.code)
  }

  const at = outfit.takes.findIndex((t) => t.id === take)
  const takeBefore = outfit.takes[at - 1] ?? outfit.takes[at + 1]
  const stood = before
    ? (takeBefore?.placements ?? past[0] ?? present)
    : preview?.on === present
      ? preview.placements
      : present
  const label = outfit.takes[at]?.label ?? ''
  const takes = useTakes(outfit)

  useBenchKeys(
    {
      row: (by) => {
        const index = SPINE.findIndex(({ key }) => key === row) + by
        goTo(SPINE[(index + SPINE.length) % SPINE.length]!.key)
      },
      pick: (by) => pickAt(picked < 0 ? 0 : Math.min(tray.shown.length - 1, Math.max(0, picked + by))),
      wearPicked: () => {
        const entry = tray.shown[picked]
        if (entry) wearEntry(entry)
      },
      takeOff: () => {
        if (present.some((p) => dressing.slots.includes(p.slot))) change(undress(present, dressing))
      },
      turnTorso: () => change(turn(present, 'torso')),
      turnHead: () => change(turn(present, 'head')),
      otherSide: () => dispatch(viewTurned()),
      before: showBefore,
      newTake: () => void takes.add(),
      nextPin: () => {
        const next = pins[(pins.findIndex((pin) => pinKey(pin) === activePin) + 1) % pins.length]
        if (!next) return void toast('No pins: nothing to mend here.')
        setActivePin(pinKey(next))
        const found = SPINE.find(({ slots }) => slots.includes(next.slots[0]!))
        if (found) goTo(found.key)
      },
      find: () => findRef.current?.focus(),
      undo: () => dispatch(undone()),
      redo: () => dispatch(redone()),
    },
    COLUMNS,
    singleKeys,
  )

  const phone = usePhone()
  const showPreview = (placements: Placement[] | null) => setPreview(placements && { on: present, placements })
  const unowned = new Set(missing)
  const step =
    'inline-flex items-center gap-1 rounded-[8px] border border-rule bg-card px-2 py-1 text-[13px] font-semibold text-act hover:border-act disabled:text-soft disabled:opacity-60'
  return (
    <div className="flex h-full min-w-[1180px] flex-col phone:min-w-0">
      <h1 className="sr-only">
        {outfit.name}, take {label}
      </h1>
      <div className="grid min-h-0 flex-1 grid-cols-[264px_minmax(0,1fr)_380px] grid-rows-[minmax(0,1fr)] phone:flex phone:flex-col">
        <Spine
          placements={present}
          catalogue={catalogue}
          pins={pins}
          row={row}
          onRow={goTo}
          priceOf={priceOf}
          wholes={wholes}
          isOwned={(placement) => !unowned.has(placement)}
          isComing={(placement) => coming.includes(placement)}
        />
        <Stage
          placements={stood}
          catalogue={catalogue}
          view={view}
          stature={outfit.brief.stature}
          name={outfit.name}
          pins={before ? [] : pins}
          activePin={activePin}
          onRemedy={change}
          accepted={
            before
              ? []
              : all
                  .filter(left)
                  .map((pin) => ({ pin, reason: accepted.find((one) => one.pin === pinKey(pin))!.reason }))
          }
          onAccept={(pin, reason) => void takes.accept({ pin: pinKey(pin), cause: pin.detail, reason })}
          onPreview={showPreview}
          beside={outfit.references[pictured] ?? null}
          bare={phone}
        >
          <Takes
            takes={outfit.takes}
            current={take!}
            present={present}
            busy={takes.busy}
            onOpen={takes.open}
            onAdd={() => void takes.add()}
            onChoose={() => void takes.choose()}
          />
          <div className="absolute top-3 right-4 flex gap-1.5 phone:top-1 phone:right-1 phone:flex-col phone:items-end">
            {against && <AgainstNote likeness={against} />}
            <LikenessNote likeness={likeness} to={`/outfits/${outfit.id}/brief?take=${encodeURIComponent(label)}`} />
            {outfit.references.length > 0 && (
              <button
                type="button"
                className={step}
                aria-pressed={pictured >= 0}
                aria-label="The reference picture beside the mannequin"
                title={
                  pictured + 1 < outfit.references.length
                    ? `Beside the mannequin: ${outfit.references[pictured + 1]!.caption || 'the next picture'}`
                    : 'Take the picture away'
                }
                onClick={() => setPictured(pictured + 1 < outfit.references.length ? pictured + 1 : -1)}
              >
                <ImageIcon aria-hidden className="size-3.5" />
              </button>
            )}
            <button type="button" className={step} disabled={past.length === 0} onClick={() => dispatch(undone())}>
              <Undo2 aria-hidden className="size-3.5" /> <span className="phone:sr-only">Undo</span>
            </button>
            <button type="button" className={step} disabled={future.length === 0} onClick={() => dispatch(redone())}>
              <Redo2 aria-hidden className="size-3.5" /> <span className="phone:sr-only">Redo</span>
            </button>
          </div>
          <div className="absolute bottom-2 left-4 z-10 flex gap-1.5 phone:bottom-1 phone:left-1 phone:flex-col phone:items-start">
            {phone && (
              <PinSheet
                pins={pins}
                onRemedy={change}
                onAccept={(pin, reason) => void takes.accept({ pin: pinKey(pin), cause: pin.detail, reason })}
              />
            )}
            {pins.some(({ remedies }) => remedies.length > 0) && (
              <button
                type="button"
                className={step}
                title="Press every remedy that leaves less amiss; one undo takes all of it back"
                onClick={() => {
                  const { placements, done } = mendAll(present, context, left)
                  if (done.length === 0) return void toast('Nothing here mends without marring something else.')
                  change(placements)
                  toast(`Mended: ${done.join('; ')}.`)
                }}
              >
                <Wrench aria-hidden className="size-3.5" /> Mend all
              </button>
            )}
            <Link
              to={`/outfits/${outfit.id}/rules`}
              className={step}
              title={outfit.switchesReason || `The house rules of ${outfit.roster.name}`}
            >
              <Scale aria-hidden className="size-3.5" />
              {Object.keys(outfit.switches).length > 0 ? 'Its own rules' : 'House rules'}
            </Link>
          </div>
          <p className="absolute inset-x-0 bottom-2 pl-[190px] text-center text-[13px] text-soft phone:inset-x-auto phone:right-1 phone:bottom-1 phone:pl-0">
            {before ? `take ${takeBefore?.label ?? 'as opened'}` : view} ·{' '}
            <button
              type="button"
              className="font-semibold text-act hover:underline"
              onClick={() => dispatch(viewTurned())}
            >
              turn to {view === 'front' ? 'back' : 'front'}
            </button>{' '}
            <span className="phone:hidden">
              · hold <kbd className="font-sans font-bold">b</kbd> for{' '}
              {takeBefore ? `take ${takeBefore.label}` : 'what you began with'}
            </span>
          </p>
        </Stage>
        <Tray
          later={`/later?outfit=${outfit.id}&place=${placeOf(dressing.slot)}`}
          row={row}
          rules={rules}
          rulesAt={`/outfits/${outfit.id}/rules`}
          roster={outfit.roster.id}
          dressing={dressing}
          onDressing={(key) => {
            setDressingKey(key)
            setPickedCode(null)
          }}
          settings={settings}
          onSettings={setSettings}
          tray={tray}
          elsewhere={elsewhere}
          present={present}
          shownOn={shownOn}
          catalogue={catalogue}
          context={context}
          known={known}
          view={view}
          picked={picked}
          onPick={pickAt}
          onWear={wearEntry}
          onChange={change}
          onPreview={showPreview}
          note={note}
          onNote={setNoted}
          findRef={findRef}
          listRef={listRef}
        />
      </div>
      <Cost
        outfit={outfit}
        placements={present}
        missing={missing}
        wholes={wholes}
        coming={coming.length}
        catalogue={catalogue}
        label={label}
      />
    </div>
  )
}
