import { useSelector } from 'react-redux'
import type { DataState } from '../data/hooks.ts'
import type { benchSlice } from './benchSlice.ts'

/** The store as the bench sees it. */
export interface BenchRoot extends DataState {
  bench: ReturnType<typeof benchSlice.reducer>
}

export const useBenchSelector = useSelector.withTypes<BenchRoot>()
