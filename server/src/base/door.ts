import { createServer, type RequestListener, type Server } from 'node:http'
import type { AddressInfo } from 'node:net'
import { StartRefused } from './refusal.ts'
import { codeOf } from './storage.ts'

/** A port of this machine taken before anything else is done; who comes before the application is ready is told to wait. */
export interface Door {
  readonly port: number
  readonly server: Server
  /** From now on `listener` answers. */
  open(listener: RequestListener): void
  close(): Promise<void>
}

const starting: RequestListener = (_request, response) => {
  response.writeHead(503, { 'Content-Type': 'application/problem+json', 'Retry-After': '1' })
  response.end(
    JSON.stringify({
      type: 'about:blank',
      title: 'Service Unavailable',
      status: 503,
      detail: 'Outfit is starting. Try again in a moment.',
      errors: [],
    }),
  )
}

/** Take a port on 127.0.0.1 (0: any that is free). @throws StartRefused when it is not to be had. */
export async function takePort(port: number): Promise<Door> {
  let answer = starting
  const server = createServer((request, response) => answer(request, response))
  await new Promise<void>((resolve, reject) => {
    server.once('error', (error) => reject(refused(error, port)))
    server.listen(port, '127.0.0.1', resolve)
  })
  return {
    port: (server.address() as AddressInfo).port,
    server,
    open: (listener) => {
      answer = listener
    },
    close: () =>
      new Promise((resolve) => {
        server.close(() => resolve())
        server.closeAllConnections()
      }),
  }
}

function refused(error: Error, port: number): Error {
  if (codeOf(error) === 'EADDRINUSE')
    return new StartRefused(
      `Port ${port} is in use. Nothing was changed; stop what listens there or give another with --port.`,
    )
  if (codeOf(error) === 'EACCES')
    return new StartRefused(
      `Port ${port} is not open to this account. Nothing was changed; give one above 1023 with --port.`,
    )
  return error
}
