import { useMemo } from 'react'
import { canPick, type Dressing } from '@outfit/core/anatomy'
import { partLabel, type Catalogue } from '@outfit/core/catalogue'
import { unitsOf } from '@outfit/core/drawer'
import { api, type Candidate } from '../app/api.ts'

export const TRAY_ORDERS = { owned: 'Owned first', price: 'Cheapest first', name: 'By name' } as const
export type TrayOrder = keyof typeof TRAY_ORDERS

export interface TrayEntry extends Candidate {
  /** Units that are free for this outfit. */
  free: number
  label: string
}

/** Candidates for a way of dressing, filtered and sorted as the tray shows them. */
export function useTray(
  dressing: Dressing,
  { find, order, ownedOnly }: { find: string; order: TrayOrder; ownedOnly: boolean },
  free: Readonly<Record<string, number>>,
  catalogue: Catalogue,
) {
  const { currentData: data, error, isFetching, refetch } = api.endpoints.candidates.useQuery(dressing.slot)
  const all = useMemo((): TrayEntry[] => {
    return (data?.items ?? [])
      .filter(({ part }) => canPick(dressing, part))
      .map((candidate) => ({
        ...candidate,
        free: unitsOf(candidate.part, (code) => free[code] ?? 0),
        label: partLabel(catalogue, candidate.part),
      }))
  }, [data, dressing, free, catalogue])
  const shown = useMemo(() => {
    const words = find.toLowerCase().split(/\s+/).filter(Boolean)
    const price = (entry: TrayEntry) => entry.lowest ?? Number.MAX_SAFE_INTEGER
    const compare: Record<TrayOrder, (a: TrayEntry, b: TrayEntry) => number> = {
      owned: (a, b) => Number(b.free > 0) - Number(a.free > 0) || price(a) - price(b),
      price: (a, b) => price(a) - price(b),
      name: (a, b) => a.label.localeCompare(b.label),
    }
    return all
      .filter(
        (entry) =>
          (!ownedOnly || entry.free > 0) &&
          words.every((word) => `${entry.label} ${entry.part.code}`.toLowerCase().includes(word)),
      )
      .sort((a, b) => compare[order](a, b) || (a.part.code < b.part.code ? -1 : 1))
  }, [all, find, order, ownedOnly])
  return { all, shown, error, isFetching, refetch }
}
