import { createAction, createSlice, type PayloadAction } from '@reduxjs/toolkit'
import type { Placement } from '@outfit/core/catalogue'
import type { View } from '@outfit/core/mannequin'
import type { SaveState } from '../data/saver.ts'

/** How far what is on the bench has got. */
type BenchSave = Exclude<SaveState, 'refused'>

/** A change waits to be saved, unless it is open yet whose is to stay. */
const waiting = (save: BenchSave): BenchSave => (save === 'conflict' ? 'conflict' : 'unsaved')

interface BenchState {
  outfit: string | null
  take: string | null
  version: number
  present: Placement[]
  past: Placement[][]
  future: Placement[][]
  save: BenchSave
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
      state.save = waiting(state.save)
    },
    undone(state) {
      const before = state.past.pop()
      if (!before) return
      state.future.push(state.present)
      state.present = before
      state.save = waiting(state.save)
    },
    redone(state) {
      const after = state.future.pop()
      if (!after) return
      state.past.push(state.present)
      state.present = after
      state.save = waiting(state.save)
    },
    saveMoved(state, { payload }: PayloadAction<{ save: BenchSave; version?: number }>) {
      state.save = payload.save
      if (payload.version !== undefined) state.version = payload.version
    },
    /** The outfit was written with its version checked: what comes next is written over the one that made. */
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

/** The take on the bench was read again from the server. */
export const takeRead = createAction<{ version: number; placements: Placement[] }>('bench/takeRead')

export const { opened, changed, undone, redone, saveMoved, versionSeen, rowPicked, viewTurned } = benchSlice.actions
