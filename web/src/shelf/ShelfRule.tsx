import { formatLength } from '@outfit/core/base'
/** Height of the picture above the board, in millimetres of the figures. */
export const TOP_MM = 72
const RULE_MM = [0, 15, 30, 45, 60]

/** The millimetre rule behind a shelf, and its board. */
export function ShelfRule({ height }: { height: number }) {
  const perMm = height / TOP_MM
  return (
    <div aria-hidden className="pointer-events-none absolute top-6 right-0 left-0" style={{ height }}>
      {RULE_MM.map((mm) => (
        <div
          key={mm}
          className="absolute right-0 left-0 -z-10 h-0 border-t border-dashed border-rule/70 text-[11px] leading-none text-soft"
          style={{ bottom: mm * perMm }}
        >
          <span className="relative -top-3.5">{formatLength(mm)}</span>
        </div>
      ))}
      <div className="absolute right-0 -bottom-3.5 left-0 h-3.5 rounded-[3px] border-b-4 border-wood-edge bg-wood" />
    </div>
  )
}
