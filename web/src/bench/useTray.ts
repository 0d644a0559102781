import { useMemo } from 'react'
import { canPick, isAllowed, type Dressing } from '@outfit/core/anatomy'
import type { Brief } from '@outfit/core/brief'
import type { Catalogue } from '@outfit/core/catalogue'
import type { HouseRules } from '@outfit/core/roster'
import { api } from '../data/api.ts'
import { arrange, trayEntries, wishedColourAt, type TraySettings } from './trayEntries.ts'

/** Candidates for a way of dressing, filtered and sorted as the tray shows them. */
export function useTray(
  dressing: Dressing,
  settings: TraySettings,
  free: Readonly<Record<string, number>>,
  catalogue: Catalogue,
  brief: Brief,
  unwanted: readonly string[],
  rules: HouseRules,
) {
  const { currentData: data, error, isFetching, refetch } = api.endpoints.candidates.useQuery(dressing.slot)
  const all = useMemo(
    // What stays joined under the house rules is not picked by itself.
    () =>
      isAllowed(dressing, rules.takingApart)
        ? trayEntries(data?.items ?? [], { dressing, free, catalogue, brief, unwanted, byOthers: rules.byOthers })
        : [],
    [data, dressing, free, catalogue, brief, unwanted, rules],
  )
  const wished = wishedColourAt(dressing, brief)
  const shown = useMemo(() => arrange(all, settings, wished, catalogue), [all, settings, wished, catalogue])
  // Not `all`, which is empty for the moment in which the catalogue takes new parts in.
  const isEmpty = useMemo(
    () => data !== undefined && !data.items.some(({ part }) => canPick(dressing, part, catalogue)),
    [data, dressing, catalogue],
  )
  return { all, shown, wished, isEmpty, error, isFetching, refetch }
}
