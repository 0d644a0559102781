import { configureStore } from '@reduxjs/toolkit'
import { setupListeners } from '@reduxjs/toolkit/query'
import { autosave } from '../bench/autosave.ts'
import { benchSlice } from '../bench/benchSlice.ts'
import { api } from '../data/api.ts'
import { catalogueSlice } from '../data/catalogueSlice.ts'

export const store = configureStore({
  reducer: { api: api.reducer, bench: benchSlice.reducer, catalogue: catalogueSlice.reducer },
  middleware: (defaults) => defaults().prepend(autosave.middleware).concat(api.middleware),
})

// Coming back to a window asks again for what others may have changed meanwhile.
setupListeners(store.dispatch)
