import { relative } from 'node:path'
import { Worker } from 'node:worker_threads'
import fc from 'fast-check'
import { addEventHandler } from 'jest-circus'
import { setHomeCurrency } from '@outfit/core/market'
import { ROOT, UNENDED } from '../tree.mjs'

/** Milliseconds after which a test that waits has failed; far beyond what any takes on a slow machine, in its short or long form. */
const LIMIT = process.env.OUTFIT_LONG === '1' ? 1_800_000 : 300_000
/** Beyond its limit, what a test has that neither waits nor ends. */
const GRACE = 60_000
/** Of the limit, what a property gets for its cases and for making the one that failed smaller: each of them may be slow. */
const CASES = 0.8
/** What properties draw their cases by. */
const SEED = Number(process.env.OUTFIT_SEED ?? 20)

// The same cases each time, so that a run says of a change what the one before said of the last; `npm run test:long` draws others.
if (process.env.OUTFIT_LONG !== '1') fc.configureGlobal({ ...fc.readConfigureGlobal(), seed: SEED })
fc.installGlobalPlugin(fc.interruptAfterTimeLimit(LIMIT * CASES, { failOnInterrupt: true }))

const watch = new Worker(new URL('watch.mjs', import.meta.url), { execArgv: [], workerData: { unended: UNENDED } })
watch.unref()

/** The file whose tests are being made. */
let file = null

// The one thing of a process that a workspace sets: each file begins with it as a new process would.
addEventHandler(({ name }) => {
  const { testPath } = globalThis.expect.getState()
  if (name !== 'add_test' || testPath === file) return
  file = testPath
  setHomeCurrency('EUR')
})

// The runner of tests that share their modules knows no limit of its own; without one what never ends would end the whole run,
// and its name would not be known.
addEventHandler((event, state) => {
  const { children, hooks, name } = state.currentDescribeBlock
  if (event.name === 'add_test') limit(children.at(-1), `${name} ${event.testName}`, event.timeout)
  if (event.name === 'add_hook') limit(hooks.at(-1), `${name} ${event.hookType}`, event.timeout)
})

function limit(one, title, own = 0) {
  const { fn } = one
  if (!fn) return
  const most = Math.max(LIMIT, own)
  const name = `${relative(ROOT, globalThis.expect.getState().testPath)}: ${title.replace('ROOT_DESCRIBE_BLOCK ', '')}`
  one.fn = async () => {
    let timer
    const late = new Promise((_, reject) => {
      timer = setTimeout(() => reject(new Error(`was not done after ${most / 1000} s`)), most)
    })
    watch.postMessage({ name, limit: most + GRACE })
    try {
      return await Promise.race([fn(), late])
    } finally {
      clearTimeout(timer)
      watch.postMessage({})
    }
  }
}
