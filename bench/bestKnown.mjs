import { readFileSync, writeFileSync } from 'node:fs'

const FILE = new URL('bestKnown.json', import.meta.url)

/**
 * The best totals and values anybody found of the problems of these benchmarks, each with who found it ("proven" where nothing
 * better can be). What is better goes into the file when they are `kept`.
 */
export function bestKnown() {
  const known = JSON.parse(readFileSync(FILE, 'utf8'))
  return {
    of: (key) => known[key]?.best ?? Infinity,
    isProven: (key) => known[key]?.by.endsWith('proven') ?? false,
    offer: (key, best, by) => {
      const before = known[key]
      if (before && (before.best < best || (before.best === best && !by.endsWith('proven')))) return
      known[key] = { best, by }
    },
    keep: () => {
      const sorted = Object.fromEntries(
        Object.entries(known).sort(([a], [b]) => a.localeCompare(b, 'en', { numeric: true })),
      )
      writeFileSync(FILE, `${JSON.stringify(sorted, null, 2)}\n`)
    },
  }
}
