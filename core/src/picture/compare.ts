import { colourScore } from '../brief/index.ts'
import { colourDifference } from '../colour/index.ts'
import { FIGURE_WINDOW, rasterOf, type Drawing } from '../mannequin/index.ts'
import { dollOutline } from './doll.ts'
import { readPicture, type PictureReading } from './readPicture.ts'
import { SIDES, type Zone, type ZoneColour } from './zones.ts'

/** Zones that are compared, both sides of a pair together, and how much each counts. */
const COMPARED = [
  { label: 'hair', zones: ['hair'], weight: 3 },
  { label: 'face', zones: ['face'], weight: 2 },
  { label: 'torso', zones: ['torso'], weight: 4 },
  { label: 'sleeves', zones: ['sleeveRight', 'sleeveLeft'], weight: 2 },
  { label: 'hands', zones: ['handRight', 'handLeft'], weight: 1 },
  { label: 'legs', zones: ['legRight', 'legLeft'], weight: 3 },
  { label: 'boots', zones: ['bootRight', 'bootLeft'], weight: 1 },
  { label: 'held', zones: ['heldRight', 'heldLeft'], weight: 1 },
] as const satisfies readonly { label: string; zones: readonly Zone[]; weight: number }[]

/** How far a zone of a figure is from that of a picture. */
export interface ZoneDifference {
  label: string
  /** CIEDE2000, by the share of each colour of the picture; null where the figure shows nothing there. */
  deltaE: number | null
  /** Main colours, as #RRGGBB, the largest first; of a figure that shows nothing there, none. */
  picture: string[]
  figure: string[]
}

export interface PictureLikeness {
  /** From 0 to 100: zones by their weight, each scored as a wish for its colour would be. */
  points: number
  zones: ZoneDifference[]
}

/** A hand nobody can tell from its sleeve looks as the sleeve does. */
const INSTEAD: Partial<Record<Zone, Zone>> = { handRight: 'sleeveRight', handLeft: 'sleeveLeft' }
/** Colours of less of a zone take no part. */
const LEAST = 0.15

/** What of a drawn figure is seen, zone by zone. Of a flat drawing of its front, without the plinth. */
export function zonesOfDrawing(drawing: Pick<Drawing, 'shapes' | 'levels' | 'height'>): PictureReading['zones'] {
  const pixels = rasterOf({ shapes: drawing.shapes, window: FIGURE_WINDOW })
  return readPicture(pixels, { outline: dollOutline(drawing) })!.zones
}

/** How like the picture a dressed figure is, zone by zone; a zone the picture does not show takes no part. */
export function againstPicture(picture: PictureReading['zones'], figure: PictureReading['zones']): PictureLikeness {
  let weights = 0
  let sum = 0
  const zones: ZoneDifference[] = []
  for (const { label, zones: keys, weight } of COMPARED) {
    const wanted = keys.flatMap((zone) => (picture[zone] ? [[zone, picture[zone]] as const] : []))
    const first = wanted[0]?.[1]
    if (!first) continue
    const differences = wanted.flatMap(([zone, colours]) => {
      // What is held is looked for in either hand.
      const seen =
        label === 'held' ? SIDES.map((side) => figure[`held${side}`]) : [figure[zone] ?? figure[INSTEAD[zone] ?? zone]]
      const all = seen.filter((one) => one !== undefined).map((one) => differenceOf(colours, one))
      return all.length > 0 ? [Math.min(...all)] : []
    })
    const deltaE =
      differences.length > 0 ? differences.reduce((total, one) => total + one, 0) / differences.length : null
    weights += weight
    sum += deltaE === null ? 0 : weight * colourScore(deltaE)
    zones.push({
      label,
      deltaE,
      picture: mainOf(first).map(({ hex }) => hex),
      figure: mainOf(keys.flatMap((zone) => (figure[zone] ? [figure[zone]] : []))[0] ?? []).map(({ hex }) => hex),
    })
  }
  return { points: weights === 0 ? 0 : Math.round((100 * sum) / weights), zones }
}

/** The colours of a zone that count. */
const mainOf = (colours: readonly ZoneColour[]) => colours.filter(({ share }, i) => i === 0 || share >= LEAST)

/** The colours of one zone against those of another: for each the nearest, by its share. */
function differenceOf(wanted: readonly ZoneColour[], shown: readonly ZoneColour[]): number {
  const [of, among] = [mainOf(wanted), mainOf(shown)]
  const total = of.reduce((sum, { share }) => sum + share, 0)
  return of.reduce(
    (sum, { hex, share }) => sum + (share / total) * Math.min(...among.map((one) => colourDifference(hex, one.hex))),
    0,
  )
}
