import { memo } from 'react'
import { Link } from 'react-router'
import { mainColour, type Catalogue } from '@outfit/core/catalogue'
import { homeMoney } from '@outfit/core/market'
import type { Candidate } from '../data/api.ts'
import { PartPicture, sourceOfPicture } from '../ui/PartPicture.tsx'
import { Swatch } from '../ui/Swatch.tsx'

/** Owned count, else the lowest single price. */
const sourceWords = ({ owned, lowest }: Candidate) =>
  owned > 0 ? `owned ${owned}` : lowest === null ? 'not sold singly' : `from ${homeMoney(lowest)}`

interface PartCardProps {
  entry: Candidate
  catalogue: Catalogue
  picked?: boolean
  /** A line under the name instead of colour and year. */
  note?: string
  onPick?: (entry: Candidate) => void
}

/** A part as a card to pick up: drawn, named, and what it takes to have it. */
export const PartCard = memo(function PartCard({ entry, catalogue, picked = false, note, onPick }: PartCardProps) {
  const { part } = entry
  const colour = mainColour(catalogue, part)
  const mould = catalogue.moulds.get(part.mould)
  const guessed = sourceOfPicture(part, catalogue) === 'guessed'
  const frame = `relative flex h-full w-full flex-col overflow-hidden rounded-[10px] border bg-card px-2.5 pt-1 pb-2 text-left ${picked ? 'border-act outline-2 outline-act' : 'border-rule hover:border-act'}`
  const inside = (
    <>
      <PartPicture part={part} catalogue={catalogue} label="" className="h-[104px] w-full" />
      <span className="mt-0.5 flex items-center gap-1.5 leading-tight font-semibold">
        <Swatch colour={colour} size={11} />
        <span className="truncate" title={part.name}>
          {part.name}
        </span>
      </span>
      <span className="truncate text-[12.5px] leading-tight text-soft">
        {note ??
          [mould && mould.name !== part.name ? mould.name : null, colour?.name ?? part.colours[0]]
            .filter(Boolean)
            .join(', ')}
      </span>
      <span className="flex text-[12.5px] leading-tight text-soft">
        <span className="truncate">{sourceWords(entry)}</span>
        {part.year && <span className="ml-auto">{part.year}</span>}
      </span>
      {guessed && (
        <span className="absolute top-1.5 right-1.5 rounded-full border border-notice bg-card px-1.5 text-[11px] font-semibold text-notice">
          guessed
        </span>
      )}
    </>
  )
  return onPick ? (
    <button type="button" onClick={() => onPick(entry)} className={frame}>
      {inside}
    </button>
  ) : (
    <Link to={`/parts/${part.code}`} className={frame} data-part={part.code}>
      {inside}
    </Link>
  )
})
