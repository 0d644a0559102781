import { useState } from 'react'

/** Widths that are asked for most, in millimetres. */
const WIDTHS = [
  ['A4 across', 297],
  ['A3 across', 420],
] as const

/** Least and most millimetres a picture is printed wide. */
const LEAST = 50
const MOST = 3000

const within = (width: number) => Math.min(MOST, Math.max(LEAST, width))

/** A width as words of an address; nothing where the picture is as large as it is. */
export const printedAs = (width: number | null): { width?: string } =>
  width === null ? {} : { width: String(within(width)) }

/** How wide the picture is printed: as large as it is, a paper's width, or one's own. */
export function PrintedWidth({ width, onChange }: { width: number | null; onChange: (width: number | null) => void }) {
  const [wantsOwn, setOwn] = useState(width !== null && !WIDTHS.some(([, known]) => known === width))
  // A step back may have taken the width away.
  const own = wantsOwn && width !== null
  return (
    <span className="flex items-center gap-2">
      <label className="flex items-center gap-2">
        Printed
        <select
          value={own ? 'own' : String(width ?? '')}
          onChange={({ target }) => {
            setOwn(target.value === 'own')
            if (target.value !== 'own') onChange(target.value === '' ? null : Number(target.value))
            else if (width === null) onChange(WIDTHS[0][1])
          }}
          className="rounded-[8px] border border-rule bg-card px-2 py-1"
        >
          <option value="">as large as it is</option>
          {WIDTHS.map(([words, millimetres]) => (
            <option key={words} value={millimetres}>
              {words}
            </option>
          ))}
          <option value="own">as wide as …</option>
        </select>
      </label>
      {own && (
        <label className="flex items-center gap-1">
          <input
            type="number"
            min={LEAST}
            max={MOST}
            value={width ?? ''}
            aria-label="Width of the printed picture in millimetres"
            onChange={({ target }) => onChange(Math.round(Number(target.value)))}
            // What is printed is what stands here.
            onBlur={() => width !== null && onChange(within(width))}
            className="w-[76px] rounded-[8px] border border-rule bg-card px-2 py-0.5 tabular-nums"
          />
          mm
        </label>
      )}
    </span>
  )
}
