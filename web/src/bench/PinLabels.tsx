import { Popover } from 'radix-ui'
import { useState } from 'react'
import type { Placement } from '@outfit/core/catalogue'
import { pinKey, type Pin } from '@outfit/core/fitting'
import type { Drawing } from '@outfit/core/mannequin'
import { Button } from '../ui/Button.tsx'
import { PinMark } from '../ui/PinMark.tsx'

interface PinLabelsProps {
  pins: readonly Pin[]
  active: string | null
  anchors: Drawing['anchors']
  toPixels: (point: { x: number; y: number }) => { x: number; y: number }
  width: number
  height: number
  onRemedy: (placements: Placement[]) => void
  onAccept: (pin: Pin, reason: string) => void
  onPreview: (placements: Placement[] | null) => void
  /** Pins alone, where there is no room for words. */
  bare: boolean
}

interface Point {
  x: number
  y: number
}

const WIDTH = 186
/** Below the drawn takes on the left, below the undo buttons on the right. */
const TOP = { left: 168, right: 60 }
const LEADS: Record<Pin['severity'], string> = {
  problem: 'var(--problem)',
  notice: 'var(--notice)',
  hint: 'var(--act)',
}

/** Room a label takes in pixels, from the lines its words break into. */
function heightOf({ title, detail, caution = '', remedies }: Pin): number {
  const lines = (text: string, charWidth: number, width = WIDTH - 12) => Math.ceil((text.length * charWidth) / width)
  const presses = remedies.slice(0, MOST_REMEDIES).map(({ label }) => lines(label, 7, WIDTH - 32) * 16 + 14)
  return (
    lines(title, 7.4) * 18 +
    lines(detail, 6.4) * 17 +
    lines(caution, 6.2) * 16 +
    presses.reduce((sum, height) => sum + height, 0) +
    40
  )
}

/** Remedies shown with a pin. */
const MOST_REMEDIES = 2

/** Pins stuck into the figure, each with a lead line to what it says and one press that puts it right. */
export function PinLabels({
  pins,
  active,
  anchors,
  toPixels,
  width,
  height,
  onRemedy,
  onAccept,
  onPreview,
  bare,
}: PinLabelsProps) {
  // Pins in one place stand side by side, so that each can be seen.
  const beside = new Map<string, number>()
  const stuck = pins.flatMap((pin) => {
    const slot = pin.slots.find((one) => anchors[one])
    if (!slot) return []
    const at = toPixels(anchors[slot]!)
    const before = beside.get(slot) ?? 0
    beside.set(slot, before + 1)
    return [{ pin, at: { x: at.x + before * 15, y: at.y } }]
  })
  // Nearest the middle first: where a side is too full for its labels, these go over while the other has room.
  const fromMiddle = [...stuck].sort((a, b) => Math.abs(a.at.x - width / 2) - Math.abs(b.at.x - width / 2))
  const on = {
    left: fromMiddle.filter(({ at }) => at.x < width / 2),
    right: fromMiddle.filter(({ at }) => at.x >= width / 2),
  }
  const fits = (side: 'left' | 'right', list: readonly { pin: Pin }[]) =>
    list.reduce((sum, { pin }) => sum + heightOf(pin), TOP[side]) <= height
  const relieve = (side: 'left' | 'right', other: 'left' | 'right') => {
    while (on[side].length > 1 && !fits(side, on[side]) && fits(other, [...on[other], on[side][0]!]))
      on[other].push(on[side].shift()!)
  }
  relieve('left', 'right')
  relieve('right', 'left')
  const placed = (side: 'left' | 'right', list: readonly { pin: Pin; at: Point }[]) => {
    // In one place problems stay first, as the pins come.
    const sorted = stuck.filter((one) => list.includes(one)).sort((a, b) => a.at.y - b.at.y)
    const heights = sorted.map(({ pin }) => heightOf(pin))
    let free: number = TOP[side]
    return sorted.map(({ pin, at }, i) => {
      const later = heights.slice(i).reduce((sum, h) => sum + h, 0)
      const y = Math.max(free, Math.min(at.y - 24, height - later))
      free = y + heights[i]!
      return { pin, at, y, x: side === 'left' ? 16 : width - WIDTH - 16 }
    })
  }
  if (bare)
    return stuck.map(({ pin, at }) => (
      <span
        key={pinKey(pin)}
        title={`${pin.title}: ${pin.detail}`}
        className="absolute"
        style={{ left: at.x - 6, top: at.y - 6 }}
      >
        <PinMark severity={pin.severity} />
      </span>
    ))
  const labels = [...placed('left', on.left), ...placed('right', on.right)]
  return (
    <>
      <svg aria-hidden className="pointer-events-none absolute inset-0 h-full w-full">
        {labels.map(({ pin, at, x, y }) => {
          const colour = LEADS[pin.severity]
          const start = x < width / 2 ? x + WIDTH : x - 6
          return (
            <g key={pinKey(pin)}>
              <path
                d={`M${start} ${y + 10}L${at.x} ${at.y}`}
                stroke={colour}
                strokeWidth={1.5}
                strokeDasharray="2 4"
                fill="none"
              />
              <circle cx={at.x} cy={at.y} r={9} fill="var(--card)" />
            </g>
          )
        })}
      </svg>
      {labels.map(({ pin, at, x, y }) => (
        <div key={pinKey(pin)}>
          <span className="absolute" style={{ left: at.x - 6, top: at.y - 6 }}>
            <PinMark severity={pin.severity} />
          </span>
          <div
            style={{ left: x, top: y, width: WIDTH }}
            className={`absolute rounded-[8px] px-1.5 py-0.5 leading-tight ${active === pinKey(pin) ? 'bg-card outline-2 outline-act' : 'bg-paper/85'}`}
          >
            <PinBody pin={pin} onRemedy={onRemedy} onAccept={onAccept} onPreview={onPreview} />
          </div>
        </div>
      ))}
    </>
  )
}

/** What a pin says, its remedies, and the way to leave it. */
export function PinBody({
  pin,
  onRemedy,
  onAccept,
  onPreview,
}: Pick<PinLabelsProps, 'onRemedy' | 'onAccept' | 'onPreview'> & { pin: Pin }) {
  return (
    <>
      <p className="font-bold">{pin.title}</p>
      <p className="text-[13px] text-soft">{pin.detail}</p>
      {pin.caution && <p className="text-[12.5px] text-ink italic">{pin.caution}</p>}
      {pin.remedies.slice(0, MOST_REMEDIES).map(({ label, placements }) => (
        <Button
          key={label}
          className="mt-1 w-full px-2 py-1 text-[13px] leading-tight"
          onMouseEnter={() => onPreview(placements)}
          onMouseLeave={() => onPreview(null)}
          onFocus={() => onPreview(placements)}
          onBlur={() => onPreview(null)}
          onClick={() => {
            onPreview(null)
            onRemedy(placements)
          }}
        >
          <span className="flex-1 text-left">{label}</span>
        </Button>
      ))}
      <Leave pin={pin} onAccept={onAccept} />
    </>
  )
}

/** Leave a pin as it is, with the reason. */
function Leave({ pin, onAccept }: { pin: Pin; onAccept: (pin: Pin, reason: string) => void }) {
  const [reason, setReason] = useState('')
  return (
    <Popover.Root>
      <Popover.Trigger className="mt-1 block text-[13px] font-semibold text-act hover:underline">
        Leave it …
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          sideOffset={6}
          aria-label={`Leave it: ${pin.title}`}
          className="z-20 w-[270px] rounded-[12px] border border-rule bg-card p-3 shadow-lg"
        >
          <form
            onSubmit={(event) => {
              event.preventDefault()
              if (reason.trim()) onAccept(pin, reason.trim())
            }}
          >
            <label className="block text-[13.5px]">
              Why is it wanted so?
              <input
                value={reason}
                maxLength={300}
                onChange={(event) => setReason(event.target.value)}
                className="mt-1 w-full rounded-[8px] border border-rule bg-paper px-2 py-1"
              />
            </label>
            <Button type="submit" className="mt-2 px-2.5 py-1 text-[13px]" disabled={!reason.trim()}>
              Leave it
            </Button>
          </form>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  )
}
