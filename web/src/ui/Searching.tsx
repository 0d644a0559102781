import type { ReactNode } from 'react'
import { formatMoney } from '@outfit/core/market'
import { Button } from './Button.tsx'

interface SearchingProps {
  title: string
  /** The heading of the page, or of a part of it. */
  heading: 'h1' | 'h2'
  /** What the bar is of, for those who cannot see it. */
  label: string
  currency: string
  /** The best found so far, and what nothing comes to less than; minor units. */
  progress: { best: number | null; bound: number | null } | null
  /** Said of the bound: "no plan can be cheaper than". */
  least: string
  children?: ReactNode
  onEnough: () => void
  stop: string
  onStop: () => void
}

/** A search for the least money under way: how far it is, and the ways to end it. */
export function Searching({
  title,
  heading: Heading,
  label,
  currency,
  progress,
  least,
  children,
  onEnough,
  stop,
  onStop,
}: SearchingProps) {
  const money = (amount: number | null | undefined) =>
    amount === null || amount === undefined ? '–' : formatMoney(Math.round(amount), currency)
  return (
    <div className="mx-auto max-w-md py-20 text-center" role="status">
      <Heading className="text-2xl">{title}</Heading>
      <progress className="mt-4 w-full" aria-label={label} />
      <p className="mt-2 text-soft">
        best so far {money(progress?.best)} · {least} {money(progress?.bound)}
        {children}
      </p>
      <p className="mt-4 flex justify-center gap-3">
        <Button look="act" onClick={onEnough} disabled={(progress?.best ?? null) === null}>
          Good enough
        </Button>
        <Button onClick={onStop}>{stop}</Button>
      </p>
    </div>
  )
}
