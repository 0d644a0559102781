import { differenceInWords } from '@outfit/core/colour'
import type { PictureLikeness } from '@outfit/core/picture'

/** How far each zone of what is worn is from the picture, those furthest off first. */
export function ZoneList({ likeness }: { likeness: PictureLikeness }) {
  const zones = [...likeness.zones].sort((a, b) => (b.deltaE ?? Infinity) - (a.deltaE ?? Infinity))
  return (
    <ul aria-label="Against the picture" className="text-[13.5px] leading-snug">
      {zones.map(({ label, deltaE, picture, figure }) => (
        <li key={label} className="flex items-center gap-1.5 border-t border-rule py-0.5 first:border-0">
          <Colours picture={picture} figure={figure} />
          <span className="min-w-0 flex-1">
            {label} <span className="text-soft">{deltaE === null ? 'not shown' : differenceInWords(deltaE)}</span>
          </span>
          {deltaE !== null && <span className="shrink-0 text-soft tabular-nums">ΔE {deltaE.toFixed(0)}</span>}
        </li>
      ))}
    </ul>
  )
}

/** The colours of the picture beside those of the figure. */
function Colours({ picture, figure }: { picture: readonly string[]; figure: readonly string[] }) {
  return (
    <span aria-hidden className="flex shrink-0 overflow-hidden rounded-[4px] border border-ink/50">
      {[picture, figure].map((colours, i) => (
        <span key={i} className="flex size-4 flex-col">
          {colours.map((hex) => (
            <span key={hex} className="block flex-1" style={{ background: hex }} />
          ))}
        </span>
      ))}
    </span>
  )
}
