/** @jest-environment jsdom */
import { afterEach, expect, test } from '@jest/globals'
import { cleanup, render, screen } from '@testing-library/react'
import { STARTER_COLOURS, STARTER_MOULDS } from '@outfit/core/starter'
import type { NewFigure, PartUse, PartUses } from '@outfit/core/uses'
import { withServer } from '../test/withServer.tsx'
import { MemoryRouter, Route, Routes } from 'react-router'
import { UsesView } from './UsesView.tsx'

afterEach(cleanup)

const part = (code: string, name: string, mould: string, colour: string) => ({
  ...{ code, name, mould, colours: [colour], print: null, year: null, photo: null, components: [] },
})
const HAT = part('P-1', 'Deck cap', 'M-DECK', 'tar')
const HAIR = part('P-2', 'Close crop', 'M-CROP', 'straw')
const worn = (code: string) => ({ slot: 'headgear' as const, part: code, order: 0, turned: false })
const USE: PartUse = {
  ...{
    outfit: 'O',
    name: 'Odile',
    roster: { id: 'R', name: 'Ferry people' },
    take: { id: 'T', label: 'A' },
    version: 3,
  },
  ...{ way: 'Headgear', before: 62_000, after: 74_400, worn: [worn('P-2')], placements: [worn('P-1')], free: 1 },
  ...{ frees: ['P-2'], mends: ['Not whole yet'], brings: ['Dearer than the house rules allow'] },
}

const shown = (answer: Partial<PartUses>, figures: NewFigure[] = [], loose = 0) =>
  render(
    withServer(
      <MemoryRouter initialEntries={['/parts/P-1/uses']}>
        <Routes>
          <Route path="/parts/:part/uses" element={<UsesView />} />
        </Routes>
      </MemoryRouter>,
      {
        'catalogue/basics': { colours: STARTER_COLOURS, moulds: STARTER_MOULDS, unmade: [] },
        'parts/P-1/uses': {
          part: 'P-1',
          uses: [],
          asked: 0,
          found: 0,
          wornBy: 0,
          parts: [HAT, HAIR],
          prints: [],
          ...answer,
        },
        'parts/P-1/figures': { part: 'P-1', figures, loose, claimed: false, parts: [HAT, HAIR], prints: [] },
        rosters: { rosters: [], parcels: [], parts: [], prints: [] },
      },
    ),
  )

test('each use tells likeness before and after, what it frees, mends and brings, and can be worn', async () => {
  shown({ uses: [USE], asked: 5, found: 1, wornBy: 1 })
  const card = await screen.findByRole('listitem')
  expect(card.textContent).toContain('Likeness 74 instead of 62 · Headgear · you have it free')
  expect(card.textContent).toContain('freesClose crop · Straw')
  expect(card.textContent).toContain('mendsNot whole yet')
  expect(card.textContent).toContain('bringsDearer than the house rules allow')
  expect(screen.getByText(/of 5 with wishes would be more like its brief/)).toBeTruthy()
  expect(screen.getByText(/worn by 1 outfit now/)).toBeTruthy()
  expect(screen.getByRole('button', { name: 'Wear it as a new take of Odile' })).toBeTruthy()
})

test('of many the best are told, and a gain of less than a point is told finer', async () => {
  shown({ uses: [{ ...USE, before: 93_900, after: 94_300 }], asked: 50, found: 30 })
  const card = await screen.findByRole('listitem')
  expect(card.textContent).toContain('Likeness 94.3 instead of 93.9')
  expect(screen.getByText(/30 outfits/).parentElement!.textContent).toBe(
    '30 outfits of 50 with wishes would be more like their brief; the 1 that gain most.',
  )
})

test('where it is of no use to anybody, that is told, and where nobody has wishes, what to do', async () => {
  shown({ asked: 7 })
  expect(await screen.findByText('It was tried on 7 outfits with wishes.')).toBeTruthy()
  cleanup()
  shown({})
  expect(await screen.findByText('Nobody has wishes yet')).toBeTruthy()
})

test('new figures say why their parts go together; where none comes together that is said', async () => {
  const placements = [worn('P-1')]
  shown({}, [{ placements, reasons: ['the same Tar', 'skin: the same Fawn'], harmony: 98.5 }], 12)
  const card = await screen.findByRole('listitem')
  expect(card.textContent).toContain('the same Tar; skin: the same Fawn')
  expect(card.textContent).toContain('Its parts hold 1.5 points against each other.')
  expect(screen.getByText(/Of 12 parts nobody counts on/)).toBeTruthy()
  cleanup()
  shown({}, [], 3)
  expect(await screen.findByText(/Of the 3 parts that lie loose no whole figure comes together/)).toBeTruthy()
  cleanup()
  shown({})
  expect(await screen.findByText('Nothing lies loose that nobody counts on.')).toBeTruthy()
})
