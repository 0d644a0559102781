import { Popover } from 'radix-ui'
import type { Pin } from '@outfit/core/fitting'
import { Button } from '../ui/Button.tsx'
import { PinMark } from '../ui/PinMark.tsx'

interface AcceptedProps {
  accepted: readonly { pin: Pin; reason: string }[]
  onBack: (pin: Pin) => void
}

/** Pins that were left as they are; each can be stuck back in. They come back by themselves when their cause changes. */
export function Accepted({ accepted, onBack }: AcceptedProps) {
  return (
    <Popover.Root>
      <Popover.Trigger className="absolute right-4 bottom-2 z-10 flex items-center gap-1 rounded-full border border-rule bg-card px-2.5 py-0.5 text-[13px] text-soft hover:border-act">
        {accepted.map(({ pin }) => (
          <span key={pin.rule + pin.slots.join()} className="opacity-50 grayscale">
            <PinMark severity={pin.severity} size={10} />
          </span>
        ))}
        {accepted.length === 1 ? '1 pin left as it is' : `${accepted.length} pins left as they are`}
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          align="end"
          sideOffset={6}
          aria-label="Pins left as they are"
          className="z-20 w-[300px] rounded-[12px] border border-rule bg-card p-3 shadow-lg"
        >
          <ul>
            {accepted.map(({ pin, reason }) => (
              <li key={pin.rule + pin.slots.join()} className="border-t border-rule py-1.5 first:border-0">
                <p className="font-semibold text-soft">{pin.title}</p>
                <p className="text-[13px] text-soft">{pin.detail}</p>
                <p className="text-[13.5px]">“{reason}”</p>
                <Button className="mt-1 px-2 py-0.5 text-[13px]" onClick={() => onBack(pin)}>
                  Stick the pin back
                </Button>
              </li>
            ))}
          </ul>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  )
}
