/** @jest-environment jsdom */
import { afterEach, beforeEach, expect, jest, test } from '@jest/globals'
import { configureStore } from '@reduxjs/toolkit'
import type { Asked } from '../test/standIns.ts'
import '../test/standIns.ts'
import fc from 'fast-check'
import type { Placement } from '@outfit/core/catalogue'
import { api } from '../data/api.ts'
import { catalogueSlice } from '../data/catalogueSlice.ts'
import { autosave } from './autosave.ts'
import { benchSlice, changed, opened, redone, takeRead, undone } from './benchSlice.ts'
import { findDraft } from './drafts.ts'
import { settleConflict } from './settleConflict.ts'

beforeEach(() => void jest.useFakeTimers())
afterEach(() => void jest.useRealTimers())

const wearing = (part: string): Placement[] => [{ slot: 'headgear', part, order: 0, turned: false }]
const partOf = (placements: readonly Placement[]) => placements[0]!.part

/** A server with one outfit of one take, as far as the bench asks it: versions are checked, answers may be lost. */
class OneTake {
  version = 1
  placements = wearing('first')
  /** Does not answer; or writes, and the answer is lost on its way. */
  fails: 'no' | 'away' | 'loses answers' = 'no'
  /** Whether somebody took the take away; another is left, and what is made. */
  isGone = false
  readonly made: string[] = []
  /** What each version wore. */
  readonly was = new Map([[1, 'first']])
  /** What the person at the window has seen there, or has sent since: whatever else others wrote is not theirs to write over. */
  private known = new Set(['first'])
  /** Versions of others since. */
  private readonly unseen = new Set<number>()
  /** How often one of those was written over. */
  trampled = 0

  write(placements: Placement[]): void {
    this.placements = placements
    this.was.set(++this.version, partOf(placements))
  }

  /** Somebody else writes. */
  writeElsewhere(placements: Placement[]): void {
    this.write(placements)
    this.unseen.add(this.version)
  }

  /** The person at the window is shown what there is now. */
  shows(): void {
    this.unseen.clear()
    this.known = new Set([partOf(this.placements)])
  }

  readonly fetch = ({ url, method, body }: Asked): Promise<object> => {
    if (this.fails === 'away') return Promise.reject(new TypeError('away'))
    if (method === 'GET' && url === '/api/outfits/O') {
      const id = this.isGone ? 'other' : 'T'
      const takes = [{ id, label: 'A', placements: this.placements, accepted: [] }]
      return this.answer(200, { id: 'O', version: this.version, takes, parts: [], prints: [] })
    }
    if (method === 'PUT' && url === '/api/outfits/O/takes/T' && !this.isGone) {
      const { version, placements } = JSON.parse(body!) as { version: number; placements: Placement[] }
      this.known.add(partOf(placements))
      if (version !== this.version) return this.answer(409, { detail: 'changed' })
      if (this.unseen.has(version) && !this.known.has(this.was.get(version)!)) this.trampled++
      this.write(placements)
      if (this.fails === 'no') this.known = new Set([partOf(placements)])
      return this.answer(200, { version: this.version })
    }
    if (method === 'POST' && url === '/api/outfits/O/takes') {
      this.made.push(partOf((JSON.parse(body!) as { placements: Placement[] }).placements))
      return this.answer(201, { version: ++this.version, take: 'N', label: 'C' })
    }
    return this.answer(404, {})
  }

  private answer(status: number, body: object): Promise<object> {
    if (this.fails === 'loses answers') return Promise.reject(new TypeError('lost'))
    const text = () => Promise.resolve(JSON.stringify(body))
    const headers = new Map([['content-type', 'application/json']])
    const answer = { ok: status < 400, status, headers, text }
    return Promise.resolve({ ...answer, clone: () => answer })
  }
}

/** A window with the take on its bench, as a page that is loaded has it. */
function openWindow(server: OneTake) {
  // What a window waits for ends with it.
  jest.clearAllTimers()
  Object.assign(globalThis, { fetch: server.fetch })
  const store = configureStore({
    reducer: { api: api.reducer, bench: benchSlice.reducer, catalogue: catalogueSlice.reducer },
    middleware: (defaults) => defaults().prepend(autosave.middleware).concat(api.middleware),
  })
  const draft = findDraft('T')
  if (!draft) server.shows()
  const { version, placements } = server
  store.dispatch(
    opened({
      outfit: 'O',
      take: 'T',
      version: draft?.version ?? version,
      placements,
      draft: draft?.value ?? null,
    }),
  )
  return store
}
type Window = ReturnType<typeof openWindow>

const read = ({ version, placements }: OneTake) => ({ version, placements })
const state = (window: Window) => window.getState().bench
const pass = (ms: number) => jest.advanceTimersByTimeAsync(ms)
/** Longer than anything is waited for before it is tried again. */
const LONG_ENOUGH = 8000

async function begin() {
  localStorage.clear()
  const server = new OneTake()
  return { server, window: openWindow(server) }
}

test('changes are saved a moment after the last of them, undone ones too', async () => {
  const { server, window } = await begin()
  window.dispatch(changed(wearing('hat')))
  window.dispatch(changed(wearing('cap')))
  expect(state(window).save).toBe('unsaved')
  await pass(1000)
  expect([state(window).save, [...server.was.values()]]).toEqual(['saved', ['first', 'cap']])
  window.dispatch(undone())
  await pass(1000)
  expect([state(window).save, partOf(server.placements), findDraft('T')]).toEqual(['saved', 'hat', null])
})

test('a draft that never reached the server comes back after a reload, as one step that can be undone', async () => {
  const { server, window } = await begin()
  server.fails = 'away'
  window.dispatch(changed(wearing('hat')))
  await pass(1000)
  expect(state(window).save).toBe('offline')
  server.fails = 'no'
  const again = openWindow(server)
  expect([partOf(state(again).present), state(again).past.map(partOf)]).toEqual(['hat', ['first']])
  await pass(LONG_ENOUGH)
  expect([state(again).save, partOf(server.placements)]).toEqual(['saved', 'hat'])
})

test('a draft older than what the server has asks whose is to stay; either can', async () => {
  for (const mine of [true, false]) {
    const { server, window } = await begin()
    server.fails = 'away'
    window.dispatch(changed(wearing('hat')))
    await pass(1000)
    server.fails = 'no'
    server.writeElsewhere(wearing('theirs'))
    const again = openWindow(server)
    await pass(LONG_ENOUGH)
    expect([state(again).save, partOf(server.placements)]).toEqual(['conflict', 'theirs'])
    await settleConflict(again, mine)
    await pass(LONG_ENOUGH)
    const stays = mine ? 'hat' : 'theirs'
    expect([state(again).save, partOf(state(again).present), partOf(server.placements)]).toEqual([
      'saved',
      stays,
      stays,
    ])
    expect(findDraft('T')).toBeNull()
  }
})

test('a lost answer is no conflict, also where more was changed meanwhile', async () => {
  const { server, window } = await begin()
  server.fails = 'loses answers'
  window.dispatch(changed(wearing('hat')))
  await pass(1000)
  expect([state(window).save, partOf(server.placements)]).toEqual(['offline', 'hat'])
  window.dispatch(changed(wearing('cap')))
  server.fails = 'no'
  await pass(LONG_ENOUGH)
  expect([state(window).save, partOf(server.placements)]).toEqual(['saved', 'cap'])
})

test('while the server is away, settling a conflict changes nothing and says why', async () => {
  const { server, window } = await begin()
  server.writeElsewhere(wearing('theirs'))
  window.dispatch(changed(wearing('hat')))
  await pass(1000)
  expect(state(window).save).toBe('conflict')
  server.fails = 'away'
  await expect(settleConflict(window, false)).rejects.toMatchObject({ status: 'FETCH_ERROR' })
  expect([state(window).save, partOf(state(window).present)]).toEqual(['conflict', 'hat'])
})

test('of a take that was taken away, what is kept becomes one of its own, and no other is written over', async () => {
  for (const mine of [true, false]) {
    const { server, window } = await begin()
    server.isGone = true
    server.placements = wearing('another')
    window.dispatch(changed(wearing('hat')))
    await pass(1000)
    expect(state(window).save).toBe('conflict')
    expect(await settleConflict(window, mine)).toBe(mine ? 'C' : null)
    await pass(LONG_ENOUGH)
    expect([server.made, partOf(server.placements)]).toEqual([mine ? ['hat'] : [], 'another'])
    expect([state(window).take, state(window).save, partOf(state(window).present)]).toEqual([
      'other',
      'saved',
      'another',
    ])
    expect(findDraft('T')).toBeNull()
  }
})

test('what another window saved is asked about before it is written over, also where it was read meanwhile', async () => {
  const { server, window } = await begin()
  server.writeElsewhere(wearing('theirs'))
  window.dispatch(takeRead(read(server)))
  window.dispatch(changed(wearing('hat')))
  await pass(1000)
  expect([state(window).save, partOf(server.placements)]).toEqual(['conflict', 'theirs'])
  // Nor by what is changed after that was told.
  window.dispatch(takeRead(read(server)))
  window.dispatch(changed(wearing('cap')))
  await pass(LONG_ENOUGH)
  expect([state(window).save, partOf(server.placements)]).toEqual(['conflict', 'theirs'])
})

test('what changed another take, or what else there is of the outfit, is no conflict', async () => {
  const { server, window } = await begin()
  server.writeElsewhere(wearing('first'))
  server.shows()
  window.dispatch(changed(wearing('hat')))
  await pass(1000)
  expect([state(window).save, partOf(server.placements)]).toEqual(['saved', 'hat'])
})

type Event =
  | { do: 'change' | 'elsewhere'; part: string }
  | { do: 'undo' | 'redo' | 'reload' | 'read' | 'mine' | 'theirs' }
  | { do: 'server'; fails: OneTake['fails'] }
  | { do: 'wait'; ms: number }

const part = fc.constantFrom('hat', 'cap', 'hood', 'bun', 'bob')
const event: fc.Arbitrary<Event> = fc.oneof(
  { weight: 5, arbitrary: fc.record({ do: fc.constant('change' as const), part }) },
  { weight: 1, arbitrary: fc.record({ do: fc.constant('elsewhere' as const), part }) },
  { weight: 4, arbitrary: fc.record({ do: fc.constantFrom('undo', 'redo', 'reload', 'read', 'mine', 'theirs') }) },
  {
    weight: 3,
    arbitrary: fc.record({
      do: fc.constant('server' as const),
      fails: fc.constantFrom<OneTake['fails']>('no', 'no', 'away', 'loses answers'),
    }),
  },
  { weight: 5, arbitrary: fc.record({ do: fc.constant('wait' as const), ms: fc.constantFrom(0, 150, 400, 3100) }) },
)

test('whatever happens in whatever order: what is called saved is there, nothing is lost, and nobody is accused for nothing', async () => {
  await fc.assert(
    fc.asyncProperty(fc.array(event, { minLength: 3, maxLength: 25 }), async (events) => {
      const { server, window: first } = await begin()
      let window = first
      let others = false
      const look = () => {
        const { save, present, version } = state(window)
        if (save === 'saved') expect(server.was.get(version)).toBe(partOf(present))
        if (!others) expect(save).not.toBe('conflict')
      }
      for (const one of events) {
        if (one.do === 'change') window.dispatch(changed(wearing(one.part)))
        else if (one.do === 'undo') window.dispatch(undone())
        else if (one.do === 'redo') window.dispatch(redone())
        else if (one.do === 'server') server.fails = one.fails
        else if (one.do === 'wait') await pass(one.ms)
        else if (one.do === 'elsewhere') {
          others = true
          server.writeElsewhere(wearing(`their ${one.part}`))
        } else if (one.do === 'reload') {
          const { save, present } = state(window)
          // What a page asked before it was left has come by the time the next is there.
          await pass(0)
          if (server.fails !== 'no') continue
          window = openWindow(server)
          if (save !== 'saved') expect(state(window).present).toEqual(present)
        } else if (one.do === 'read') window.dispatch(takeRead(read(server)))
        else if (state(window).save === 'conflict' && server.fails === 'no') {
          server.shows()
          await settleConflict(window, one.do === 'mine')
        }
        look()
      }
      server.fails = 'no'
      await pass(LONG_ENOUGH)
      look()
      const mine = partOf(state(window).present)
      if (state(window).save === 'conflict') {
        server.shows()
        await settleConflict(window, true)
        await pass(LONG_ENOUGH)
      }
      expect(server.trampled).toBe(0)
      expect([state(window).save, findDraft('T')]).toEqual(['saved', null])
      expect(partOf(state(window).present)).toBe(mine)
    }),
    { numRuns: process.env['OUTFIT_LONG'] === '1' ? 3000 : 100 },
  )
}, 300_000)
