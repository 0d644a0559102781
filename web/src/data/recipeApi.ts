import type { Recipe, RecipeReport } from '@outfit/core/show'
import { api } from './api.ts'

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
