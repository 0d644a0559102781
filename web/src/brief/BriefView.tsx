import { Redo2, Undo2 } from 'lucide-react'
import { useMemo, useState } from 'react'
import { useHotkeys } from 'react-hotkeys-hook'
import { Link } from 'react-router'
import { toast } from 'sonner'
import { inPoints, likenessOf, wishesFrom, type BriefWish } from '@outfit/core/brief'
import type { Catalogue } from '@outfit/core/catalogue'
import type { OutfitDetail, Take } from '@outfit/core/roster'
import { useOutfit } from '../data/useOutfit.ts'
import { Button } from '../ui/Button.tsx'
import { Figure } from '../ui/Figure.tsx'
import { ErrorNote, Waiting } from '../ui/Notes.tsx'
import { Around } from './Around.tsx'
import { LikeThis } from './LikeThis.tsx'
import { InWords } from '../description/InWords.tsx'
import { Pictures } from './Pictures.tsx'
import { SamplePanel, type ColourTarget } from './SamplePanel.tsx'
import { Terms } from './Terms.tsx'
import { useBrief } from './useBrief.ts'
import { Shown } from '../picture/Shown.tsx'
import { useAgainst } from '../picture/useAgainst.ts'
import { useOutline } from '../picture/useOutline.ts'
import { usePixels, useReading } from '../picture/usePixels.ts'
import { ZoneList } from '../picture/ZoneList.tsx'
import type { SaveState } from '../data/saver.ts'
import { Wishes } from './Wishes.tsx'
import { WhatIs } from '../ui/WhatIs.tsx'

/** What an outfit must show: pictures, wishes, and how like them the take is. */
export function BriefView() {
  const loaded = useOutfit()
  if (loaded.state === 'failed') return <ErrorNote onRetry={loaded.retry}>{loaded.problem}</ErrorNote>
  if (loaded.state === 'waiting') return <Waiting>Laying out the brief…</Waiting>
  return <BriefDesk key={loaded.outfit.id} {...loaded} />
}

const SAVED: Record<Exclude<SaveState, 'conflict'>, string> = {
  saved: 'all saved',
  saving: 'saving…',
  unsaved: 'saving…',
  offline: 'not saved: no answer, trying again',
  refused: 'not saved',
}

function BriefDesk({ outfit, take, catalogue }: { outfit: OutfitDetail; take: Take; catalogue: Catalogue }) {
  const { brief, change, undo, redo, canUndo, canRedo, save, problem, settle } = useBrief(outfit)
  const [sample, setSample] = useState<string | null>(null)
  const [shownId, show] = useState<string | null>(null)
  const shown = outfit.references.find(({ id }) => id === shownId) ?? outfit.references[0]
  const { pixels, failed } = usePixels(shown?.photo ?? null)
  const work = useOutline(outfit.id, shown, pixels)
  const [isRead, setRead] = useState(false)
  const reading = useReading(pixels, work.outline)
  const against = useAgainst(reading?.zones ?? null, take.placements, catalogue)
  const [target, setTarget] = useState<ColourTarget>({ place: 'headgear', trait: 'colour' })
  const likeness = useMemo(() => likenessOf(take.placements, brief, catalogue), [take, brief, catalogue])
  useHotkeys('mod+z', undo, { preventDefault: true }, [undo])
  useHotkeys(['mod+shift+z', 'mod+y'], redo, { preventDefault: true }, [redo])

  const setWishes = (wishes: BriefWish[]) => change({ ...brief, wishes })
  const hand = (hex: string) => {
    const at = brief.wishes.findIndex(({ place, trait }) => place === target.place && trait === target.trait)
    const wish: BriefWish = { ...target, target: hex.toUpperCase(), weight: brief.wishes[at]?.weight ?? 'matters' }
    setWishes(at < 0 ? [...brief.wishes, wish] : brief.wishes.map((old, i) => (i === at ? wish : old)))
  }
  const step =
    'inline-flex items-center gap-1 rounded-[8px] border border-rule bg-card px-2 py-1 text-[13px] font-semibold text-act hover:border-act disabled:text-soft disabled:opacity-60'
  return (
    <div className="grid h-full min-w-[1180px] grid-cols-[312px_minmax(0,1fr)_336px] grid-rows-[minmax(0,1fr)] phone:flex phone:h-auto phone:min-w-0 phone:flex-col">
      <Pictures
        outfit={outfit}
        shown={shown}
        onShow={show}
        pixels={pixels}
        failed={failed}
        sample={sample}
        onSample={setSample}
        work={isRead ? work : null}
        onRead={() => {
          setSample(null)
          setRead(true)
          if (!work.outline) void work.find()
        }}
      />
      <section aria-label="Brief" className="flex h-full min-h-0 flex-col px-5 pt-3 phone:h-auto phone:px-3">
        <div className="flex flex-wrap items-center gap-2 pb-2">
          <h1 className="text-lg">
            What must be right
            <span className="ml-2 font-sans text-sm font-normal tracking-normal text-soft">
              {brief.wishes.length === 1 ? '1 wish' : `${brief.wishes.length} wishes`}
            </span>
          </h1>
          <span className="ml-auto flex gap-1.5">
            <button type="button" className={step} disabled={!canUndo} onClick={undo}>
              <Undo2 aria-hidden className="size-3.5" /> Undo
            </button>
            <button type="button" className={step} disabled={!canRedo} onClick={redo}>
              <Redo2 aria-hidden className="size-3.5" /> Redo
            </button>
          </span>
          {save === 'conflict' ? (
            <span role="alert" className="flex items-center gap-1 text-[13px] text-problem">
              Changed elsewhere, not saved
              <Button className="px-2 py-0.5" onClick={() => void settle(false)}>
                Take theirs
              </Button>
              <Button className="px-2 py-0.5" onClick={() => void settle(true)}>
                Keep mine
              </Button>
            </span>
          ) : (
            <span
              role="status"
              className={`rounded-full border px-2.5 py-0.5 text-[13px] ${save === 'offline' || save === 'refused' ? 'border-problem text-problem' : 'border-rule bg-card'}`}
            >
              {SAVED[save]}
            </span>
          )}
        </div>
        {save === 'refused' && (
          <p role="alert" className="pb-1 text-[13px] text-problem">
            {problem}
          </p>
        )}
        {isRead && shown && (
          <Shown
            reading={reading}
            height={work.outline?.height ?? null}
            note={work.note}
            isPicking={work.now.step === 'picking'}
            brief={brief}
            catalogue={catalogue}
            onChange={change}
            onDone={() => setRead(false)}
          />
        )}
        {sample && (
          <SamplePanel
            sample={sample}
            target={target}
            onTarget={setTarget}
            onHand={hand}
            onDone={() => setSample(null)}
            worn={take.placements}
            brief={brief}
            catalogue={catalogue}
          />
        )}
        <div className={`-mx-1 min-h-0 flex-1 overflow-y-auto px-1 ${sample || isRead ? 'pt-2' : ''}`}>
          <InWords notes={brief.notes} onTake={(merge) => change(merge(brief))} catalogue={catalogue} />
          <Wishes wishes={brief.wishes} onChange={setWishes} catalogue={catalogue} />
          <Around brief={brief} onChange={change} />
        </div>
      </section>
      <aside
        aria-label="Likeness"
        className="flex h-full min-h-0 flex-col border-l border-rule bg-band/40 px-4 pt-3 pb-3 phone:mt-4 phone:h-auto phone:border-t phone:border-l-0"
      >
        <div className="flex items-baseline gap-2">
          <h2 className="text-lg">
            Likeness of take {take.label} <WhatIs word="likeness" said="likeness" />
          </h2>
        </div>
        <div className="flex h-[250px] shrink-0 items-center">
          <Figure
            placements={take.placements}
            stature={brief.stature}
            label={`${outfit.name}, take ${take.label}`}
            className="h-full flex-1"
          />
          <p className="w-[96px] text-center">
            <strong
              className="block font-head text-[46px] leading-none"
              aria-label={`Likeness ${inPoints(likeness.milli)} of 100`}
            >
              {inPoints(likeness.milli)}
            </strong>
            <span className="text-[13px] text-soft">of 100</span>
            {likeness.missed.length > 0 && (
              <span className="mt-1 block text-[13px] font-semibold text-problem">
                {likeness.missed.length === 1 ? '1 must missed' : `${likeness.missed.length} musts missed`}
              </span>
            )}
          </p>
        </div>
        <div tabIndex={0} className="min-h-0 flex-1 overflow-y-auto">
          {against && (
            <details className="pb-1.5" open>
              <summary className="cursor-pointer font-semibold">Against the picture {against.points} of 100</summary>
              <ZoneList likeness={against} />
            </details>
          )}
          {against && <h3 className="border-t border-rule pt-1.5 font-semibold">Against the wishes</h3>}
          <Terms likeness={likeness} />
        </div>
        <div className="flex gap-1.5 pt-2">
          <LikeThis
            outfit={outfit.id}
            catalogue={catalogue}
            onStart={(wishes, stature, name) => {
              change(stature === null ? { ...brief, wishes } : { ...brief, wishes, stature, years: null })
              toast(`The brief begins with ${name}.`)
            }}
          />
          <Button
            className="px-2 py-1 text-[13.5px]"
            onClick={() => {
              setWishes(wishesFrom(take.placements, catalogue))
              toast(`The brief wishes for what take ${take.label} shows.`)
            }}
          >
            As take {take.label} is
          </Button>
          <Link
            to={`/outfits/${outfit.id}/casting?take=${encodeURIComponent(take.label)}`}
            className="ml-auto shrink-0 rounded-[10px] bg-act px-3 py-1.5 font-head font-bold text-act-ink hover:brightness-110"
          >
            Cast it
          </Link>
        </div>
      </aside>
    </div>
  )
}
