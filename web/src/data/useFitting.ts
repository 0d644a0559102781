import { useMemo } from 'react'
import type { Catalogue } from '@outfit/core/catalogue'
import { fittingContextOf, type FittingContext } from '@outfit/core/fitting'
import type { OutfitDetail } from '@outfit/core/roster'
import { api } from './api.ts'
import { useAppSelector } from './hooks.ts'

/** What the fitting rules look at when they check an outfit on this screen. */
export function useFitting(outfit: OutfitDetail, catalogue: Catalogue): FittingContext {
  const lowest = useAppSelector((state) => state.catalogue.lowest)
  const { data: basics } = api.endpoints.basics.useQuery()
  const unmade = useMemo(() => new Set(basics?.unmade), [basics])
  return useMemo(() => fittingContextOf(outfit, catalogue, { lowest, unmade }), [outfit, catalogue, lowest, unmade])
}
