/** @jest-environment jsdom */
import { afterEach, expect, test } from '@jest/globals'
import { cleanup, render, screen } from '@testing-library/react'
import type { SampleWorld } from '@outfit/core/sample'
import { withServer } from '../test/withServer.tsx'
import { LookRound } from './LookRound.tsx'
import { SampleBar } from './SampleBar.tsx'

afterEach(cleanup)

const none: SampleWorld = { offered: true, state: 'none', address: null, problem: '', kept: false, back: null }
const shown = (world: Partial<SampleWorld>) =>
  render(
    withServer(
      <>
        <SampleBar />
        <LookRound onLeave={() => {}} />
      </>,
      { 'sample-world': { ...none, ...world } },
    ),
  )

test('where no sample world came along, how to start one is said', async () => {
  shown({ offered: false })
  expect(await screen.findByText('npm run demo')).toBeTruthy()
  expect(screen.queryByRole('button')).toBeNull()
})

test('it can be looked at; what is kept of it can be removed', async () => {
  shown({})
  await screen.findByRole('button', { name: 'Look round' })
  expect(screen.queryByRole('button', { name: 'Remove it' })).toBeNull()
  cleanup()
  shown({ kept: true })
  await screen.findByRole('button', { name: 'Look round again' })
  expect(screen.getByRole('button', { name: 'Remove it' })).toBeTruthy()
})

test('while it starts it says so, and why it could not be opened', async () => {
  shown({ state: 'starting', kept: true })
  expect((await screen.findByRole('status')).textContent).toMatch(/ten to thirty seconds/)
  cleanup()
  shown({ problem: 'The disk is full.' })
  expect((await screen.findByRole('alert')).textContent).toMatch(/The disk is full/)
})

test('within it the way back stands above every room; in a workspace there is none', async () => {
  shown({ back: 'http://127.0.0.1:4310' })
  expect((await screen.findByRole('link', { name: 'Back to my workspace' })).getAttribute('href')).toBe(
    'http://127.0.0.1:4310',
  )
  cleanup()
  shown({})
  await screen.findByRole('button', { name: 'Look round' })
  expect(screen.queryByRole('complementary', { name: 'Sample world' })).toBeNull()
})
