/** @jest-environment jsdom */
import { afterEach, expect, test } from '@jest/globals'
import { cleanup, fireEvent, render, screen } from '@testing-library/react'
import { StrictMode } from 'react'
import { withServer } from '../test/withServer.tsx'
import { MemoryRouter } from 'react-router'
import Palette from './Palette.tsx'

Object.assign(globalThis, {
  ResizeObserver: class {
    observe() {}
    unobserve() {}
    disconnect() {}
  },
})
Element.prototype.scrollIntoView = () => {}

afterEach(cleanup)

test('letters pressed before it was there stand in it, in order and once, however often React draws it', () => {
  let early = 'wh'
  const typed = () => {
    const letters = early
    early = ''
    return letters
  }
  const palette = <Palette outfit={null} typed={typed} onLeave={() => {}} onKeys={() => {}} />
  render(<StrictMode>{withServer(<MemoryRouter>{palette}</MemoryRouter>)}</StrictMode>)
  const field = screen.getByRole('combobox') as HTMLInputElement
  expect(field.value).toBe('wh')
  fireEvent.change(field, { target: { value: 'what' } })
  expect(field.value).toBe('what')
  expect(screen.getByRole('option', { name: /What was done/ })).toBeTruthy()
})
