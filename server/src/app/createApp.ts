import type { Type } from '@nestjs/common'
import { NestFactory } from '@nestjs/core'
import type { NestExpressApplication } from '@nestjs/platform-express'
import { DocumentBuilder, SwaggerModule } from '@nestjs/swagger'
import express from 'express'
import { rateLimit } from 'express-rate-limit'
import helmet from 'helmet'
import { existsSync } from 'node:fs'
import { join } from 'node:path'
import { WorkerPlanRunner, type PlanRunner } from '../sourcing/planRunner.ts'
import { AppModule } from './appModule.ts'
import { localOnly } from './guard.ts'
import type { Settings } from './settings.ts'
import { validation } from './validation.ts'

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

/** Requests a minute from one address; a busy bench makes a few a second. */
const REQUESTS_PER_MINUTE = 1200

/** Largest body taken: an import file as text. */
const BODY_LIMIT = '64mb'

/** Put the application together without listening. `runner` solves plans; a worker thread unless said otherwise. */
export async function createApp(
  settings: Settings,
  runner: Type<PlanRunner> = WorkerPlanRunner,
): Promise<NestExpressApplication> {
  const app = await NestFactory.create<NestExpressApplication>(AppModule.with(settings, runner), {
    logger: ['error', 'warn'],
    bodyParser: false,
    // Browsers hold connections open, events of jobs above all; a stop does not wait for them.
    forceCloseConnections: true,
  })
  app.use(localOnly)
  app.use(helmet({ contentSecurityPolicy: CONTENT_SECURITY, strictTransportSecurity: false }))
  app.use(
    '/api',
    rateLimit({
      windowMs: 60_000,
      limit: REQUESTS_PER_MINUTE,
      standardHeaders: 'draft-8',
      legacyHeaders: false,
      handler: (_request, response) =>
        void response.status(429).type('application/problem+json').json({
          type: 'about:blank',
          title: 'Too Many Requests',
          status: 429,
          detail: 'That is more than the server takes in a minute. Wait a little and try again.',
          errors: [],
        }),
    }),
  )
  app.use(express.json({ limit: BODY_LIMIT }))
  app.setGlobalPrefix('api')
  app.useGlobalPipes(validation())
  app.enableShutdownHooks()
  const document = new DocumentBuilder()
    .setTitle('Outfit')
    .setDescription('Rosters, outfits, parts, offers and plans.')
    .setVersion('1')
    .build()
  SwaggerModule.setup('api/docs', app, () => SwaggerModule.createDocument(app, document))
  if (settings.web && existsSync(settings.web)) serveInterface(app, settings.web)
  return app
}

/** The built interface; every address that is not ours under /api is one of its views. */
function serveInterface(app: NestExpressApplication, folder: string): void {
  app.use('/assets', express.static(join(folder, 'assets'), { immutable: true, maxAge: '1y' }))
  app.use(express.static(folder, { index: false }))
  app.use((request: express.Request, response: express.Response, next: express.NextFunction) => {
    if (request.method !== 'GET' || request.path.startsWith('/api')) return next()
    response.sendFile(join(folder, 'index.html'))
  })
}
