/** Milliseconds of work between two signs of life to whoever else waits for this thread. */
const BREATH = 20

/**
 * For loops that would keep the thread to themselves: `await breath()` in each round gives way to requests now and then.
 * SQLite answers at once, so that awaiting it gives way to nobody.
 */
export function breathing(): () => Promise<void> {
  let last = performance.now()
  return async () => {
    if (performance.now() - last < BREATH) return
    await new Promise(setImmediate)
    last = performance.now()
  }
}
