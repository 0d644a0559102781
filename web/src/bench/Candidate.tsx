import { memo, useMemo } from 'react'
import { dress, type Dressing, isDressed } from '@outfit/core/anatomy'
import { mainColour, type Catalogue, type Placement } from '@outfit/core/catalogue'
import { pinKey, pinsOf, type FittingContext } from '@outfit/core/fitting'
import { homeMoney } from '@outfit/core/market'
import type { View } from '@outfit/core/mannequin'
import { Figure } from '../ui/Figure.tsx'
import { PinMark } from '../ui/PinMark.tsx'
import { Swatch } from '../ui/Swatch.tsx'
import type { TrayEntry } from './trayEntries.ts'

interface CandidateProps {
  entry: TrayEntry
  dressing: Dressing
  placements: Placement[]
  catalogue: Catalogue
  context: FittingContext
  /** Keys of the pins that are stuck in already. */
  known: ReadonlySet<string>
  view: View
  picked: boolean
  onWear: (entry: TrayEntry) => void
  onPick: (entry: TrayEntry) => void
}

/** A part of the tray, drawn on this very figure, marked if it would bring a pin. */
export const Candidate = memo(function Candidate({
  entry,
  dressing,
  placements,
  catalogue,
  context,
  known,
  view,
  picked,
  onWear,
  onPick,
}: CandidateProps) {
  const { part } = entry
  const dressed = useMemo(() => dress(placements, dressing, part, catalogue), [placements, dressing, part, catalogue])
  const pin = useMemo(() => pinsOf(dressed, context).find((p) => !known.has(pinKey(p))), [dressed, context, known])
  const worn = isDressed(placements, dressing, part)
  const colour = mainColour(catalogue, part)
  const source =
    entry.free > 0 ? `owned ${entry.free}` : entry.lowest === null ? 'not sold singly' : homeMoney(entry.lowest)
  return (
    <div
      role="option"
      id={`candidate-${part.code}`}
      aria-selected={worn}
      aria-label={`${entry.label}, ${source}${entry.share === null ? '' : `, likeness ${Math.round(entry.share * 100)}`}${entry.avoided ? ', to be avoided' : ''}${worn ? ', worn' : ''}${pin ? `, would bring a pin: ${pin.title}` : ''}`}
      onClick={() => onWear(entry)}
      onMouseEnter={() => onPick(entry)}
      className={`relative h-[140px] w-full cursor-pointer ${entry.avoided ? 'opacity-50' : ''} overflow-hidden rounded-[10px] border bg-card px-2 pb-1.5 text-left ${picked ? 'border-act outline-2 outline-act' : worn ? 'border-act' : 'border-rule hover:border-act'}`}
    >
      <Figure
        placements={dressed}
        view={view}
        crop={dressing.slot}
        plinth={false}
        label=""
        className="mx-auto h-[86px] w-full"
      />
      <span className="flex items-center gap-1 text-[13px] font-semibold">
        <Swatch colour={colour} size={10} />
        <span className="truncate">{part.name}</span>
      </span>
      <span className="block truncate text-[12.5px] leading-tight text-soft">{colour?.name}</span>
      <span className="block truncate text-[12.5px] leading-tight text-soft">
        {entry.avoided ? 'to be avoided' : source}
      </span>
      {entry.share !== null && (
        <span className="absolute top-0.5 left-2 font-head text-[15px] font-bold text-act">
          {Math.round(entry.share * 100)}
        </span>
      )}
      {worn && (
        <span className="absolute bottom-1.5 right-1.5 rounded-full bg-act px-1.5 text-[11px] font-bold text-act-ink">
          worn
        </span>
      )}
      {pin && (
        <span className="absolute top-1.5 right-1.5" title={pin.title}>
          <PinMark severity={pin.severity} size={11} />
        </span>
      )}
    </div>
  )
})
