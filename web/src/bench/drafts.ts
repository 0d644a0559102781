import type { Placement } from '@outfit/core/catalogue'
import { findDraft as find, type Draft } from '../data/saver.ts'

/** Name of the draft of a take in the browser. */
export const draftKey = (take: string) => `outfit.draft.${take}`

export const findDraft = (take: string): Draft<Placement[]> | null => find(draftKey(take))
