import { expect, test } from '@jest/globals'
import { spawnSync } from 'node:child_process'
import { LONG } from '../test/runs.ts'

const RUNNER = new URL('../../dist/sourcing/planRunner.js', import.meta.url).href
const ROUNDS = LONG ? 400 : 10

/** Plans given up at any moment while their thread loads; what it prints when none took the program with it. */
const GIVES_UP = `
  import { setTimeout as sleep } from 'node:timers/promises'
  import { WorkerPlanRunner } from ${JSON.stringify(RUNNER)}
  for (let i = 0; i < ${ROUNDS}; i++) {
    const runner = new WorkerPlanRunner()
    const cancel = new AbortController()
    const plan = runner.run({}, { signal: cancel.signal, report: () => {}, enough: new Int32Array(1) }).catch(() => {})
    await sleep(400 * ((i * 0.618) % 1))
    cancel.abort()
    await plan
    await runner.onModuleDestroy()
  }
  console.log('still here')
`

test(`${ROUNDS} plans given up while their thread begins leave the program standing`, () => {
  const { stdout, stderr } = spawnSync(process.execPath, ['--input-type=module', '--eval', GIVES_UP], {
    encoding: 'utf8',
  })
  expect([stdout.trim(), stderr]).toEqual(['still here', ''])
})

const PROBLEMS = new URL('../../../bench/randomProblem.mjs', import.meta.url).href

/** A large plan given up at its first report, and a small one after it; prints the threads before and after, and how each ended. */
const GOES_ON = `
  import { setTimeout as sleep } from 'node:timers/promises'
  import { WorkerPlanRunner } from ${JSON.stringify(RUNNER)}
  import { randomProblem } from ${JSON.stringify(PROBLEMS)}
  const runner = new WorkerPlanRunner()
  const threads = () => runner.pool.threads.map(({ threadId }) => threadId)
  const plan = (problem, signal, report = () => {}) =>
    runner.run({ do: 'plan', problem }, { signal, report, enough: new Int32Array(new SharedArrayBuffer(4)) })
  const cancel = new AbortController()
  const ended = await plan(randomProblem(60, 30, 1, { seconds: 60 }), cancel.signal, () => cancel.abort()).then(
    () => 'planned',
    ({ name }) => name,
  )
  const before = threads()
  const next = await plan(randomProblem(4, 3, 2, { seconds: 5 }), new AbortController().signal)
  // Longer than it has to stop by itself.
  await sleep(2000)
  console.log(JSON.stringify([ended, threads().includes(before[0]), typeof next]))
  await runner.onModuleDestroy()
`

test('a plan that is given up stops by itself and leaves its thread to the next', () => {
  const { stdout, stderr } = spawnSync(process.execPath, ['--input-type=module', '--eval', GOES_ON], {
    encoding: 'utf8',
  })
  expect([stdout.trim(), stderr]).toEqual(['["AbortError",true,"object"]', ''])
})
