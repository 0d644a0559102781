import { configureStore } from '@reduxjs/toolkit'
import { setupListeners } from '@reduxjs/toolkit/query'
import { useDispatch, useSelector } from 'react-redux'
import { autosave } from '../bench/autosave.ts'
import { benchSlice } from '../bench/benchSlice.ts'
import { api } from './api.ts'
import { otherWindows } from './otherWindows.ts'
import { catalogueSlice } from './catalogueSlice.ts'

export const store = configureStore({
  reducer: { api: api.reducer, bench: benchSlice.reducer, catalogue: catalogueSlice.reducer },
  middleware: (defaults) =>
    defaults({ serializableCheck: false, immutableCheck: false })
      .prepend(autosave.middleware)
      .concat(api.middleware, otherWindows),
})

// Coming back to a window asks again for what others may have changed meanwhile.
setupListeners(store.dispatch)

export type RootState = ReturnType<typeof store.getState>
export type AppDispatch = typeof store.dispatch
export const useAppDispatch = useDispatch.withTypes<AppDispatch>()
export const useAppSelector = useSelector.withTypes<RootState>()
