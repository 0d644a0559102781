import { Dialog } from 'radix-ui'
import { useState } from 'react'
import type { Placement } from '@outfit/core/catalogue'
import { pinKey, type Pin } from '@outfit/core/fitting'
import { Button } from '../ui/Button.tsx'
import { counted } from '../ui/counted.ts'
import { PinMark } from '../ui/PinMark.tsx'
import { PinBody } from './PinLabels.tsx'

interface PinSheetProps {
  pins: readonly Pin[]
  onRemedy: (placements: Placement[]) => void
  onAccept: (pin: Pin, reason: string) => void
}

/** The pins of a figure on a phone: how many there are, and pressed, what they say. */
export function PinSheet({ pins, onRemedy, onAccept }: PinSheetProps) {
  const [open, setOpen] = useState(false)
  if (pins.length === 0) return null
  return (
    <Dialog.Root open={open} onOpenChange={setOpen}>
      <Dialog.Trigger className="inline-flex items-center gap-1.5 rounded-[8px] border border-rule bg-card px-2 py-1 font-semibold">
        <PinMark severity={pins[0]!.severity} />
        {counted(pins.length, 'pin')}
      </Dialog.Trigger>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-20 bg-black/40" />
        <Dialog.Content
          aria-describedby={undefined}
          className="fixed inset-x-0 bottom-0 z-30 max-h-[75dvh] overflow-y-auto rounded-t-[14px] border-t border-rule bg-card px-4 pt-3 pb-6"
        >
          <Dialog.Title className="text-xl">{counted(pins.length, 'pin')}</Dialog.Title>
          <ul className="mt-2 divide-y divide-rule">
            {pins.map((pin) => (
              <li key={pinKey(pin)} className="flex gap-3 py-3">
                <span className="pt-1">
                  <PinMark severity={pin.severity} />
                </span>
                <div className="min-w-0 flex-1">
                  <PinBody
                    pin={pin}
                    onPreview={() => {}}
                    onAccept={onAccept}
                    onRemedy={(placements) => {
                      onRemedy(placements)
                      setOpen(false)
                    }}
                  />
                </div>
              </li>
            ))}
          </ul>
          <Button className="mt-2 w-full" onClick={() => setOpen(false)}>
            Back to the figure
          </Button>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  )
}
