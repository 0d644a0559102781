import type { Colour } from '@outfit/core/catalogue'

/** A part colour; always shown beside its name. */
export function Swatch({ colour, size = 12 }: { colour: Colour | undefined; size?: number }) {
  return (
    <span
      aria-hidden
      className="inline-block shrink-0 rounded-[3px] border border-ink/60"
      style={{ width: size, height: size, background: colour?.hex ?? 'transparent' }}
    />
  )
}
