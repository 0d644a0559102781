import { readFileSync } from 'node:fs'

/**
 * Seconds of processor time this thread has had. Where the system tells it of no thread, of the whole process: test files run in threads
 * of one process, so that then another file's work counts too.
 */
export function processorTime(): number {
  try {
    // Nanoseconds on a processor come first (Linux, Documentation/scheduler/sched-stats).
    return Number(readFileSync('/proc/thread-self/schedstat', 'utf8').split(' ')[0]) / 1e9
  } catch {
    const { user, system } = process.cpuUsage()
    return (user + system) / 1e6
  }
}
