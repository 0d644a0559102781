/** @jest-environment jsdom */
import { afterEach, expect, test } from '@jest/globals'
import { cleanup, fireEvent, render, screen, within } from '@testing-library/react'
import { STARTER_COLOURS, STARTER_MOULDS } from '@outfit/core/starter'
import type { MinedRelease } from '@outfit/core/uses'
import { withServer } from '../test/withServer.tsx'
import { MemoryRouter, Route, Routes } from 'react-router'
import { MineView } from './MineView.tsx'

afterEach(cleanup)

const part = (code: string, name: string, mould: string, colour: string) => ({
  ...{ code, name, mould, colours: [colour], print: null, year: null, photo: null, components: [] },
})
const worn = (code: string) => ({ slot: 'headgear' as const, part: code, order: 0, turned: false })
const roster = { id: 'R', name: 'Ferry people' }
const gainer = (outfit: string, name: string, before: number, after: number) => ({
  ...{ outfit, name, roster, before, after },
  ...{ worn: [worn('P-2')], placements: [worn('P-1')] },
})
const RELEASE: MinedRelease = {
  release: { code: 'Q-1', name: 'Ferry Landing', kind: 'box', year: 2021 },
  ...{ isCase: false, price: 500, asked: 5, goesOn: false, officials: [], unaltered: [], passed: 0 },
  mined: [
    {
      ...{ part: 'P-1', qty: 1, owned: 0, lowest: 130, found: 2, gain: 18_400 },
      best: [{ ...gainer('O', 'Odile', 60_000, 75_000), way: 'Headgear' }],
      goesWith: [{ part: 'P-2', reasons: ['the same Tar'] }],
    },
    { part: 'P-2', qty: 2, owned: 3, lowest: null, found: 0, gain: 0, best: [], goesWith: [] },
  ],
  crowds: [
    {
      ...{ roster, part: 'P-1', way: { key: 'headgear', label: 'Headgear' }, frees: [], boxes: 3, singly: 390 },
      members: ['Odile', 'Bram', 'Tove'].map((name) => gainer(name, name, 60_000, 63_000)),
    },
  ],
  deals: [
    {
      ...{ boxes: 1, gain: 15_000, left: [{ part: 'P-2', qty: 2 }] },
      dressed: [{ ...gainer('O', 'Odile', 60_000, 75_000), pieces: ['P-1'] }],
    },
    {
      ...{ boxes: 2, gain: 18_400, left: [{ part: 'P-2', qty: 4 }] },
      dressed: [
        { ...gainer('O', 'Odile', 60_000, 75_000), pieces: ['P-1'] },
        { ...gainer('B', 'Bram', 60_000, 63_400), pieces: ['P-1', 'P-2'] },
      ],
    },
  ],
  parts: [part('P-1', 'Deck cap', 'M-DECK', 'tar'), part('P-2', 'Close crop', 'M-CROP', 'straw')],
  prints: [],
}

const shown = (answer: Partial<MinedRelease>) =>
  render(
    withServer(
      <MemoryRouter initialEntries={['/releases/Q-1']}>
        <Routes>
          <Route path="/releases/:release" element={<MineView />} />
        </Routes>
      </MemoryRouter>,
      {
        'catalogue/basics': { colours: STARTER_COLOURS, moulds: STARTER_MOULDS, unmade: [] },
        'releases/Q-1/uses': { ...RELEASE, ...answer },
      },
    ),
  )

test('a box tells how many of it do what for whom, and whether one more pays', async () => {
  shown({})
  const table = await screen.findByRole('table')
  const rows = within(table)
    .getAllByRole('row')
    .slice(1)
    .map((row) => [...row.querySelectorAll('td')].map((cell) => cell.textContent))
  expect(rows).toEqual([
    ['1', '1 outfit', '+15', '+15pays', '€5.00', '2'],
    ['2', '2 outfits', '+18', '+3.4', '€10.00', '4'],
  ])
  const dressed = () => within(screen.getByRole('list', { name: 'Better dressed' })).getAllByRole('listitem')
  expect(dressed()).toHaveLength(1)
  fireEvent.click(screen.getByRole('radio', { name: '2' }))
  expect(dressed().map((one) => one.textContent)).toEqual([
    'Odile+15→Ferry peopleDeck cap · Tar',
    'Bram+3.4→Ferry peopleDeck cap · Tar, Close crop · Straw',
  ])
})

test('its parts come with what is new, whom they lift and what they suit; many alike stand together', async () => {
  shown({})
  const [first, second] = within(await screen.findByRole('region', { name: /Its parts/ })).getAllByRole('listitem')
  expect(first!.textContent).toContain('1 in it · new to you · €1.30 singly')
  expect(first!.textContent).toContain('lifts 2 outfits: Odile +15 …')
  expect(first!.textContent).toContain('as if made for your Close crop · Straw (the same Tar)')
  expect(second!.textContent).toContain('2 in it · you own 3raises nobody’s likeness')
  const crowd = within(screen.getByRole('region', { name: 'Many at once' })).getByRole('listitem')
  expect(crowd.textContent).toContain('Deck cap · Tar for 3 outfits of Ferry people, +9 together')
  expect(crowd.textContent).toContain('where nothing is worn now · 3 boxes, or €3.90 singly')
})

test('where nobody gains it is said whether anybody was asked', async () => {
  shown({ deals: [], crowds: [] })
  expect(await screen.findByText('Its parts were tried on 5 outfits with wishes.')).toBeTruthy()
  cleanup()
  shown({ deals: [], crowds: [], asked: 0 })
  expect(await screen.findByText('Nobody has wishes yet')).toBeTruthy()
})

test('a figure for somebody who was planned stands beside what is worn, and is taken, borrowed from, or left', async () => {
  localStorage.clear()
  const official = {
    ...gainer('O', 'Odile', 60_000, 75_000),
    ...{ figure: 'F-1', figureName: 'Ferry Odile', byName: true, own: 60_000, official: 75_000 },
    ...{ take: { label: 'A' }, version: 2, price: 480 },
    borrow: [{ part: 'P-1', after: 66_400, placements: [worn('P-1')] }],
  }
  const unaltered = { outfit: 'B', name: 'Bram', roster, part: 'P-2', instead: 'P-1', kinds: ['painted' as const] }
  shown({ officials: [official], unaltered: [unaltered] })
  const [card] = within(await screen.findByRole('list', { name: 'Figures for planned characters' })).getAllByRole(
    'listitem',
  ) as [HTMLElement]
  expect(card.textContent).toContain('Called the same: likeness 75, yours 60; from €4.80.')
  expect(card.textContent).toContain('Borrow Deck cap · Tar +6.4')
  expect(within(card).getByRole('button', { name: 'Take it instead' })).toBeTruthy()
  expect(screen.getByText(/comes as it is/).textContent).toContain('Bram has it painted from Close crop · Straw.')
  fireEvent.click(within(card).getByRole('button', { name: 'Keep mine' }))
  expect(screen.queryByRole('list', { name: 'Figures for planned characters' })).toBeNull()
  // It stays left when the release is opened again.
  cleanup()
  shown({ officials: [official], unaltered: [unaltered] })
  expect(await screen.findByText(/comes as it is/)).toBeTruthy()
  expect(screen.queryByRole('list', { name: 'Figures for planned characters' })).toBeNull()
})
