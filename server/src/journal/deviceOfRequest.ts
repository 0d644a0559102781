import { createHash } from 'node:crypto'
import type { NextFunction, Request, Response } from 'express'
import { deviceOf } from '@outfit/core/journal'
import { WINDOW_HEADER } from '@outfit/core/news'
import { doneBy } from '../base/doing.ts'
import { sessionOf } from '../base/guard.ts'

/** The device of a request, by which two of a kind are told apart: "a computer #3f9a01". Nobody finds its session by that. */
export function deviceOfRequest(request: Request): string {
  const kind = deviceOf(request.headers['user-agent'] ?? '')
  const session = sessionOf(request)
  return session ? `${kind} #${createHash('sha256').update(session).digest('hex').slice(0, 12)}` : kind
}

/** What a request that is more than a question changes is written down under its device. */
export function recorded(request: Request, _response: Response, next: NextFunction): void {
  if (request.method === 'GET' || request.method === 'HEAD') return next()
  const named = request.headers[WINDOW_HEADER.toLowerCase()]
  const window = typeof named === 'string' && named.length <= 64 ? named : null
  doneBy({ device: deviceOfRequest(request), window }, next)
}
