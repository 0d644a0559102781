import {
  mouldOf,
  type Alteration,
  type Catalogue,
  type Finish,
  type Layer,
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

export interface RecipePrint {
  code: string
  name: string
  layers: { front: Layer[]; back: Layer[] }
}

export interface RecipePart {
  code: string
  name: string
  mould: RecipeMould
  colours: { code: string; name: string; hex: string; finish: Finish }[]
  print: RecipePrint | null
  sources: RecipeSource[]
}

export interface RecipePlacement {
  slot: Slot
  order: number
  turned: boolean
  altered: Alteration[]
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

/** Outfits as a recipe. Parts the catalogue does not know are left out of it; `missing` names them. */
export function recipeOf(
  outfits: readonly { name: string; note: string; credits: string; placements: readonly Placement[] }[],
  catalogue: Catalogue,
  sourcesOf: (part: string) => readonly RecipeSource[],
): { recipe: Recipe; missing: string[] } {
  const missing: string[] = []
  const told = outfits.map(({ name, note, credits, placements }) => ({
    name,
    note,
    credits,
    placements: placements.flatMap(({ slot, order, turned, altered = [], part }): RecipePlacement[] => {
      const recipePart = partOf(part, catalogue, sourcesOf)
      if (!recipePart) {
        missing.push(part)
        return []
      }
      return [{ slot, order, turned, altered: [...altered], part: recipePart }]
    }),
  }))
  return { recipe: { format: 'outfit.recipe', version: 1, outfits: told }, missing }
}

function partOf(
  code: string,
  catalogue: Catalogue,
  sourcesOf: (part: string) => readonly RecipeSource[],
): RecipePart | null {
  const part = catalogue.parts.get(code)
  if (!part || !catalogue.moulds.has(part.mould)) return null
  const mould = mouldOf(catalogue, part)
  const print = part.print === null ? undefined : catalogue.prints.get(part.print)
  return {
    code,
    name: part.name,
    mould: {
      code: mould.code,
      name: mould.name,
      kind: mould.kind,
      silhouette: mould.silhouette,
      neckThickness: mould.neckThickness,
      height: mould.height,
      traits: { ...mould.traits },
    },
    colours: part.colours.flatMap((colour) => {
      const known = catalogue.colours.get(colour)
      return known ? [{ code: known.code, name: known.name, hex: known.hex, finish: known.finish }] : []
    }),
    print: print ? { code: print.code, name: print.name, layers: { front: print.front, back: print.back } } : null,
    sources: [...sourcesOf(code)],
  }
}
