import { createSelector, createSlice, isDraft, original } from '@reduxjs/toolkit'
import { catalogueOf, type Catalogue, type Drawables, type Part, type Print } from '@outfit/core/catalogue'
import { api, type Candidate, type PricedParts } from './api.ts'
import { madeApi } from './madeApi.ts'

interface CatalogueState {
  parts: Record<string, Part>
  prints: Record<string, Print>
  /** Lowest single price by part, in euro cents, as far as it was looked up. */
  lowest: Record<string, number | null>
}

const initialState: CatalogueState = { parts: {}, prints: {}, lowest: {} }

/** Two answers about the same entry are mostly equal; keeping the first then spares everything drawn from it. */
function keep<T extends { code: string }>(known: Record<string, T>, entries: readonly T[]) {
  const plain = (isDraft(known) ? original(known as object) : known) as Record<string, T>
  for (const entry of entries) {
    const before = plain[entry.code]
    if (!before || JSON.stringify(before) !== JSON.stringify(entry)) known[entry.code] = entry
  }
}

function know(state: CatalogueState, { parts, prints }: Drawables) {
  keep(state.parts, parts)
  keep(state.prints, prints)
}

function knowPriced(state: CatalogueState, { items, parts, prints }: PricedParts) {
  const all: Candidate[] = [...items, ...parts]
  know(state, { parts: all.map(({ part }) => part), prints })
  for (const { part, lowest } of all) state.lowest[part.code] = lowest
}

const { endpoints } = api

/** Every part and print the screen has met, so that any of them can be drawn and checked without asking again. */
export const catalogueSlice = createSlice({
  name: 'catalogue',
  initialState,
  reducers: {},
  extraReducers: (build) => {
    build
      .addMatcher(endpoints.shelves.matchFulfilled, (state, { payload }) => know(state, payload))
      .addMatcher(endpoints.outfit.matchFulfilled, (state, { payload }) => {
        know(state, payload)
        Object.assign(state.lowest, payload.lowest)
      })
      .addMatcher(madeApi.endpoints.made.matchFulfilled, (state, { payload }) => know(state, payload))
      .addMatcher(endpoints.report.matchFulfilled, (state, { payload }) => know(state, payload))
      .addMatcher(endpoints.waysToGet.matchFulfilled, (state, { payload }) => know(state, payload))
      .addMatcher(endpoints.figure.matchFulfilled, (state, { payload }) => know(state, payload))
      .addMatcher(endpoints.release.matchFulfilled, (state, { payload }) => know(state, payload))
      .addMatcher(endpoints.print.matchFulfilled, (state, { payload }) => know(state, { parts: [], prints: [payload] }))
      .addMatcher(endpoints.prints.matchFulfilled, (state, { payload }) => know(state, { parts: [], prints: payload }))
      // Asked for whatever is pointed at on the bench: it brings in what is unknown and leaves the rest, so that nothing is
      // drawn again for a look.
      .addMatcher(endpoints.partDetail.matchFulfilled, (state, { payload: { part, parts, prints, offers } }) => {
        know(state, {
          parts: [part, ...parts].filter(({ code }) => !(code in state.parts)),
          prints: prints.filter(({ code }) => !(code in state.prints)),
        })
        state.lowest[part.code] ??= offers.length > 0 ? Math.min(...offers.map(({ home }) => home)) : null
      })
    for (const endpoint of [endpoints.sameMould, endpoints.candidates, endpoints.findParts, endpoints.goesWith])
      build.addMatcher(endpoint.matchFulfilled, (state, { payload }) => knowPriced(state, payload))
  },
})

interface WithCatalogue {
  catalogue: CatalogueState
  api: Parameters<ReturnType<typeof api.endpoints.basics.select>>[0]['api']
}

const selectBasics = api.endpoints.basics.select()

/** The catalogue as core wants it; null until colours and moulds are here. */
export const selectCatalogue: (state: WithCatalogue) => Catalogue | null = createSelector(
  [
    (state: WithCatalogue) => selectBasics(state as never).data,
    (state: WithCatalogue) => state.catalogue.parts,
    (state: WithCatalogue) => state.catalogue.prints,
  ],
  (basics, parts, prints) => {
    if (!basics) return null
    const moulds = new Set(basics.moulds.map(({ code }) => code))
    // A part of a mould made a moment ago comes in with the moulds.
    const known = Object.values(parts).filter(({ mould }) => moulds.has(mould))
    return catalogueOf({ ...basics, parts: known, prints: Object.values(prints) })
  },
)
