/** @jest-environment jsdom */
import { afterEach, expect, test } from '@jest/globals'
import { act, cleanup, fireEvent, render, screen } from '@testing-library/react'
import { withServer } from '../test/withServer.tsx'
import { useState } from 'react'
import { MemoryRouter } from 'react-router'
import { useEntries } from './useEntries.ts'

afterEach(cleanup)

function Finding() {
  const [text, setText] = useState('lantern')
  const { groups } = useEntries(text, null)
  const releases = groups.find(({ title }) => title === 'Releases')?.entries ?? []
  return (
    <>
      <input value={text} onChange={({ target }) => setText(target.value)} />
      <p role="status">{releases.map(({ name }) => name).join(', ')}</p>
    </>
  )
}

test('what was found stays while more is typed, and goes with the last letter', async () => {
  const release = { code: 'Q-112', name: 'Lantern Parade', kind: 'box', year: 2020 }
  // Longer words are never answered here: the server is still looking.
  const answers = { 'releases?text=lantern': [release] }
  render(
    withServer(
      <MemoryRouter>
        <Finding />
      </MemoryRouter>,
      answers,
    ),
  )
  expect(await screen.findByText('Lantern Parade')).toBeTruthy()
  const type = async (value: string) => {
    fireEvent.change(screen.getByRole('textbox'), { target: { value } })
    await act(() => new Promise((resolve) => setTimeout(resolve, 300)))
    return screen.getByRole('status').textContent
  }
  expect(await type('lantern parade')).toBe('Lantern Parade')
  expect(await type('')).toBe('')
})
