import type { NextFunction, Request, RequestHandler, Response } from 'express'
import { randomBytes } from 'node:crypto'
import { fromNetwork } from './network.ts'
import { problemBody } from './problem.ts'

const LOCAL = /^(127\.0\.0\.1|localhost|\[::1\])(:\d+)?$/
/** What browsers say of a request another page made; "none" is a person who typed the address. */
const ELSEWHERE = new Set(['cross-site', 'same-site'])
/** Kinds of body a form of another page can send without asking first are none of them. */
const BODIES = /^(application\/(json|octet-stream)|text\/csv)\b/i

/** Whether a path leads to the interface for programs, however it is written: addresses are the same in any case of letters. */
export function isOfApi(path: string): boolean {
  try {
    return /^\/+api(\/|$)/i.test(decodeURIComponent(path))
  } catch {
    // Nobody's address, and so nobody's page either.
    return true
  }
}

/** What a device may ask that has not said the passphrase yet; the files of the interface are nobody's secret. */
const OPEN = new Set(['GET /api/access', 'POST /api/access/entered'])

/**
 * Lets only our own pages, and programs of this machine, talk to us. The Host must be a local name (against DNS rebinding).
 * Under `/api` a request that a page of another origin made is refused, also of another port of this machine: by
 * `Sec-Fetch-Site` before anything is counted, and by its Origin, which must be the address asked itself. A body must be of
 * a kind that no form sends.
 *
 * Requests of other devices must name this machine as it is called in its networks, and come of a device that was let in.
 */
export function ownPagesOnly(request: Request, response: Response, next: NextFunction): void {
  const refuse = (status: number, detail: string) =>
    void response.status(status).type('application/problem+json').json(problemBody(status, detail))
  const { host = '', origin } = request.headers
  const from = fromNetwork(request)
  if (from) {
    if (!from.hosts.includes(host.toLowerCase().replace(/:\d+$/, '')))
      return refuse(403, `This server answers to ${from.hosts.join(', ')} only.`)
  } else if (!LOCAL.test(host)) return refuse(403, 'This server answers to local host names only.')
  if (!isOfApi(request.path)) return next()
  const own = `${from?.scheme ?? 'http'}://${host}`
  if (ELSEWHERE.has(String(request.headers['sec-fetch-site'])) || (origin !== undefined && origin !== own))
    return refuse(403, 'Pages from elsewhere may not talk to this server. Nothing was done.')
  const { 'content-length': length = '0', 'transfer-encoding': encoding, 'content-type': type = '' } = request.headers
  if ((length !== '0' || encoding !== undefined) && !BODIES.test(type))
    return refuse(
      415,
      'A body must be application/json, or application/octet-stream or text/csv for a file. Nothing was done.',
    )
  if (from && !from.entered && !OPEN.has(`${request.method} ${request.path}`))
    return refuse(401, 'Say the passphrase of this workspace first.')
  next()
}

const COOKIE = 'outfit-session'
/** The session a request carries, of whatever start of the server. */
export const sessionOf = (request: Request): string | undefined =>
  new RegExp(`${COOKIE}=([\\w-]+)`).exec(request.headers.cookie ?? '')?.[1]

/** Sessions of browsers known at a time. */
const MOST_SESSIONS = 1000

/**
 * Tells browsers apart for the limit of requests, so that nobody uses up another's: a page of ours carries a cookie that no
 * page of another site can send along. `keyOf` is what a request is counted under, the address where it carries none.
 */
export function sessions(): { give: RequestHandler; keyOf: (request: Request) => string } {
  const known = new Set<string>()
  const of = sessionOf
  return {
    give: (request, response, next) => {
      const own = of(request)
      if (request.method === 'GET' && !isOfApi(request.path) && !(own && known.has(own))) {
        const session = randomBytes(18).toString('base64url')
        known.add(session)
        if (known.size > MOST_SESSIONS) known.delete(known.values().next().value!)
        response.cookie(COOKIE, session, { httpOnly: true, sameSite: 'strict', path: '/' })
      }
      next()
    },
    keyOf: (request) => {
      const own = of(request)
      return own && known.has(own) ? `session ${own}` : `address ${request.socket.remoteAddress}`
    },
  }
}
