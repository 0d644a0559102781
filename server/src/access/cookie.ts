import type { IncomingMessage } from 'node:http'

export const DEVICE_COOKIE = 'outfit-device'

/** The token a device was given, as it sends it along; null for none. */
export const tokenOf = ({ headers }: IncomingMessage): string | null =>
  new RegExp(`(?:^|; )${DEVICE_COOKIE}=([\\w-]+)`).exec(headers.cookie ?? '')?.[1] ?? null
