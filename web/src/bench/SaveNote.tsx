import { useMatch } from 'react-router'
import { api } from '../data/api.ts'
import { useAppDispatch } from '../data/hooks.ts'
import { useBenchSelector } from './hooks.ts'
import { Button } from '../ui/Button.tsx'
import { opened } from './benchSlice.ts'
import { dropDraft } from './drafts.ts'

const WORDS = {
  saved: 'all saved',
  saving: 'saving…',
  unsaved: 'saving…',
  offline: 'not saved: no answer, trying again',
  conflict: 'not saved',
} as const

/** Says what is not saved yet; after a conflict offers both ways out. */
export function SaveNote() {
  const onBench = useMatch('/outfits/:outfit/bench')
  const { save, outfit, take, present } = useBenchSelector((state) => state.bench)
  const dispatch = useAppDispatch()
  const [load] = api.endpoints.outfit.useLazyQuery()
  if (!onBench) return null
  const reopen = async (mine: boolean) => {
    if (!outfit || !take) return
    const fresh = await load(outfit).unwrap()
    const theirs = fresh.takes.find((t) => t.id === take) ?? fresh.takes[0]!
    if (!mine) dropDraft(take)
    dispatch(
      opened({
        outfit,
        take: theirs.id,
        version: fresh.version,
        placements: theirs.placements,
        draft: mine ? present : null,
      }),
    )
  }
  if (save === 'conflict')
    return (
      <span role="alert" className="flex items-center gap-2 text-problem">
        Changed elsewhere, not saved
        <Button onClick={() => void reopen(false)}>Take theirs</Button>
        <Button onClick={() => void reopen(true)}>Keep mine</Button>
      </span>
    )
  return (
    <span
      role="status"
      className={`rounded-full border px-3 py-1 whitespace-nowrap ${save === 'offline' ? 'border-problem text-problem' : 'border-rule bg-card'}`}
    >
      {WORDS[save]}
    </span>
  )
}
