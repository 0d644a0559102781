/** @jest-environment jsdom */
import '../test/standIns.ts'
import { afterEach, expect, test } from '@jest/globals'
import { act, cleanup, render, screen } from '@testing-library/react'
import { Link, MemoryRouter, useLocation } from 'react-router'
import { useEffect } from 'react'
import { toggled } from './question.ts'
import { useQuestion, type Change } from './useQuestion.ts'

afterEach(cleanup)

const handed: { ask?: ReturnType<typeof useQuestion>['ask'] } = {}
const ask = (change: Change) => handed.ask!(change)
function Asking() {
  const found = useQuestion()
  useEffect(() => {
    handed.ask = found.ask
  })
  return (
    <>
      <output>{useLocation().search}</output>
      <p>{JSON.stringify(found.question)}</p>
      <Link to="/?owned=yes">elsewhere</Link>
    </>
  )
}
const shown = () => decodeURIComponent(screen.getByRole('status').textContent ?? '')
const begin = (at = '/') =>
  render(
    <MemoryRouter initialEntries={[at]}>
      <Asking />
    </MemoryRouter>,
  )

test('of presses in a row none is lost, though the address shows none of them yet', () => {
  begin('/?find=hat')
  act(() => {
    ask({ priceTo: 100 })
    ask({ order: 'price' })
    ask((now) => ({ families: toggled(now.families, 'red') }))
    ask((now) => ({ families: toggled(now.families, 'blue') }))
  })
  expect(shown()).toBe('?find=hat&colour=red,blue&price=100&order=price')
})

test('what came by a link is what is asked from then on', () => {
  begin('/?find=hat&order=price')
  act(() => ask({ priceTo: 100 }))
  act(() => screen.getByRole('link').click())
  expect(shown()).toBe('?owned=yes')
  act(() => ask({ order: 'newest' }))
  expect(shown()).toBe('?owned=yes&order=newest')
})
