import {
  mainColour,
  mouldOf,
  type Catalogue,
  type Colour,
  type Layer,
  type Mould,
  type Part,
} from '../catalogue/index.ts'
import { recipeOf } from '../mannequin/index.ts'

/** A part as the eye meets it: with its mould, main colour, traits of its print, and the layers it shows in front. */
export interface Look {
  part: Part
  mould: Mould
  colour: Colour | undefined
  printTraits: Readonly<Record<string, string>>
  layers: readonly Layer[]
  hexOf: (colour: string) => string | undefined
}

/** What the eye makes of a part, the way it is worn. Guesses layers from words where nobody wrote a recipe. */
export function lookAt(part: Part, turned: boolean, catalogue: Catalogue): Look {
  const mould = mouldOf(catalogue, part)
  const print = part.print === null ? undefined : catalogue.prints.get(part.print)
  const recipe = recipeOf(part, print, mould.kind, print ? [...catalogue.colours.values()] : [])
  return {
    part,
    mould,
    colour: mainColour(catalogue, part),
    // Traits tell of the front; a turned part is known by its layers alone.
    printTraits: turned ? {} : (print?.traits ?? {}),
    layers: turned ? recipe.back : recipe.front,
    hexOf: (code) => catalogue.colours.get(code)?.hex,
  }
}
