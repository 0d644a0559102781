import { fold } from '@outfit/core/base'

/** Something the palette leads to. */
export interface Entry {
  /** What it is known by among those chosen lately. */
  to: string
  name: string
  /** What it is, and whose. */
  about: string
}

export interface Group {
  title: string
  entries: readonly Entry[]
}

/** An outfit as an entry; its bench is where it is opened. */
export const outfitEntry = (id: string, name: string, about: string): Entry => ({
  to: `/outfits/${id}/bench`,
  name,
  about,
})

/** So many of a kind are shown. */
const SHOWN = 6

/** How well an entry answers what is typed: null not at all; less is better. Every word must begin a word of it. */
function distance(words: readonly string[], typed: string, entry: Entry): number | null {
  const name = fold(entry.name)
  const all = `${name} ${fold(entry.about)}`.split(' ')
  if (!words.every((word) => all.some((one) => one.startsWith(word)))) return null
  if (name === typed) return 0
  if (name.startsWith(typed)) return 1
  return words.every((word) => name.split(' ').some((one) => one.startsWith(word))) ? 2 : 3
}

/**
 * What answers the text, by kind: the kind with the best answer first, then as given; within a kind the better first, and
 * of equals those chosen lately. Nothing typed is answered by what was chosen lately and the kinds named in `unasked`.
 */
export function answering(
  text: string,
  groups: readonly Group[],
  lately: readonly Entry[],
  unasked: readonly string[],
): Group[] {
  const typed = fold(text).trim()
  if (typed === '') {
    const first = lately.slice(0, SHOWN)
    return [{ title: 'Lately', entries: first }, ...groups.filter(({ title }) => unasked.includes(title))].filter(
      ({ entries }) => entries.length > 0,
    )
  }
  const words = typed.split(/\s+/)
  const since = new Map(lately.map(({ to }, i) => [to, i]))
  return groups
    .map(({ title, entries }) => {
      const found = entries
        .map((entry, i) => ({ entry, at: distance(words, typed, entry), since: since.get(entry.to) ?? Infinity, i }))
        .filter((one): one is typeof one & { at: number } => one.at !== null)
        .sort((a, b) => a.at - b.at || compare(a.since, b.since) || a.i - b.i)
      return { title, entries: found.slice(0, SHOWN).map(({ entry }) => entry), best: found[0]?.at ?? Infinity }
    })
    .filter(({ entries }) => entries.length > 0)
    .sort((a, b) => a.best - b.best)
    .map(({ title, entries }) => ({ title, entries }))
}

/** Infinite ones are equal, which their difference is not. */
const compare = (a: number, b: number) => (a === b ? 0 : a < b ? -1 : 1)
