/** @jest-environment jsdom */
import { afterEach, beforeEach, expect, test } from '@jest/globals'
import { cleanup, render, screen } from '@testing-library/react'
import { userEvent } from '@testing-library/user-event'
import { useTyped } from './useTyped.ts'
import { WentOn } from './WentOn.tsx'

beforeEach(() => localStorage.clear())
afterEach(cleanup)

function Form({ lines = 2 }: { lines?: number }) {
  const { values, set, isBack, forget, beginAnew } = useTyped(
    'form',
    () => ({ words: '', lines }),
    (kept) => kept.lines === lines,
  )
  return (
    <>
      {isBack && <WentOn onBeginAnew={beginAnew} />}
      <input
        aria-label="Words"
        value={values.words}
        onChange={({ target }) => set((v) => ({ ...v, words: target.value }))}
      />
      <button type="button" onClick={forget}>
        Save
      </button>
    </>
  )
}
const words = () => screen.getByRole('textbox').getAttribute('value')

test('what was typed is there again, is said to be, and can be begun anew', async () => {
  const user = userEvent.setup()
  const first = render(<Form />)
  expect(screen.queryByRole('status')).toBeNull()
  await user.type(screen.getByRole('textbox'), 'three came')
  first.unmount()
  render(<Form />)
  expect(words()).toBe('three came')
  await user.click(screen.getByRole('button', { name: 'Begin anew' }))
  expect([words(), screen.queryByRole('status')]).toEqual(['', null])
  cleanup()
  render(<Form />)
  expect(words()).toBe('')
})

test('what is saved, or is of another form by now, or cannot be read, does not come back', async () => {
  const user = userEvent.setup()
  render(<Form />)
  await user.type(screen.getByRole('textbox'), 'kept')
  cleanup()
  render(<Form lines={3} />)
  expect(words()).toBe('')
  cleanup()
  render(<Form />)
  await user.click(screen.getByRole('button', { name: 'Save' }))
  cleanup()
  render(<Form />)
  expect(words()).toBe('')
  cleanup()
  localStorage.setItem('outfit.typed.form', '{half')
  render(<Form />)
  expect(words()).toBe('')
})
