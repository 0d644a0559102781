import { CircleHelp } from 'lucide-react'
import { Popover } from 'radix-ui'
import { lazy, Suspense } from 'react'
import type { WordKey } from './words.tsx'

// Its pictures are drawn from what ships with Outfit, which is loaded when somebody asks.
const WordNote = lazy(async () => ({ default: (await import('./words.tsx')).WordNote }))

interface WhatIsProps {
  word: WordKey
  /** As it stands on the screen: "a take". */
  said: string
  className?: string
}

/** A small mark beside a word of the work; pressed, it tells what that is. */
export function WhatIs({ word, said, className = '' }: WhatIsProps) {
  return (
    <Popover.Root>
      <Popover.Trigger
        aria-label={`What is ${said}?`}
        title={`What is ${said}?`}
        className={`inline-flex size-6 items-center justify-center rounded-full align-middle text-soft hover:bg-band hover:text-ink ${className}`}
      >
        <CircleHelp aria-hidden className="size-4" />
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          sideOffset={4}
          collisionPadding={8}
          aria-label={`What ${said} is`}
          className="z-30 w-[340px] rounded-[12px] border border-rule bg-card p-3 shadow-lg"
        >
          <Suspense fallback={<p className="h-[64px]" />}>
            <WordNote word={word} />
          </Suspense>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  )
}
