/** What a browser kept for itself, by name, as text. */
export type BrowserKept = Readonly<Record<string, string>>

/** What a workspace has of what browsers keep, as it is asked for by one of them. */
export interface KeptAnswer {
  /** The workspace and what was brought back into it last: another once what a browser has may be of something else. */
  workspace: string
  /** What this browser kept, or where a copy of elsewhere was brought back, the one that was last there; null for nothing. */
  kept: BrowserKept | null
}

/** Names begin like this. */
export const KEPT_PREFIX = 'outfit.'
/** The longest name and text kept, in characters. What is longer stays in its browser alone. */
export const LONGEST_NAME = 200
export const LONGEST_KEPT = 400_000

/** Names that are of one browser alone: who it is, where it was last, and what it has told. */
const OF_ITSELF = new Set(['outfit.browser', 'outfit.workspace', 'outfit.lately', 'outfit.last-bin'])

/** Whether what stands under a name in a browser goes along with the workspace. */
export const goesAlong = (name: string): boolean =>
  name.startsWith(KEPT_PREFIX) && name.length <= LONGEST_NAME && !OF_ITSELF.has(name)

/** A short sum of a text, by which it is known again (FNV-1a, 32 bits, with its length). */
export function sumOf(text: string): string {
  let hash = 0x811c9dc5
  for (let i = 0; i < text.length; i++) hash = Math.imul(hash ^ text.charCodeAt(i), 0x01000193)
  return `${(hash >>> 0).toString(36)}.${text.length}`
}

/** What differs between what a browser has and what was told of it before, as what is to be told now. */
export function newsOf(
  has: BrowserKept,
  told: Readonly<Record<string, string>>,
): { set: Record<string, string>; gone: string[] } {
  const names = Object.keys(has).filter((name) => goesAlong(name) && has[name]!.length <= LONGEST_KEPT)
  return {
    set: Object.fromEntries(names.filter((name) => sumOf(has[name]!) !== told[name]).map((name) => [name, has[name]!])),
    gone: Object.keys(told).filter((name) => !names.includes(name)),
  }
}

/**
 * What a browser is to have in a workspace that is another than it knew: what the workspace kept of it. What it was never
 * able to tell (its server was away) stays, whatever it is of; the rest is kept by the workspace it was told to.
 */
export function adopted(has: BrowserKept, told: Readonly<Record<string, string>>, kept: BrowserKept): BrowserKept {
  const stays = Object.entries(has).filter(([name, text]) => !goesAlong(name) || sumOf(text) !== told[name])
  return { ...kept, ...Object.fromEntries(stays) }
}
