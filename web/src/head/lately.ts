import type { Entry } from './entries.ts'

const KEY = 'outfit.lately'
const KEPT = 12

/** What was chosen lately in this browser, the last first. */
export function lately(): Entry[] {
  try {
    const kept: unknown = JSON.parse(localStorage.getItem(KEY) ?? '[]')
    return Array.isArray(kept)
      ? kept.filter((one): one is Entry => ['to', 'name', 'about'].every((field) => typeof one?.[field] === 'string'))
      : []
  } catch {
    return []
  }
}

/** Put an entry first among those chosen lately. */
export function chosen({ to, name, about }: Entry): void {
  const others = lately().filter((one) => one.to !== to)
  localStorage.setItem(KEY, JSON.stringify([{ to, name, about }, ...others].slice(0, KEPT)))
}

/** The outfit that was open last in this browser; null where none was. */
export const lastOutfit = (): string | null =>
  lately().flatMap(({ to }) => /^\/outfits\/([^/]+)\//.exec(to)?.[1] ?? [])[0] ?? null
