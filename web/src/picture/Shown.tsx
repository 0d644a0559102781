import { Check } from 'lucide-react'
import { useEffect, useMemo, useRef } from 'react'
import { traitNamed, type Brief } from '@outfit/core/brief'
import type { Catalogue } from '@outfit/core/catalogue'
import { nearestColours } from '@outfit/core/colour'
import {
  asideOf,
  isWished,
  proposalsOf,
  proposalWords,
  statureOf,
  withProposals,
  type PictureReading,
  type Proposal,
} from '@outfit/core/picture'
import { paletteOf } from '@outfit/core/starter'
import { Button } from '../ui/Button.tsx'
import { Swatch } from '../ui/Swatch.tsx'

interface ShownProps {
  reading: PictureReading | null
  /** How high the figure is for the tallest in the picture, where there are others. */
  height: number | null
  /** What needs saying of where the points are. */
  note: string
  /** Whether one of several figures is to be picked first. */
  isPicking: boolean
  brief: Brief
  catalogue: Catalogue
  onChange: (brief: Brief) => void
  onDone: () => void
}

/** Colours of the palette that are offered for one of the picture. */
const OFFERED = 2

/** What the picture shows, as wishes to take one by one or all at once. */
export function Shown({ reading, height, note, isPicking, brief, catalogue, onChange, onDone }: ShownProps) {
  const palette = paletteOf(catalogue)
  const proposals = useMemo(() => (reading ? proposalsOf(reading, palette) : []), [reading, palette])
  const stature = reading && statureOf(reading, height)
  const nameOf = (hex: string) => nearestColours(hex, palette)[0]?.colour.name ?? hex
  const aside = reading ? asideOf(reading, nameOf).filter((words) => !brief.notes.includes(words)) : []
  const isNew = (proposal: Proposal) => !isWished(brief.wishes, proposal)
  const open = proposals.filter(isNew)
  const take = (some: readonly Proposal[]) => onChange({ ...brief, wishes: withProposals(brief.wishes, some) })
  // Who came by keys goes on from here; what was pressed is gone.
  const panel = useRef<HTMLElement>(null)
  useEffect(() => {
    if (!isPicking) panel.current?.focus()
  }, [isPicking])
  const isTaller = stature !== null && stature.stature !== brief.stature
  return (
    <section
      ref={panel}
      tabIndex={-1}
      aria-label="What the picture shows"
      className="rounded-[12px] border border-act bg-card px-3 py-2 outline-none"
    >
      <div className="flex items-center gap-2 pb-1">
        <h2 className="text-[17px]">What the picture shows</h2>
        {open.length > 0 && !isPicking && (
          <Button className="ml-auto px-3 py-1" onClick={() => take(open)}>
            Take all {open.length}
          </Button>
        )}
        <Button look="plain" className={`px-2 py-1 ${open.length > 0 && !isPicking ? '' : 'ml-auto'}`} onClick={onDone}>
          Done
        </Button>
      </div>
      {note && (
        <p role="status" className="pb-1 text-[13.5px]">
          {note}
        </p>
      )}
      {(isPicking || !reading) && (
        <p className="pb-1 text-[13.5px]">
          {isPicking
            ? 'Press the figure in the picture that this outfit is of.'
            : 'Once the doll lies over the figure, its colours stand here as wishes to take.'}
        </p>
      )}
      {reading && !isPicking && (
        <ul className="max-h-[300px] overflow-y-auto text-[13.5px]">
          {proposals.map((proposal) => (
            <Row
              key={`${proposal.wish.place} ${proposal.wish.trait}`}
              proposal={proposal}
              isNew={isNew(proposal)}
              wished={wishedFor(brief, proposal, nameOf)}
              onTake={(target) => take([{ ...proposal, wish: { ...proposal.wish, target } }])}
            />
          ))}
          {stature && (
            <li className="flex items-center gap-2 border-t border-rule py-1">
              <span className="size-4 shrink-0" />
              <span className="w-[150px] shrink-0">Stature: {stature.stature}</span>
              <span className="min-w-0 flex-1 text-soft">{stature.because}</span>
              {isTaller ? (
                <Take
                  label={`Stature: ${stature.stature}`}
                  onTake={() => onChange({ ...brief, stature: stature.stature })}
                />
              ) : (
                <Taken />
              )}
            </li>
          )}
          {aside.map((words) => (
            <li key={words} className="flex items-center gap-2 border-t border-rule py-1">
              <span className="size-4 shrink-0" />
              <span className="min-w-0 flex-1">{words}</span>
              <Button
                look="plain"
                className="px-2 py-0.5 text-[13px]"
                onClick={() => onChange({ ...brief, notes: [brief.notes, words].filter(Boolean).join('\n') })}
              >
                To the notes
              </Button>
            </li>
          ))}
        </ul>
      )}
    </section>
  )
}

/** What was wished for of the same, in words; empty where nothing was. */
function wishedFor({ wishes }: Brief, { wish, seen }: Proposal, nameOf: (hex: string) => string): string {
  const own = wishes.find(({ place, trait }) => place === wish.place && trait === wish.trait)
  if (!own) return ''
  return `in place of ${seen === null ? own.target : nameOf(own.target)}`
}

function Row({
  proposal,
  isNew,
  wished,
  onTake,
}: {
  proposal: Proposal
  isNew: boolean
  wished: string
  onTake: (target: string) => void
}) {
  const { wish, seen, nearest } = proposal
  const words = proposalWords(proposal)
  return (
    <li className="flex items-center gap-2 border-t border-rule py-1 first:border-0">
      <span
        aria-hidden
        className={`size-4 shrink-0 rounded-[4px] ${seen ? 'border border-ink/60' : ''}`}
        style={seen ? { background: seen } : {}}
      />
      <span className="w-[150px] shrink-0">{words}</span>
      <span className="flex min-w-0 flex-1 flex-wrap items-center gap-1">
        {traitNamed(wish.trait).kind === 'colour' &&
          nearest.slice(0, OFFERED).map(({ colour, deltaE, words: away }) => (
            <button
              key={colour.code}
              type="button"
              title={`${away}: wish for ${colour.name}`}
              aria-label={`${words} ${colour.name}, ΔE ${deltaE.toFixed(0)}`}
              onClick={() => onTake(colour.hex.toUpperCase())}
              className="flex items-center gap-1 rounded-full border border-rule bg-paper px-1.5 hover:border-act"
            >
              <Swatch colour={colour} size={11} /> {colour.name}
              <span className="text-soft tabular-nums">ΔE {deltaE.toFixed(0)}</span>
            </button>
          ))}
        {isNew && wished && <span className="text-soft">{wished}</span>}
      </span>
      {isNew ? <Take label={words} onTake={() => onTake(wish.target)} /> : <Taken />}
    </li>
  )
}

const Take = ({ label, onTake }: { label: string; onTake: () => void }) => (
  <Button className="px-2.5 py-0.5 text-[13px]" aria-label={`Take ${label}`} onClick={onTake}>
    Take
  </Button>
)

const Taken = () => (
  <span className="flex w-[62px] shrink-0 items-center justify-center gap-1 text-[13px] text-good">
    <Check aria-hidden className="size-4" /> wished
  </span>
)
