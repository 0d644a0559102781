/** @jest-environment jsdom */
import { afterEach, expect, test } from '@jest/globals'
import { cleanup, render, screen, within } from '@testing-library/react'
import { userEvent } from '@testing-library/user-event'
import { shelfOutfit, shelfRoster } from '../test/shelf.ts'
import { withServer } from '../test/withServer.tsx'
import { MemoryRouter } from 'react-router'
import { ShowView } from './ShowView.tsx'

afterEach(cleanup)

const worn = [{ slot: 'head' as const, part: 'H', order: 0, turned: false }]
const show = (rosters: ReturnType<typeof shelfRoster>[]) =>
  render(
    withServer(
      <MemoryRouter>
        <ShowView />
      </MemoryRouter>,
      { rosters: { rosters, parcels: [], parts: [], prints: [] } },
    ),
  )

test('who is dressed has a card, and who waits for a picture is found; who wears nothing does not stand there', async () => {
  const user = userEvent.setup()
  show([
    shelfRoster(
      [
        shelfOutfit('Ada', { placements: worn, state: 'built' }),
        shelfOutfit('Bo', { placements: worn, state: 'shown' }),
        shelfOutfit('Cy', { placements: worn, state: 'fitting' }),
        shelfOutfit('Nobody yet'),
      ],
      { name: 'Crew' },
    ),
    shelfRoster([shelfOutfit('Bare')], { id: 'q', name: 'Empty' }),
  ])
  const crew = await screen.findByRole('region', { name: 'Crew' })
  const cards = () =>
    within(crew)
      .getAllByRole('link', { name: /^Card of/ })
      .map((one) => one.getAttribute('aria-label'))
  expect(cards()).toEqual(['Card of Ada', 'Card of Bo', 'Card of Cy'])
  expect(within(crew).getByText('3 figures dressed, 1 shown')).toBeTruthy()
  expect(screen.queryByRole('region', { name: 'Empty' })).toBeNull()
  expect(within(crew).getByRole('link', { name: 'Sheet, page, recipe' }).getAttribute('href')).toBe('/rosters/r/sheet')
  await user.click(screen.getByRole('button', { name: 'Built, not shown yet 1' }))
  expect(cards()).toEqual(['Card of Ada'])
  await user.click(screen.getByRole('button', { name: 'Shown 1' }))
  expect(cards()).toEqual(['Card of Bo'])
})

test('with nobody dressed it says what would stand there, and where to begin', async () => {
  show([shelfRoster([shelfOutfit('Bare')])])
  expect(await screen.findByText('There is nobody to show yet')).toBeTruthy()
  expect(screen.getByRole('link', { name: 'To the rosters' })).toBeTruthy()
})

test('where all who are built were shown, that is said', async () => {
  const user = userEvent.setup()
  show([shelfRoster([shelfOutfit('Bo', { placements: worn, state: 'shown' })])])
  await user.click(await screen.findByRole('button', { name: 'Built, not shown yet 0' }))
  expect(screen.getByText(/whoever is built has been shown/)).toBeTruthy()
})
