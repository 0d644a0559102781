import type { IncomingMessage } from 'node:http'

/** By which way a request of another device came. */
export interface FromNetwork {
  scheme: 'http' | 'https'
  /** Names, without a port, a browser may call this machine by. */
  hosts: readonly string[]
  /** Whether its device was let in. */
  entered: boolean
}

/** Requests that came over the listener for other devices; all others are of this machine. */
const requests = new WeakMap<IncomingMessage, FromNetwork>()

export const markFromNetwork = (request: IncomingMessage, from: FromNetwork): void => void requests.set(request, from)

/** By which way a request came from another device; undefined where this machine asks itself. */
export const fromNetwork = (request: IncomingMessage): FromNetwork | undefined => requests.get(request)
