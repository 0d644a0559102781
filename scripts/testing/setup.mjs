import { addEventHandler } from 'jest-circus'
import { setHomeCurrency } from '@outfit/core/market'

/** Milliseconds after which a test that waits has failed; far beyond what any takes on a slow machine, in its short or long form. */
const LIMIT = process.env.OUTFIT_LONG === '1' ? 1_800_000 : 300_000

/** The file whose tests are being made. */
let file = null

// The one thing of a process that a workspace sets: each file begins with it as a new process would.
addEventHandler(({ name }) => {
  const { testPath } = globalThis.expect.getState()
  if (name !== 'add_test' || testPath === file) return
  file = testPath
  setHomeCurrency('EUR')
})

// The runner of tests that share their modules knows no limit of its own; without one a wait that never ends would end the
// whole run, and its name would not be known.
addEventHandler((event, state) => {
  if (event.name !== 'add_test') return
  const test = state.currentDescribeBlock.children.at(-1)
  const { fn } = test
  if (!fn) return
  const limit = Math.max(LIMIT, event.timeout ?? 0)
  test.fn = async () => {
    let timer
    const late = new Promise((_, reject) => {
      timer = setTimeout(() => reject(new Error(`was not done after ${limit / 1000} s`)), limit)
    })
    try {
      return await Promise.race([fn(), late])
    } finally {
      clearTimeout(timer)
    }
  }
})
