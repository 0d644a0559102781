import { readFileSync } from 'node:fs'

/**
 * Pins of an outfit as one looks at it first, after one change and again, and how many the released figures of the demo
 * world raise as they were sold, rule by rule: false alarms matter as much as misses.
 */
export async function pins({ tell, timed, median, at }) {
  const { groupBy } = await import('@outfit/core/base')
  const { catalogueOf, TAKING_APART } = await import('@outfit/core/catalogue')
  const { pinsOf, RULES } = await import('@outfit/core/fitting')
  const { readTable } = await import('@outfit/core/tables')
  const { houseRulesOf } = await import('@outfit/core/roster')
  const rows = (table) =>
    readTable(table, readFileSync(new URL(`../demo/world/${table}.csv`, import.meta.url), 'utf8')).rows.map(
      ({ row }) => row,
    )
  const inside = groupBy(rows('components'), ({ assembly }) => assembly)
  const parts = rows('parts').map((part) => ({
    ...part,
    photo: null,
    components: (inside.get(part.code) ?? []).map((c) => ({ ...c, level: c.level ?? TAKING_APART[c.slot] ?? 1 })),
  }))
  const world = () => catalogueOf({ colours: rows('colours'), moulds: rows('moulds'), prints: rows('prints'), parts })
  const figures = [...groupBy(rows('figure-parts'), ({ figure }) => figure).values()].map((worn) =>
    worn.map(({ slot, part, order }) => ({ slot, part, order, turned: false })),
  )
  const contextIn = (catalogue) => ({ catalogue, free: {}, rules: houseRulesOf('as-released') })
  const catalogue = world()
  const context = contextIn(catalogue)
  const counts = Object.fromEntries(
    Object.entries(RULES)
      .map(([name, rule]) => [name, figures.reduce((sum, worn) => sum + rule(worn, context).length, 0)])
      .filter(([, count]) => count > 0),
  )
  const raised = Object.values(counts).reduce((sum, count) => sum + count, 0)
  tell('pins of released figures', raised, 'pins', { figures: figures.length, ...counts })
  const seen = []
  // Rules remember by catalogue: another one of the same parts makes every look one nobody had before.
  for (let round = 0; round < 5; round++) {
    const fresh = contextIn({ ...catalogue })
    for (const worn of figures) seen.push((await timed(() => pinsOf(worn, fresh))).ms)
  }
  tell('pins of an outfit seen first', median(seen), 'ms', { budget: 1, p95: at(seen, 0.95).toFixed(2) })
  // One slot after the other in another colour of its mould, as somebody at the bench would try them.
  const changed = []
  const fresh = contextIn({ ...catalogue })
  for (const worn of figures) {
    pinsOf(worn, fresh)
    for (const [i, placement] of worn.entries()) {
      const { mould, code } = catalogue.parts.get(placement.part)
      const other = parts.find((part) => part.mould === mould && part.code !== code && part.components.length === 0)
      if (!other) continue
      const next = worn.map((p, at) => (at === i ? { ...p, part: other.code } : p))
      changed.push((await timed(() => pinsOf(next, fresh))).ms)
    }
  }
  const mean = changed.reduce((sum, ms) => sum + ms, 0) / changed.length
  tell('pins after one change', median(changed), 'ms', {
    budget: 1,
    mean: mean.toFixed(2),
    p95: at(changed, 0.95).toFixed(2),
    changes: changed.length,
  })
  const again = []
  for (let round = 0; round < 5; round++)
    for (const worn of figures) again.push((await timed(() => pinsOf(worn, context))).ms)
  tell('pins of an outfit seen before', median(again), 'ms', { budget: 1, p95: at(again, 0.95).toFixed(2) })
}
