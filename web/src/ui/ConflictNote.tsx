import { Button } from './Button.tsx'

interface ConflictNoteProps {
  /** What was changed elsewhere, as "This seller", and in which fields. */
  what: string
  fields: readonly string[]
  onTheirs: () => void
  onMine: () => void
}

/** Somebody else, or another window, changed the same meanwhile: both ways out. */
export function ConflictNote({ what, fields, onTheirs, onMine }: ConflictNoteProps) {
  return (
    <div
      role="alert"
      className="mt-4 flex flex-wrap items-center gap-x-3 gap-y-2 rounded-[10px] border border-problem bg-card px-3 py-2"
    >
      <span className="text-problem">
        {what} was changed elsewhere meanwhile: {fields.join(', ')}. Yours is not saved; nothing of it is lost.
      </span>
      <span className="ml-auto flex gap-2">
        <Button type="button" onClick={onTheirs}>
          Take theirs
        </Button>
        <Button type="button" onClick={onMine}>
          Keep mine
        </Button>
      </span>
    </div>
  )
}
