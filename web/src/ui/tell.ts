import { toast } from 'sonner'
import { errorText } from '../data/api.ts'

/** Long enough to be read, thought over and pressed, also on a slow machine. */
const STAYS = 60_000
const WARNS = 20_000

type Answer = { error?: unknown }
/** Takes something back; `error` in what it answers is told. */
type Back = () => Promise<Answer | void>

/** What was done last with a way back; there is one at a time. */
let newest: { id: string; words: string; back: Back } | null = null
let told = 0
/** Whether its message is seen, and not just going away. */
let shows = false

/** Say what was done. With a way back it stays for a minute, or until the next thing is done; Ctrl or Cmd+Z goes it too. */
export function tell(words: string, back?: Back): void {
  if (!back) return void toast(words)
  // One that is seen is written anew; one that is going away already would take its successor with it.
  if (!shows) told++
  shows = true
  const mine = told
  newest = { id: `way back ${mine}`, words, back }
  const gone = () => {
    if (mine === told) shows = false
  }
  toast(words, {
    id: newest.id,
    duration: STAYS,
    closeButton: true,
    onDismiss: gone,
    onAutoClose: gone,
    action: { label: 'Undo', onClick: () => void takeBack() },
  })
}

/** Say what one should know before going on; it stays long enough to be read. */
export const warn = (words: string): void => void toast.warning(words, { duration: WARNS })

/** Say what went wrong, in the server's words where it has any. */
export const tellError = (error: unknown): void => void toast.error(errorText(error))

/** Acts that are seen already and whose way back will be told when the server has them. */
let pending: Promise<unknown> = Promise.resolve()

/** An act that is seen before the server has it: whoever wants it back meanwhile gets it back, and not what was before it. */
export function underWay<T>(act: Promise<T>): Promise<T> {
  pending = Promise.allSettled([pending, act])
  return act
}

/** Go the newest way back, if there is one; whether there was. */
export async function takeBack(): Promise<boolean> {
  await pending
  // Whoever began the act tells of it first.
  await new Promise((resolve) => setTimeout(resolve))
  if (!newest) return false
  const { id, words, back } = newest
  newest = null
  shows = false
  toast.dismiss(id)
  const answer = await back()
  if (answer?.error) tellError(answer.error)
  else toast(`Taken back: ${words}`)
  return true
}
