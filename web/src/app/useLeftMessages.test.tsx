/** @jest-environment jsdom */
import { afterAll, afterEach, beforeAll, expect, test } from '@jest/globals'
import { cleanup, fireEvent, render, screen, waitFor } from '@testing-library/react'
import { Toaster, toast } from 'sonner'
import { useLeftMessages } from './useLeftMessages.ts'

/** Messages go away by timers and frames of their own. */
beforeAll(() => void Object.assign(globalThis, { IS_REACT_ACT_ENVIRONMENT: false }))
afterAll(() => void Object.assign(globalThis, { IS_REACT_ACT_ENVIRONMENT: true }))
afterEach(cleanup)

function View({ path }: { path: string }) {
  useLeftMessages(path)
  return <Toaster />
}

test('messages of a view go with it; those with a way back and what a press has just said stay', async () => {
  const { rerender } = render(<View path="/parts" />)
  await waitFor(() => expect(screen.getByLabelText(/Notifications/)).toBeTruthy())
  toast('Old words.')
  toast('Taken off.', { action: { label: 'Undo', onClick: () => {} } })
  await screen.findByText('Old words.')
  fireEvent.pointerDown(window)
  toast('Made just now.')
  rerender(<View path="/drawer" />)
  await waitFor(() => expect(screen.queryByText('Old words.')).toBeNull())
  expect(screen.getByText('Taken off.')).toBeTruthy()
  expect(screen.getByText('Made just now.')).toBeTruthy()
})
