import { mkdirSync, writeFileSync, writeSync } from 'node:fs'
import { dirname } from 'node:path'
import { parentPort, workerData } from 'node:worker_threads'

/**
 * Watches a thread of tests from a thread beside it: a loop that never ends stops every timer of its own thread. What is not
 * done within its milliseconds is named, and the run is ended, of which nothing would come any more.
 */
let timer
parentPort.on('message', ({ name, limit }) => {
  clearTimeout(timer)
  if (name === undefined) return
  timer = setTimeout(() => {
    mkdirSync(dirname(workerData.unended), { recursive: true })
    writeFileSync(workerData.unended, name)
    writeSync(2, `\n${name}\n  was not done after ${limit / 1000} s and answers nothing: the run is ended.\n`)
    process.kill(process.pid, 'SIGKILL')
  }, limit)
})
