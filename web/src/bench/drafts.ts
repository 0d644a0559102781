import type { Placement } from '@outfit/core/catalogue'

/** What was changed and not yet acknowledged, kept in the browser so that neither a reload nor a lost server loses it. */
interface Draft {
  version: number
  placements: Placement[]
}

const key = (take: string) => `outfit.draft.${take}`

export function keepDraft(take: string, draft: Draft): void {
  localStorage.setItem(key(take), JSON.stringify(draft))
}

export function dropDraft(take: string): void {
  localStorage.removeItem(key(take))
}

export function findDraft(take: string): Draft | null {
  const text = localStorage.getItem(key(take))
  if (!text) return null
  try {
    return JSON.parse(text) as Draft
  } catch {
    return null
  }
}
