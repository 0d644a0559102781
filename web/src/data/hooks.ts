import type { ThunkDispatch, UnknownAction } from '@reduxjs/toolkit'
import { useDispatch, useSelector } from 'react-redux'
import type { api } from './api.ts'
import type { catalogueSlice } from './catalogueSlice.ts'

/** What every room sees of the store; a room with a slice of its own has hooks of its own for that. */
export interface DataState {
  api: ReturnType<typeof api.reducer>
  catalogue: ReturnType<typeof catalogueSlice.reducer>
}

export type AppDispatch = ThunkDispatch<DataState, unknown, UnknownAction>

export const useAppDispatch = useDispatch.withTypes<AppDispatch>()
export const useAppSelector = useSelector.withTypes<DataState>()
