import type { NextFunction, Request, Response } from 'express'

const LOCAL = /^(127\.0\.0\.1|localhost|\[::1\])(:\d+)?$/

/**
 * Lets only pages of this machine talk to us: the Host must be a local name (against DNS rebinding) and a request that
 * changes something must come from a local Origin, if it names one.
 */
export function localOnly(request: Request, response: Response, next: NextFunction): void {
  const refuse = (detail: string) =>
    void response
      .status(403)
      .type('application/problem+json')
      .json({ type: 'about:blank', title: 'Forbidden', status: 403, detail, errors: [] })
  if (!LOCAL.test(request.headers.host ?? '')) return refuse('This server answers to local host names only.')
  const { origin } = request.headers
  if (origin !== undefined && !(URL.canParse(origin) && LOCAL.test(new URL(origin).host)))
    return refuse('Pages from elsewhere may not talk to this server.')
  next()
}
