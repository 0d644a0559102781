import { Dialog } from 'radix-ui'
import type { FormEvent, ReactNode } from 'react'
import { Button } from './Button.tsx'

/** How a field of such a form looks. */
export const FIELD = 'mt-1 block w-full rounded-[8px] border border-rule bg-paper px-2 py-1 font-normal'

interface FormDialogProps {
  title: string
  about?: string
  /** What the button says that keeps it. */
  keep: string
  /** Whether it can be kept as it stands. */
  ready: boolean
  /** What was refused, in words. */
  problem?: string
  onKeep: () => void
  onLeave: () => void
  children: ReactNode
}

/** A few fields in a dialog: kept with Enter or the button, left with Escape. */
export function FormDialog({ title, about, keep, ready, problem = '', onKeep, onLeave, children }: FormDialogProps) {
  const submit = (event: FormEvent) => {
    event.preventDefault()
    onKeep()
  }
  return (
    <Dialog.Root open onOpenChange={(open) => !open && onLeave()}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-20 bg-black/40" />
        <Dialog.Content
          {...(about ? {} : { 'aria-describedby': undefined })}
          className="fixed top-1/2 left-1/2 z-30 max-h-[94vh] w-[min(480px,94vw)] -translate-x-1/2 -translate-y-1/2 overflow-y-auto rounded-[14px] border border-rule bg-card p-5 shadow-xl"
        >
          <Dialog.Title className="text-xl">{title}</Dialog.Title>
          {about && <Dialog.Description className="text-soft">{about}</Dialog.Description>}
          <form onSubmit={submit} className="mt-3 space-y-3">
            {children}
            {problem && (
              <p role="alert" className="text-problem">
                {problem}
              </p>
            )}
            <div className="flex gap-3">
              <Button look="act" type="submit" disabled={!ready}>
                {keep}
              </Button>
              <Dialog.Close asChild>
                <Button>Leave it</Button>
              </Dialog.Close>
            </div>
          </form>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  )
}
