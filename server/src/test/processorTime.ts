import { readFileSync } from 'node:fs'

/**
 * Seconds of processor time this thread has had. Where the system tells it of no thread, of the whole process: test files run in threads
 * of one process, so that then another file's work counts too.
 */
function processorTime(): number {
  try {
    // Nanoseconds on a processor come first (Linux, Documentation/scheduler/sched-stats).
    return Number(readFileSync('/proc/thread-self/schedstat', 'utf8').split(' ')[0]) / 1e9
  } catch {
    const { user, system } = process.cpuUsage()
    return (user + system) / 1e6
  }
}

/**
 * Do some work and say what processor time it took. Where that is more than some seconds it is done once more: a machine that lends its
 * processors counts what it lent as ours, but hardly twice while the same is done.
 */
export function timed<T>(work: () => T, most: number): { result: T; seconds: number } {
  const once = () => {
    const begun = processorTime()
    const result = work()
    return { result, seconds: processorTime() - begun }
  }
  const first = once()
  return first.seconds < most ? first : once()
}
