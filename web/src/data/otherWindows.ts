import { isFulfilled, type Middleware } from '@reduxjs/toolkit'
import { api } from './api.ts'

const NAME = 'outfit.changed'
const REPLACED = 'replaced'

/** Everything is another: windows of this browser are loaded anew. What was being typed in them is kept as drafts. */
export function tellReplaced(): void {
  if (typeof BroadcastChannel === 'undefined') return
  const channel = new BroadcastChannel(NAME)
  channel.postMessage(REPLACED)
  channel.close()
}

/**
 * Tells other windows of this browser that something was written, and asks the server again when they tell. What is being
 * dressed on the bench is left alone: its own versions notice a collision.
 */
export const otherWindows: Middleware = ({ dispatch }) => {
  const channel = typeof BroadcastChannel === 'undefined' ? null : new BroadcastChannel(NAME)
  if (channel)
    channel.onmessage = ({ data }) => {
      if (data === REPLACED) return window.location.reload()
      dispatch(api.util.invalidateTags(['Shelves', 'Preferences', 'Later', 'Settings']) as never)
    }
  return (next) => (action) => {
    const result = next(action)
    if (isFulfilled(action) && (action.meta.arg as { type?: string } | undefined)?.type === 'mutation')
      channel?.postMessage('changed')
    return result
  }
}
