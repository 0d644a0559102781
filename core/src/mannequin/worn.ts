import {
  mouldOf,
  partWorn,
  type Catalogue,
  type Colour,
  type Layer,
  type Mould,
  type Part,
  type Placement,
  type Slot,
} from '../catalogue/index.ts'
import type { Paints } from './headgear.ts'
import { paint, type Paint } from './pen.ts'
import { printRecipeOf, type PrintRecipe } from './recipe.ts'
import type { View } from './drawFigure.ts'

/** A placement with what drawing it takes. */
export interface DrawnPiece {
  placement: Placement
  part: Part
  mould: Mould
  recipe: PrintRecipe
  paints: Paints
}

/** The bare doll under the clothes: pale wood and cloth. */
export const WOOD = paint('#E9D9BC')
export const BARE: Paints = { main: WOOD, second: WOOD, third: WOOD }

function paintsOf(part: Part, catalogue: Catalogue): Paints {
  const at = (index: number): Paint | undefined => {
    const colour = catalogue.colours.get(part.colours[index] ?? '')
    return colour && paint(colour.hex, colour.finish)
  }
  const main = at(0) ?? WOOD
  const second = at(1) ?? main
  return { main, second, third: at(2) ?? second }
}

/** Guesses read a good deal of text, so each is made once for a part as long as its catalogue lives. */
const guesses = new WeakMap<Part, { print: object; recipe: PrintRecipe }>()

const palettes = new WeakMap<Catalogue['colours'], Colour[]>()

function paletteOf({ colours }: Catalogue): Colour[] {
  const known = palettes.get(colours) ?? [...colours.values()]
  palettes.set(colours, known)
  return known
}

function recipeFor(part: Part, mould: Mould, catalogue: Catalogue): PrintRecipe {
  const print = part.print === null ? undefined : catalogue.prints.get(part.print)
  const known = guesses.get(part)
  if (known && known.print === print) return known.recipe
  // An assembly carries the print of its main piece.
  const recipe = printRecipeOf(part, print, print?.kind ?? mould.kind, paletteOf(catalogue))
  if (recipe.guessed && print) guesses.set(part, { print, recipe })
  return recipe
}

/** Placements by slot, the innermost first; those whose part is not in the catalogue are left out. */
export function wornBySlot(placements: readonly Placement[], catalogue: Catalogue): Map<Slot, DrawnPiece[]> {
  const worn = new Map<Slot, DrawnPiece[]>()
  for (const placement of [...placements].sort((a, b) => a.order - b.order)) {
    const part = partWorn(placement, catalogue)
    if (!part) continue
    const mould = mouldOf(catalogue, part)
    const entry = {
      placement,
      part,
      mould,
      recipe: recipeFor(part, mould, catalogue),
      paints: paintsOf(part, catalogue),
    }
    worn.set(placement.slot, [...(worn.get(placement.slot) ?? []), entry])
    if (placement.made) continue
    for (const [slot, piece] of piecesOf(entry)) if (!worn.has(slot)) worn.set(slot, [piece])
  }
  return worn
}

/** What is worn in a slot without the pieces of what is made of several. */
export const plainIn = (worn: ReadonlyMap<Slot, readonly DrawnPiece[]>, slot: Slot): DrawnPiece[] =>
  (worn.get(slot) ?? []).filter(({ placement }) => !placement.made)

/** What is worn in a slot that is made of several parts: the pieces of each copy, the innermost copy first. */
export function madeIn(worn: ReadonlyMap<Slot, readonly DrawnPiece[]>, slot: Slot): DrawnPiece[][] {
  const copies: DrawnPiece[][] = []
  for (const piece of worn.get(slot) ?? []) {
    if (!piece.placement.made) continue
    if (piece.placement.made.piece === 0 || copies.length === 0) copies.push([piece])
    else copies.at(-1)!.push(piece)
  }
  return copies
}

const PLAIN: PrintRecipe = { front: [], back: [], guessed: false }

/**
 * The other pieces of an assembly whose components nobody has written down: legs in one colour with their print, sleeves
 * in the second colour and hands in the third.
 */
function piecesOf(entry: DrawnPiece): [Slot, DrawnPiece][] {
  const { part, mould, paints } = entry
  if (part.components.length > 0) return []
  if (mould.kind === 'leg-pair') {
    const leg: DrawnPiece = { ...entry, mould: { ...mould, silhouette: 'leg' } }
    entry.recipe = PLAIN
    return [
      ['legRight', leg],
      ['legLeft', leg],
    ]
  }
  if (mould.kind !== 'dressed-torso') return []
  const piece = (main: Paint, silhouette: string): DrawnPiece => ({
    ...entry,
    mould: { ...mould, silhouette },
    recipe: PLAIN,
    paints: { main, second: main, third: main },
  })
  const sleeve = piece(paints.second, 'arm')
  const hand = part.colours[2] === undefined ? null : piece(paints.third, 'hand')
  return [
    ['armRight', sleeve],
    ['armLeft', sleeve],
    ...(hand
      ? ([
          ['handRight', hand],
          ['handLeft', hand],
        ] as [Slot, DrawnPiece][])
      : []),
  ]
}

/** Layers of a recipe as seen in a view: a turned part shows its back in front. */
export function layersSeen(worn: DrawnPiece | undefined, view: View): readonly Layer[] {
  if (!worn) return []
  return (view === 'front') !== worn.placement.turned ? worn.recipe.front : worn.recipe.back
}
