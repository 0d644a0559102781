/** @jest-environment jsdom */
import { afterEach, expect, test } from '@jest/globals'
import { act, cleanup, render, screen } from '@testing-library/react'
import { withServer } from '../test/withServer.tsx'
import { MemoryRouter } from 'react-router'
import { TakenDown } from './TakenDown.tsx'

afterEach(cleanup)

const shown = (removed: object[], silent: boolean) =>
  render(
    withServer(
      <MemoryRouter>
        <p>beside</p>
        <TakenDown silent={silent} />
      </MemoryRouter>,
      { removed },
    ),
  )

test('the only roster, taken down, is told with its way back', async () => {
  shown([{ id: 'R1', at: '2026-11-30T10:00:00.000Z', what: 'roster', name: 'Quay choir' }], true)
  expect(await screen.findByRole('button', { name: 'Put back Quay choir' })).toBeTruthy()
})

test('where nothing was, that is said only where it was asked', async () => {
  shown([], false)
  expect(await screen.findByText('Nothing is waiting to be put back.')).toBeTruthy()
  cleanup()
  shown([], true)
  await act(() => new Promise((resolve) => setTimeout(resolve, 20)))
  expect(screen.queryByRole('heading')).toBeNull()
})
