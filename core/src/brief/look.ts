import {
  mainColour,
  mouldOf,
  type Catalogue,
  type Colour,
  type Layer,
  type Mould,
  type Part,
  type Print,
} from '../catalogue/index.ts'
import { printRecipeOf } from '../mannequin/index.ts'

/** A part as the eye meets it: with its mould, main colour, traits of its print, and the layers it shows in front. */
export interface Look {
  part: Part
  mould: Mould
  colour: Colour | undefined
  printTraits: Readonly<Record<string, string>>
  layers: readonly Layer[]
  hexOf(colour: string): string | undefined
}

/**
 * What the eye makes of a part, the way it is worn; `what` is what it is as a piece of something made of several parts, a
 * staff, and not by itself. Guesses layers from words where nobody wrote a recipe.
 */
export function lookAt(part: Part, turned: boolean, catalogue: Catalogue, what?: string): Look {
  return new PartLook(part, turned, catalogue, what)
}

const NO_TRAITS = {}

/** A mould as part of something else: what that is counts, and not what it is by itself. */
function asPieceOf(what: string, mould: Mould): Mould {
  const { animal: _animal, ...traits } = mould.traits
  return { ...mould, traits: { ...traits, item: what, thing: what } }
}

class PartLook implements Look {
  readonly mould: Mould
  readonly colour: Colour | undefined
  readonly printTraits: Readonly<Record<string, string>>
  private readonly print: Print | undefined
  private recipe: readonly Layer[] | null = null

  constructor(
    readonly part: Part,
    private readonly turned: boolean,
    private readonly catalogue: Catalogue,
    what?: string,
  ) {
    const mould = mouldOf(catalogue, part)
    this.mould = what === undefined ? mould : asPieceOf(what, mould)
    this.print = part.print === null ? undefined : catalogue.prints.get(part.print)
    this.colour = mainColour(catalogue, part)
    // Traits tell of the front; a turned part is known by its layers alone.
    this.printTraits = (turned ? undefined : this.print?.traits) ?? NO_TRAITS
  }

  /** Worked out for who asks: most wishes are about moulds and colours, and a tray has thousands of looks. */
  get layers(): readonly Layer[] {
    const { part, print, mould, catalogue, turned } = this
    this.recipe ??= printRecipeOf(part, print, mould.kind, print ? [...catalogue.colours.values()] : [])[
      turned ? 'back' : 'front'
    ]
    return this.recipe
  }

  hexOf(colour: string): string | undefined {
    return this.catalogue.colours.get(colour)?.hex
  }
}
