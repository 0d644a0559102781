/** @jest-environment jsdom */
import { afterEach, expect, test } from '@jest/globals'
import { cleanup, fireEvent, render, screen, waitFor } from '@testing-library/react'
import { STARTER_MOULDS } from '@outfit/core/starter'
import { shelfRoster } from '../test/shelf.ts'
import { withServer } from '../test/withServer.tsx'
import { MemoryRouter } from 'react-router'
import { AddCharacters } from './AddCharacters.tsx'

afterEach(cleanup)

const open = (answers: Record<string, unknown>) => {
  render(
    withServer(
      <MemoryRouter>
        <AddCharacters roster={shelfRoster([])} />
      </MemoryRouter>,
      answers,
    ),
  )
  fireEvent.click(screen.getByRole('button', { name: 'Add characters' }))
}
const type = (text: string) =>
  fireEvent.change(screen.getByRole('textbox', { name: 'Names' }), { target: { value: text } })
const add = () => screen.getByRole<HTMLButtonElement>('button', { name: /^Add 1 character/ })

test('who is described is not added before the description is read; who is not can be at once', async () => {
  open({})
  type('Ada Quill: old woman, grey bun')
  expect(add().disabled).toBe(true)
  expect(screen.getByRole('status').textContent).toBe('Reading what is told of them…')
  type('Ada Quill')
  expect(add().disabled).toBe(false)
})

test('once it is read what is understood stands there, and they can be added', async () => {
  open({ 'catalogue/basics': { colours: [], moulds: STARTER_MOULDS, unmade: [] } })
  type('Ada Quill: old woman, grey bun')
  await waitFor(() => expect(add().disabled).toBe(false))
  expect(screen.getByRole('region', { name: 'As understood' }).textContent).toContain('Age of the face: old')
})
