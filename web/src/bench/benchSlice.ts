import { createSlice, type PayloadAction } from '@reduxjs/toolkit'
import type { Placement } from '@outfit/core/catalogue'
import type { View } from '@outfit/core/mannequin'

/** How far what is on the bench has got: kept, on its way, waiting for the server, or in conflict with another writer. */
export type SaveState = 'saved' | 'saving' | 'unsaved' | 'offline' | 'conflict'

interface BenchState {
  outfit: string | null
  take: string | null
  version: number
  present: Placement[]
  past: Placement[][]
  future: Placement[][]
  save: SaveState
  /** Row of the spine being worked on. */
  row: string
  view: View
}

const initialState: BenchState = {
  outfit: null,
  take: null,
  version: 0,
  present: [],
  past: [],
  future: [],
  save: 'saved',
  row: 'headgear',
  view: 'front',
}

/** Steps of undo kept. */
const MOST_STEPS = 200

export const benchSlice = createSlice({
  name: 'bench',
  initialState,
  reducers: {
    /** Put a take on the bench. A draft that never reached the server comes back as one undoable step. */
    opened(
      state,
      {
        payload,
      }: PayloadAction<{
        outfit: string
        take: string
        version: number
        placements: Placement[]
        draft: Placement[] | null
      }>,
    ) {
      const { placements, draft, ...where } = payload
      Object.assign(state, where)
      state.present = draft ?? placements
      state.past = draft ? [placements] : []
      state.future = []
      state.save = draft ? 'unsaved' : 'saved'
    },
    changed(state, { payload }: PayloadAction<Placement[]>) {
      state.past = [...state.past, state.present].slice(-MOST_STEPS)
      state.present = payload
      state.future = []
      state.save = 'unsaved'
    },
    undone(state) {
      const before = state.past.pop()
      if (!before) return
      state.future.push(state.present)
      state.present = before
      state.save = 'unsaved'
    },
    redone(state) {
      const after = state.future.pop()
      if (!after) return
      state.past.push(state.present)
      state.present = after
      state.save = 'unsaved'
    },
    saveMoved(state, { payload }: PayloadAction<{ save: SaveState; version?: number }>) {
      state.save = payload.save
      if (payload.version !== undefined) state.version = payload.version
    },
    versionSeen(state, { payload }: PayloadAction<number>) {
      state.version = payload
    },
    rowPicked(state, { payload }: PayloadAction<string>) {
      state.row = payload
    },
    viewTurned(state) {
      state.view = state.view === 'front' ? 'back' : 'front'
    },
  },
})

export const { opened, changed, undone, redone, saveMoved, versionSeen, rowPicked, viewTurned } = benchSlice.actions
