/** @jest-environment jsdom */
import { afterEach, expect, test } from '@jest/globals'
import { cleanup, fireEvent, render, screen } from '@testing-library/react'
import { withServer } from '../test/withServer.tsx'
import { MemoryRouter, Route, Routes } from 'react-router'
import type { BinContents } from '@outfit/core/drawer'
import { STARTER_COLOURS, STARTER_MOULDS } from '@outfit/core/starter'
import { api } from '../data/api.ts'
import { BinView } from './BinView.tsx'

afterEach(cleanup)

const part = (code: string, name: string, mould: string, components: object[] = []) => ({
  ...{ code, name, mould, colours: ['tar'], print: null, year: null, photo: null, components },
})
const PIECES = [
  ['hips', 'P-1', 'Hips', 'M-HIPS'],
  ['legRight', 'P-2', 'Right leg', 'M-LEGRS'],
  ['legLeft', 'P-3', 'Left leg', 'M-LEGLS'],
] as const
const PAIR = part(
  'P-9',
  'Short legs',
  'M-PAIRS',
  PIECES.map(([slot, code]) => ({ slot, part: code, level: 1 })),
)
const used = (code: string, qty: number) => ({ part: code, qty, condition: 'used' as const })
const contents = (more: Partial<BinContents>): BinContents => ({
  ...{ bin: { code: 'B1', name: 'Box one', figure: null }, lying: [], wholes: [], trays: [], remarks: [] },
  ...{ donor: null, outfit: null },
  ...more,
})

/** The application reads these before any room is shown. */
function WithBasics() {
  api.endpoints.basics.useQuery()
  return <BinView />
}

const shown = (answer: Partial<BinContents>, others: object[] = []) =>
  render(
    withServer(
      <MemoryRouter initialEntries={['/drawer/bins/B1']}>
        <Routes>
          <Route path="/drawer/bins/:bin" element={<WithBasics />} />
        </Routes>
      </MemoryRouter>,
      {
        'catalogue/basics': { colours: STARTER_COLOURS, moulds: STARTER_MOULDS, unmade: [] },
        'bins/B1': {
          ...contents(answer),
          parts: [PAIR, ...PIECES.map(([, code, name, mould]) => part(code, name, mould)), ...others],
          prints: [],
        },
      },
    ),
  )
const rows = async () => {
  const list = await screen.findByRole('list', { name: 'Parts' })
  return [...list.querySelectorAll(':scope > li')].map((row) => row.textContent)
}

test('pieces that make a pair are one row of what they are, which comes apart and goes together again', async () => {
  shown({ lying: [used('P-1', 2), used('P-2', 2), used('P-3', 3)], wholes: [used('P-9', 2)] })
  expect(await rows()).toEqual([
    'of 1Left leg · Tar usedRemark…',
    'of 2Short legs · Tar usedHips · Right leg · Left legTake apartRemark…',
  ])
  fireEvent.click(screen.getByRole('button', { name: 'Take Short legs · Tar apart' }))
  expect((await rows()).map((row) => row!.slice(0, 20))).toEqual([
    'of 2Hips · Tar usedR',
    'of 3Left leg · Tar u',
    'of 2Right leg · Tar ',
  ])
  // The pressed buttons are gone; the keys go on in the list.
  expect(document.activeElement).toBe(screen.getByRole('list', { name: 'Parts' }))
  fireEvent.click(screen.getByRole('button', { name: 'Put together' }))
  expect(await rows()).toHaveLength(2)
  expect(document.activeElement).toBe(screen.getByRole('list', { name: 'Parts' }))
})

test('all of it is picked by one tick, a pair as a pair', async () => {
  shown({ lying: PIECES.map(([, code]) => used(code, 1)), wholes: [used('P-9', 1)] })
  await rows()
  fireEvent.click(screen.getByRole('checkbox', { name: 'All' }))
  expect((screen.getByLabelText('How many of Short legs · Tar, used') as HTMLInputElement).value).toBe('1')
  expect((screen.getByRole('checkbox', { name: 'All' }) as HTMLInputElement).checked).toBe(true)
})

test('a pair nobody has told the pieces of offers to be taken apart; what is one piece does not', async () => {
  shown({ lying: [used('P-8', 1), used('P-1', 1)] }, [part('P-8', 'Old legs', 'M-PAIRS')])
  await rows()
  expect(screen.getAllByRole('button', { name: /^Take .* apart$/ }).map((button) => button.ariaLabel)).toEqual([
    'Take Old legs · Tar apart',
  ])
})
