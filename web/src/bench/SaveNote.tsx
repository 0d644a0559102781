import { useStore } from 'react-redux'
import { useMatch } from 'react-router'
import { toast } from 'sonner'
import { errorText } from '../data/api.ts'
import { useBenchSelector, type BenchRoot } from './hooks.ts'
import { Button } from '../ui/Button.tsx'
import { settleConflict } from './settleConflict.ts'

const WORDS = {
  saved: 'all saved',
  saving: 'saving…',
  unsaved: 'saving…',
  offline: 'not saved: no answer, trying again',
  conflict: 'not saved',
} as const

/** Says what is not saved yet; after a conflict offers both ways out. Where there is little room, `quiet`, what is well is only read out. */
export function SaveNote({ quiet = false }: { quiet?: boolean }) {
  const onBench = useMatch('/outfits/:outfit/bench')
  const save = useBenchSelector((state) => state.bench.save)
  const store = useStore<BenchRoot>()
  if (!onBench) return null
  const settle = (mine: boolean) =>
    void settleConflict(store, mine).then(
      (label) => label !== null && toast(`That take is gone; yours is kept as take ${label}.`),
      (error: unknown) => toast.error(errorText(error)),
    )
  if (save === 'conflict')
    return (
      <span role="alert" className="flex items-center gap-2 text-problem">
        Changed elsewhere, not saved
        <Button onClick={() => settle(false)}>Take theirs</Button>
        <Button onClick={() => settle(true)}>Keep mine</Button>
      </span>
    )
  return (
    <span
      role="status"
      className={`${quiet && save !== 'offline' ? 'sr-only' : ''} rounded-full border px-3 py-1 whitespace-nowrap ${save === 'offline' ? 'border-problem text-problem' : 'border-rule bg-card'}`}
    >
      {WORDS[save]}
    </span>
  )
}
