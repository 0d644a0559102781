import { contentNumber, memoized } from '../../base/index.ts'
import { mouldOf, partWorn, type Catalogue, type Colour, type Placement, type Slot } from '../../catalogue/index.ts'
import { colourDifference } from '../../colour/index.ts'
import { visibleAreas } from '../../mannequin/index.ts'
import { showsMainColour } from '../../brief/index.ts'
import { bestOf, inPlace, ofMould, wearing } from '../instead.ts'
import { FITTING_LIMITS } from '../limits.ts'
import { pinned, rulesOf, type FittingContext, type Rule } from '../pin.ts'

/** A main colour with its share of the visible cloth and where it is worn. */
export interface Main {
  colour: Colour
  share: number
  slots: Slot[]
}

/** Palettes as lists, once each. */
const PALETTES = new WeakMap<Catalogue['colours'], Colour[]>()
/** Palettes by hex, since a drawing knows no names. */
const BY_HEX = new WeakMap<Catalogue['colours'], Map<string, Colour>>()

function colourByHex({ colours }: Catalogue, hex: string): Colour | undefined {
  let known = BY_HEX.get(colours)
  if (!known) BY_HEX.set(colours, (known = new Map([...colours.values()].map((colour) => [colour.hex, colour]))))
  return known.get(hex)
}

/** Slots that show no main colour and hide little of those that do: they are left out of the drawing, and of what is remembered. */
const LEFT_OUT: readonly Slot[] = ['head', 'face', 'handRight', 'handLeft', 'heldRight', 'heldLeft', 'beside', 'feet']
/** Remembered by what is drawn, so that a catalogue read anew in which that is as it was asks for no drawing. */
const measure = memoized(measured, (dressed, catalogue) =>
  JSON.stringify([
    paletteNumber(catalogue),
    dressed,
    dressed.map((placement) => {
      const part = partWorn(placement, catalogue)
      const print = part?.print ? catalogue.prints.get(part.print) : undefined
      return part && [contentNumber(part), contentNumber(mouldOf(catalogue, part)), print && contentNumber(print)]
    }),
  ]),
)

const paletteNumber = ({ colours }: Catalogue) => {
  let palette = PALETTES.get(colours)
  if (!palette) PALETTES.set(colours, (palette = [...colours.values()]))
  return contentNumber(palette)
}

/** Main colours worn, the largest share of the visible cloth first. */
export const mainsOf = (placements: readonly Placement[], catalogue: Catalogue): Main[] =>
  measure(
    placements.filter(({ slot }) => !LEFT_OUT.includes(slot)),
    catalogue,
  )

function measured(placements: readonly Placement[], catalogue: Catalogue): Main[] {
  const own = new Map<Slot, Colour>()
  for (const placement of placements) {
    const part = partWorn(placement, catalogue)
    const colour = catalogue.colours.get(part?.colours[0] ?? '')
    if (part && colour && showsMainColour(placement.slot, mouldOf(catalogue, part))) own.set(placement.slot, colour)
  }
  const found = new Map<string, Main>()
  for (const { slot, fill, area } of visibleAreas(placements, catalogue)) {
    const cloth = own.get(slot)
    // A tone that is none of the palette is a fold or a strand of the piece's own colour.
    const colour = cloth && (colourByHex(catalogue, fill) ?? cloth)
    if (!colour || colour.family === 'skin') continue
    const main = found.get(colour.code) ?? { colour, share: 0, slots: [] }
    main.share += area
    if (!main.slots.includes(slot)) main.slots.push(slot)
    found.set(colour.code, main)
  }
  const whole = [...found.values()].reduce((sum, { share }) => sum + share, 0)
  const sorted = [...found.values()].sort((a, b) => b.share - a.share || (a.colour.code < b.colour.code ? -1 : 1))
  const merged: Main[] = []
  for (const main of sorted) {
    // Shades the eye hardly tells apart are one colour to it.
    const same = merged.find(({ colour }) => colourDifference(colour.hex, main.colour.hex) <= FITTING_LIMITS.oneColour)
    if (same) {
      same.share += main.share
      same.slots = [...new Set([...same.slots, ...main.slots])]
    } else merged.push({ ...main, slots: [...main.slots] })
  }
  return merged
    .map((main) => ({ ...main, share: main.share / whole }))
    .filter(({ share }) => share >= FITTING_LIMITS.mainColourShare)
    .sort((a, b) => b.share - a.share)
}

/**
 * No more main colours besides skin and hair than the house rules say, commonly three. A colour is a main one when it has
 * its share of the cloth that is seen, front and back together, measured on the very drawing; shades that are hardly told
 * apart count as one. The remedy is the piece with the least of them in a colour that is there already.
 */
export const mainColours: Rule = (placements, context) => {
  const { catalogue } = context
  const most = rulesOf(context).mostMainColours
  if (most === null) return []
  const mains = mainsOf(placements, catalogue)
  if (mains.length <= most) return []
  const least = mains.at(-1)!
  return [
    pinned(
      {
        rule: 'main-colours',
        severity: 'hint',
        slots: least.slots,
        title: `${mains.length} main colours`,
        detail: `${mains.map(({ colour, share }) => `${colour.name} ${Math.round(share * 100)} %`).join(', ')}; ${most} are enough`,
      },
      () => inColoursThere(placements, least, mains.slice(0, most), context),
    ),
  ]
}

/** Pieces whose own colour is the least one, in one of the colours that stay. */
function inColoursThere(placements: readonly Placement[], least: Main, stay: readonly Main[], context: FittingContext) {
  return placements
    .filter(
      (p) =>
        !['armLeft', 'legLeft'].includes(p.slot) &&
        least.slots.includes(p.slot) &&
        partWorn(p, context.catalogue)?.colours[0] === least.colour.code,
    )
    .flatMap((placement) => {
      const worn = context.catalogue.parts.get(placement.part)!
      const [part] = bestOf(ofMould(worn.mould, context), context, (one) =>
        one.print === worn.print && stay.some(({ colour }) => colour.code === one.colours[0]) ? 0 : null,
      )
      if (!part) return []
      return /^(arm|leg)/.test(placement.slot)
        ? [wearing(placements, placement.slot, part, context, { both: true })]
        : [inPlace(placements, placement, part, context)]
    })
    .slice(0, 2)
}
