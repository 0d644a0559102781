import { describe, expect, test } from '@jest/globals'
import type { Placement } from '@outfit/core/catalogue'
import {
  benchSlice,
  changed,
  opened,
  redone,
  rowPicked,
  saveMoved,
  undone,
  versionSeen,
  viewTurned,
} from './benchSlice.ts'

const worn = (...parts: string[]): Placement[] =>
  parts.map((part, order) => ({ slot: 'neck', part, order, turned: false }))
const start = opened({ outfit: 'o', take: 't', version: 3, placements: worn('A'), draft: null })
const after = (...actions: Parameters<typeof benchSlice.reducer>[1][]) =>
  actions.reduce(benchSlice.reducer, benchSlice.getInitialState())

describe('the bench', () => {
  test('undo and redo walk through the changes; a new change forgets what was undone', () => {
    const state = after(start, changed(worn('A', 'B')), changed(worn('C')))
    expect(after(start, changed(worn('A', 'B')), changed(worn('C')), undone()).present).toEqual(worn('A', 'B'))
    expect(benchSlice.reducer(benchSlice.reducer(state, undone()), redone())).toEqual({ ...state, save: 'unsaved' })
    const forked = [undone(), changed(worn('D')), redone()].reduce(benchSlice.reducer, state)
    expect([forked.present, forked.future]).toEqual([worn('D'), []])
  })

  test('with nothing to undo or redo stays as it is', () => {
    expect(after(start, undone(), redone())).toEqual(after(start))
  })

  test('every change waits to be saved until the server has acknowledged it', () => {
    expect(after(start).save).toBe('saved')
    for (const change of [changed(worn('B'))]) expect(after(start, change).save).toBe('unsaved')
    expect(after(start, changed(worn('B')), saveMoved({ save: 'saved', version: 4 }))).toMatchObject({
      save: 'saved',
      version: 4,
    })
    expect(after(start, changed(worn('B')), saveMoved({ save: 'saved', version: 4 }), undone()).save).toBe('unsaved')
  })

  test('a draft that was found comes back as one step that can be undone', () => {
    const state = after(opened({ outfit: 'o', take: 't', version: 3, placements: worn('A'), draft: worn('X') }))
    expect([state.present, state.save]).toEqual([worn('X'), 'unsaved'])
    expect(benchSlice.reducer(state, undone()).present).toEqual(worn('A'))
  })

  test('keeps two hundred steps', () => {
    const many = Array.from({ length: 260 }, (_, i) => changed(worn(`P${i}`)))
    expect(after(start, ...many).past).toHaveLength(200)
  })

  test('another take begins a history of its own', () => {
    const state = after(
      start,
      changed(worn('B')),
      opened({ outfit: 'o', take: 'u', version: 9, placements: [], draft: null }),
    )
    expect(state).toMatchObject({ take: 'u', version: 9, present: [], past: [], future: [] })
  })

  test('rows, views and versions are looked at without touching what is worn', () => {
    const state = after(start, rowPicked('legs'), viewTurned(), versionSeen(12))
    expect(state).toMatchObject({ row: 'legs', view: 'back', version: 12, present: worn('A'), save: 'saved' })
    expect(benchSlice.reducer(state, viewTurned()).view).toBe('front')
  })
})
