import { Plus, X } from 'lucide-react'
import type { MadeBand } from '@outfit/core/catalogue'
import { BOARD_REACH } from '@outfit/core/made'
import { ColourField, TextField } from '../catalogue/fields.tsx'
import { number, small } from './looks.ts'

interface BandsProps {
  bands: readonly MadeBand[]
  faultAt: (field: string) => string | undefined
  onChange: (bands: MadeBand[]) => void
  onAdd: () => void
}

/** Strings and rubber bands of something made: what they are, and from where to where. */
export function Bands({ bands, faultAt, onChange, onAdd }: BandsProps) {
  const set = (at: number, of: Partial<MadeBand>) =>
    onChange(bands.map((band, i) => (i === at ? { ...band, ...of } : band)))
  return (
    <details open={bands.length > 0}>
      <summary className="cursor-pointer font-semibold">Strings and rubber bands</summary>
      <p className="text-[13px] text-soft">Pieces without a code; they are drawn, and named when it is built.</p>
      {bands.map((band, i) => (
        <div key={i} className="mt-2 rounded-[10px] border border-rule p-2.5">
          <div className="grid grid-cols-2 gap-2">
            <TextField
              label="What it is"
              value={band.name}
              maxLength={40}
              onChange={(event) => set(i, { name: event.target.value })}
              error={faultAt(`bands[${i}].name`)}
            />
            <ColourField
              label="Colour"
              value={band.colour}
              onChange={(colour) => set(i, { colour })}
              error={faultAt(`bands[${i}].colour`)}
            />
          </div>
          <div className="mt-1.5 flex flex-wrap items-center gap-2 text-[13px]">
            {(
              [
                ['x', 'from, across'],
                ['y', 'down'],
                ['toX', 'to, across'],
                ['toY', 'down'],
              ] as const
            ).map(([name, label]) => (
              <label key={name} className="flex items-center gap-1.5">
                {label}
                <input
                  type="number"
                  value={band[name]}
                  onChange={(event) =>
                    set(i, { [name]: Math.max(-BOARD_REACH, Math.min(BOARD_REACH, Number(event.target.value) || 0)) })
                  }
                  className={number}
                />
              </label>
            ))}
            <button
              type="button"
              className={`${small} ml-auto`}
              onClick={() => onChange(bands.filter((_, at) => at !== i))}
              aria-label={`Remove ${band.name || 'the string'}`}
            >
              <X aria-hidden className="size-3.5" />
            </button>
          </div>
        </div>
      ))}
      <button type="button" className={`${small} mt-2`} onClick={onAdd}>
        <Plus aria-hidden className="size-3.5" /> Add a string
      </button>
    </details>
  )
}
