import { Check, Circle, X } from 'lucide-react'
import { useState } from 'react'
import { Link } from 'react-router'
import { FIRST_STEPS, type FirstStep } from '@outfit/core/shelf'
import { api } from '../data/api.ts'

const CLOSED = 'outfit.next-steps'

/** What each step is, and where it is done; `outfit` is one to go on with. */
const STEPS: Record<FirstStep, { words: string; to: (outfit: string) => string }> = {
  dressed: { words: 'Dress a figure', to: (outfit) => `/outfits/${outfit}/bench` },
  briefed: { words: 'Say what it must show', to: (outfit) => `/outfits/${outfit}/brief` },
  owned: { words: 'Bring in what you own', to: () => '/bring-in' },
  priced: { words: 'Bring in somebody’s prices', to: () => '/bring-in' },
  ordered: { words: 'Plan the buying, and order', to: (outfit) => `/outfits/${outfit}/sourcing` },
}

/** What to do next in a new workspace; each ticks itself off, and whoever knows the way closes it. */
export function NextSteps() {
  const [closed, close] = useState(() => localStorage.getItem(CLOSED) === 'closed')
  const { data } = api.endpoints.firstSteps.useQuery(undefined, { skip: closed })
  if (closed || !data?.outfit) return null
  const { done, outfit } = data
  const left = FIRST_STEPS.filter((step) => !done[step])
  if (left.length === 0) return null
  return (
    <section
      aria-label="Next steps"
      className="mt-3 flex flex-wrap items-center gap-x-5 gap-y-1 rounded-[12px] border border-rule bg-card px-3 py-2"
    >
      <h2 className="text-[17px]">Next</h2>
      <ol className="flex flex-1 flex-wrap gap-x-5 gap-y-1">
        {FIRST_STEPS.map((step) => (
          <li key={step} className="flex items-center gap-1.5">
            {done[step] ? (
              <>
                <Check aria-hidden className="size-4 text-good" />
                <span className="text-soft">
                  {STEPS[step].words} <span className="sr-only">(done)</span>
                </span>
              </>
            ) : (
              <>
                <Circle aria-hidden className="size-4 text-soft" />
                <Link
                  to={STEPS[step].to(outfit)}
                  className={`text-act hover:underline ${step === left[0] ? 'font-bold' : 'font-semibold'}`}
                >
                  {STEPS[step].words}
                </Link>
              </>
            )}
          </li>
        ))}
      </ol>
      <button
        type="button"
        aria-label="Close the next steps"
        title="Close; nothing is lost by it"
        onClick={() => {
          localStorage.setItem(CLOSED, 'closed')
          close(true)
        }}
        className="rounded-[8px] p-1 text-soft hover:bg-band hover:text-ink"
      >
        <X aria-hidden className="size-4" />
      </button>
    </section>
  )
}
