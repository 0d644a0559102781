import { Popover } from 'radix-ui'
import type { ReactNode } from 'react'

interface PopoutProps {
  /** What is told, for those who cannot see where it comes from. */
  label: string
  /** What is pressed to be told. */
  said: ReactNode
  /** Whether something about it is amiss. */
  amiss?: boolean
  children: ReactNode
}

/** A number in a small frame; pressing tells what it is made of. */
export function Popout({ label, said, amiss = false, children }: PopoutProps) {
  return (
    <Popover.Root>
      <Popover.Trigger
        className={`inline-flex items-center gap-1 rounded-[8px] border bg-card px-2 py-1 text-[13px] font-semibold hover:border-act ${amiss ? 'border-problem text-problem' : 'border-rule text-act'}`}
      >
        {said}
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          align="end"
          sideOffset={6}
          collisionPadding={12}
          className="z-20 max-h-[70vh] w-[330px] overflow-y-auto rounded-[12px] border border-rule bg-card p-3 shadow-lg"
          aria-label={label}
        >
          {children}
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  )
}
