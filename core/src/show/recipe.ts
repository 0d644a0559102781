import {
  mouldOf,
  type Alteration,
  type MadeBand,
  type Catalogue,
  type Colour,
  type Layer,
  type MadeOf,
  type PartKind,
  type Placement,
  type Slot,
  type Traits,
} from '../catalogue/index.ts'

/** A release or figure a part comes in; `release` or `figure` is empty where only the other is known. */
export interface RecipeSource {
  release: string
  figure: string
  year: number | null
}

export interface RecipeMould {
  code: string
  name: string
  kind: PartKind
  silhouette: string
  neckThickness: number
  height: number
  traits: Traits
}

/** A colour with all that is needed to show it. */
export type RecipeColour = Pick<Colour, 'code' | 'name' | 'hex' | 'finish'>

export interface RecipePrint {
  code: string
  name: string
  /** What it is painted with; `colours` are those its layers name by code, which are the giver's. */
  layers: { front: Layer[]; back: Layer[]; colours?: RecipeColour[] }
}

export interface RecipePart {
  code: string
  name: string
  mould: RecipeMould
  colours: RecipeColour[]
  print: RecipePrint | null
  sources: RecipeSource[]
}

/** An alteration with the paint and the print it names by code. */
export interface RecipeAlteration extends Alteration {
  paint?: RecipeColour
  shown?: RecipePrint
}

/** A string or band of something made, in a colour with all that is needed to show it. */
interface RecipeBand extends Omit<MadeBand, 'colour'> {
  colour: RecipeColour
}

/** What a piece is part of that is made of several, and its place there. */
export interface RecipeMade extends Omit<MadeOf, 'kept' | 'bands'> {
  bands?: RecipeBand[]
}

export interface RecipePlacement {
  slot: Slot
  order: number
  turned: boolean
  altered: RecipeAlteration[]
  made?: RecipeMade
  part: RecipePart
}

export interface RecipeOutfit {
  name: string
  note: string
  credits: string
  placements: RecipePlacement[]
}

/** How figures are made, to hand on: everything needed to draw them stands in it (docs/formats.md). */
export interface Recipe {
  format: 'outfit.recipe'
  version: 1
  outfits: RecipeOutfit[]
}

/** Outfits as a recipe. Throws on parts the catalogue does not have, which is a fault of the caller. */
export function recipeOf(
  outfits: readonly { name: string; note: string; credits: string; placements: readonly Placement[] }[],
  catalogue: Catalogue,
  sourcesOf: (part: string) => readonly RecipeSource[],
): Recipe {
  return {
    format: 'outfit.recipe',
    version: 1,
    outfits: outfits.map(({ placements, ...outfit }) => ({
      ...outfit,
      placements: placements.map(({ slot, order, turned, altered = [], made, part }) => ({
        slot,
        order,
        turned,
        altered: altered.map((one) => toldAlteration(one, catalogue)),
        ...(made ? { made: toldMade(made, catalogue) } : {}),
        part: partOf(part, catalogue, sourcesOf),
      })),
    })),
  }
}

const colourOf = (code: string, { colours }: Catalogue): RecipeColour[] => {
  const known = colours.get(code)
  return known ? [{ code: known.code, name: known.name, hex: known.hex, finish: known.finish }] : []
}

function printOf(code: string | null | undefined, catalogue: Catalogue): RecipePrint | null {
  const print = catalogue.prints.get(code ?? '')
  if (!print) return null
  const { front, back } = print
  const words = new Set([...front, ...back].flatMap((layer) => Object.values(layer).map(String)))
  const colours = [...words].flatMap((word) => colourOf(word, catalogue))
  return { code: print.code, name: print.name, layers: { front, back, colours } }
}

function toldAlteration(alteration: Alteration, catalogue: Catalogue): RecipeAlteration {
  const [paint] = alteration.colour === undefined ? [] : colourOf(alteration.colour, catalogue)
  const shown = printOf(alteration.print, catalogue)
  return { ...alteration, ...(paint ? { paint } : {}), ...(shown ? { shown } : {}) }
}

/** Whoever gets the recipe has no item to follow. */
function toldMade({ kept: _kept, bands = [], ...made }: MadeOf, catalogue: Catalogue): RecipeMade {
  const told = bands.flatMap((band) => colourOf(band.colour, catalogue).map((colour) => ({ ...band, colour })))
  return { ...made, ...(told.length > 0 ? { bands: told } : {}) }
}

function partOf(code: string, catalogue: Catalogue, sourcesOf: (part: string) => readonly RecipeSource[]): RecipePart {
  const part = catalogue.parts.get(code)
  if (!part) throw new Error(`Part ${code} is not loaded. Load all parts that are worn first.`)
  const { name, kind, silhouette, neckThickness, height, traits, code: mould } = mouldOf(catalogue, part)
  return {
    code,
    name: part.name,
    mould: { code: mould, name, kind, silhouette, neckThickness, height, traits: { ...traits } },
    colours: part.colours.flatMap((colour) => colourOf(colour, catalogue)),
    print: printOf(part.print, catalogue),
    sources: [...sourcesOf(code)],
  }
}
