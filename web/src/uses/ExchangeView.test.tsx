/** @jest-environment jsdom */
import { afterEach, expect, test } from '@jest/globals'
import { cleanup, fireEvent, render, screen, within } from '@testing-library/react'
import { STARTER_COLOURS, STARTER_MOULDS } from '@outfit/core/starter'
import type { Exchange } from '@outfit/core/uses'
import { withServer } from '../test/withServer.tsx'
import { MemoryRouter } from 'react-router'
import { changeInPoints, gainInPoints } from './points.ts'
import { Wall } from './ExchangeView.tsx'
import { catalogueOf } from '@outfit/core/catalogue'

afterEach(cleanup)

const part = (code: string, name: string, mould: string, colour: string) => ({
  ...{ code, name, mould, colours: [colour], print: null, year: null, photo: null, components: [] },
})
const parts = [part('P-1', 'Deck cap', 'M-DECK', 'tar'), part('P-2', 'Close crop', 'M-CROP', 'straw')]
const catalogue = catalogueOf({ colours: STARTER_COLOURS, moulds: STARTER_MOULDS, prints: [], parts })
const worn = (code: string) => [{ slot: 'headgear' as const, part: code, order: 0, turned: false }]
const roster = { id: 'R', name: 'Brass band' }
const figure = (name: string, after: number, more: Partial<Exchange['figures'][number]> = {}) => ({
  ...{ outfit: name, name, roster, isBriefed: true, before: 60_000, after },
  ...{ worn: worn('P-2'), placements: worn('P-1'), frees: ['P-2'], takes: ['P-1'] },
  ...more,
})
const EXCHANGE: Exchange = {
  ...{ roster, part: 'P-1', ways: [{ key: 'headgear', label: 'Headgear' }], way: 'headgear' },
  figures: [figure('Ada', 64_500), figure('Bo', 60_000, { frees: [] }), figure('Cy', 37_000)],
  ...{ wearing: ['Di'], barred: ['Eli', 'Fay'], pieces: [{ part: 'P-1', free: 1, lowest: 112 }], parts, prints: [] },
}
const shown = (exchange: Partial<Exchange> = {}) =>
  render(
    withServer(
      <MemoryRouter>
        <Wall exchange={{ ...EXCHANGE, ...exchange }} catalogue={catalogue} pick={null} onWay={() => {}} />
      </MemoryRouter>,
    ),
  )

test('who would lose is left as they are; what it comes to follows who is ticked', () => {
  shown()
  expect(screen.getByText('Di wears it so already; the house rules of Eli and Fay keep it out')).toBeTruthy()
  const boxes = screen.getAllByRole<HTMLInputElement>('checkbox')
  expect(boxes.map(({ checked }) => checked)).toEqual([true, true, false])
  const sum = () => screen.getByText(/points of likeness together/).textContent
  expect(sum()).toBe(
    '2 outfits, +4.5 points of likeness together1 piece to buy: €1.12 at lowest single prices, before shipping.',
  )
  fireEvent.click(screen.getByRole('checkbox', { name: 'Cy wears it' }))
  expect(sum()).toBe(
    '3 outfits, −19 points of likeness together, one loses2 pieces to buy: €2.24 at lowest single prices, before shipping.',
  )
  expect(screen.getByRole('button', { name: 'Let all wear it' })).toBeTruthy()
  for (const box of boxes) if (box.checked) fireEvent.click(box)
  expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Let 0 wear it' }).disabled).toBe(true)
})

test('what nobody sells is named, what lies free is not bought, and who wishes for nothing has no likeness', () => {
  shown({ pieces: [{ part: 'P-1', free: 0, lowest: null }] })
  expect(screen.getByText(/nobody sells Deck cap · Tar singly/)).toBeTruthy()
  cleanup()
  shown({
    pieces: [{ part: 'P-1', free: 5, lowest: 112 }],
    figures: [figure('Ada', 0, { isBriefed: false, before: 0 })],
  })
  expect(screen.getByText('All of it lies free in the drawer.')).toBeTruthy()
  expect(within(screen.getByRole('listitem')).getByText('no wishes')).toBeTruthy()
  cleanup()
  shown({ figures: [] })
  expect(screen.getByText('All who may wear it do so already.')).toBeTruthy()
  cleanup()
  shown({ figures: [], wearing: [] })
  expect(screen.getByText('The house rules keep it from everybody.')).toBeTruthy()
  cleanup()
  shown({ figures: [], wearing: [], barred: [] })
  expect(screen.getByText(/There is nobody in this roster yet/)).toBeTruthy()
})

test('gains and losses are told in points, finer where they are small', () => {
  expect([12_400, 9_400, 400, 60].map(gainInPoints)).toEqual(['+12', '+9.4', '+0.4', '+0.1'])
  expect([0, 2_000, -2_300, -23_000].map(changeInPoints)).toEqual(['±0', '+2', '−2.3', '−23'])
})
