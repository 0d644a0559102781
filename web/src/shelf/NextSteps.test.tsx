/** @jest-environment jsdom */
import { afterEach, beforeEach, expect, test } from '@jest/globals'
import { act, cleanup, render, screen, waitFor } from '@testing-library/react'
import { userEvent } from '@testing-library/user-event'
import { FIRST_STEPS, type FirstStep } from '@outfit/core/shelf'
import { withServer } from '../test/withServer.tsx'
import { MemoryRouter } from 'react-router'
import { NextSteps } from './NextSteps.tsx'

beforeEach(() => localStorage.clear())
afterEach(cleanup)

const shown = (done: readonly FirstStep[], outfit: string | null = 'O') =>
  render(
    withServer(
      <MemoryRouter>
        <NextSteps />
        <p>below</p>
      </MemoryRouter>,
      {
        'first-steps': { outfit, done: Object.fromEntries(FIRST_STEPS.map((step) => [step, done.includes(step)])) },
      },
    ),
  )

test('what is left has its way there, what was done is ticked', async () => {
  shown(['dressed', 'owned'])
  const links = (await screen.findAllByRole('link')).map((link) => [link.textContent, link.getAttribute('href')])
  expect(links).toEqual([
    ['Say what it must show', '/outfits/O/brief'],
    ['Bring in somebody’s prices', '/bring-in'],
    ['Plan the buying, and order', '/outfits/O/sourcing'],
  ])
  expect(screen.getAllByText('(done)')).toHaveLength(2)
})

test('it is closed for good', async () => {
  const user = userEvent.setup()
  shown([])
  await user.click(await screen.findByRole('button', { name: 'Close the next steps' }))
  expect(screen.queryByRole('region', { name: 'Next steps' })).toBeNull()
  cleanup()
  shown([])
  await waitFor(() => expect(screen.getByText('below')).toBeTruthy())
  expect(screen.queryByRole('region', { name: 'Next steps' })).toBeNull()
})

test('where all was done, or nobody stands anywhere, there is none', async () => {
  for (const [done, outfit] of [
    [FIRST_STEPS, 'O'],
    [[], null],
  ] as const) {
    shown(done, outfit)
    await act(() => new Promise((resolve) => setTimeout(resolve, 50)))
    expect(screen.queryByRole('region', { name: 'Next steps' })).toBeNull()
    cleanup()
  }
})
