import { useMemo } from 'react'
import type { Catalogue, Drawables } from '@outfit/core/catalogue'
import { withDrawables } from './withDrawables.ts'
import { selectCatalogue } from './catalogueSlice.ts'
import { useAppSelector } from './hooks.ts'

/** The catalogue with what an answer brings along, so that all of it can be drawn; null until both are there. */
export function useKnownCatalogue(answer: Drawables | undefined): Catalogue | null {
  const catalogue = useAppSelector(selectCatalogue)
  return useMemo(() => (catalogue && answer ? withDrawables(catalogue, answer) : null), [catalogue, answer])
}
