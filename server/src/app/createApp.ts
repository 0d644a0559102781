import type { LogLevel } from '@nestjs/common'
import { NestFactory } from '@nestjs/core'
import type { NestExpressApplication } from '@nestjs/platform-express'
import { SwaggerModule } from '@nestjs/swagger'
import express from 'express'
import { rateLimit } from 'express-rate-limit'
import helmet from 'helmet'
import { existsSync } from 'node:fs'
import type { RequestListener } from 'node:http'
import { join } from 'node:path'
import { WorkerPlanRunner } from '../sourcing/planRunner.ts'
import { Network } from '../access/network.ts'
import { AppModule, type Parts } from './appModule.ts'
import { describeApi } from './describeApi.ts'
import { Databases } from '../base/database.ts'
import type { Door } from '../base/door.ts'
import { DoorAdapter } from '../base/doorAdapter.ts'
import { bodies } from '../base/bodies.ts'
import { recorded } from '../journal/deviceOfRequest.ts'
import { isOfApi, ownPagesOnly, sessions } from '../base/guard.ts'
import { fromNetwork } from '../base/network.ts'
import { problemBody } from '../base/problem.ts'
import type { Settings } from '../base/settings.ts'
import { validation } from '../base/validation.ts'

/** Pictures are drawn inline and fonts ship with us; nothing is ever loaded from elsewhere. */
const CONTENT_SECURITY = {
  useDefaults: false,
  directives: {
    'default-src': ["'self'"],
    'img-src': ["'self'", 'data:', 'blob:'],
    // Radix sets the lock of the page behind a dialog through a style element.
    'style-src': ["'self'", "'unsafe-inline'"],
    'font-src': ["'self'", 'data:'],
    'object-src': ["'none'"],
    'base-uri': ["'self'"],
    'frame-ancestors': ["'none'"],
    'form-action': ["'self'"],
  },
}

/** Faults are thrown to whoever started it, who says them in a sentence; the process does not end by itself. */
export const QUIET = { logger: ['error', 'warn'] as LogLevel[], abortOnError: false }

/** Requests a minute from one session; a busy bench makes a few a second. */
const REQUESTS_PER_MINUTE = 1200

/**
 * Put the application together without listening. `runner` solves plans, in worker threads unless said otherwise; with a
 * `door` it answers there once that is opened.
 */
export async function createApp(
  settings: Settings,
  { runner = WorkerPlanRunner, door = null, ...parts }: Partial<Parts> & { door?: Door | null } = {},
): Promise<NestExpressApplication> {
  // Before Nest, which would report in its own words what keeps a database from being opened.
  const databases = await Databases.open(settings.data, settings)
  const module = AppModule.with(settings, databases, { runner, ...parts })
  const options = {
    ...QUIET,
    bodyParser: false,
    // Browsers hold connections open, events of jobs above all; a stop does not wait for them.
    forceCloseConnections: true,
  }
  const app = await (door
    ? NestFactory.create<NestExpressApplication>(module, new DoorAdapter(door.server), options)
    : NestFactory.create<NestExpressApplication>(module, options))
  app.disable('x-powered-by')
  app.get(Network).answerWith(app.getHttpAdapter().getInstance() as RequestListener)
  app.use(ownPagesOnly)
  app.use(helmet({ contentSecurityPolicy: CONTENT_SECURITY, strictTransportSecurity: false }))
  app.use((request: express.Request, response: express.Response, next: express.NextFunction) => {
    // Browsers heed it, and complain of it, according to whether the line is encrypted.
    if (fromNetwork(request)?.scheme === 'http') response.removeHeader('Cross-Origin-Opener-Policy')
    next()
  })
  const { give, keyOf } = sessions()
  app.use(give)
  app.use(
    '/api',
    rateLimit({
      keyGenerator: keyOf,
      // The key is no address a client may choose.
      validate: { keyGeneratorIpFallback: false },
      windowMs: 60_000,
      limit: REQUESTS_PER_MINUTE,
      standardHeaders: 'draft-8',
      legacyHeaders: false,
      handler: (_request, response) =>
        void response
          .status(429)
          .type('application/problem+json')
          .json(problemBody(429, 'That is more than the server takes in a minute. Wait a little and try again.')),
    }),
  )
  app.use(bodies())
  app.use('/api', recorded)
  app.setGlobalPrefix('api')
  app.useGlobalPipes(validation())
  app.enableShutdownHooks()
  SwaggerModule.setup('api/docs', app, () => describeApi(app))
  if (settings.web && existsSync(settings.web)) serveInterface(app, settings.web)
  return app
}

/** The built interface; every address that is not ours under /api is one of its views. */
function serveInterface(app: NestExpressApplication, folder: string): void {
  app.use('/assets', express.static(join(folder, 'assets'), { immutable: true, maxAge: '1y' }))
  app.use(express.static(folder, { index: false }))
  app.use((request: express.Request, response: express.Response, next: express.NextFunction) => {
    if (request.method !== 'GET' || isOfApi(request.path)) return next()
    response.sendFile(join(folder, 'index.html'))
  })
}
