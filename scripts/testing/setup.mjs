import { addEventHandler } from 'jest-circus'

/** Milliseconds after which a test that waits has failed; far beyond what any takes on a slow machine. */
const LIMIT = 300_000

// The runner of tests that share their modules knows no limit of its own; without one a wait that never ends would end the
// whole run, and its name would not be known.
addEventHandler((event, state) => {
  if (event.name !== 'add_test') return
  const test = state.currentDescribeBlock.children.at(-1)
  const { fn } = test
  if (!fn) return
  test.fn = async () => {
    let timer
    const late = new Promise((_, reject) => {
      timer = setTimeout(() => reject(new Error(`was not done after ${LIMIT / 1000} s`)), LIMIT)
    })
    try {
      return await Promise.race([fn(), late])
    } finally {
      clearTimeout(timer)
    }
  }
})
