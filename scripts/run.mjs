/**
 * `npm run demo` and `npm start`: install and build what is missing, then serve.
 *   --port N      port on 127.0.0.1 (4310)
 *   --data DIR    folder of the database (demo-data for the demo, data otherwise)
 *   --market URL  a service to ask for quote sheets (the demo has one of its own)
 *   --listen ADDRESS[:PORT]  also let other devices in, by a passphrase (0.0.0.0: over every network)
 *   --cert FILE --key FILE   encrypt the line to them
 *   --fresh       put what was changed aside and load the demo world again (demo only)
 */
import { join, resolve } from 'node:path'
import { parseArgs } from 'node:util'
import { build, install, ROOT, serve } from './tree.mjs'

const demo = process.argv[2] === 'demo'
let values
try {
  ;({ values } = parseArgs({
    args: process.argv.slice(3),
    options: {
      port: { type: 'string' },
      data: { type: 'string' },
      market: { type: 'string' },
      listen: { type: 'string' },
      cert: { type: 'string' },
      key: { type: 'string' },
      ...(demo ? { fresh: { type: 'boolean' } } : {}),
    },
  }))
} catch (error) {
  console.error(
    `${error.message}\nOptions: --port N, --data DIR, --market URL, --listen ADDRESS[:PORT], --cert FILE, --key FILE${demo ? ', --fresh' : ''}.`,
  )
  process.exit(2)
}
const data = resolve(values.data ?? join(ROOT, demo ? 'demo-data' : 'data'))

install()
await build()
const { child } = await serve(
  [
    ...['--data', data, '--port', values.port ?? '4310'],
    ...(demo ? ['--world', join(ROOT, 'demo/world')] : ['--samples', join(ROOT, 'demo/world')]),
    ...(values.market ? ['--market', values.market] : []),
    ...['listen', 'cert', 'key'].flatMap((name) => (values[name] ? [`--${name}`, values[name]] : [])),
    ...(values.fresh ? ['--fresh'] : []),
  ],
  { log: true },
).catch((error) => {
  // The server has said itself why it does not start.
  if (error.code === 2) process.exit(2)
  console.error(error.message)
  process.exit(1)
})
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => child.kill(signal))
child.on('exit', (code) => process.exit(code ?? 0))
