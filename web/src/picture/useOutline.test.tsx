/** @jest-environment jsdom */
import { afterEach, expect, jest, test } from '@jest/globals'
import { act, cleanup, renderHook, waitFor } from '@testing-library/react'
import { WHOLE_PICTURE, type PictureOutline } from '@outfit/core/picture'
import { usualOutline } from '@outfit/core/picture'
import type { Reference } from '@outfit/core/roster'
import { withServer } from '../test/withServer.tsx'

const ask = jest.fn<(what: string) => Promise<unknown>>()
jest.unstable_mockModule('./askPicture.ts', () => ({ askPicture: ask }))
const { useOutline } = await import('./useOutline.ts')

afterEach(cleanup)

const outline: PictureOutline = { box: WHOLE_PICTURE, points: usualOutline(WHOLE_PICTURE, 1), height: null }
const reference: Reference = { id: 'R', photo: 'f', caption: '', ownOutfit: true, outline }
const pixels = { data: new Uint8ClampedArray(4), width: 1, height: 1 }
const work = () =>
  renderHook(() => useOutline('O', reference, pixels), { wrapper: ({ children }) => withServer(children) }).result

test('a picture that cannot be read is said so; what lay on it stays, and it can be tried again', async () => {
  ask.mockRejectedValue(new Error('no worker'))
  const result = work()
  await act(() => result.current.find())
  expect(result.current.now).toEqual({ step: 'laid' })
  expect(result.current.note).toMatch(/could not be read/)
  expect(result.current.outline).toEqual(outline)
})

test('where no figure is found the doll lies as figures usually stand, which one step takes back', async () => {
  ask.mockImplementation((what) => Promise.resolve(what === 'figures' ? [] : null))
  const result = work()
  await act(() => result.current.find())
  await waitFor(() => expect(result.current.note).toMatch(/not plain enough/))
  expect(result.current.past).toEqual([outline])
  act(() => result.current.undo())
  expect(result.current.outline).toEqual(outline)
})

test('of several figures one is asked for first', async () => {
  const figures = [0, 0.5].map((x) => ({ box: { x, y: 0, width: 0.5, height: 1 }, height: 1 }))
  ask.mockImplementation(() => Promise.resolve(figures))
  const result = work()
  await act(() => result.current.find())
  expect(result.current.now).toEqual({ step: 'picking', figures })
  expect(result.current.outline).toEqual(outline)
})
