import { useState } from 'react'

/** What was done already at a workbench, kept on this device so that a reload or a pause loses nothing. */
export interface Bench {
  /** Keys of what was gathered and of steps that are done. */
  ticked: readonly string[]
  /** Milliseconds worked so far, and since when the clock runs; null while it stands. */
  worked: number
  since: number | null
}

const EMPTY: Bench = { ticked: [], worked: 0, since: null }
const at = (outfit: string) => `outfit.workbench.${outfit}`

function read(outfit: string): Bench {
  try {
    return { ...EMPTY, ...(JSON.parse(localStorage.getItem(at(outfit)) ?? '{}') as Partial<Bench>) }
  } catch {
    // Somebody else's text under our key; the bench is simply clear.
    return EMPTY
  }
}

/** The ticks and the clock of an outfit's workbench. */
export function useTicks(outfit: string) {
  const [bench, setBench] = useState(() => read(outfit))
  const keep = (next: Bench) => {
    setBench(next)
    if (next === EMPTY) localStorage.removeItem(at(outfit))
    else localStorage.setItem(at(outfit), JSON.stringify(next))
  }
  const worked = (now: number) => bench.worked + (bench.since === null ? 0 : now - bench.since)
  return {
    isTicked: (key: string) => bench.ticked.includes(key),
    tick: (key: string, done: boolean) =>
      keep({ ...bench, ticked: done ? [...bench.ticked, key] : bench.ticked.filter((one) => one !== key) }),
    running: bench.since !== null,
    worked,
    run: (on: boolean, now: number) => keep({ ...bench, worked: worked(now), since: on ? now : null }),
    clear: () => keep(EMPTY),
  }
}
