import { Command } from 'cmdk'
import { Dialog } from 'radix-ui'
import { useMemo, useState } from 'react'
import { useNavigate } from 'react-router'
import { answering, type Entry } from './entries.ts'
import { chosen, lately } from './lately.ts'
import { useEntries } from './useEntries.ts'

/** Finds outfits, parts, sellers, bins, rooms and acts by their names and goes there; all by keys. */
export default function Palette({
  outfit,
  typed,
  onLeave,
  onKeys,
}: {
  outfit: string | null
  /** Letters pressed before it was there; from then on they are typed into it. */
  typed: () => string
  onLeave: () => void
  onKeys: () => void
}) {
  const [text, setText] = useState('')
  const { groups, waiting } = useEntries(text, outfit)
  const [before] = useState(lately)
  const shown = useMemo(() => answering(text, groups, before, ['Rooms', 'To do']), [text, groups, before])
  const navigate = useNavigate()
  const go = (entry: Entry) => {
    chosen(entry)
    onLeave()
    void navigate(entry.to)
  }
  return (
    <Dialog.Root open onOpenChange={(open) => !open && onLeave()}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-20 bg-black/40" />
        <Dialog.Content
          aria-describedby={undefined}
          className="fixed top-[9vh] left-1/2 z-30 flex max-h-[76vh] w-[min(620px,94vw)] -translate-x-1/2 flex-col overflow-hidden rounded-[14px] border border-rule bg-card shadow-xl"
        >
          <Dialog.Title className="sr-only">Find anything</Dialog.Title>
          <Command label="Find anything" shouldFilter={false} loop className="flex min-h-0 flex-col">
            <Command.Input
              value={text}
              onValueChange={setText}
              // From now on letters come here by themselves; those before are given once.
              onFocus={() => {
                const letters = typed()
                if (letters !== '') setText((now) => letters + now)
              }}
              placeholder="An outfit, a part, a seller, a bin, a room…"
              className="border-b border-rule bg-transparent px-4 py-3 text-[17px] outline-none placeholder:text-soft"
            />
            <Command.List className="min-h-0 overflow-y-auto p-2">
              <Command.Empty className="px-3 py-4 text-soft">
                {waiting ? 'Looking…' : 'Nothing is called so. Fewer letters find more.'}
              </Command.Empty>
              {shown.map(({ title, entries }) => (
                <Command.Group
                  key={title}
                  heading={title}
                  className="mb-1 [&_[cmdk-group-heading]]:px-3 [&_[cmdk-group-heading]]:pt-2 [&_[cmdk-group-heading]]:pb-0.5 [&_[cmdk-group-heading]]:text-[12.5px] [&_[cmdk-group-heading]]:text-soft"
                >
                  {entries.map((entry) => (
                    <Command.Item
                      key={entry.to}
                      value={`${title} ${entry.to}`}
                      onSelect={() => go(entry)}
                      className="flex cursor-pointer items-baseline gap-3 rounded-[8px] px-3 py-1.5 data-[selected=true]:bg-band"
                    >
                      <span className="min-w-0 truncate font-semibold">{entry.name}</span>
                      <span className="ml-auto max-w-[55%] truncate text-[13px] text-soft">{entry.about}</span>
                    </Command.Item>
                  ))}
                </Command.Group>
              ))}
            </Command.List>
          </Command>
          <p className="flex gap-4 border-t border-rule px-4 py-2 text-[13px] text-soft">
            <span>↑ ↓ choose</span>
            <span>Enter go there</span>
            <span>Esc leave</span>
            <button type="button" onClick={onKeys} className="ml-auto text-act hover:underline">
              Keys and words
            </button>
          </p>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  )
}
