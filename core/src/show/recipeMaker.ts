import type { Alteration, Catalogue, Colour, MadeOf, Mould, Part, PartKind, Print } from '../catalogue/index.ts'
import { colourDifference, nearestColours } from '../colour/index.ts'
import { layerFaults } from '../mannequin/index.ts'
import { paletteOf, starterMoulds } from '../starter/index.ts'
import type { RecipeAlteration, RecipeColour, RecipeMade, RecipeMould, RecipePart, RecipePrint } from './recipe.ts'
import { isSameMould, isSamePrint, SAME_COLOUR } from './recipeLooks.ts'

/** What would be made new to have all of a recipe here. */
export interface MadeOfRecipe {
  colours: Colour[]
  moulds: Mould[]
  prints: Print[]
  parts: Part[]
  /** Layers of prints that are not known here, and so are left out. */
  strangeLayers: number
}

/** Codes of what is made new: its own where that is free here, else with a mark. */
function freeCode(code: string, taken: ReadonlyMap<string, unknown>): string {
  for (let n = 1; ; n++) {
    const tried = n === 1 ? code : `${code}-r${n}`
    if (!taken.has(tried)) return tried
  }
}

/** The family of the nearest colour there is, here or on the starter shelf; skin is what heads and mitts show alone. */
function familyOf(hex: string, kind: PartKind, catalogue: Catalogue): string {
  const known = paletteOf(catalogue).filter(({ family }) => family !== 'skin' || kind === 'head' || kind === 'hand')
  return nearestColours(hex, known)[0]?.colour.family ?? 'grey'
}

/**
 * Makes what a catalogue lacks of a recipe. `catalogue` is the given one and what was made; the given one stays as it is.
 */
export class RecipeMaker {
  readonly made: MadeOfRecipe = { colours: [], moulds: [], prints: [], parts: [], strangeLayers: 0 }
  readonly catalogue: Catalogue
  private readonly colours: Map<string, Colour>
  private readonly moulds: Map<string, Mould>
  private readonly prints: Map<string, Print>
  private readonly parts: Map<string, Part>

  constructor({ colours, moulds, prints, parts }: Catalogue) {
    this.colours = new Map(colours)
    this.moulds = new Map(moulds)
    this.prints = new Map(prints)
    this.parts = new Map(parts)
    this.catalogue = { colours: this.colours, moulds: this.moulds, prints: this.prints, parts: this.parts }
  }

  /** Code of a new part that looks like the recipe's. */
  part({ code, name, mould, colours, print, sources }: RecipePart): string {
    const own: Part = {
      code: freeCode(code, this.parts),
      name,
      mould: this.mould(mould),
      colours: colours.map((colour) => this.colour(colour, mould.kind)),
      print: print && this.print(print, mould.kind),
      year: sources.find(({ year }) => year !== null)?.year ?? null,
      photo: null,
      components: [],
    }
    this.parts.set(own.code, own)
    this.made.parts.push(own)
    return own.code
  }

  /** An alteration by the colours and prints there are here, made where they are not. */
  alteration({ paint, shown, ...alteration }: RecipeAlteration, kind: PartKind): Alteration {
    return {
      ...alteration,
      ...(paint ? { colour: this.colour(paint, kind) } : {}),
      ...(shown ? { print: this.print(shown, kind) } : {}),
    }
  }

  /** What a piece is part of, as a copy that follows nothing here. */
  madeOf({ bands = [], ...made }: RecipeMade): MadeOf {
    return {
      ...made,
      kept: true,
      ...(bands.length > 0
        ? { bands: bands.map((band) => ({ ...band, colour: this.colour(band.colour, 'held') })) }
        : {}),
    }
  }

  private colour(colour: RecipeColour, kind: PartKind): string {
    for (const { code, hex, finish } of this.colours.values())
      if (finish === colour.finish && colourDifference(hex, colour.hex) <= SAME_COLOUR) return code
    const own = {
      ...colour,
      code: freeCode(colour.code, this.colours),
      family: familyOf(colour.hex, kind, this.catalogue),
    }
    this.colours.set(own.code, own)
    this.made.colours.push(own)
    return own.code
  }

  private mould(wanted: RecipeMould): string {
    const known = [...this.moulds.values(), ...starterMoulds()].filter(({ kind }) => kind === wanted.kind)
    const same = known.find((mould) => this.moulds.has(mould.code) && isSameMould(wanted, mould))
    if (same) return same.code
    // What a recipe does not say of a mould is that of the one most like it.
    const like = known.find(({ silhouette }) => silhouette === wanted.silhouette) ?? known[0]
    const own: Mould = {
      ...wanted,
      code: freeCode(wanted.code, this.moulds),
      mass: like?.mass ?? 0,
      connections: like?.connections ?? [],
      covers: like?.covers ?? [],
    }
    this.moulds.set(own.code, own)
    this.made.moulds.push(own)
    return own.code
  }

  private print(wanted: RecipePrint, kind: PartKind): string {
    // Both legs may wear one print, whatever kind it is filed under.
    for (const print of this.prints.values()) if (isSamePrint(wanted, print, this.catalogue)) return print.code
    const { front, back, colours = [] } = wanted.layers
    const codes = new Map(colours.map((colour) => [colour.code, this.colour(colour, kind)]))
    const isColour = (code: string) => this.colours.has(code)
    const here = (layers: typeof front) => {
      const named = layers.map((layer) => ({
        ...layer,
        ...Object.fromEntries(Object.entries(layer).map(([key, value]) => [key, codes.get(String(value)) ?? value])),
        kind: layer.kind,
      }))
      const known = named.filter((layer) => layerFaults(kind, layer, isColour).length === 0)
      this.made.strangeLayers += named.length - known.length
      return known
    }
    const own: Print = {
      code: freeCode(wanted.code, this.prints),
      name: wanted.name,
      kind,
      front: here(front),
      back: here(back),
      traits: {},
    }
    this.prints.set(own.code, own)
    this.made.prints.push(own)
    return own.code
  }
}
