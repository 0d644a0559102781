/** @jest-environment jsdom */
import { afterEach, expect, jest, test } from '@jest/globals'
import { cleanup, render, screen, within } from '@testing-library/react'
import { userEvent } from '@testing-library/user-event'
import { readList, sheetOf, type Choices, type LookedAt } from '@outfit/core/intake'
import { STARTER_COLOURS, STARTER_MOULDS } from '@outfit/core/starter'
import { ListHead } from './ListHead.tsx'

afterEach(cleanup)

function shown(text: string, choices: Choices = {}) {
  const choose = jest.fn<(more: Partial<Choices>) => void>()
  const known = { palette: [...STARTER_COLOURS], moulds: [...STARTER_MOULDS], bins: [], sellers: [], parts: [] }
  const read = readList(sheetOf(text), 'parts.csv', known as never, choices)
  const list = { ...read, id: 'one', name: 'parts.csv', encoding: null, sheets: [], sum: { rows: 2 } }
  const rest = { isFetching: false, setEncoding: () => undefined, setSheet: () => undefined }
  render(<ListHead list={list as unknown as LookedAt} choose={choose} {...rest} />)
  return { choose, asked: screen.queryByRole('group', { name: 'What this list is' }) }
}

test('whose prices a list has is asked where it does not say', async () => {
  const { choose, asked } = shown('part;colour;qty;price\nTorso;Tar;3;0.40\nHead;Fawn;2;0.35\n')
  await userEvent.click(within(asked!).getByRole('button', { name: 'what I paid, I own these' }))
  await userEvent.click(within(asked!).getByRole('button', { name: 'what a seller asks' }))
  expect(choose.mock.calls).toEqual([[{ kind: 'owned' }], [{ kind: 'prices' }]])
  // Where it can be changed again.
  expect(document.activeElement).toBe(screen.getByRole('combobox', { name: 'It is' }))
})

test('nobody is asked where a list says what it is, has no prices, or was told', () => {
  const plain = 'part;colour;qty;price\nTorso;Tar;3;0.40\n'
  expect(shown(plain, { kind: 'owned' }).asked).toBeNull()
  for (const text of [
    'part;colour\nTorso;Tar\n',
    'part;colour;qty;bin\nTorso;Tar;3;Box 2\n',
    'seller;part;colour;price\nPier Parts;Torso;Tar;0.40\n',
  ]) {
    cleanup()
    expect(shown(text).asked).toBeNull()
  }
})
