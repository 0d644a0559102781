import type { PinSummary } from '@outfit/core/shelf'
import { PinMark } from '../ui/PinMark.tsx'
import { pinsInWords } from '../roster/shelfData.ts'

/** How many pins of each kind stick in an outfit, or in a whole roster; what they say shows on pointing. */
export function PinCount({ pins }: { pins: readonly PinSummary[] }) {
  if (pins.length === 0) return <span className="block h-[18px] text-[13px] text-good">no pins</span>
  return (
    <span
      role="img"
      aria-label={pinsInWords(pins)}
      title={pins.map(({ title, detail }) => `${title}: ${detail}`).join('\n')}
      className="flex h-[18px] items-center justify-center gap-2 text-[13px] tabular-nums"
    >
      {(['problem', 'notice', 'hint'] as const).map((severity) => {
        const count = pins.filter((pin) => pin.severity === severity).length
        return count > 0 ? (
          <span key={severity} aria-hidden className="inline-flex items-center gap-1">
            <PinMark severity={severity} size={10} /> {count}
          </span>
        ) : null
      })}
    </span>
  )
}
