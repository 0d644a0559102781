import { placeOf, PLACES, type Place } from '@outfit/core/brief'
import type { RosterShelf, ShelfOutfit } from '@outfit/core/shelf'
import type { CastOptions, CastWho } from '@outfit/core/wardrobe'

/** How one casts, kept in the browser; what holds for one roster alone is not. */
export interface CastSettings extends CastOptions {
  /** What a uniform dresses stays. */
  uniformsStay: boolean
}

const KEPT = 'outfit.castRoster'

const FIRST: CastSettings = {
  worth: 40,
  budget: null,
  floor: 0,
  parcels: null,
  arriveBy: null,
  facesDiffer: true,
  donors: true,
  market: true,
  uniformsStay: true,
}

/** What a point of likeness may be worth, in minor units of the home currency. */
export const WORTHS: readonly number[] = [0, 5, 10, 20, 30, 40, 60, 80, 100, 150, 200, 300]

/** Settings to begin with: as they were last, the budget that is left of the roster, faces as its rules have them. */
export function settingsFor(roster: RosterShelf, facesDiffer: boolean, worth: number): CastSettings {
  const left = roster.budget === null ? null : Math.max(0, roster.budget - roster.paid)
  return { ...FIRST, worth, ...remembered(), budget: left, facesDiffer }
}

function remembered(): Partial<CastSettings> {
  try {
    const { donors, market, uniformsStay } = JSON.parse(localStorage.getItem(KEPT) ?? '{}') as CastSettings
    return {
      ...(typeof donors === 'boolean' ? { donors } : {}),
      ...(typeof market === 'boolean' ? { market } : {}),
      ...(typeof uniformsStay === 'boolean' ? { uniformsStay } : {}),
    }
  } catch {
    return {}
  }
}

export const remember = (settings: CastSettings): void => localStorage.setItem(KEPT, JSON.stringify(settings))

/** Places something is worn in. */
export const wornPlaces = ({ placements }: ShelfOutfit): Place[] => {
  const worn = new Set(placements.map(({ slot }) => placeOf(slot)))
  return PLACES.filter((place) => worn.has(place))
}

/** Who takes part, with the places that stay as worn. */
export function whoOf(
  roster: RosterShelf,
  picked: ReadonlySet<string>,
  kept: Readonly<Record<string, readonly Place[]>>,
  held: Readonly<Record<string, CastWho['held']>>,
  uniformsStay: boolean,
): CastWho[] {
  return roster.outfits
    .filter(({ id }) => picked.has(id))
    .map((outfit): CastWho => {
      const uniform = roster.uniforms.find(({ id }) => id === outfit.uniform)
      const shared = uniformsStay && uniform ? uniform.placements.map(({ slot }) => placeOf(slot)) : []
      const own = held[outfit.id] ?? []
      const keep = [...new Set([...(kept[outfit.id] ?? []), ...shared])].filter(
        (place) => !own.some((one) => one.place === place),
      )
      return { outfit: outfit.id, keep, ...(own.length > 0 ? { held: own } : {}) }
    })
}
