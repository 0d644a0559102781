/**
 * Many demos in one process, each with a folder and a port of its own: the program is loaded once, and what it has worked
 * out about the sample world's drawings stays warm. Told over IPC what to open and to close.
 */
import { createRequire } from 'node:module'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { setHomeCurrency } from '../core/dist/market/index.js'
import { Network } from '../server/dist/access/network.js'
import { createApp } from '../server/dist/app/createApp.js'
import { PlanRunner, WorkerPlanRunner } from '../server/dist/sourcing/planRunner.js'

const Database = createRequire(new URL('../server/package.json', import.meta.url))('better-sqlite3')
const folder = (path) => fileURLToPath(new URL(path, import.meta.url))
const world = folder('../demo/world')
/** Applications by their folder. */
const running = new Map()
// Every application listens for the signals that end a process.
process.setMaxListeners(0)

/** Seconds a plan of many outfits is looked for; journeys look at what comes of it, not at how good it is. */
const SECONDS = process.env.OUTFIT_LONG === '1' ? 120 : 1.5
const threads = new WorkerPlanRunner()

/** The threads of all demos: the solver is loaded once. */
class SharedRunner extends PlanRunner {
  run(task, waiting) {
    const { problem } = task
    // A cast is ended by the journey itself.
    if (task.do === 'cast' || !problem) return threads.run(task, waiting)
    const seconds = Math.min(problem.limits?.seconds ?? Infinity, SECONDS)
    const short = { ...task, problem: { ...problem, limits: { ...problem.limits, seconds } } }
    return threads.run(short, waiting)
  }
}

async function open(data, empty) {
  const settings = {
    port: 0,
    data,
    web: folder('../web/dist'),
    world,
    market: empty ? null : world,
    // Journeys that kill have a process of their own.
    durable: false,
  }
  const app = await createApp(settings, { runner: SharedRunner })
  await app.listen(0, '127.0.0.1')
  // What stands for the network of a home is the loopback address: a machine that tests may have no other.
  app.get(Network).use({ address: '127.0.0.1' })
  running.set(data, app)
  return app.getUrl()
}

/** Connections that only watch, by the folder of their database. */
const watching = new Map()

/** A number that is another one after anything was written (sqlite.org/pragma.html#pragma_data_version). */
function version(data) {
  // A journey before may have counted in another currency, which is of the whole process; its world does not.
  setHomeCurrency('EUR')

  if (!watching.has(data)) watching.set(data, new Database(join(data, 'outfit.sqlite'), { readonly: true }))
  return watching.get(data).pragma('data_version', { simple: true })
}

const ACTS = { open, close, version }

async function close(data) {
  watching.get(data)?.close()
  watching.delete(data)
  await running.get(data).close()
  running.delete(data)
}

process.on('message', async ({ id, act, data, empty }) => {
  try {
    process.send({ id, result: await ACTS[act](data, empty) })
  } catch (error) {
    process.send({ id, error: String(error?.stack ?? error) })
  }
})
process.on('disconnect', () => process.exit())
