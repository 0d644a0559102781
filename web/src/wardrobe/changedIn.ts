import { placeOf, PLACES, type Place } from '@outfit/core/brief'
import { wornAlike } from '@outfit/core/roster'
import type { CastFigure, CastReport } from '@outfit/core/wardrobe'

/** Places in which a figure of a cast wears something else than now. */
export function changedIn({ outfit, placements }: CastFigure, now: CastReport['now']): Place[] {
  const before = now.find((one) => one.outfit === outfit)?.placements ?? []
  return PLACES.filter(
    (place) =>
      !wornAlike(
        before.filter(({ slot }) => placeOf(slot) === place),
        placements.filter(({ slot }) => placeOf(slot) === place),
      ),
  )
}
