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
