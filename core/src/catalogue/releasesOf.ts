import { groupBy } from '../base/index.ts'
import type { Slot } from './types.ts'

/** What is known of figures and releases, as rows. */
export interface Provenance {
  components: readonly { assembly: string; slot: Slot; part: string }[]
  figureParts: readonly { figure: string; slot: Slot; part: string }[]
  /** Figures and parts in releases; a case of blind packs lists each figure it may bring. */
  contents: readonly { release: string; kind: 'part' | 'figure'; code: string }[]
}

/**
 * The releases each part comes in, loose or on a figure. An assembly comes with a figure that wears all its components in
 * their slots; a component comes with a loose assembly. O(rows), with assemblies looked up by their rarest component.
 */
export function releasesOf({ components, figureParts, contents }: Provenance): Map<string, Set<string>> {
  const found = new Map<string, Set<string>>()
  const add = (part: string, release: string) => {
    const set = found.get(part)
    if (set) set.add(release)
    else found.set(part, new Set([release]))
  }
  const inAssembly = groupBy(components, (c) => c.assembly)
  const releasesOfFigure = groupBy(
    contents.filter(({ kind }) => kind === 'figure'),
    (c) => c.code,
  )
  for (const { release, kind, code } of contents)
    if (kind === 'part') {
      add(code, release)
      for (const { part } of inAssembly.get(code) ?? []) add(part, release)
    }
  for (const { figure, part } of figureParts)
    for (const { release } of releasesOfFigure.get(figure) ?? []) add(part, release)
  const wornAt = groupBy(figureParts, ({ slot, part }) => `${slot} ${part}`)
  const worn = new Set(figureParts.map(({ figure, slot, part }) => `${figure} ${slot} ${part}`))
  for (const [assembly, own] of inAssembly) {
    const places = own.map(({ slot, part }) => wornAt.get(`${slot} ${part}`) ?? [])
    const rarest = places.reduce((a, b) => (b.length < a.length ? b : a))
    for (const { figure } of rarest)
      if (own.every(({ slot, part }) => worn.has(`${figure} ${slot} ${part}`)))
        for (const { release } of releasesOfFigure.get(figure) ?? []) add(assembly, release)
  }
  return found
}
