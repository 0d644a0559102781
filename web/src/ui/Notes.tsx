import type { ReactNode } from 'react'
import { Button } from './Button.tsx'

/** A place with nothing in it yet: what it is for and what to do. */
export function EmptyNote({ title, children }: { title: string; children?: ReactNode }) {
  return (
    <div className="mx-auto max-w-md py-16 text-center">
      <h2 className="text-xl">{title}</h2>
      <div className="mt-2 text-soft">{children}</div>
    </div>
  )
}

/** Something failed: what happened, and a way to try again. */
export function ErrorNote({ children, onRetry }: { children: ReactNode; onRetry?: () => void }) {
  return (
    <div role="alert" className="mx-auto my-8 max-w-md rounded-[10px] border border-problem bg-card p-4">
      <p className="font-semibold text-problem">That did not work</p>
      <p className="mt-1">{children}</p>
      {onRetry && (
        <Button className="mt-3" onClick={onRetry}>
          Try again
        </Button>
      )}
    </div>
  )
}

/** Work under way. */
export function Waiting({ children }: { children: ReactNode }) {
  return (
    <p role="status" className="p-8 text-center text-soft">
      {children}
    </p>
  )
}
