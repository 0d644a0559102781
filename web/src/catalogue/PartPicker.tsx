import { Dialog } from 'radix-ui'
import { useState, type ReactNode } from 'react'
import { Link } from 'react-router'
import { SHELVES, type ShelfKey } from '@outfit/core/catalogue'
import { api, type Candidate } from '../data/api.ts'
import { selectCatalogue } from '../data/catalogueSlice.ts'
import { useAppSelector } from '../data/hooks.ts'
import { FoundGrid, PAGE } from '../parts/FoundGrid.tsx'
import { Button } from '../ui/Button.tsx'

interface PartPickerProps {
  title: string
  /** Only parts of these shelves. */
  shelves?: ShelfKey[]
  onPick: (entry: Candidate) => void
  children: ReactNode
}

/** Pick one part among all, by words, in a dialog over what is being made. */
export function PartPicker({ title, shelves = [], onPick, children }: PartPickerProps) {
  const [open, setOpen] = useState(false)
  return (
    <Dialog.Root open={open} onOpenChange={setOpen}>
      <Dialog.Trigger asChild>{children}</Dialog.Trigger>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-20 bg-black/40" />
        <Dialog.Content
          aria-describedby={undefined}
          className="fixed top-1/2 left-1/2 z-20 flex h-[640px] max-h-[calc(100dvh-24px)] w-[860px] max-w-[calc(100vw-16px)] -translate-x-1/2 -translate-y-1/2 flex-col rounded-[14px] border border-rule bg-paper shadow-xl"
        >
          <Inside
            title={title}
            shelves={shelves}
            onPick={(entry) => {
              onPick(entry)
              setOpen(false)
            }}
          />
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  )
}

function Inside({
  title,
  shelves,
  onPick,
}: {
  title: string
  shelves: ShelfKey[]
  onPick: (entry: Candidate) => void
}) {
  const [text, setText] = useState('')
  const question = { ...(text.trim() ? { text: text.trim() } : {}), ...(shelves.length ? { shelves } : {}) }
  const { data } = api.endpoints.findParts.useQuery({ ...question, offset: 0, limit: PAGE })
  const catalogue = useAppSelector(selectCatalogue)
  return (
    <>
      <div className="flex items-center gap-3 px-4 pt-4 pb-2">
        <Dialog.Title className="text-xl">{title}</Dialog.Title>
        <input
          type="search"
          autoFocus
          value={text}
          onChange={(event) => setText(event.target.value)}
          aria-label="Find parts by words"
          placeholder={
            shelves.length
              ? `Words, among ${shelves.map((key) => SHELVES[key].label.toLowerCase()).join(', ')}`
              : 'Words'
          }
          className="w-[280px] rounded-[10px] border border-rule bg-card px-3 py-1.5 placeholder:text-soft"
        />
        <span role="status" className="text-soft">
          {data ? `${data.total} to choose from` : 'Looking…'}
        </span>
        <Dialog.Close asChild>
          <Button className="ml-auto">Leave</Button>
        </Dialog.Close>
      </div>
      <div className="min-h-0 flex-1">
        {catalogue && data && data.total > 0 && (
          <FoundGrid question={question} total={data.total} catalogue={catalogue} columns={5} onPick={onPick} />
        )}
        {data?.total === 0 &&
          (text.trim() === '' && shelves.length === 0 ? (
            <p className="p-8 text-center text-soft">
              Your workspace has no parts yet.{' '}
              <Link to="/bring-in" className="font-semibold text-act underline">
                Bring a list in
              </Link>{' '}
              of what you have, or{' '}
              <Link to="/catalogue/parts/new" className="font-semibold text-act underline">
                make one part
              </Link>
              .
            </p>
          ) : (
            <p className="p-8 text-center text-soft">No part answers to that. Take a word away.</p>
          ))}
      </div>
    </>
  )
}
