import type { Placement } from '@outfit/core/catalogue'
import type { PlacementEntity } from './roster.ts'

/** A row of a take or a uniform as what is worn. */
export const placementOf = ({
  slot,
  part,
  order,
  turned,
  altered,
  made,
}: Omit<PlacementEntity, 'take'>): Placement => ({
  slot,
  part,
  order,
  turned,
  ...(altered?.length ? { altered } : {}),
  ...(made ? { made } : {}),
})

/** A placement as a row of a take. */
export const rowOf = ({ slot, part, order, turned, altered, made }: Placement, take: string) => ({
  slot,
  part,
  order,
  turned,
  altered: altered?.length ? altered : null,
  made: made ?? null,
  take,
})

/** A placement as a row of a uniform. */
export const uniformRowOf = (placement: Placement, uniform: string) => {
  const { take: _take, ...row } = rowOf(placement, '')
  return { ...row, uniform }
}
