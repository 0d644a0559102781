import { useParams, useSearchParams } from 'react-router'
import type { Catalogue } from '@outfit/core/catalogue'
import { takeNamed, type OutfitDetail, type Take } from '@outfit/core/roster'
import { api, errorText } from './api.ts'
import { selectCatalogue } from './catalogueSlice.ts'
import { useAppSelector } from './hooks.ts'

type Loaded =
  | { state: 'ready'; outfit: OutfitDetail; take: Take; catalogue: Catalogue }
  | { state: 'waiting' }
  | { state: 'failed'; problem: string; retry: () => void }

/** The outfit and take of the address with the catalogue that draws them. */
export function useOutfit(): Loaded {
  const { outfit: id = '' } = useParams()
  const [search] = useSearchParams()
  const { error: basicsError } = api.endpoints.basics.useQuery()
  const { currentData: outfit, error, refetch } = api.endpoints.outfit.useQuery(id)
  const catalogue = useAppSelector(selectCatalogue)
  const failed = error ?? basicsError
  if (failed) return { state: 'failed', problem: errorText(failed), retry: () => void refetch() }
  const take = outfit && takeNamed(outfit.takes, search.get('take'))
  // Parts come into the catalogue a moment after the answer that brings them.
  const known = take?.placements.every(({ part }) => catalogue?.parts.has(part))
  return outfit && take && catalogue && known ? { state: 'ready', outfit, take, catalogue } : { state: 'waiting' }
}
