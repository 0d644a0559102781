import type { AccessState } from '@outfit/core/access'

/** Whether the workspace is open to this device; a server that does not answer is told by the views themselves. */
export async function accessHere(): Promise<AccessState> {
  const open: AccessState = { here: true, entered: true }
  try {
    const answer = await fetch('/api/access')
    return answer.ok ? ((await answer.json()) as AccessState) : open
  } catch {
    return open
  }
}

/** Say the passphrase; what is wrong about it in words, null where it is right. */
export async function enter(passphrase: string): Promise<string | null> {
  try {
    const headers = { 'Content-Type': 'application/json' }
    const answer = await fetch('/api/access/entered', { method: 'POST', headers, body: JSON.stringify({ passphrase }) })
    if (answer.ok) return null
    const { detail } = (await answer.json()) as { detail?: string }
    return detail ?? 'It was not taken. Try again.'
  } catch {
    return 'The machine Outfit runs on does not answer. Is it still on, and in the same network?'
  }
}
