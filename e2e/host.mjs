/**
 * Many demos in one process, each with a folder and a port of its own: the program is loaded once, and what it has worked
 * out about the sample world's drawings stays warm. Told over IPC what to open and to close.
 */
import { fileURLToPath } from 'node:url'
import { createApp } from '../server/dist/app/createApp.js'

const folder = (path) => fileURLToPath(new URL(path, import.meta.url))
const world = folder('../demo/world')
/** Applications by their folder. */
const running = new Map()
// Every application listens for the signals that end a process.
process.setMaxListeners(0)

async function open(data, empty) {
  const app = await createApp({
    port: 0,
    data,
    web: folder('../web/dist'),
    world,
    market: empty ? null : world,
    // Journeys that kill have a process of their own.
    durable: false,
  })
  await app.listen(0, '127.0.0.1')
  running.set(data, app)
  return app.getUrl()
}

async function close(data) {
  await running.get(data).close()
  running.delete(data)
}

process.on('message', async ({ id, act, data, empty }) => {
  try {
    process.send({ id, result: await (act === 'open' ? open(data, empty) : close(data)) })
  } catch (error) {
    process.send({ id, error: String(error?.stack ?? error) })
  }
})
process.on('disconnect', () => process.exit())
