/** @jest-environment jsdom */
import { expect, test } from '@jest/globals'
import { render, waitFor } from '@testing-library/react'
import { useRef, type ReactNode } from 'react'
import { useTitle } from './useTitle.ts'

function Frame({ steps, children }: { steps?: ReactNode; children?: ReactNode }) {
  const shell = useRef<HTMLDivElement>(null)
  useTitle(shell)
  return (
    <div ref={shell}>
      <header>
        <nav>
          <a aria-current="page">Rosters</a>
        </nav>
        {steps}
      </header>
      <main>{children}</main>
    </div>
  )
}

test('a page is called after its heading without counts, and after the tab of it that is open', async () => {
  const { rerender } = render(<Frame />)
  expect(document.title).toBe('Outfit')
  const tabs = (open: string) => (
    <>
      <h1>
        Ferry people<span>4 of 4 cast</span>
      </h1>
      <nav>
        {['Shelf', 'Table'].map((name) => (
          <a key={name} aria-current={name === open ? 'page' : undefined}>
            {name}
          </a>
        ))}
      </nav>
    </>
  )
  rerender(<Frame>{tabs('Shelf')}</Frame>)
  await waitFor(() => expect(document.title).toBe('Shelf · Ferry people · Outfit'))
  rerender(<Frame>{tabs('Table')}</Frame>)
  await waitFor(() => expect(document.title).toBe('Table · Ferry people · Outfit'))
  rerender(
    <Frame>
      <h1>Later</h1>
    </Frame>,
  )
  await waitFor(() => expect(document.title).toBe('Later · Outfit'))
})

test('a room of an outfit is called after the step and the outfit', async () => {
  const steps = (step: string) => (
    <div data-steps>
      <strong data-outfit>Odile, skipper</strong>
      <nav>
        <a aria-current={step ? 'page' : undefined}>{step}</a>
      </nav>
    </div>
  )
  const { rerender } = render(
    <Frame steps={steps('Brief')}>
      <h1>What must be right</h1>
    </Frame>,
  )
  await waitFor(() => expect(document.title).toBe('Brief · Odile, skipper · Outfit'))
  rerender(
    <Frame steps={steps('')}>
      <h1>House rules</h1>
    </Frame>,
  )
  await waitFor(() => expect(document.title).toBe('House rules · Odile, skipper · Outfit'))
  rerender(
    <Frame steps={steps('')}>
      <h1>Prices of Odile, skipper</h1>
    </Frame>,
  )
  await waitFor(() => expect(document.title).toBe('Prices of Odile, skipper · Outfit'))
})
