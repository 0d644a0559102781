import type { Placement } from '../catalogue/index.ts'
import type { Drawer, Origin, Source } from '../drawer/index.ts'

/** What a parcel on the way still brings. */
export interface Coming {
  id: string
  lines: readonly { part: string; qty: number }[]
}

/**
 * For each placement of some outfits the parcel its part is to come in; null for what the drawer gives and what nobody
 * ordered. Parts on the way go to outfits in the order of the list, out of the earliest parcel of `parcels` that has them.
 * O(placements × parcels).
 */
export function arrivingFor<S extends { placements: readonly Pick<Placement, 'part'>[]; sources: readonly Source[] }>(
  outfits: readonly S[],
  parcels: readonly Coming[],
): (S & { arriving: (string | null)[] })[] {
  const left = new Map<string, { parcel: string; qty: number }[]>()
  for (const { id, lines } of parcels)
    for (const { part, qty } of lines) left.set(part, [...(left.get(part) ?? []), { parcel: id, qty }])
  return outfits.map((outfit) => ({
    ...outfit,
    arriving: outfit.placements.map(({ part }, i) => {
      const coming = outfit.sources[i] === null ? left.get(part)?.find(({ qty }) => qty > 0) : undefined
      if (!coming) return null
      coming.qty--
      return coming.parcel
    }),
  }))
}

/**
 * What the drawer does not give, apart by what comes in parcels already and what is to be bought. `arriving` counts parts
 * on the way to this outfit.
 */
export function apartByComing(
  missing: readonly Placement[],
  arriving: Readonly<Record<string, number>>,
): { coming: Placement[]; toBuy: Placement[] } {
  const left = { ...arriving }
  const coming: Placement[] = []
  const toBuy = missing.filter((placement) => {
    if ((left[placement.part] ?? 0) === 0) return true
    left[placement.part]!--
    coming.push(placement)
    return false
  })
  return { coming, toBuy }
}

/** Where each placement comes from, by its source and whether it is on the way. */
export function originsOf(
  sources: readonly Source[],
  arriving: readonly (string | null)[],
  { donors }: Pick<Drawer, 'donors'>,
): Origin[] {
  return sources.map((source, i) => {
    if (source === null) return arriving[i] === null ? 'buy' : 'arriving'
    if (source.elsewhere) return 'elsewhere'
    const donor = donors.find(({ code }) => code === source.donor)
    return donor ? { donor: donor.name } : 'drawer'
  })
}
