/** @jest-environment jsdom */
import { afterEach, beforeEach, expect, jest, test } from '@jest/globals'
import { cleanup, render, screen, waitFor } from '@testing-library/react'
import { userEvent } from '@testing-library/user-event'
import { Toaster } from 'sonner'
import '../test/standIns.ts'
import { nameOfDownload } from '../ui/saveAs.ts'
import { ExportBar, pagesIn } from './ExportBar.tsx'

const saved: { name: string; href: string }[] = []
beforeEach(() => {
  saved.length = 0
  Object.assign(URL, { createObjectURL: () => 'blob:made', revokeObjectURL: () => undefined })
  jest.spyOn(HTMLAnchorElement.prototype, 'click').mockImplementation(function (this: HTMLAnchorElement) {
    saved.push({ name: this.download, href: this.getAttribute('href')! })
  })
})
afterEach(() => {
  cleanup()
  jest.restoreAllMocks()
})

/** An answer that comes when it is let go. */
function answering(status: number, body: string, headers: Record<string, string> = {}) {
  let letGo: () => void = () => undefined
  const signals: AbortSignal[] = []
  const fetching = ((_: string, { signal }: { signal: AbortSignal }) => {
    signals.push(signal)
    return new Promise((resolve, reject) => {
      signal.addEventListener('abort', () => reject(new Error('aborted')))
      letGo = () => {
        const bytes = Uint8Array.from(body, (char) => char.charCodeAt(0))
        const parts = [{ done: false, value: bytes }, { done: true }]
        resolve({
          ok: status < 400,
          json: () => Promise.resolve(JSON.parse(body)),
          headers: new Map(Object.entries(headers)),
          body: { getReader: () => ({ read: () => Promise.resolve(parts.shift()) }) },
        })
      }
    })
  }) as unknown as typeof fetch
  globalThis.fetch = fetching
  return { go: () => letGo(), signals }
}

test('what is being drawn is said until it is there, under the name the server gives it', async () => {
  const user = userEvent.setup()
  const taken = jest.fn()
  const { go } = answering(200, '%PDF', {
    'content-disposition': `attachment; filename="?.pdf"; filename*=UTF-8''Odile%2C%20%C3%A9.pdf`,
  })
  render(<ExportBar files={[{ name: 'PDF', href: '/api/sheet.pdf' }]} onTaken={taken} />)
  await user.click(screen.getByRole('link', { name: 'PDF' }))
  expect(screen.getByRole('status').textContent).toContain('Drawing the PDF')
  expect(saved).toEqual([])
  go()
  await waitFor(() => expect(saved).toEqual([{ name: 'Odile, é.pdf', href: 'blob:made' }]))
  expect(taken).toHaveBeenCalledTimes(1)
  await waitFor(() => expect(screen.queryByRole('status')).toBeNull())
})

test('it can be cancelled, and counts as taken only where it was', async () => {
  const user = userEvent.setup()
  const taken = jest.fn()
  const { signals } = answering(200, '')
  render(<ExportBar files={[{ name: 'PDF', href: '/api/sheet.pdf' }]} onTaken={taken} />)
  await user.click(screen.getByRole('link', { name: 'PDF' }))
  await user.click(screen.getByRole('button', { name: 'Cancel' }))
  await waitFor(() => expect(screen.queryByRole('status')).toBeNull())
  expect([signals[0]!.aborted, saved, taken.mock.calls.length]).toEqual([true, [], 0])
})

test('what could not be made is told in the server’s words', async () => {
  const user = userEvent.setup()
  const { go } = answering(409, '{"detail":"A sheet takes at most 60 outfits."}')
  render(
    <>
      <Toaster />
      <ExportBar files={[{ name: 'PDF', href: '/api/sheet.pdf' }]} />
    </>,
  )
  await user.click(screen.getByRole('link', { name: 'PDF' }))
  go()
  expect(await screen.findByText('A sheet takes at most 60 outfits.')).toBeTruthy()
  expect(saved).toEqual([])
})

test.each([
  [`attachment; filename="a \\"b\\".svg"`, 'a "b".svg'],
  [`attachment; filename="x.svg"; filename*=UTF-8''%E2%82%AC.svg`, '€.svg'],
  ['attachment', 'usual'],
  [null, 'usual'],
])('%s is called %s', (disposition, name) => expect(nameOfDownload(disposition, 'usual')).toBe(name))

test('pages of a PDF are counted in whatever pieces it comes', () => {
  const words = '<<\n/Type /Pages\n>>' + '<<\n/Type /Page\n/Parent 1 0 R\n>>'.repeat(5)
  const pdf = Uint8Array.from(words, (char) => char.charCodeAt(0))
  for (const size of [1, 3, 11, 12, 13, 500]) {
    const drawn = pagesIn()
    let count = 0
    for (let i = 0; i < pdf.length; i += size) count = drawn(pdf.slice(i, i + size))
    expect(count).toBe(5)
  }
})
