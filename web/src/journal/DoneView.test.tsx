/** @jest-environment jsdom */
import { afterEach, expect, test } from '@jest/globals'
import { cleanup, fireEvent, render, screen } from '@testing-library/react'
import type { Done, DonePage } from '@outfit/core/journal'
import { withServer } from '../test/withServer.tsx'
import { MemoryRouter } from 'react-router'
import { DoneView } from './DoneView.tsx'

afterEach(cleanup)

const done = (id: string, words: string, more: Partial<Done> = {}): Done => ({
  ...{ id, words, at: '2026-12-01T09:30:00.000Z', device: 'a computer', own: true },
  ...{ undoes: null, undone: null, again: false, canTakeBack: true, copy: null },
  ...more,
})
const shown = (page: DonePage) =>
  render(
    withServer(
      <MemoryRouter>
        <DoneView />
      </MemoryRouter>,
      { journal: page },
    ),
  )

test('what was done is told day by day, with who and one press to take it back', async () => {
  shown({
    more: true,
    done: [
      done('7', 'Did again: Made bin Rope box', { undoes: '6' }),
      done('6', 'Took back: Made bin Rope box', { undoes: '5', undone: '7', canTakeBack: false }),
      done('5', 'Made bin Rope box', { undone: '6', again: true, canTakeBack: false }),
      done('4', 'Took back: Moved into Box 2', { undoes: '3' }),
      done('3', 'Moved into Box 2', { undone: '4', canTakeBack: false }),
      done('2', 'Made 20001 colours: Fog, Rust and 19999 more', {
        canTakeBack: false,
        own: false,
        device: 'a program',
      }),
      done('1a', 'Cleared the drawer', { canTakeBack: false, copy: 'outfit-2026-12-01T093000Z-before-clearing.zip' }),
      done('1', 'Dressed Odile', { at: '2026-11-30T09:30:00.000Z', own: false, device: 'a phone' }),
    ],
  })
  const [today, before] = await screen.findAllByRole('region', { name: /December|November/ })
  expect([today!.querySelector('h2')!.textContent, before!.querySelector('h2')!.textContent]).toEqual([
    'Tuesday 1 December',
    'Monday 30 November',
  ])
  const rows = [...today!.querySelectorAll('li'), ...before!.querySelectorAll('li')].map((row) =>
    row.textContent!.replace(/^\d\d:\d\d/, ''),
  )
  expect(rows).toEqual([
    'Did again: Made bin Rope boxin this browserTake back',
    'Took back: Made bin Rope boxin this browsertaken back',
    'Made bin Rope boxin this browserdone again',
    'Took back: Moved into Box 2in this browserDo again',
    'Moved into Box 2in this browsertaken back',
    'Made 20001 colours: Fog, Rust and 19999 moreby a programsee the copies',
    'Cleared the drawerin this browserTake back…',
    'Dressed Odileon a phoneTake back',
  ])
  expect(screen.getAllByRole('button').map((button) => button.ariaLabel ?? button.textContent)).toEqual([
    'Take back: Made bin Rope box',
    'Do again: Moved into Box 2',
    'Take back: Cleared the drawer',
    'Take back: Dressed Odile',
    'Older',
  ])
  // So much is taken back by a copy, with what came after it; that is asked first.
  fireEvent.click(screen.getByRole('button', { name: 'Take back: Cleared the drawer' }))
  expect(screen.getByRole('dialog').textContent).toContain('the 6 things done since go with it')
})

test('where nothing was done yet it is said what will be here', async () => {
  shown({ more: false, done: [] })
  expect(await screen.findByText('Nothing was done yet')).toBeTruthy()
})
