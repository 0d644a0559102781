import { ArrowDown, ArrowUp, Pencil, RotateCw, X } from 'lucide-react'
import { Link } from 'react-router'
import { blocksIn, keepMade, shift, SLOT_FACTS, takeOff, turn } from '@outfit/core/anatomy'
import { mainColour, partWorn, type Catalogue, type Placement, type Slot } from '@outfit/core/catalogue'
import type { FittingContext } from '@outfit/core/fitting'
import { Swatch } from '../ui/Swatch.tsx'
import { Alter } from './Alter.tsx'
import { alteredInWords } from './alteredInWords.ts'
import { WORN_AS } from '../made/words.ts'
import { lookOf } from './lookOf.ts'

interface WornProps {
  placements: readonly Placement[]
  slots: readonly Slot[]
  catalogue: Catalogue
  onChange: (placements: Placement[]) => void
  onNote: (part: string) => void
  context: FittingContext
  rulesAt: string
  onPreview: (placements: Placement[] | null) => void
}

/** What is made of several parts, as one thing: its pieces, and whether this copy follows what is changed of it. */
function WornMade({
  block,
  placements,
  catalogue,
  onChange,
  onNote,
}: Pick<WornProps, 'placements' | 'catalogue' | 'onChange' | 'onNote'> & { block: readonly Placement[] }) {
  const { slot, order, made } = block[0]!
  const { name, item, kept, as } = made!
  return (
    <li className="flex flex-wrap items-center gap-x-1.5">
      <span className="font-semibold">{name}</span>
      <span className="text-[12.5px] text-soft">
        {as === 'held' ? SLOT_FACTS[slot].label.toLowerCase() : WORN_AS[as].toLowerCase()}, of{' '}
        {block.length === 1 ? 'one piece' : `${block.length} pieces`}
      </span>
      <span className="ml-auto flex shrink-0">
        <button
          type="button"
          aria-pressed={kept === true}
          title={
            kept ? 'It stays as it is when the made item is changed' : 'It follows what is changed of the made item'
          }
          onClick={() => onChange(keepMade(placements, slot, order, !kept))}
          className={small}
        >
          {kept ? 'Kept as it is' : 'Follows'}
        </button>
        <Link to={`/made/${item}`} className={small} aria-label={`Change ${name}`}>
          <Pencil aria-hidden className="size-3.5" />
        </Link>
        <button
          type="button"
          onClick={() => onChange(takeOff(placements, slot, order))}
          className={small}
          aria-label={`Take off ${name}, ${SLOT_FACTS[slot].label}`}
        >
          <X aria-hidden className="size-3.5" />
        </button>
      </span>
      <ul className="flex basis-full flex-wrap gap-x-2.5 text-[13px]">
        {block.map((piece) => {
          const part = catalogue.parts.get(piece.part)
          return (
            part && (
              <li key={piece.order}>
                <button
                  type="button"
                  onClick={() => onNote(part.code)}
                  className="inline-flex items-center gap-1 hover:underline"
                >
                  <Swatch colour={mainColour(catalogue, partWorn(piece, catalogue) ?? part)} />
                  {lookOf(catalogue, part.code)}
                </button>
              </li>
            )
          )
        })}
      </ul>
    </li>
  )
}

/** Parts whose back is another picture: turning them round shows it. */
const TURNS: Partial<Record<Slot, string>> = { head: 'Other face', torso: 'Turn round' }

const small =
  'inline-flex items-center gap-1 rounded-[7px] px-1.5 py-0.5 text-[13px] font-semibold text-act hover:bg-band disabled:opacity-35'

/** What the slots of a row wear, with what can be done to each piece. */
export function Worn({ placements, slots, catalogue, onChange, onNote, context, rulesAt, onPreview }: WornProps) {
  const worn = placements
    .filter((p) => slots.includes(p.slot))
    .sort((a, b) => slots.indexOf(a.slot) - slots.indexOf(b.slot) || a.order - b.order)
  if (worn.length === 0) return <p className="text-soft">Wears nothing here yet. Pick from the tray.</p>
  return (
    <ul className="space-y-0.5">
      {worn.map((placement, i) => {
        const { slot, order, made } = placement
        if (made)
          return made.piece === 0 || i === 0 ? (
            <WornMade
              key={`${slot} ${order}`}
              block={blocksIn(placements, slot).find(([first]) => first === placement) ?? [placement]}
              placements={placements}
              catalogue={catalogue}
              onChange={onChange}
              onNote={onNote}
            />
          ) : null
        const part = catalogue.parts.get(placement.part)
        if (!part) return null
        const stack = SLOT_FACTS[slot].stack && worn.length > 1
        const label =
          slots.length > 1
            ? SLOT_FACTS[slot].label
            : stack
              ? i === 0
                ? 'inmost'
                : i === worn.length - 1
                  ? 'outmost'
                  : 'between'
              : null
        return (
          <li key={`${slot} ${order}`} className="flex items-center gap-1.5">
            <Swatch colour={mainColour(catalogue, partWorn(placement, catalogue) ?? part)} />
            <button
              type="button"
              onClick={() => onNote(part.code)}
              className="min-w-0 truncate font-semibold hover:underline"
            >
              {lookOf(catalogue, part.code)}
            </button>
            {placement.altered && (
              <span className="shrink-0 text-[12.5px] italic text-soft">
                {alteredInWords(placement.altered, catalogue)}
              </span>
            )}
            {label && <span className="shrink-0 text-[12.5px] text-soft">{label}</span>}
            <span className="ml-auto flex shrink-0">
              {stack && (
                <>
                  <button
                    type="button"
                    disabled={i === 0}
                    onClick={() => onChange(shift(placements, slot, order, -1))}
                    className={small}
                    aria-label={`${part.name}: one place in`}
                  >
                    <ArrowUp aria-hidden className="size-3.5" />
                  </button>
                  <button
                    type="button"
                    disabled={i === worn.length - 1}
                    onClick={() => onChange(shift(placements, slot, order, 1))}
                    className={small}
                    aria-label={`${part.name}: one place out`}
                  >
                    <ArrowDown aria-hidden className="size-3.5" />
                  </button>
                </>
              )}
              <Alter
                placement={placement}
                placements={placements}
                context={context}
                rulesAt={rulesAt}
                onChange={onChange}
                onPreview={onPreview}
              />
              {TURNS[slot] && (
                <button type="button" onClick={() => onChange(turn(placements, slot))} className={small}>
                  <RotateCw aria-hidden className="size-3.5" /> {TURNS[slot]}
                </button>
              )}
              <button
                type="button"
                onClick={() => onChange(takeOff(placements, slot, order))}
                className={small}
                aria-label={`Take off ${part.name}, ${SLOT_FACTS[slot].label}`}
              >
                <X aria-hidden className="size-3.5" />
              </button>
            </span>
          </li>
        )
      })}
    </ul>
  )
}
