import type { Colour, Drawables, Mould } from '@outfit/core/catalogue'
import type { MatchedOutfit, Recipe } from '@outfit/core/show'
import { api } from './api.ts'

/** A recipe held against what is here, with everything needed to draw it. */
export interface RecipeReport extends Drawables {
  outfits: Omit<MatchedOutfit, 'brief'>[]
  colours: Colour[]
  moulds: Mould[]
  made: { parts: number; moulds: number; prints: number; colours: number }
}

/** Recipes others handed on. */
export const recipeApi = api.injectEndpoints({
  endpoints: (build) => ({
    lookAtRecipe: build.mutation<RecipeReport, Recipe>({
      query: (body) => ({ url: 'recipes/look', method: 'POST', body }),
    }),
    takeRecipe: build.mutation<{ roster: string; outfits: number; parts: number }, { name: string; recipe: Recipe }>({
      query: (body) => ({ url: 'recipes', method: 'POST', body }),
      invalidatesTags: ['Outfit', 'Shelves', 'Catalogue'],
    }),
  }),
})
