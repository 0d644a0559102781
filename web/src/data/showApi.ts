import type { CardChoices, CardPhoto, SheetChoices } from '@outfit/core/show'
import { api } from './api.ts'

/** What is chosen for cards and sheets. */
export const showApi = api.injectEndpoints({
  endpoints: (build) => ({
    cardChoices: build.query<CardChoices, string>({ query: (outfit) => `outfits/${outfit}/card` }),
    cardLight: build.query<{ told: boolean }, { id: string; photo: CardPhoto }>({
      query: ({ id, photo }) => ({ url: `outfits/${id}/card/light`, params: { photo: JSON.stringify(photo) } }),
    }),
    chooseCard: build.mutation<void, { id: string; choices: CardChoices }>({
      query: ({ id, choices }) => ({ url: `outfits/${id}/card`, method: 'PUT', body: choices }),
      async onQueryStarted({ id, choices }, { dispatch, queryFulfilled }) {
        await queryFulfilled
        dispatch(showApi.util.upsertQueryData('cardChoices', id, choices))
      },
    }),
    sheetChoices: build.query<SheetChoices, string>({ query: (roster) => `rosters/${roster}/sheet` }),
    chooseSheet: build.mutation<void, { id: string; choices: SheetChoices }>({
      query: ({ id, choices }) => ({ url: `rosters/${id}/sheet`, method: 'PUT', body: choices }),
      async onQueryStarted({ id, choices }, { dispatch, queryFulfilled }) {
        await queryFulfilled
        dispatch(showApi.util.upsertQueryData('sheetChoices', id, choices))
      },
    }),
  }),
})
