import { createSelector, createSlice } from '@reduxjs/toolkit'
import { catalogueOf, type Catalogue, type Part } from '@outfit/core/catalogue'
import { api, type Candidate } from './api.ts'

interface CatalogueState {
  parts: Record<string, Part>
  /** Lowest single price by part, in euro cents, as far as it was looked up. */
  lowest: Record<string, number | null>
}

const initialState: CatalogueState = { parts: {}, lowest: {} }

/** Every part the screen has met, so that any of them can be drawn and checked without asking again. */
export const catalogueSlice = createSlice({
  name: 'catalogue',
  initialState,
  reducers: {},
  extraReducers: (build) => {
    const know = (state: CatalogueState, parts: readonly Part[]) => {
      for (const part of parts) state.parts[part.code] ??= part
    }
    const price = (state: CatalogueState, candidates: readonly Candidate[]) => {
      for (const { part, lowest } of candidates) state.lowest[part.code] = lowest
    }
    build
      .addMatcher(api.endpoints.shelves.matchFulfilled, (state, { payload }) => know(state, payload.parts))
      .addMatcher(api.endpoints.outfit.matchFulfilled, (state, { payload }) => {
        know(state, payload.parts)
        Object.assign(state.lowest, payload.lowest)
      })
      .addMatcher(api.endpoints.sameMould.matchFulfilled, (state, { payload }) => {
        const all = [...payload.items, ...payload.parts]
        know(
          state,
          all.map(({ part }) => part),
        )
        price(state, all)
      })
      .addMatcher(api.endpoints.report.matchFulfilled, (state, { payload }) => know(state, payload.parts))
      .addMatcher(api.endpoints.candidates.matchFulfilled, (state, { payload }) => {
        const all = [...payload.items, ...payload.parts]
        know(
          state,
          all.map(({ part }) => part),
        )
        price(state, all)
      })
  },
})

interface WithCatalogue {
  catalogue: CatalogueState
  api: Parameters<ReturnType<typeof api.endpoints.basics.select>>[0]['api']
}

const selectBasics = api.endpoints.basics.select()

/** The catalogue as core wants it; null until colours, moulds and prints are here. */
export const selectCatalogue: (state: WithCatalogue) => Catalogue | null = createSelector(
  [(state: WithCatalogue) => selectBasics(state as never).data, (state: WithCatalogue) => state.catalogue.parts],
  (basics, parts) => (basics ? catalogueOf({ ...basics, parts: Object.values(parts) }) : null),
)
