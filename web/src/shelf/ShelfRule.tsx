import { atFullSize, formatLength } from '@outfit/core/base'
/** Height of the picture above the board, in millimetres of the figures. */
export const topMm = () => atFullSize(72)

/** At most five marks at round numbers. */
function marks(): number[] {
  const top = topMm()
  const step = [1, 2, 5, 10, 15, 20, 25, 50].find((step) => top / step <= 5) ?? 100
  return Array.from({ length: Math.ceil(top / step) }, (_, n) => n * step)
}

/** The millimetre rule behind a shelf, and its board. */
export function ShelfRule({ height }: { height: number }) {
  const perMm = height / topMm()
  return (
    <div aria-hidden className="pointer-events-none absolute top-6 right-0 left-0" style={{ height }}>
      {marks().map((mm) => (
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
