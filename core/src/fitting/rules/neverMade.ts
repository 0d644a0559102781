import { mainColour, partLabel } from '../../catalogue/index.ts'
import { colourDifference } from '../../colour/index.ts'
import { bestOf, inPlace, ofMould } from '../instead.ts'
import { pinned, placeKey, type Pin, type Rule } from '../pin.ts'

/**
 * A mould in a colour or with a print that no release, figure or offer has and nobody owns: somebody drew it or wishes for
 * it. Better found out now than after the order. The remedy is the nearest colour it was made in.
 */
export const neverMade: Rule = (placements, context) => {
  const { catalogue, unmade } = context
  if (!unmade?.size) return []
  return placements.flatMap((placement): Pin[] => {
    const { slot, part: code } = placement
    const part = unmade.has(code) ? catalogue.parts.get(code) : undefined
    const colour = part && mainColour(catalogue, part)
    if (!part || !colour) return []
    const gap = (hex: string | undefined) => (hex ? colourDifference(hex, colour.hex) : 100)
    return [
      pinned(
        {
          rule: `never-made-${placeKey(placement)}`,
          severity: 'notice',
          slots: [slot],
          title: 'Nobody ever made this',
          detail: `${partLabel(catalogue, part)} is in no figure, release or offer`,
        },
        () =>
          bestOf(ofMould(part.mould, context), context, (one) =>
            one.print === part.print && one.components.length === 0 ? gap(mainColour(catalogue, one)?.hex) : null,
          )
            .slice(0, 2)
            .map((one) => {
              const near = mainColour(catalogue, one)
              return inPlace(
                placements,
                placement,
                one,
                context,
                `Wear ${near?.name ?? one.name}, ΔE ${Math.round(gap(near?.hex))}`,
              )
            }),
      ),
    ]
  })
}
