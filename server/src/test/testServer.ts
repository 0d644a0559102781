import { cpSync, existsSync, mkdtempSync, readdirSync, readFileSync, renameSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import type { Abstract, Type } from '@nestjs/common'
import { DataSource, type EntityTarget, type ObjectLiteral } from 'typeorm'
import { doSolverTask, type SolverResults, type SolverTask } from '@outfit/core/wardrobe'
import { createApp } from '../app/createApp.ts'
import { describeApi } from '../app/describeApi.ts'
import type { Patience } from '../feed/patience.ts'
import { loadSampleWorld } from '../app/sampleWorld.ts'
import { loadHighsSolver } from '../solver/highsSolver.ts'
import { Writer } from '../base/writer.ts'
import { connectionOf } from '../market/quoteService.ts'
import { collectSheet, type Sheet, type SheetRead } from '../market/sheet.ts'
import { SheetWriter } from '../market/sheetWriter.ts'
import { PlanRunner, type JobContext } from '../sourcing/planRunner.ts'
import { Contract, type Described } from './described.ts'
import { smallWorld } from './smallWorld.ts'

export const WORLD = fileURLToPath(new URL('../../../demo/world', import.meta.url))

/** How many outfits the rosters of a world have. */
export function sampleOutfits(world = WORLD): number {
  const { rosters } = JSON.parse(readFileSync(join(world, 'rosters.json'), 'utf8')) as {
    rosters: { characters: { outfits: unknown[] }[] }[]
  }
  return rosters.flatMap(({ characters }) => characters.flatMap(({ outfits }) => outfits)).length
}

/** Loaded once for all plans of a test file, as a worker thread does. */
let solver: ReturnType<typeof loadHighsSolver> | null = null

/** Solves in the thread of the test, since a worker would need a build. */
class InThreadPlanRunner extends PlanRunner {
  override async run<T extends SolverTask>(task: T, { report, enough }: JobContext): Promise<SolverResults[T['do']]> {
    return doSolverTask(task, {
      solve: await (solver ??= loadHighsSolver()),
      now: () => performance.now() / 1000,
      onProgress: report,
      stopRequested: () => Atomics.load(enough, 0) === 1,
    })
  }
}

/** Writes lists in the thread of the test, likewise. */
class InThreadSheetWriter extends SheetWriter {
  constructor(private readonly writer: Writer) {
    super()
  }

  override write(sheet: Sheet): Promise<SheetRead> {
    return this.writer.transaction(async (db) => {
      const { keep, ...read } = await collectSheet(connectionOf(db), sheet)
      return { ...read, kept: keep && (await keep()) }
    })
  }
}

/** Never ends by itself; a test can watch it being cancelled. */
export class EndlessPlanRunner extends PlanRunner {
  override run<T extends SolverTask>(_task: T, { signal }: JobContext): Promise<SolverResults[T['do']]> {
    return new Promise((_resolve, reject) => signal.addEventListener('abort', () => reject(new Error('stopped'))))
  }
}

/** Solves only once it is told that the best so far is good enough. */
export class PatientPlanRunner extends InThreadPlanRunner {
  override async run<T extends SolverTask>(task: T, waiting: JobContext): Promise<SolverResults[T['do']]> {
    waiting.report({ best: 1234, bound: 1000 })
    while (Atomics.load(waiting.enough, 0) === 0) {
      if (waiting.signal.aborted) throw new Error('stopped')
      await new Promise((resolve) => setTimeout(resolve, 10))
    }
    return super.run(task, waiting)
  }
}

interface Answer<T> {
  status: number
  type: string
  body: T
}

/** A server on a free port with a data folder of its own, spoken to over HTTP. */
export interface TestServer {
  url: string
  data: string
  get<T = Record<string, unknown>>(path: string): Promise<Answer<T>>
  send<T = Record<string, unknown>>(method: 'POST' | 'PUT' | 'DELETE', path: string, body?: unknown): Promise<Answer<T>>
  /** Send bytes as they are, as a file is sent. */
  sendFile<T = Record<string, unknown>>(path: string, body: string | Uint8Array<ArrayBuffer>): Promise<Answer<T>>
  /** Every address of the application, in the order in which they are tried. */
  router(): { stack: { route?: { path: string; methods: Record<string, boolean> } }[] }
  /** A service of the application, for what no address tells. */
  service<T>(of: Type<T> | Abstract<T>): T
  count(entity: EntityTarget<ObjectLiteral>): Promise<number>
  stop(): Promise<void>
}

/** A data folder with the sample world, loaded by the first test of a run that needs it; all others work on copies. */
export const loadedWorld = (): Promise<string> => loaded('world', () => WORLD)

/** The same with the small one. */
export const loadedSmallWorld = (): Promise<string> => loaded('loaded-small-world', smallWorld)

async function loaded(name: string, tables: () => string): Promise<string> {
  const shared = join(process.env['OUTFIT_TEST_RUN']!, name)
  if (existsSync(shared)) return shared
  const data = mkdtempSync(`${shared}-`)
  const app = await createApp(
    { port: 0, data, web: null, world: null, market: null, durable: false },
    { runner: InThreadPlanRunner },
  )
  await app.init()
  await loadSampleWorld(app, tables())
  await app.close()
  try {
    renameSync(data, shared)
  } catch (error) {
    // Another worker was loading it at the same time, and was quicker.
    if (!existsSync(shared)) throw error
  }
  return shared
}

/** Read once for all servers of a test file. */
let contract: Contract | null = null

/** What the server says of itself, told once a run: every answer any test gets is held against it. */
function contractOf(app: Parameters<typeof describeApi>[0]): Contract {
  const file = join(process.env['OUTFIT_TEST_RUN']!, 'api.json')
  if (!contract && !existsSync(file)) {
    const own = `${file}-${process.pid}`
    writeFileSync(own, JSON.stringify(describeApi(app)))
    renameSync(own, file)
  }
  return (contract ??= new Contract(JSON.parse(readFileSync(file, 'utf8')) as Described))
}

/** Start a server; in a folder without data it has the sample world, unless `world` is false. */
export async function startServer({
  world = true,
  runner = InThreadPlanRunner as Type<PlanRunner>,
  data = mkdtempSync(join(tmpdir(), 'outfit-')),
  market = null as string | null,
  durable = false,
  patience = {} as Partial<Patience>,
} = {}): Promise<TestServer> {
  if (world && readdirSync(data).length === 0) cpSync(await loadedWorld(), data, { recursive: true })
  const app = await createApp(
    { port: 0, data, web: null, world: null, market, durable },
    {
      runner,
      patience,
      sheets: InThreadSheetWriter,
    },
  )
  await app.listen(0, '127.0.0.1')
  // A solver in the same thread keeps everything else waiting, for longer than connections are usually kept.
  app.getHttpServer().keepAliveTimeout = 120_000
  const url = (await app.getUrl()).replace('[::1]', '127.0.0.1')
  const described = contractOf(app)
  const ask = async <T>(path: string, init: RequestInit = {}, sent?: unknown): Promise<Answer<T>> => {
    const response = await fetch(`${url}/api/${path}`, init)
    const { status } = response
    const type = response.headers.get('content-type') ?? ''
    const text = await response.text()
    const body: unknown = type.includes('json') && text ? JSON.parse(text) : text
    const method = init.method ?? 'GET'
    const fault = path.startsWith('docs') ? null : described.faultOf({ method, path, sent, status, type, body })
    if (fault) throw new Error(fault)
    return { status, type, body: body as T }
  }
  return {
    url,
    data,
    get: (path) => ask(path),
    send: (method, path, body) =>
      ask(
        path,
        {
          method,
          headers: { 'Content-Type': 'application/json' },
          ...(body === undefined ? {} : { body: JSON.stringify(body) }),
        },
        body,
      ),
    sendFile: (path, body) =>
      ask(path, { method: 'POST', headers: { 'Content-Type': 'application/octet-stream' }, body }),
    router: () =>
      (app.getHttpAdapter().getInstance() as unknown as { router: ReturnType<TestServer['router']> }).router,
    service: (of) => app.get(of),
    count: (entity) => app.get(DataSource).getRepository(entity).count(),
    stop: async () => {
      await app.close()
      rmSync(data, { recursive: true, force: true })
    },
  }
}

/** A problem answer. */
export interface ProblemBody {
  status: number
  detail: string
  errors: { field: string; message: string }[]
}

/** Wait for a job to end; its last event. */
export async function jobEnd(server: TestServer, job: string): Promise<{ state: string; detail?: string }> {
  const response = await fetch(`${server.url}/api/jobs/${job}/events`)
  const events = (await response.text()).split('\n').filter((line) => line.startsWith('data: '))
  return JSON.parse(events.at(-1)!.slice(6)) as { state: string }
}
